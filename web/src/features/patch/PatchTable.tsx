import { useVirtualizer } from '@tanstack/react-virtual';
import Papa from 'papaparse';
import { memo, useMemo, useRef, useState } from 'react';
import { select, type Row as PastedRow } from '../../api/commands';
import type { FixtureView } from '../../api/client';
import { useDesk } from '../../api/queries';
import { runEdit } from '../../doing/run';
import { attempt } from '../../doing/notices';
import { Button } from '../../ui/Button';
import { AnswerMark } from './AnswerMark';
import { COLUMNS, storeColumns, storedColumns, written, type Column, type ColumnKey } from './columns';
import { Paste } from './Paste';
import { grouped, type GroupBy } from './patch-model';
import { usePatchTable, type Sort } from './table-model';
import { TableFoot } from './TableFoot';

const ROW = 26;

interface Writing {
  number: number;
  key: ColumnKey;
  text: string;
  /** Rows to write in; without them the selected, when the written one is among them. */
  units?: string[];
}

interface Props {
  fixtures: FixtureView[];
  total: number;
  onBringIn: () => void;
}

/**
 * Every fixture; only the rows in sight are drawn. Press to hold, Shift for a run, Ctrl to add, Alt to take out;
 * double-click, F2 or typing writes a cell, in every row that is selected; pasted columns land at the cursor.
 */
