import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef, useState } from 'react';
import { useCoverage } from '../../api/queries';
import { useKept } from '../../doing/kept';
import { Button } from '../../ui/Button';
import { Crossing as Looked } from './Crossing';
import { takeInHand, WAYS, type Covered, type CrossingView, type TypeView } from './coverage-model';
import { lineOf, SHORT } from './kinds';
import { PaletteFace } from './PaletteFace';

const ROW = 34;
const COLUMN = 56;
const HEAD = 216;

/** Palettes down, types across; each crossing is drawn with the signs of the ledge. */
export function Coverage() {
  const coverage = useCoverage().data;
  const scroller = useRef<HTMLDivElement>(null);
  const [holding, setHolding] = useKept('gaps selected', false);
  const [at, setAt] = useState<{ row: number; column: number } | null>(null);
  const rows = useVirtualizer({
    count: coverage?.palettes.length ?? 0,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 8,
  });
  // The cell in focus may have to be drawn first.
  const focus = useRef(false);
  useEffect(() => {
    if (!at || !focus.current) return;
    focus.current = false;
    const cell = () => document.getElementById(`cross ${at.row} ${at.column}`)?.focus();
    rows.scrollToIndex(at.row);
    window.requestAnimationFrame(cell);
  }, [at, rows]);
  if (!coverage) return <p className="text-ink-2">Looking who follows what…</p>;
  if (coverage.palettes.length === 0 || coverage.types.length === 0)
    return (
      <p className="p-2 text-ink-2">
        Patch fixtures and record palettes; here it shows which of them miss a type.
      </p>
    );
  const go = (row: number, column: number) => {
    focus.current = true;
    setAt({
      row: Math.max(0, Math.min(coverage.palettes.length - 1, row)),
      column: Math.max(0, Math.min(coverage.types.length - 1, column)),
    });
  };
  const gaps = coverage.palettes.flatMap((p, row) =>
    p.types.flatMap((c, column) => (c.gap ? [{ row, column }] : [])),
  );
  const nextGap = () => {
    const from = at ? at.row * 1000 + at.column : -1;
    const next = gaps.find((g) => g.row * 1000 + g.column > from) ?? gaps[0];
    if (!next) return;
    go(next.row, next.column);
    const p = coverage.palettes[next.row]!;
    if (holding) void takeInHand(p, coverage.types[next.column]!, p.types[next.column]!);
  };
  const onKeyDown = (e: React.KeyboardEvent) => {
    const by = { ArrowRight: [0, 1], ArrowLeft: [0, -1], ArrowDown: [1, 0], ArrowUp: [-1, 0] }[e.key];
    if (!by || !at) return;
    e.preventDefault();
    go(at.row + by[0]!, at.column + by[1]!);
  };
  const palette = at ? coverage.palettes[at.row] : undefined;
  const type = at ? coverage.types[at.column] : undefined;
  return (
    <div className="flex min-h-0 flex-1 gap-3">
      <div className="flex min-h-0 min-w-0 flex-1 flex-col">
        <div className="flex items-center gap-2 pb-2">
          <span
            className={`whitespace-nowrap ${coverage.gaps > 0 ? 'font-bold text-madder' : 'text-moss'}`}
            role="status"
          >
            {coverage.gaps === 0
              ? 'No gap'
              : `${coverage.lacking} ${coverage.lacking === 1 ? 'misses' : 'miss'} a type · ${coverage.gaps} ${coverage.gaps === 1 ? 'gap' : 'gaps'}`}
          </span>
          <Button onClick={nextGap} disabled={gaps.length === 0} repeats>
            Next gap
          </Button>
          <label
            className="flex items-center gap-1.5"
            title="Each next gap's fixtures are selected, highlighted"
          >
            <input type="checkbox" checked={holding} onChange={(e) => setHolding(e.target.checked)} />
            selected
          </label>
          <Legend />
        </div>
        <div
          ref={scroller}
          className="min-h-0 flex-1 overflow-auto rounded-md border border-line-strong bg-sheet"
          role="grid"
          aria-label="Coverage: palettes down, types across"
          aria-rowcount={coverage.palettes.length}
          tabIndex={-1}
          onKeyDown={onKeyDown}
        >
          <div style={{ width: HEAD + COLUMN * coverage.types.length }}>
            <div
              role="row"
              className="sticky top-0 z-10 flex h-[100px] items-end border-b border-line-strong bg-sheet"
            >
              <span role="columnheader" className="caps px-2 pb-1" style={{ width: HEAD }}>
                Palette
              </span>
              {coverage.types.map((t) => (
                <span
                  key={`${t.profile} ${t.mode}`}
                  role="columnheader"
                  title={`${t.name} / ${t.mode}, ${t.fixtures}`}
                  className="relative h-full text-[12px]"
                  style={{ width: COLUMN }}
                >
                  <span className="absolute bottom-1 left-7 w-[104px] origin-bottom-left -rotate-60 truncate">
                    {t.name} <span className="mono text-ink-label">{t.fixtures}</span>
                  </span>
                </span>
              ))}
            </div>
            <div className="relative" style={{ height: rows.getTotalSize() }}>
              {rows.getVirtualItems().map((item) => {
                const p = coverage.palettes[item.index]!;
                return (
                  <div
                    key={lineOf(p)}
                    role="row"
                    aria-rowindex={item.index + 1}
                    className="absolute flex w-full items-center border-b border-line"
                    style={{ height: ROW, transform: `translateY(${item.start}px)` }}
                  >
                    <span
                      role="rowheader"
                      className="flex min-w-0 items-center gap-1.5 px-2"
                      style={{ width: HEAD }}
                    >
                      <span className="relative h-6 w-6 shrink-0 overflow-hidden rounded-t-[12px] rounded-b-[2px] border border-line-strong">
                        <PaletteFace face={p.face} kind={p.kind} />
                      </span>
                      <span className="mono text-[11px] text-ink-label">
                        {SHORT[p.kind]} {p.number}
                      </span>
                      <span className="truncate">{p.name}</span>
                    </span>
                    {p.types.map((c, column) => (
                      <Cross
                        key={column}
                        id={`cross ${item.index} ${column}`}
                        crossing={c}
                        type={coverage.types[column]!}
                        palette={p}
                        current={at?.row === item.index && at.column === column}
                        first={!at && item.index === 0 && column === 0}
                        onPress={() => setAt({ row: item.index, column })}
                      />
                    ))}
                  </div>
                );
              })}
            </div>
          </div>
        </div>
      </div>
      <div className="w-[300px] shrink-0 overflow-auto">
        {palette && type ? (
          <Looked
            key={`${lineOf(palette)} ${type.profile} ${type.mode}`}
            palette={palette}
            type={type}
            crossing={palette.types[at!.column]!}
            types={coverage.types}
            onNext={nextGap}
            last={gaps.length === 0}
          />
        ) : (
          <p className="text-ink-label">
            Press a crossing to see how a type follows, and what can be done where it does not.
          </p>
        )}
      </div>
    </div>
  );
}

