import { useVirtualizer } from '@tanstack/react-virtual';
import { useMemo, useRef, useState } from 'react';
import { select } from '../../api/commands';
import type { FixtureView } from '../../api/client';
import { useDesk } from '../../api/queries';
import { attempt } from '../../app/notices';
import { Button } from '../../ui/Button';
import { grouped } from './patch-model';

const ROW = 26;
const COLUMNS =
  'grid-cols-[46px_minmax(80px,1.2fr)_minmax(110px,1.9fr)_minmax(84px,0.9fr)_42px_minmax(60px,0.9fr)_minmax(56px,0.8fr)]';
const HEADS: { key: keyof FixtureView; text: string }[] = [
  { key: 'number', text: 'No.' },
  { key: 'name', text: 'Name' },
  { key: 'profile', text: 'Profile · mode' },
  { key: 'address', text: 'Address' },
  { key: 'slots', text: 'Slots' },
  { key: 'position', text: 'Position' },
  { key: 'purpose', text: 'Purpose' },
];

const addressOrder = (f: FixtureView) =>
  f.claims[0] ? f.claims[0].universe * 1000 + f.claims[0].from : Infinity;

function compared(a: FixtureView, b: FixtureView, key: keyof FixtureView): number {
  if (key === 'address') return addressOrder(a) - addressOrder(b);
  const x = a[key];
  const y = b[key];
  return typeof x === 'number' && typeof y === 'number'
    ? x - y
    : String(x).localeCompare(String(y), undefined, { numeric: true });
}

/** Every fixture; only the rows in sight are drawn. Press to hold, Shift for a run, Ctrl to add, Alt to take out. */
export function PatchTable({
  fixtures,
  total,
  onBringIn,
}: {
  fixtures: FixtureView[];
  total: number;
  onBringIn: () => void;
}) {
  const [sort, setSort] = useState<{ key: keyof FixtureView; down: boolean }>({ key: 'number', down: false });
  const [by, setBy] = useState<'position' | 'profile' | 'none'>('position');
  const [cursor, setCursor] = useState(0);
  const anchor = useRef<number | null>(null);
  const scroll = useRef<HTMLDivElement>(null);
  const desk = useDesk().data;
  const held = useMemo(() => new Set(desk?.steps.flat().map((u) => u.split('.')[0])), [desk]);
  const lines = useMemo(() => {
    const sorted = [...fixtures].sort((a, b) => (sort.down ? -1 : 1) * compared(a, b, sort.key));
    return grouped(sorted, by);
  }, [fixtures, sort, by]);
  const virtual = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroll.current,
    estimateSize: () => ROW,
    overscan: 12,
  });

  const press = (
    index: number,
    e: { shiftKey: boolean; ctrlKey: boolean; metaKey: boolean; altKey: boolean },
  ) => {
    const at = lines[index];
    if (!at) return;
    setCursor(index);
    const from = e.shiftKey && anchor.current !== null ? anchor.current : index;
    if (!e.shiftKey) anchor.current = index;
    const run = lines.slice(Math.min(from, index), Math.max(from, index) + 1);
    const units =
      at.kind === 'head'
        ? at.numbers
        : run.flatMap((l) => (l.kind === 'row' ? [String(l.fixture.number)] : []));
    if (index < from) units.reverse();
    void attempt(() => select(units, e.altKey ? 'less' : e.ctrlKey || e.metaKey ? 'add' : 'hold'));
  };
  const onKeyDown = (e: React.KeyboardEvent) => {
    const by = { ArrowDown: 1, ArrowUp: -1, PageDown: 15, PageUp: -15 }[e.key];
    if (by !== undefined) {
      e.preventDefault();
      const next = Math.max(0, Math.min(lines.length - 1, cursor + by));
      setCursor(next);
      virtual.scrollToIndex(next);
      if (e.shiftKey) press(next, e);
    } else if (e.key === 'Enter' || e.key === ' ') {
      e.preventDefault();
      press(cursor, e);
    }
  };
  return (
    <section
      aria-label="Fixtures"
      className="flex min-h-0 min-w-0 flex-[1.45] flex-col overflow-hidden rounded-lg border border-line-strong bg-sheet"
    >
      <div className={`grid ${COLUMNS} h-8 shrink-0 items-center gap-2 border-b border-line px-2`}>
        {HEADS.map((h) => (
          <button
            key={h.key}
            className={`caps min-h-7 truncate text-left ${sort.key === h.key ? '!text-petrol' : ''}`}
            onClick={() => setSort({ key: h.key, down: sort.key === h.key && !sort.down })}
          >
            {h.text}
            {sort.key === h.key ? (sort.down ? ' ▾' : ' ▴') : ''}
          </button>
        ))}
      </div>
      {total === 0 ? (
        <div className="space-y-3 p-6">
          <p className="font-serif text-[18px]">Nothing is patched yet.</p>
          <p className="text-ink-2">
            Bring in the channel hookup, fill in the form below, or type a line such as <br />
            <code className="mono">patch 101 thru 112 as "Skiff Wash / extended" at 1.1</code>
          </p>
          <Button kind="main" onClick={onBringIn}>
            Bring in a hookup…
          </Button>
        </div>
      ) : (
        <div
          ref={scroll}
          role="grid"
          aria-label="Fixtures; arrows move, Enter holds"
          aria-rowcount={lines.length}
          tabIndex={0}
          onKeyDown={onKeyDown}
          className="min-h-0 flex-1 overflow-auto"
        >
          <div className="relative" style={{ height: virtual.getTotalSize() }}>
            {virtual.getVirtualItems().map((item) => {
              const at = lines[item.index]!;
              const place = { transform: `translateY(${item.start}px)`, height: ROW };
              const here = item.index === cursor ? 'outline-1 -outline-offset-1 outline-petrol' : '';
              return at.kind === 'head' ? (
                <div
                  key={item.key}
                  role="row"
                  style={place}
                  onClick={(e) => press(item.index, e)}
                  className={`absolute right-0 left-0 flex cursor-pointer items-center border-b border-line bg-sunk px-2 font-semibold text-ink-2 ${here}`}
                >
                  {at.text}
                </div>
              ) : (
                <Row
                  key={item.key}
                  fixture={at.fixture}
                  held={held.has(String(at.fixture.number))}
                  style={place}
                  here={here}
                  onPress={(e) => press(item.index, e)}
                />
              );
            })}
          </div>
        </div>
      )}
      <div
        className={`${total === 0 ? 'hidden' : 'flex'} h-8 shrink-0 items-center gap-2 border-t border-line px-2 text-[12px] text-ink-label`}
      >
        group by
        <select
          aria-label="Group by"
          className="h-7 rounded border border-line bg-sheet"
          value={by}
          onChange={(e) => setBy(e.target.value as typeof by)}
        >
          <option value="position">position</option>
          <option value="profile">type</option>
          <option value="none">nothing</option>
        </select>
        <span className="truncate">press to hold · Shift a run · Ctrl adds · Alt takes out</span>
      </div>
    </section>
  );
}

