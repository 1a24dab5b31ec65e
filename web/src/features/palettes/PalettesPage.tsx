import { useState } from 'react';
import { edit, type Edit } from '../../api/commands';
import type { PaletteView } from '../../api/client';
import { useDesk, usePalettes } from '../../api/queries';
import { runLine } from '../../app/Line';
import { runEdit } from '../../app/run';
import { useKept } from '../../app/kept';
import { useOnce } from '../../app/once';
import { attempt } from '../../app/notices';
import { Stage } from '../../stage/Stage';
import { Button } from '../../ui/Button';
import { inputShape } from '../../ui/Field';
import { EmptyNiche, Niche } from '../../ui/Niche';
import { ProblemList } from '../../ui/ProblemList';
import { ScopeRing } from '../../ui/ScopeRing';
import { Segmented } from '../../ui/Segmented';
import { Bench } from '../bench/Bench';
import { useEditReading } from '../bench/useLineReading';

const KINDS = ['intensity', 'position', 'colour', 'beam'] as const;
type Kind = (typeof KINDS)[number];

export function PalettesPage() {
  const palettes = usePalettes().data ?? [];
  const [kind, setKind] = useState<Kind>('colour');
  const [looked, setLooked] = useState<number | null>(null);
  const [last, setLast] = useState<number | null>(null);
  const shown = palettes.filter((p) => p.kind === kind);
  const next = Math.max(0, ...shown.map((p) => p.number)) + 1;
  const about = shown.find((p) => p.number === (looked ?? last)) ?? null;
  const apply = (p: PaletteView) => {
    setLast(p.number);
    void attempt(() => edit({ type: 'apply', kind: p.kind, number: p.number }));
  };
  return (
    <>
      <div className="flex min-h-0 flex-1 gap-3 p-3">
        <div className="flex min-h-0 min-w-0 flex-[1.35] flex-col">
          <div className="flex flex-wrap items-center gap-2 pb-3">
            <h1 className="font-serif text-[22px] font-semibold">Palettes</h1>
            <Segmented
              label="Kind of palette"
              value={kind}
              onChange={setKind}
              options={KINDS.map((k) => ({
                value: k,
                text: k.charAt(0).toUpperCase() + k.slice(1),
                count: String(palettes.filter((p) => p.kind === k).length),
              }))}
            />
          </div>
          <div className="flex min-h-0 flex-1 flex-wrap content-start gap-y-3 overflow-auto pt-1 pl-1">
            {shown.map((p) => (
              <Niche
                key={p.number}
                number={p.number}
                name={p.name}
                title={reachWords(p)}
                face={<Face palette={p} />}
                ring={<ScopeRing scope={p.scope} mixed={p.mixedScopes} />}
                follow={p.of === 0 || p.follow === 0 ? 'none' : p.follow === p.of ? 'all' : 'some'}
                dimmed={p.of > 0 && p.follow === 0}
                active={p.number === last}
                onPress={() => apply(p)}
                onLook={(on) => setLooked(on ? p.number : null)}
                onRename={async (name) =>
                  (await attempt(() =>
                    edit({ type: 'rename-palette', kind: p.kind, number: p.number, name }),
                  )) !== undefined
                }
              />
            ))}
            {[0, 1, 2].map((i) => (
              <EmptyNiche key={i} number={next + i} />
            ))}
            {shown.length === 0 && (
              <p className="w-full p-2 text-ink-2">
                No {kind} palette yet. Set a {kind} on the bench, then record it.
              </p>
            )}
          </div>
          <div className="h-[104px] shrink-0 overflow-auto pt-2">
            {about && about.of > 0 ? (
              <ReachTable palette={about} />
            ) : (
              <p className="text-ink-label">Point at a palette to see who in hand follows it, and how.</p>
            )}
          </div>
          <div className="flex flex-wrap items-center gap-x-4 gap-y-1 pt-2 text-[12px] text-ink-label">
            <span className="flex items-center gap-1">
              <ScopeRing scope="global" mixed={false} /> global
            </span>
            <span className="flex items-center gap-1">
              <ScopeRing scope="per_type" mixed={false} /> per type
            </span>
            <span className="flex items-center gap-1">
              <ScopeRing scope="per_fixture" mixed={false} /> per fixture
            </span>
            <span>ledge: solid, all in hand follow · dashed, some · dimmed, none</span>
          </div>
        </div>
        <Stage />
      </div>
      <Bench record={<RecordPalette kind={kind} />} />
    </>
  );
}