export function PatchTable({ fixtures, total, onBringIn }: Props) {
  const [sort, setSort] = useState<Sort>({ key: 'number', down: false });
  const [by, setBy] = useState<GroupBy>('position');
  const [shown, setShown] = useState(storedColumns);
  const [cursor, setCursor] = useState({ line: 0, column: 0 });
  const [writing, setWriting] = useState<Writing | null>(null);
  const [pasted, setPasted] = useState<PastedRow[] | null>(null);
  const anchor = useRef<number | null>(null);
  /** What was selected before the first of two presses. */
  const before = useRef<string[]>([]);
  const scroll = useRef<HTMLDivElement>(null);
  const desk = useDesk().data;
  const held = useMemo(() => new Set(desk?.steps.flat().map((u) => u.split('.')[0])), [desk]);
  const { rows, columns: visible } = usePatchTable(fixtures, sort, shown);
  const visibleKeys = visible.map((c) => c.key).join(' ');
  // The same columns are the same list, so that rows need not be drawn again.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const columns = useMemo(() => visible, [visibleKeys]);
  const tracks = columns.map((c) => c.track).join(' ');
  const lines = useMemo(
    () =>
      grouped(
        rows.map((r) => r.original),
        by,
      ),
    [rows, by],
  );
  const virtual = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroll.current,
    estimateSize: () => ROW,
    overscan: 8,
  });

  const press = (
    index: number,
    e: { shiftKey: boolean; ctrlKey: boolean; metaKey: boolean; altKey: boolean; detail?: number },
    column = cursor.column,
  ) => {
    const at = lines[index];
    if (!at) return;
    setCursor({ line: index, column });
    const from = e.shiftKey && anchor.current !== null ? anchor.current : index;
    if (!e.shiftKey) anchor.current = index;
    const run = lines.slice(Math.min(from, index), Math.max(from, index) + 1);
    const units =
      at.kind === 'head'
        ? at.numbers
        : run.flatMap((l) => (l.kind === 'row' ? [String(l.fixture.number)] : []));
    if (index < from) units.reverse();
    const how = e.altKey ? 'less' : e.ctrlKey || e.metaKey ? 'add' : 'hold';
    if ((e.detail ?? 1) < 2) before.current = [...held].map(String);
    void attempt(() => select(units, how));
  };
  /** What was selected before a double press is selected again, if the pressed row was part of it. */
  const writeIn = (line: number, column: number) => {
    const at = lines[line];
    const units = before.current;
    const many = at?.kind === 'row' && units.length > 1 && units.includes(String(at.fixture.number));
    if (many) void attempt(() => select(units, 'hold'));
    write(line, column, many ? units : undefined);
  };
  const write = (line: number, column: number, units?: string[]) => {
    const at = lines[line];
    const into = columns[column];
    if (at?.kind !== 'row' || !into?.fills) return;
    setCursor({ line, column });
    setWriting({ number: at.fixture.number, key: into.key, text: into.value(at.fixture), units });
  };
  /** In every row that is selected, when the written one is among them; in its own row otherwise. */
  const commit = (value: string, left = false) => {
    if (!writing) return;
    const column = COLUMNS.find((c) => c.key === writing.key)!;
    const units = writing.units ?? (held.has(String(writing.number)) ? [...held].map(String) : []);
    const numbers = units.length > 1 ? units.map(Number) : [writing.number];
    const again = { ...writing, text: value };
    setWriting(null);
    if (!left) scroll.current?.focus();
    // What was refused stands there again, to be mended.
    void runEdit(written(numbers, column.key, value)).then(
      (done) => done ?? setWriting((now) => now ?? again),
    );
  };
  const onKeyDown = (e: React.KeyboardEvent) => {
    if (writing || e.target !== e.currentTarget) return;
    const down = { ArrowDown: 1, ArrowUp: -1, PageDown: 15, PageUp: -15 }[e.key];
    const right = { ArrowRight: 1, ArrowLeft: -1 }[e.key];
    if (down !== undefined) {
      const line = Math.max(0, Math.min(lines.length - 1, cursor.line + down));
      setCursor({ ...cursor, line });
      virtual.scrollToIndex(line);
      if (e.shiftKey) press(line, e);
    } else if (right !== undefined && !e.altKey) {
      setCursor({ ...cursor, column: Math.max(0, Math.min(columns.length - 1, cursor.column + right)) });
    } else if (e.key === 'Enter' || e.key === ' ') press(cursor.line, e);
    else if (e.key === 'F2') write(cursor.line, cursor.column);
    else return;
    e.preventDefault();
  };
  const onPaste = (e: React.ClipboardEvent) => {
    if (writing) return;
    const text = e.clipboardData.getData('text/plain');
    const cells = Papa.parse<string[]>(text, { delimiter: '\t', skipEmptyLines: true }).data;
    e.preventDefault();
    setPasted(rowsOf(cells.map((row) => row.map((cell) => cell.replaceAll(/\s*[\r\n]+\s*/g, ' ')))));
  };
  /** The cells of a spreadsheet, laid on the table from the cursor down and to the right. */
  const rowsOf = (cells: string[][]): PastedRow[] => {
    const targets = lines.slice(cursor.line).flatMap((l) => (l.kind === 'row' ? [l.fixture] : []));
    return cells.slice(0, targets.length).map((values, i) => {
      const row: PastedRow = { number: targets[i]!.number };
      values.forEach((v, j) => Object.assign(row, columns[cursor.column + j]?.row?.(v.trim())));
      return row;
    });
  };
  return (
    <section
      aria-label="Fixtures"
      className="flex min-h-0 min-w-0 flex-1 flex-col overflow-hidden rounded-lg border border-line-strong bg-sheet"
    >
      <div
        className="grid h-8 shrink-0 items-center gap-2 border-b border-line px-2"
        style={{ gridTemplateColumns: tracks }}
      >
        {columns.map((c) => (
          <button
            key={c.key}
            className={`caps min-h-7 truncate text-left ${sort.key === c.key ? '!text-petrol' : ''}`}
            title={`Sort by ${c.text}`}
            aria-pressed={sort.key === c.key}
            onClick={() => setSort({ key: c.key, down: sort.key === c.key && !sort.down })}
          >
            {c.text}
            {sort.key === c.key ? (sort.down ? ' ▾' : ' ▴') : ''}
          </button>
        ))}
      </div>
      {total === 0 ? (
        <Empty onBringIn={onBringIn} />
      ) : (
        <div
          ref={scroll}
          role="grid"
          aria-label="Fixtures; arrows move, Enter holds, F2 writes, paste lands here"
          aria-rowcount={lines.length}
          aria-colcount={columns.length}
          aria-activedescendant={`patch-${cursor.line}-${lines[cursor.line]?.kind === 'row' ? cursor.column : 0}`}
          aria-multiselectable
          tabIndex={0}
          onKeyDown={onKeyDown}
          onPaste={onPaste}
          className="min-h-0 flex-1 overflow-auto"
        >
          <div role="rowgroup" className="relative" style={{ height: virtual.getTotalSize() }}>
            {virtual.getVirtualItems().map((item) => {
              const at = lines[item.index]!;
              const here = item.index === cursor.line;
              return at.kind === 'head' ? (
                <div
                  key={item.key}
                  role="row"
                  aria-rowindex={item.index + 1}
                  style={{ transform: `translateY(${item.start}px)`, height: ROW }}
                  onClick={(e) => press(item.index, e)}
                  className={`absolute right-0 left-0 flex cursor-pointer items-center border-b border-line bg-sunk px-2 font-semibold text-ink-2 ${here ? 'outline-1 -outline-offset-1 outline-petrol' : ''}`}
                >
                  <span role="gridcell" id={`patch-${item.index}-0`}>
                    {at.text}
                  </span>
                </div>
              ) : (
                <Row
                  key={item.key}
                  index={item.index}
                  start={item.start}
                  fixture={at.fixture}
                  columns={columns}
                  tracks={tracks}
                  held={held.has(String(at.fixture.number))}
                  cursor={here ? cursor.column : -1}
                  writing={writing?.number === at.fixture.number ? writing : null}
                  onPress={press}
                  onWrite={writeIn}
                  onWritten={commit}
                  onLeave={() => setWriting(null)}
                />
              );
            })}
          </div>
        </div>
      )}
      {total > 0 && (
        <TableFoot
          by={by}
          onBy={setBy}
          shown={shown}
          onShown={(keys) => {
            setShown(keys);
            storeColumns(keys);
          }}
          held={fixtures.filter((f) => held.has(String(f.number)))}
        />
      )}
      <Paste rows={pasted} onClose={() => setPasted(null)} />
    </section>
  );
}

