import { edit, type Edit } from '../../api/commands';
import type { DeskView } from '../../api/client';
import { attempt } from '../../doing/notices';
import { asCount, asNumber, orEmpty, type Reader } from '../../ui/reading';
import { Typed } from '../../ui/Typed';
import { Choice } from '../../ui/Choice';

const WAYS = ['rows', 'columns', 'diagonal', 'rings'];
/** Metres, where nothing else was said. */
const USUAL = 0.5;

/** A distance. */
const asMetres: Reader = (typed) =>
  typed.trim().startsWith('-') ? { refused: 'Metres from 0.' } : asNumber(typed);

/** The rows and columns that a pattern goes by, with the level of each unit and the step it is in. */
export function GridPanel({ grid, patterns }: Pick<DeskView, 'grid' | 'patterns'>) {
  /** The pattern once more, otherwise: it and those behind it are taken off and laid again, in one gesture. */
  const again = async (way: string, within: number, perRow: number) => {
    const words = perRow > 0 ? `${way} of ${perRow}` : within === USUAL ? way : `${way} within ${within}`;
    const gesture = `rows ${Date.now()}`;
    const run = (what: Edit) => edit(what, false, gesture);
    await attempt(async () => {
      for (let i = patterns.length - 1; i >= grid.index; i--) await run({ type: 'lift', index: i });
      for (const laid of [words, ...patterns.slice(grid.index + 1)])
        await run({ type: 'arrange', words: laid });
    });
  };
  return (
    <div className="flex min-h-0 min-w-0 flex-col gap-1 p-3" aria-label="Rows and columns">
      <div className="flex items-center gap-2">
        <Choice
          label="What becomes one step"
          shape="word"
          value={grid.way}
          options={WAYS}
          onChange={(way) => void again(way, grid.within, grid.perRow)}
        />
        <span className="text-ink-2">
          {grid.rows} × {grid.columns}
        </span>
        <label className="ml-auto flex items-center gap-1 text-[12px] text-ink-2">
          of
          <Typed
            label="So many in the order of the selection make a row; empty: rows as they hang"
            value={grid.perRow > 0 ? String(grid.perRow) : ''}
            placeholder="–"
            read={orEmpty(asCount, '0')}
            className="mono h-7 w-10 rounded-md border border-line-strong bg-paper px-1"
            onSet={(count) => again(grid.way, grid.within, Number(count))}
          />
        </label>
        {grid.perRow === 0 && (
          <label className="flex items-center gap-1 text-[12px] text-ink-2">
            within
            <Typed
              label="What hangs that near is in one row, in metres"
              value={String(grid.within)}
              read={asMetres}
              className="mono h-7 w-12 rounded-md border border-line-strong bg-paper px-1"
              onSet={(metres) => again(grid.way, Number(metres), 0)}
            />
            m
          </label>
        )}
      </div>
      <div
        tabIndex={0}
        role="group"
        aria-label="Units by row and column with their levels"
        className="grid min-h-0 flex-1 content-start gap-0.5 overflow-auto"
        style={{ gridTemplateColumns: `repeat(${grid.columns}, minmax(34px, 1fr))` }}
      >
        {grid.cells.map((c) => (
          <div
            key={c.unit}
            title={`${c.unit}: ${c.step ? `step ${c.step}, ` : 'left, '}${c.level} %`}
            className={`mono rounded border px-0.5 text-center text-[11px] leading-4 ${c.step ? 'border-petrol bg-petrol-soft text-petrol' : 'border-line text-ink-label'}`}
            style={{ gridRow: grid.rows - c.row, gridColumn: c.column + 1 }}
          >
            {c.unit}
            <br />
            {c.level}
          </div>
        ))}
      </div>
    </div>
  );
}