function reachWords(p: PaletteView): string {
  if (p.of === 0) return `${p.scope.replace('_', ' ')}, ${p.entries} values`;
  return p.reach
    .map((r) => `${r.units} × ${r.type}: ${r.way}${r.difference ? `, ${r.difference}` : ''}`)
    .join('\n');
}

function Face({ palette }: { palette: PaletteView }) {
  if (palette.swatch) return <span className="absolute inset-0" style={{ background: palette.swatch }} />;
  return (
    <span className="absolute inset-0 flex items-center justify-center pt-3 font-serif text-[15px] text-ink-2">
      {palette.kind === 'position' ? '⌖' : palette.kind === 'intensity' ? '◐' : '◇'}
    </span>
  );
}

const GRADE_INK: Record<string, string> = {
  exact: 'text-moss',
  match: 'text-moss',
  close: 'text-ochre',
  'needs an eye': 'text-ochre font-bold',
};

function RecordPalette({ kind }: { kind: Kind }) {
  const desk = useDesk().data;
  const [name, setName] = useKept(`record ${kind} name`, '');
  const [number, setNumber] = useKept(`record ${kind} number`, '');
  const [scope, setScope] = useState('');
  const [closeWheel, setCloseWheel] = useState(false);
  const touched = (desk?.touchedUnits ?? 0) > 0;
  const what: Edit = {
    type: 'record-palette',
    kind,
    number: Number(number) || undefined,
    name,
    scope: scope || undefined,
    closeWheel,
  };
  const reading = useEditReading(touched ? what : null);
  const record = useOnce(async () => {
    if (!(await runEdit(what))) return;
    setName('');
    setNumber('');
    document.getElementById('record-name')?.blur();
  });
  return (
    <div>
      <form
        className="space-y-2"
        onSubmit={(e) => {
          e.preventDefault();
          void record();
        }}
      >
        <div className="caps">Record {kind}</div>
        <div className="flex gap-2">
          <input
            aria-label="Palette number"
            className={`${inputShape} !w-16 shrink-0`}
            placeholder="next"
            value={number}
            onChange={(e) => setNumber(e.target.value.replace(/\D/g, ''))}
          />
          <input
            id="record-name"
            aria-label="Palette name"
            autoComplete="off"
            className={inputShape}
            placeholder="name (R)"
            value={name}
            onChange={(e) => setName(e.target.value)}
          />
          <Button kind="main" type="submit">
            Record
          </Button>
        </div>
        <Segmented
          label="Scope"
          value={scope}
          onChange={setScope}
          options={[
            { value: '', text: 'Auto' },
            { value: 'global', text: 'Global' },
            { value: 'per type', text: 'Type' },
            { value: 'per fixture', text: 'Fixture' },
          ]}
        />
        {kind === 'colour' && (
          <label className="flex min-h-7 items-center gap-1.5">
            <input type="checkbox" checked={closeWheel} onChange={(e) => setCloseWheel(e.target.checked)} />{' '}
            close untouched colour wheels
          </label>
        )}
        {touched ? (
          <p className="text-ink-2">{reading.outcome?.words.slice(0, 3).join(' · ')}</p>
        ) : (
          <p className="text-ink-2">Set something first; values at home are not recorded.</p>
        )}
        <ProblemList
          problems={[...reading.problems, ...(reading.outcome?.problems ?? [])]}
          onLine={(l) => void runLine(l)}
        />
      </form>
    </div>
  );
}

function ReachTable({ palette }: { palette: PaletteView }) {
  return (
    <div>
      <div className="flex items-baseline gap-2">
        <span className="caps">Reach</span>
        <span className="font-bold">
          {palette.kind} {palette.number}
        </span>
        <span className="truncate font-serif">{palette.name}</span>
      </div>
      <table className="w-full text-[12px]">
        <tbody>
          {palette.reach.map((r) => (
            <tr key={`${r.type} ${r.mode} ${r.way}`} className="border-b border-line">
              <td className="py-0.5 pr-2 font-bold">{r.type}</td>
              <td className="pr-2 text-ink-2">{r.way}</td>
              <td className="mono pr-2 text-right">{r.units}</td>
              <td className={`whitespace-nowrap ${r.follows ? (GRADE_INK[r.grade] ?? '') : 'text-madder'}`}>
                {r.follows ? r.difference : 'none'}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
