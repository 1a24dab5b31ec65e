import { ChevronDown, ChevronUp } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { LineResponse, PatchView } from '../../api/client';
import { fixturesOf, heldNow, useDesk } from '../../api/queries';
import { edit } from '../../api/commands';
import { useKept } from '../../doing/kept';
import { useOnce } from '../../doing/once';
import { runLine } from '../../doing/run-line';
import { runEdit } from '../../doing/run';
import { attempt } from '../../doing/notices';
import { Button } from '../../ui/Button';
import { Field, inputShape } from '../../ui/Field';
import { Modal } from '../../ui/Modal';
import { ProblemList } from '../../ui/ProblemList';
import { useLineReading } from '../../doing/useLineReading';
import { ChangeType } from './ChangeType';
import { Inverting } from './Inverting';
import { runs } from './patch-model';
import { freeRun, meant, NEXT_GAP, written, type Draft } from './add-model';
import { TypeFinder } from './TypeFinder';
import { Choice } from '../../ui/Choice';

export function AddFixtures({
  patch,
  onReading,
}: {
  patch: PatchView;
  onReading: (r: LineResponse | null) => void;
}) {
  const [open, setOpen] = useState(true);
  return (
    <section aria-label="Add fixtures" className="shrink-0 border-t border-line-strong bg-sheet">
      {open ? (
        <Form patch={patch} onReading={onReading} onFold={() => setOpen(false)} />
      ) : (
        <button className="flex min-h-8 w-full items-center gap-2 px-3" onClick={() => setOpen(true)}>
          <ChevronUp size={16} /> Add fixtures, or move the selection
        </button>
      )}
    </section>
  );
}

function Form({
  patch,
  onReading,
  onFold,
}: {
  patch: PatchView;
  onReading: (r: LineResponse | null) => void;
  onFold: () => void;
}) {
  const [draft, setDraft] = useKept<Draft>('add fixtures', {
    type: '',
    first: '',
    count: '',
    start: '',
    gap: '0',
    layout: '',
    position: '',
  });
  const set = (part: Partial<Draft>) => setDraft({ ...draft, ...part });
  const used = useMemo(() => new Set(patch.fixtures.map((f) => f.position).filter(Boolean)), [patch]);
  const taken = useMemo(() => new Set(patch.fixtures.map((f) => f.number)), [patch]);
  const next = freeRun(taken, patch.nextFree, Number.parseInt(draft.count, 10) || 1);
  const { count } = meant(draft, next);
  const number = useRef<HTMLInputElement>(null);
  const text = written(draft, next, true);
  const reading = useLineReading(text);
  useEffect(() => onReading(reading.outcome), [reading.outcome, onReading]);
  const send = useOnce(async (line: string) => {
    if (!(await runLine(line))) return;
    onReading(null);
    setDraft({
      type: draft.type,
      first: '',
      count: '',
      start: '',
      gap: draft.gap,
      layout: draft.layout,
      position: '',
    });
  });
  return (
    <div className="relative grid grid-cols-[minmax(0,1.9fr)_minmax(0,1fr)] divide-x divide-line">
      <form
        className="space-y-2 p-3"
        onSubmit={(e) => {
          e.preventDefault();
          if (text) void send(text);
        }}
      >
        <div>
          <span className="caps">Add fixtures</span>{' '}
          <span className="text-ink-2">nothing lands until you press Patch</span>
        </div>
        <div className="grid grid-cols-[minmax(0,2.2fr)_repeat(3,minmax(0,1fr))_minmax(0,1.4fr)_minmax(0,0.7fr)_minmax(0,1.2fr)] gap-2">
          <Field label="Profile and mode">
            <TypeFinder
              label="Profile and mode"
              value={draft.type}
              onChange={(type) => {
                set({ type });
                window.requestAnimationFrame(() => number.current?.focus());
              }}
            />
          </Field>
          <Field label="First number">
            <input
              ref={number}
              title="For example 300, or 300 thru 308"
              className={inputShape}
              placeholder={`${next} thru …`}
              value={draft.first}
              onChange={(e) => set({ first: e.target.value })}
            />
          </Field>
          <Field label="Start address">
            <input
              className={inputShape}
              placeholder={draft.layout === NEXT_GAP ? '1.1' : '3.441'}
              value={draft.start}
              onChange={(e) => set({ start: e.target.value })}
            />
          </Field>
          <Field label="How many">
            <input
              className={inputShape}
              inputMode="numeric"
              placeholder={String(count || 1)}
              value={draft.count}
              onChange={(e) => set({ count: e.target.value })}
            />
          </Field>
          <Field label="Addresses">
            <LayoutChoice value={draft.layout} onChange={(layout) => set({ layout })} />
          </Field>
          <Field label="Gap">
            <input
              className={inputShape}
              inputMode="numeric"
              value={draft.gap}
              onChange={(e) => set({ gap: e.target.value })}
            />
          </Field>
          <Field label="Position">
            <input
              className={`${inputShape} !font-sans`}
              list="positions"
              value={draft.position}
              onChange={(e) => set({ position: e.target.value })}
            />
          </Field>
          <datalist id="positions">
            {[...used].map((p) => (
              <option key={p} value={p} />
            ))}
          </datalist>
        </div>
        <div className="flex gap-2">
          <Button kind="main" type="submit" disabled={!text || reading.problems.length > 0}>
            Patch {text ? count : ''} {text && count === 1 ? 'fixture' : 'fixtures'}
          </Button>
          <Button
            disabled={!written(draft, next, false)}
            onClick={() => void send(written(draft, next, false))}
          >
            Add without address
          </Button>
        </div>
      </form>
      <div className="min-h-24 space-y-1 overflow-auto p-3 pr-9">
        <div className="caps">What will happen</div>
        {text ? <Foreseen reading={reading} onLine={(l) => void send(l)} /> : <InHand patch={patch} />}
      </div>
      <button
        aria-label="Fold the form"
        className="absolute top-1 right-1 min-h-7 min-w-7 text-ink-2"
        onClick={onFold}
      >
        <ChevronDown size={16} />
      </button>
    </div>
  );
}