function Empty({ onBringIn }: { onBringIn: () => void }) {
  return (
    <div className="space-y-3 p-6">
      <p className="font-serif text-[18px]">Nothing is patched yet.</p>
      <p className="text-ink-2">
        Import the channel hookup, fill in the form below, or type a line such as <br />
        <code className="mono">patch 101 thru 112 as "Skiff Wash / extended" at 1.1</code>
      </p>
      <Button kind="main" onClick={onBringIn}>
        Import a hookup…
      </Button>
    </div>
  );
}

interface RowProps {
  index: number;
  start: number;
  fixture: FixtureView;
  columns: Column[];
  tracks: string;
  held: boolean;
  cursor: number;
  writing: { key: ColumnKey; text: string } | null;
  onPress: (index: number, e: React.MouseEvent, column: number) => void;
  onWrite: (index: number, column: number) => void;
  onWritten: (value: string, left?: boolean) => void;
  onLeave: () => void;
}

const Row = memo(
  function Row({ fixture: f, columns, held, cursor, writing, ...p }: RowProps) {
    const tone = f.clash ? 'bg-madder-soft' : held ? 'bg-petrol-soft' : '';
    return (
      <div
        role="row"
        aria-selected={held}
        aria-rowindex={p.index + 1}
        data-number={f.number}
        style={{
          transform: `translateY(${p.start}px)`,
          height: ROW,
          gridTemplateColumns: p.tracks,
        }}
        className={`absolute right-0 left-0 grid cursor-pointer items-center gap-2 border-b border-line px-2 select-none ${tone} ${cursor >= 0 ? 'outline-1 -outline-offset-1 outline-petrol' : ''}`}
      >
        {columns.map((c, i) => (
          <div
            key={c.key}
            role="gridcell"
            id={`patch-${p.index}-${i}`}
            aria-colindex={i + 1}
            aria-label={`${c.text} ${c.value(f) || 'none'}`}
            data-column={c.key}
            title={c.value(f)}
            onClick={(e) => p.onPress(p.index, e, i)}
            onDoubleClick={() => p.onWrite(p.index, i)}
            className={`h-full truncate border-r border-line/50 pr-1 leading-[25px] last:border-0 ${c.mono ? 'mono' : ''} ${i === cursor ? 'rounded outline-2 -outline-offset-2 outline-petrol' : ''} ${tint(c, f, held)}`}
          >
            {writing?.key === c.key ? (
              <Writer
                text={writing.text}
                label={`${c.text} of ${f.number}`}
                onDone={p.onWritten}
                onLeave={p.onLeave}
              />
            ) : (
              <Cell column={c} fixture={f} held={held} />
            )}
          </div>
        ))}
      </div>
    );
  },
  (a, b) =>
    a.fixture === b.fixture &&
    a.start === b.start &&
    a.index === b.index &&
    a.held === b.held &&
    a.cursor === b.cursor &&
    a.writing === b.writing &&
    a.tracks === b.tracks &&
    (a.onPress === b.onPress || (a.cursor < 0 && !a.writing && !b.held)),
);

function tint(c: Column, f: FixtureView, held: boolean): string {
  if (c.key === 'number') return `font-bold ${held ? 'text-petrol' : ''}`;
  if (c.key === 'address') return f.address ? '' : 'text-ochre';
  return c.key === 'purpose' || c.key === 'notes' || c.key === 'mode' ? 'text-ink-2' : '';
}

function Cell({ column, fixture: f, held }: { column: Column; fixture: FixtureView; held: boolean }) {
  if (column.key === 'answer') return <AnswerMark answer={f.answer} note={f.answerNote} words />;
  if (column.key === 'number')
    return (
      <>
        {held ? '▸' : ''}
        {f.number}
        <AnswerMark answer={f.answer === 'answered' ? '' : f.answer} note={f.answerNote} />
      </>
    );
  if (column.key === 'address')
    return (
      <>
        {f.clash && <span className="text-madder">■ </span>}
        {!f.clash && f.shared && (
          <span className="text-ochre" title="Shares slots with others, on purpose">
            ◫{' '}
          </span>
        )}
        {f.address || '—'}
      </>
    );
  return <>{column.value(f)}</>;
}

interface WriterProps {
  text: string;
  label: string;
  onDone: (value: string, left?: boolean) => void;
  onLeave: () => void;
}

/** Enter and leaving write what was typed; Escape does not. */
function Writer({ text, label, onDone, onLeave }: WriterProps) {
  const done = useRef(false);
  return (
    <input
      autoFocus
      aria-label={label}
      defaultValue={text}
      className="h-6 w-full rounded border border-petrol bg-paper px-1"
      onFocus={(e) => e.target.select()}
      onBlur={(e) => {
        if (done.current) return;
        if (e.currentTarget.value === text) onLeave();
        else onDone(e.currentTarget.value, true);
      }}
      onClick={(e) => e.stopPropagation()}
      onKeyDown={(e) => {
        e.stopPropagation();
        if (e.key !== 'Enter' && e.key !== 'Escape') return;
        if (done.current) return;
        done.current = true;
        if (e.key === 'Enter') onDone(e.currentTarget.value);
        else onLeave();
      }}
    />
  );
}
