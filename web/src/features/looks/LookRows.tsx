import { useEffect, useMemo } from 'react';
import type { LookRow } from '../../api/client';
import { foresee } from '../../stage/stage-state';

const HEADS: Record<string, string> = {
  changes: 'Changes',
  same: 'Set again as it was',
  carried: 'Tracked',
};

interface Props {
  rows: LookRow[];
  /** Whether there is one kind of rows only. */
  alone?: boolean;
  /** Whether everyone of whom a row tells is outlined on the plan as long as no row is looked at. */
  outlined?: boolean;
}

/** What stands, in words: who has what, and what it was before. Looking at a row outlines who it is on the plan. */
export function LookRows({ rows, alone, outlined }: Props) {
  const resting = useMemo(() => (outlined ? rows.flatMap((r) => r.units) : null), [rows, outlined]);
  useEffect(() => {
    foresee(resting);
    return () => foresee(null);
  }, [resting]);
  return (
    <div className="min-h-0 flex-1 overflow-auto px-3 pb-2 text-[13px]">
      {['changes', 'same', 'carried'].map((stands) => {
        const of = rows.filter((r) => r.stands === stands);
        return (
          of.length > 0 && (
            <section key={stands} aria-label={HEADS[stands]}>
              {!alone && (
                <h3 className="pt-1.5 text-[12px] font-semibold text-ink-label">
                  {HEADS[stands]} · {of.length}
                </h3>
              )}
              <ul>
                {of.map((r, i) => (
                  <li
                    key={i}
                    tabIndex={0}
                    className="flex gap-2 border-b border-line py-1 hover:bg-sunk"
                    onMouseEnter={() => foresee(r.units)}
                    onMouseLeave={() => foresee(resting)}
                    onFocus={() => foresee(r.units)}
                    onBlur={() => foresee(resting)}
                  >
                    <span className="min-w-0 flex-1 truncate" title={r.who}>
                      {r.who}
                    </span>
                    <span className="min-w-0 flex-1 text-right">
                      {r.what !== r.kind && <span className="text-ink-2">{r.what} </span>}
                      <strong
                        className={r.plain ? 'text-ochre' : ''}
                        title={r.plain ? 'plain: follows no palette' : ''}
                      >
                        {r.plain && '▲ '}
                        {r.value}
                      </strong>
                      {r.was && <span className="block text-[12px] text-ink-label">was {r.was}</span>}
                    </span>
                  </li>
                ))}
              </ul>
            </section>
          )
        );
      })}
      {rows.length === 0 && <p className="py-2 text-ink-2">It holds nothing.</p>}
    </div>
  );
}
