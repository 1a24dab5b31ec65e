import { useMemo, useRef, useState } from 'react';
import { select } from '../../api/commands';
import type { LineResponse, PatchView } from '../../api/client';
import { runLine } from '../../doing/run-line';
import { runEdit } from '../../doing/run';
import { attempt } from '../../doing/notices';
import { useLineReading } from '../../doing/useLineReading';
import { runs, tones } from './patch-model';

type Landings = LineResponse['landings'];
const COLUMNS = 32;
const ROWS = 16;
const SLOTS = 512;

interface Block {
  number: number;
  /** where its fixture begins here, when it has other addresses beside this one */
  own: string;
  from: number;
  to: number;
  shape: string;
  words: string;
}

interface Drag {
  number: number;
  own: string;
  grabbed: number;
  slot: number;
  moved: boolean;
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

interface Props {
  patch: PatchView;
  universe: number;
  landings: Landings;
  held: Set<number>;
}

/**
 * One universe, slot by slot: who holds what, what clashes, what is about to land. Drag a block to move it; with Alt
 * and the arrows the selection moves by a slot or a row.
 */
export function AddressMap({ patch, universe, landings, held }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const [drag, setDrag] = useState<Drag | null>(null);
  const tone = useMemo(() => tones(patch.fixtures), [patch]);
  const blocks: Block[] = useMemo(
    () =>
      patch.fixtures.flatMap((f) =>
        f.claims
          .filter((c) => c.universe === universe)
          .map((c) => ({
            number: f.number,
            own: f.claims.length > 1 ? `${c.universe}.${c.from}` : '',
            from: c.from,
            to: c.to,
            shape: held.has(f.number) ? 'held' : String(tone.get(f.profile)),
            words: `${f.number} ${f.name}: ${c.universe}.${c.from}–${c.to}`,
          })),
      ),
    [patch, universe, held, tone],
  );
  const moving = drag ? (held.has(drag.number) ? [...held].sort((a, b) => a - b) : [drag.number]) : [];
  // Of a fixture with several addresses the one that is dragged moves, unless several are selected.
  const alone = drag !== null && drag.own !== '' && moving.length === 1;
  const by = drag ? drag.slot - drag.grabbed : 0;
  const line =
    drag?.moved && by !== 0 ? `shift ${runs(moving)}${alone ? ` at ${drag.own}` : ''} by ${by}` : '';
  const reading = useLineReading(line);
  const refused = line !== '' && reading.text === line && reading.problems.length > 0;
  const ghosts: Block[] = drag?.moved
    ? blocks
        .filter((b) => (alone ? b.own === drag.own && b.number === drag.number : moving.includes(b.number)))
        .map((b) => ({
          ...b,
          from: Math.max(1, b.from + by),
          to: Math.min(SLOTS, b.to + by),
          shape: refused ? 'refused' : 'landing',
          words: '',
        }))
    : [];
  const clashes = patch.clashes.filter((c) => c.universe === universe);
  const here = landings.filter((l) => l.universe === universe);
  const types = [...new Set(blocks.map((b) => patch.fixtures.find((f) => f.number === b.number)!.profile))];

  const slotAt = (e: React.PointerEvent) => {
    const rect = box.current!.getBoundingClientRect();
    const column = Math.floor(((e.clientX - rect.left) / rect.width) * COLUMNS);
    const row = Math.floor(((e.clientY - rect.top) / rect.height) * ROWS);
    return Math.max(0, Math.min(ROWS - 1, row)) * COLUMNS + Math.max(0, Math.min(COLUMNS - 1, column)) + 1;
  };
  const onPointerDown = (e: React.PointerEvent) => {
    const slot = slotAt(e);
    const block = blocks.find((b) => b.from <= slot && slot <= b.to);
    if (!block) return;
    e.currentTarget.setPointerCapture(e.pointerId);
    setDrag({ number: block.number, own: block.own, grabbed: slot, slot, moved: false });
  };
  const onPointerUp = (e: React.PointerEvent) => {
    if (!drag) return;
    setDrag(null);
    if (!drag.moved) {
      const how = e.shiftKey ? 'add' : e.altKey ? 'less' : 'hold';
      void attempt(() => select([String(drag.number)], how));
    } else if (line) void runLine(line);
  };
  const onKeyDown = (e: React.KeyboardEvent) => {
    const step = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -COLUMNS, ArrowDown: COLUMNS }[e.key];
    if (e.key === 'Escape') setDrag(null);
    if (step === undefined || !e.altKey || held.size === 0) return;
    e.preventDefault();
    void runEdit({ type: 'shift', numbers: [...held].sort((a, b) => a - b), by: step });
  };
  return (
    <>
      <div
        ref={box}
        data-testid="address-map"
        tabIndex={0}
        role="application"
        aria-label={`Map of universe ${universe}: ${blocks.length} blocks. Drag a block to move it; Alt and the arrows move the selection by a slot or a row.`}
        className="relative w-full shrink-0 touch-none overflow-hidden rounded border border-line-strong"
        style={{
          aspectRatio: `${COLUMNS} / ${ROWS * 1.25}`,
          backgroundImage:
            'linear-gradient(var(--line) 1px, transparent 1px), linear-gradient(90deg, var(--line) 1px, transparent 1px)',
          backgroundSize: `${100 / COLUMNS}% ${100 / ROWS}%`,
        }}
        onPointerDown={onPointerDown}
        onPointerMove={(e) => {
          if (!drag) return;
          const slot = slotAt(e);
          if (slot !== drag.slot) setDrag({ ...drag, slot, moved: true });
        }}
        onPointerUp={onPointerUp}
        onKeyDown={onKeyDown}
      >
        {blocks.map((b) => (
          <Pieces key={`${b.number} ${b.from}`} block={b} />
        ))}
        {clashes.map((c) => (
          <Pieces
            key={`clash ${c.span} ${c.numbers.join(' ')}`}
            block={{
              number: 0,
              own: '',
              from: c.from,
              to: c.to,
              shape: c.shared ? 'shared' : 'clash',
              words: c.words,
            }}
          />
        ))}
        {here.map((l) => (
          <Pieces
            key={`landing ${l.number} ${l.from}`}
            block={{
              number: l.number,
              own: '',
              from: l.from,
              to: l.to,
              shape: l.clash ? 'clash' : 'landing',
              words: `${l.number} lands here`,
            }}
          />
        ))}
        {ghosts.map((g) => (
          <Pieces key={`ghost ${g.number} ${g.from}`} block={g} />
        ))}
      </div>
      {line && (
        <p className={refused ? 'text-madder' : 'text-petrol'} role="status">
          {refused ? reading.problems[0]!.words : (reading.outcome?.reading ?? '…')}
        </p>
      )}
      <Legend
        types={types}
        tone={tone}
        clash={clashes.some((c) => !c.shared)}
        shared={clashes.some((c) => c.shared)}
        landing={here.length > 0}
      />
    </>
  );
}

