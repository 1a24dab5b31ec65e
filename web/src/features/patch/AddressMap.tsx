import { useMemo, useState } from 'react';
import { select } from '../../api/commands';
import type { LineResponse, PatchView } from '../../api/client';
import { useDesk } from '../../api/queries';
import { runLine } from '../../app/Line';
import { attempt } from '../../app/notices';
import { Button } from '../../ui/Button';
import { RigOfOne } from './RigOfOne';
import { tones } from './patch-model';

type Landings = LineResponse['landings'];
const COLUMNS = 32;
const ROWS = 16;

interface Block {
  number: number;
  from: number;
  to: number;
  shape: string;
  words: string;
}

/** A block cut where the rows of the map end. */
function pieces({ from, to }: { from: number; to: number }) {
  const cut: { row: number; column: number; span: number; first: boolean }[] = [];
  for (let at = from; at <= to;) {
    const row = Math.floor((at - 1) / COLUMNS);
    const end = Math.min(to, (row + 1) * COLUMNS);
    cut.push({ row, column: (at - 1) % COLUMNS, span: end - at + 1, first: at === from });
    at = end + 1;
  }
  return cut;
}

/** One universe, slot by slot: who holds what, what clashes, and what is about to land. */
export function AddressMap({ patch, landings }: { patch: PatchView; landings: Landings }) {
  const [chosen, setChosen] = useState(1);
  const desk = useDesk().data;
  const held = useMemo(() => new Set(desk?.steps.flat().map((u) => Number(u.split('.')[0]))), [desk]);
  const universes = [
    ...new Set([...patch.universes.map((u) => u.universe), ...landings.map((l) => l.universe)]),
  ].sort((a, b) => a - b);
  const about = landings[0]?.universe;
  const universe =
    about !== undefined && !landings.some((l) => l.universe === chosen)
      ? about
      : universes.includes(chosen)
        ? chosen
        : (universes[0] ?? 1);
  const facts = patch.universes.find((u) => u.universe === universe);
  const tone = useMemo(() => tones(patch.fixtures), [patch]);
  const blocks: Block[] = patch.fixtures.flatMap((f) =>
    f.claims
      .filter((c) => c.universe === universe)
      .map((c) => ({
        number: f.number,
        from: c.from,
        to: c.to,
        shape: held.has(f.number) ? 'held' : String(tone.get(f.profile)),
        words: `${f.number} ${f.name}: ${c.universe}.${c.from}–${c.to}`,
      })),
  );
  const clashes = patch.clashes.filter((c) => c.universe === universe);
  const here = landings.filter((l) => l.universe === universe);
  const types = [
    ...new Set(
      patch.fixtures.filter((f) => f.claims.some((c) => c.universe === universe)).map((f) => f.profile),
    ),
  ];
  return (
    <section
      aria-label="Output"
      className="flex min-h-0 min-w-0 flex-1 flex-col gap-2 overflow-auto rounded-lg border border-line-strong bg-sheet p-3"
    >
      <div className="flex flex-wrap items-center gap-2">
        <span className="caps">Universe</span>
        <div className="flex max-w-full overflow-auto rounded-md border border-line-strong">
          {(universes.length > 0 ? universes : [1]).map((u) => (
            <button
              key={u}
              aria-pressed={u === universe}
              onClick={() => setChosen(u)}
              className={`mono min-h-7 min-w-7 border-r border-line px-1.5 last:border-0 ${u === universe ? 'bg-petrol text-on-petrol' : ''}`}
            >
              {u}
            </button>
          ))}
        </div>
        <span className="ml-auto text-[12px] text-ink-2">
          <b className="mono">{facts?.used ?? 0}</b> used · longest gap{' '}
          <b className="mono">{facts?.longestGap ?? 512}</b> at{' '}
          <b className="mono">{facts?.longestGapAt ?? `${universe}.1`}</b>
        </span>
      </div>
      <div
        className="relative w-full shrink-0 overflow-hidden rounded border border-line-strong"
        style={{
          aspectRatio: `${COLUMNS} / ${ROWS * 1.25}`,
          backgroundImage:
            'linear-gradient(var(--line) 1px, transparent 1px), linear-gradient(90deg, var(--line) 1px, transparent 1px)',
          backgroundSize: `${100 / COLUMNS}% ${100 / ROWS}%`,
        }}
      >
        {blocks.map((b) => (
          <Pieces
            key={`${b.number} ${b.from}`}
            block={b}
            onPress={(e) =>
              void attempt(() => select([String(b.number)], e.shiftKey ? 'add' : e.altKey ? 'less' : 'hold'))
            }
          />
        ))}
        {clashes.map((c) => (
          <Pieces
            key={`clash ${c.span} ${c.one} ${c.other}`}
            block={{ number: 0, from: c.from, to: c.to, shape: 'clash', words: c.words }}
          />
        ))}
        {here.map((l) => (
          <Pieces
            key={`landing ${l.number} ${l.from}`}
            block={{
              number: l.number,
              from: l.from,
              to: l.to,
              shape: l.clash ? 'clash' : 'landing',
              words: `${l.number} lands here`,
            }}
          />
        ))}
      </div>
      <div className="flex flex-wrap gap-x-3 gap-y-0.5 text-[12px] text-ink-2">
        {types.map((t) => (
          <span key={t} className="flex items-center gap-1">
            <span className="inline-block h-2.5 w-3.5" style={{ background: `var(--map-${tone.get(t)})` }} />{' '}
            {t}
          </span>
        ))}
        {clashes.length > 0 && (
          <span className="flex items-center gap-1">
            <span className="hatch inline-block h-2.5 w-3.5" /> clash
          </span>
        )}
        {here.length > 0 && (
          <span className="flex items-center gap-1">
            <span className="inline-block h-2.5 w-3.5 border-2 border-dashed border-petrol" /> about to land
          </span>
        )}
      </div>
      {patch.clashes.length > 0 && (
        <ul aria-label="Clashes" className="space-y-2 border-t border-line pt-2">
          {patch.clashes.slice(0, 20).map((c) => (
            <li key={`${c.span} ${c.one} ${c.other}`}>
              <div className="font-semibold text-madder">{c.words}</div>
              <div className="mt-1 flex flex-wrap gap-1.5">
                {c.waysOut.map((w) => (
                  <Button key={w.line} label={w.line} onClick={() => void runLine(w.line)}>
                    {w.words}
                  </Button>
                ))}
              </div>
            </li>
          ))}
        </ul>
      )}
      {held.size === 1 && <RigOfOne number={[...held][0]!} />}
    </section>
  );
}