interface RowProps {
  fixture: FixtureView;
  held: boolean;
  here: string;
  style: React.CSSProperties;
  onPress: (e: React.MouseEvent) => void;
}

function Row({ fixture: f, held, here, style, onPress }: RowProps) {
  const tone = f.clash ? 'bg-madder-soft' : held ? 'bg-petrol-soft' : '';
  const cell = 'truncate border-r border-line/50 pr-1 last:border-0';
  return (
    <div
      role="row"
      aria-selected={held}
      data-number={f.number}
      style={style}
      onClick={onPress}
      className={`absolute right-0 left-0 grid ${COLUMNS} cursor-pointer items-center gap-2 border-b border-line px-2 select-none ${tone} ${here}`}
    >
      <span className={`mono font-bold ${held ? 'text-petrol' : ''}`}>
        {held ? '▸' : ''}
        {f.number}
      </span>
      <span className={cell} title={f.name}>
        {f.name}
      </span>
      <span className={cell} title={`${f.maker} ${f.profile} / ${f.mode}`}>
        {f.profile} · {f.mode}
      </span>
      <span className={`mono ${cell} ${f.address ? '' : 'text-ochre'}`} title={f.address}>
        {f.clash && <span className="text-madder">■ </span>}
        {f.address || '—'}
      </span>
      <span className={`mono ${cell}`}>{f.slots}</span>
      <span className={cell} title={f.position}>
        {f.position}
      </span>
      <span className={`${cell} text-ink-2`} title={f.purpose}>
        {f.purpose}
      </span>
    </div>
  );
}