/** How addresses are given out: what the line writes, and what it is called here. */
const LAYOUTS: [string, string][] = [
  ['', 'run on'],
  [NEXT_GAP, 'in next gaps'],
  ['one to one', 'one to one'],
  ['by type', 'universe per type'],
  ['by position', 'universe per position'],
  ...[2, 3, 4, 6, 8].map((n): [string, string] => [`over ${n} universes`, `over ${n} universes`]),
];

function LayoutChoice({ value, onChange }: { value: string; onChange: (layout: string) => void }) {
  return (
    <Choice
      label="How addresses are given out"
      shape="field"
      value={value}
      options={LAYOUTS.map(([written, called]) => ({ value: written, text: called }))}
      onChange={onChange}
    />
  );
}

function Foreseen({
  reading,
  onLine,
}: {
  reading: ReturnType<typeof useLineReading>;
  onLine: (l: string) => void;
}) {
  return (
    <>
      {reading.outcome?.words.map((w) => (
        <p key={w}>{w}</p>
      ))}
      {reading.outcome && !reading.outcome.landings.some((l) => l.clash) && (
        <p className="text-moss">No address is claimed twice.</p>
      )}
      <ProblemList problems={reading.outcome?.problems ?? reading.problems} onLine={onLine} />
    </>
  );
}

/** Without a form to foresee: what can be done with the selection. */
function InHand({ patch }: { patch: PatchView }) {
  const numbers = fixturesOf(useDesk().data?.steps ?? []);
  const [to, setTo] = useKept('move to', '');
  const [layout, setLayout] = useState('');
  const [losing, setLosing] = useState<{ numbers: number[]; words: string } | null>(null);
  const [changing, setChanging] = useState<number[]>([]);
  const who = runs(numbers);
  /** Deletes at once what nothing refers to; else names the losses first. */
  const ask = async () => {
    const gone = { type: 'delete' as const, numbers: await heldNow() };
    const foreseen = await attempt(() => edit(gone, true));
    if (!foreseen) return;
    if (foreseen.lasting) setLosing({ numbers: gone.numbers, words: foreseen.words[0] ?? '' });
    else await runEdit(gone);
  };
  const move = async () => {
    const where = to;
    setTo('');
    await runEdit({ type: 'move', numbers: await heldNow(), to: where, layout });
  };
  if (numbers.length === 0)
    return <p className="text-ink-2">Fill in the form, or hold fixtures to move, unpatch or delete them.</p>;
  const patched = patch.fixtures.some((f) => numbers.includes(f.number) && f.claims.length > 0);
  return (
    <form
      className="flex flex-wrap items-center gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (to) void move();
      }}
    >
      <span>
        Selected: <b className="mono">{numbers.length > 12 ? `${numbers.length} fixtures` : who}</b>
      </span>
      <input
        aria-label="Move to address"
        placeholder="2.101"
        className={`${inputShape} !w-20`}
        value={to}
        onChange={(e) => setTo(e.target.value)}
      />
      <span className="w-28">
        <LayoutChoice value={layout} onChange={setLayout} />
      </span>
      <Button type="submit" disabled={!to}>
        {patched ? 'Move' : 'Patch'}
      </Button>
      {numbers.length === 2 && (
        <Button onClick={() => void runLine(`swap ${numbers[0]} with ${numbers[1]}`)}>Swap</Button>
      )}
      <Button
        disabled={!patched}
        onClick={async () => void runEdit({ type: 'unpatch', numbers: await heldNow() })}
      >
        Unpatch
      </Button>
      <Button kind="danger" onClick={() => void ask()}>
        Delete
      </Button>
      <Button onClick={async () => setChanging(await heldNow())}>Change type…</Button>
      <Inverting fixtures={patch.fixtures.filter((f) => numbers.includes(f.number))} />
      <ChangeType open={changing.length > 0} numbers={changing} onClose={() => setChanging([])} />
      <Modal open={losing !== null} title="Delete for good?" onClose={() => setLosing(null)}>
        <p className="pb-3">{losing?.words}.</p>
        <div className="flex gap-2">
          <Button
            kind="danger"
            onClick={() => {
              setLosing(null);
              if (losing) void runEdit({ type: 'delete', numbers: losing.numbers });
            }}
          >
            Delete {losing?.numbers.length === 1 ? 'it' : `all ${losing?.numbers.length}`}
          </Button>
          <Button onClick={() => setLosing(null)}>Keep</Button>
        </div>
      </Modal>
    </form>
  );
}
