import { edit } from '../../api/commands';
import type { DeskView } from '../../api/client';
import { attempt } from '../../app/notices';

/** The rows and columns that a pattern goes by, with the level of each unit and the step it is in. */
export function GridPanel({ grid }: { grid: DeskView['grid'] }) {
  /** The pattern once more with another tolerance. */
  const within = async (metres: string) => {
    const number = Number(metres.replace(',', '.'));
    if (!Number.isFinite(number) || number < 0) return;
    await attempt(() => edit({ type: 'lift', index: grid.index }, false, 'rows'));
    await attempt(() => edit({ type: 'arrange', words: `${grid.way} within ${number}` }, false, 'rows'));
  };
  return (
    <div className="flex min-h-0 min-w-0 flex-col gap-1 p-3" aria-label="Rows and columns">
      <div className="flex items-center gap-2">
        <span className="caps">{grid.way}</span>
        <span className="text-ink-2">
          {grid.rows} × {grid.columns}
        </span>
        {grid.perRow === 0 && (
          <label className="ml-auto flex items-center gap-1 text-[12px] text-ink-2">
            one row within
            <input
              key={grid.within}
              aria-label="What hangs that near is in one row, in metres"
              defaultValue={grid.within}
              className="mono h-7 w-12 rounded-md border border-line-strong bg-paper px-1"
              onKeyDown={(e) => e.key === 'Enter' && void within(e.currentTarget.value)}
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