function look(shape: string): { className: string; background?: string } {
  if (shape === 'clash') return { className: 'hatch pointer-events-none' };
  if (shape === 'landing')
    return {
      className: 'border-2 border-dashed border-petrol bg-petrol-soft/70 text-petrol pointer-events-none',
    };
  if (shape === 'held') return { className: 'bg-petrol text-on-petrol' };
  return { className: 'text-ink', background: `var(--map-${shape})` };
}

function Pieces({ block, onPress }: { block: Block; onPress?: (e: React.MouseEvent) => void }) {
  const { className, background } = look(block.shape);
  return pieces(block).map((p) => (
    <button
      key={`${p.row}`}
      tabIndex={-1}
      title={block.words}
      onClick={onPress}
      className={`mono absolute overflow-hidden text-left text-[10px] leading-[1.3] font-bold ${p.first ? 'border-l-2 border-l-ink/60 pl-0.5' : ''} ${className}`}
      style={{
        left: `${(p.column * 100) / COLUMNS}%`,
        width: `${(p.span * 100) / COLUMNS}%`,
        top: `${(p.row * 100) / ROWS}%`,
        height: `calc(${100 / ROWS}% - 1px)`,
        background,
      }}
    >
      {p.first && block.number > 0 && p.span > 1 ? block.number : ''}
    </button>
  ));
}