function Sign({ crossing: c }: { crossing: CrossingView }) {
  if (c.way === '') return <span className="text-ink-label opacity-40">·</span>;
  const wrong = c.gap;
  const line =
    c.way === 'own' || c.way === 'mode' || c.way === 'type'
      ? 'bg-petrol h-[6px]'
      : c.way === 'global'
        ? 'bg-petrol h-[3px]'
        : c.way === 'computed' || c.way === 'like'
          ? 'weave-computed h-[4px]'
          : c.way === 'mixed'
            ? 'weave-mixed h-[6px]'
            : 'weave-none h-[12px]';
  return (
    <span className="flex w-9 flex-col items-center justify-end gap-0.5">
      {c.eye && !wrong && <span className="text-[9px] leading-2 font-bold text-ochre">◆</span>}
      {wrong && <span className="text-[9px] leading-2 font-bold text-madder">■</span>}
      <span className={`w-full ${line}`} />
    </span>
  );
}

interface CrossProps {
  id: string;
  crossing: CrossingView;
  type: TypeView;
  palette: Covered;
  current: boolean;
  first: boolean;
  onPress: () => void;
}

function Cross({ id, crossing, type, palette, current, first, onPress }: CrossProps) {
  const words = crossing.way
    ? `${WAYS[crossing.way]}${crossing.difference ? `, ${crossing.difference}` : ''}${crossing.gap ? `; gap: ${crossing.words}` : ''}`
    : 'has nothing of that kind';
  return (
    <span role="gridcell" style={{ width: COLUMN }} className="flex justify-center">
      <button
        id={id}
        tabIndex={current || first ? 0 : -1}
        title={words}
        aria-label={`${palette.name}, ${type.name}: ${words}`}
        aria-pressed={current}
        onClick={onPress}
        onFocus={onPress}
        className={`flex h-7 w-12 items-center justify-center rounded ${current ? 'bg-petrol-soft outline-2 outline-petrol' : ''}`}
      >
        <Sign crossing={crossing} />
      </button>
    </span>
  );
}

function Legend() {
  const signs: [string, string][] = [
    ['own', 'own or type'],
    ['global', 'global'],
    ['computed', 'computed'],
    ['mixed', 'some'],
    ['none', 'none'],
  ];
  const of = (way: string): CrossingView => ({
    way,
    words: '',
    difference: '',
    grade: '',
    gap: way === 'none',
    eye: false,
  });
  return (
    <span className="flex flex-wrap items-center gap-x-3 text-[12px] text-ink-label">
      {signs.map(([way, words]) => (
        <span key={way} className="flex items-center gap-1">
          <Sign crossing={of(way)} /> {words}
        </span>
      ))}
      <span>
        <span className="font-bold text-ochre">◆</span> needs a look
      </span>
    </span>
  );
}