interface LegendProps {
  types: string[];
  tone: Map<string, number>;
  clash: boolean;
  shared: boolean;
  landing: boolean;
}

function Legend({ types, tone, clash, shared, landing }: LegendProps) {
  return (
    <div className="flex flex-wrap gap-x-3 gap-y-0.5 text-[12px] text-ink-2">
      {types.map((t) => (
        <span key={t} className="flex items-center gap-1">
          <span className="inline-block h-2.5 w-3.5" style={{ background: `var(--map-${tone.get(t)})` }} />{' '}
          {t}
        </span>
      ))}
      {clash && (
        <span className="flex items-center gap-1">
          <span className="hatch inline-block h-2.5 w-3.5" /> clash
        </span>
      )}
      {shared && (
        <span className="flex items-center gap-1">
          <span className="hatch-shared inline-block h-2.5 w-3.5 border border-ochre" /> shared
        </span>
      )}
      {landing && (
        <span className="flex items-center gap-1">
          <span className="inline-block h-2.5 w-3.5 border-2 border-dashed border-petrol" /> about to land
        </span>
      )}
    </div>
  );
}

function look(shape: string): { className: string; background?: string } {
  if (shape === 'clash') return { className: 'hatch pointer-events-none' };
  if (shape === 'shared') return { className: 'hatch-shared border-y-2 border-ochre pointer-events-none' };
  if (shape === 'refused')
    return {
      className: 'hatch border-2 border-dashed border-madder bg-sheet text-madder pointer-events-none',
    };
  if (shape === 'landing')
    return {
      className: 'border-2 border-dashed border-petrol bg-petrol-soft/70 text-petrol pointer-events-none',
    };
  if (shape === 'held') return { className: 'cursor-grab border-l-sheet bg-petrol text-on-petrol' };
  return { className: 'cursor-grab border-l-ink/60 text-ink', background: `var(--map-${shape})` };
}

function Pieces({ block }: { block: Block }) {
  const { className, background } = look(block.shape);
  return pieces(block).map((p) => (
    <div
      key={`${p.row}`}
      title={block.words}
      data-block={block.number || undefined}
      className={`mono absolute overflow-hidden text-left text-[10px] leading-[1.3] font-bold select-none ${p.first ? 'border-l-2 pl-0.5' : ''} ${className}`}
      style={{
        left: `${(p.column * 100) / COLUMNS}%`,
        width: `${(p.span * 100) / COLUMNS}%`,
        top: `${(p.row * 100) / ROWS}%`,
        height: `calc(${100 / ROWS}% - 1px)`,
        background,
      }}
    >
      {p.first && block.number > 0 && p.span > 1 ? block.number : ''}
    </div>
  ));
}
