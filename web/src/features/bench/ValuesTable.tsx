import { useVirtualizer } from '@tanstack/react-virtual';
import { useRef, useState } from 'react';
import type { Schemas } from '../../api/client';
import { useValueTable } from '../../api/queries';
import { runLine } from '../../doing/run-line';
import { runEdit } from '../../doing/run';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { useKept } from '../../doing/kept';
import { useLeaveOut } from './leave-out';
import { kindsOf, WAYS, written, type Way } from './table-model';
import { Writing } from './Writing';

type Table = Schemas['ValueTable'];
type Column = Table['columns'][number];
type Cell = Schemas['ValueCell'];

/** Columns of every kind. */
const ALL = 'all';
const ROW = 30;
const COLUMN = 104;
const HEAD = 168;
/** Rows that are asked for together; those around what is seen are there already. */
const PART = 50;

/** Every value of the selection: where it comes from at a glance, changed, spread and let go of cell by cell. */
export function ValuesTable() {
  const [touched, setTouched] = useKept('table touched only', false, false);
  const [way, setWay] = useKept<Way>('table written as', 'values', false);
  const [kind, setKind] = useKept('table kind', ALL, false);
  const [seen, setSeen] = useState(0);
  const scroller = useRef<HTMLDivElement>(null);
  const table = useValueTable(touched, Math.max(0, seen - PART), 3 * PART).data;
  const kinds = kindsOf(table?.columns ?? []);
  const columns = (table?.columns ?? []).filter((c) => !kinds.includes(kind) || c.kind === kind);
  const count = table?.all ?? 0;
  const rows = useVirtualizer({
    count,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 10,
    onChange: (v) => setSeen(Math.floor((v.range?.startIndex ?? 0) / PART) * PART),
  });
  if (!table) return <p className="p-3 text-ink-2">Looking…</p>;
  if (count === 0 && !touched)
    return <p className="p-3 text-ink-2">Select lights first; their values stand here.</p>;
  return (
    <div data-part className="flex min-h-0 flex-col gap-1.5 p-3">
      <div className="flex flex-wrap items-center gap-2">
        <Choice label="Cells show" value={way} options={WAYS} onChange={setWay} />
        <Choice
          label="Columns"
          value={kinds.includes(kind) ? kind : ALL}
          options={[{ value: ALL, text: 'all kinds' }, ...kinds]}
          onChange={setKind}
        />
        <Button pressed={touched} onClick={() => setTouched(!touched)}>
          Touched only
        </Button>
        <span className="flex flex-wrap items-center gap-x-3 text-[12px] text-ink-label">
          <span className="border-l-3 border-petrol bg-petrol-soft pl-1.5 font-bold text-ink">by hand</span>
          <span className="rounded-full bg-plum-soft px-2 text-plum">from a palette</span>
          <span>at home</span>
          <span>
            press to change · × releases · a heading: all of them, as 20 thru 80 · ✓ recorded, ○ left out
          </span>
        </span>
      </div>
      <div
        ref={scroller}
        className="min-h-0 flex-1 overflow-auto rounded-md border border-line-strong"
        role="grid"
        aria-label="Values"
        aria-rowcount={count}
        tabIndex={0}
      >
        <div style={{ width: HEAD + COLUMN * columns.length }}>
          <div role="row" className="sticky top-0 z-10 flex border-b border-line-strong bg-sheet">
            <span role="columnheader" className="caps px-2 py-1" style={{ width: HEAD }}>
              Unit
            </span>
            {columns.map((c) => (
              <ColumnHead key={c.attribute} column={c} />
            ))}
          </div>
          <div className="relative" style={{ height: rows.getTotalSize() }}>
            {rows.getVirtualItems().map((item) => {
              const row = table.rows[item.index - table.from];
              return (
                <div
                  key={item.index}
                  role="row"
                  className="absolute flex w-full border-b border-line"
                  style={{ height: ROW, transform: `translateY(${item.start}px)` }}
                >
                  <span role="rowheader" className="truncate px-2 leading-[29px]" style={{ width: HEAD }}>
                    <b className="mono">{row?.unit ?? '…'}</b>{' '}
                    <span className="text-[12px] text-ink-2">{row?.type}</span>
                  </span>
                  {(row ? columns : []).map((c) => (
                    <span
                      key={c.attribute}
                      role="gridcell"
                      style={{ width: COLUMN }}
                      className="flex min-w-0"
                    >
                      <Value unit={row!.unit} column={c} cell={row!.cells[c.attribute]} way={way} />
                    </span>
                  ))}
                </div>
              );
            })}
          </div>
        </div>
      </div>
    </div>
  );
}

/** A column: set or spread over all steps selected; kept for recording or left out of it. */
function ColumnHead({ column }: { column: Column }) {
  const [out, setOut] = useLeaveOut();
  const [writing, setWriting] = useState(false);
  const left = out.includes(column.attribute);
  return (
    <span
      role="columnheader"
      className="flex min-w-0 items-center gap-0.5 border-l border-line"
      style={{ width: COLUMN }}
    >
      <button
        role="checkbox"
        aria-checked={!left}
        aria-label={`Record ${column.label}`}
        title={left ? `${column.label} is left out of what is recorded` : `${column.label} is recorded`}
        className={`min-h-7 min-w-6 font-bold ${left ? 'text-ochre' : 'text-moss'}`}
        onClick={() => setOut(left ? out.filter((a) => a !== column.attribute) : [...out, column.attribute])}
      >
        {left ? '○' : '✓'}
      </button>
      {writing ? (
        <Writing
          label={`${column.label} of all selected`}
          start=""
          onDone={(text) => {
            setWriting(false);
            if (text) void runLine(`hand ${column.attribute} at ${text}`);
          }}
        />
      ) : (
        <button
          className="min-h-7 min-w-0 flex-1 truncate text-left font-semibold"
          title={`${column.attribute}: press to set or spread it over all steps selected`}
          onClick={() => setWriting(true)}
        >
          {column.label}
        </button>
      )}
    </span>
  );
}

interface ValueProps {
  unit: string;
  column: Column;
  cell: Cell | undefined;
  way: Way;
}

const SHAPES: Record<string, string> = {
  hand: 'border-l-3 border-petrol bg-petrol-soft font-bold',
  palette: 'bg-plum-soft text-plum',
  highlight: 'italic',
};

function Value({ unit, column, cell, way }: ValueProps) {
  const [writing, setWriting] = useState(false);
  if (!cell) return <span className="px-2 text-ink-label opacity-40">·</span>;
  if (writing)
    return (
      <Writing
        label={`${column.label} of ${unit}`}
        start=""
        onDone={(text) => {
          setWriting(false);
          if (text)
            void runEdit({ type: 'values-of', units: [unit], words: `${column.attribute} at ${text}` });
        }}
      />
    );
  return (
    <>
      <button
        className={`mono min-h-7 min-w-0 flex-1 truncate border-l border-line px-1.5 text-left text-[12px] ${SHAPES[cell.source] ?? 'text-ink-label'}`}
        title={[cell.text, cell.physical, cell.palette && `from ${cell.palette}`, cell.along, cell.slots]
          .filter(Boolean)
          .join('\n')}
        onClick={() => setWriting(true)}
      >
        {written(cell, way)}
        {cell.along && <span className="text-ink-label"> ⤷</span>}
      </button>
      {cell.touched && (
        <button
          aria-label={`Release ${column.label} of ${unit}`}
          className="min-h-7 min-w-5 text-ink-2 hover:text-madder"
          onClick={() =>
            void runEdit({ type: 'values-of', units: [unit], words: `release ${column.attribute}` })
          }
        >
          ×
        </button>
      )}
    </>
  );
}
