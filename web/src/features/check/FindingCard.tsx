import { useNavigate } from 'react-router';
import { select } from '../../api/commands';
import type { CheckRow } from '../../api/client';
import { useLooks } from '../../api/queries';
import { keep } from '../../doing/kept';
import { attempt } from '../../doing/notices';
import { runEdit } from '../../doing/run';
import { useLineReading } from '../../doing/useLineReading';
import { Button } from '../../ui/Button';
import { day } from '../../ui/day';
import { useActiveList } from '../playing/active';
import { leads } from './check-model';

/** More are counted. */
const MOST_CHIPS = 24;

interface Props {
  row: CheckRow | null;
  /** A way out that is pointed at. */
  line: string;
  /** Name of the paper the patch is held to, empty for none. */
  paper: string;
  since: string;
}

/** The finding looked at: who it is about, where it is to be seen, and what a press would do. */
export function FindingCard({ row, line, paper, since }: Props) {
  const navigate = useNavigate();
  const looks = useLooks().data;
  const { choose } = useActiveList();
  const reading = useLineReading(line);
  const hold = (units: string[]) => attempt(() => select(units, 'hold'));
  const go = async () => {
    const to = leads(row?.spot ?? null);
    if (!row || !to) return;
    if (row.units.length > 0) await hold(row.units);
    to.keep.forEach(([key, value]) => keep(key, value));
    if (row.spot?.what === 'cue') {
      const list = looks?.lists.find((l) => String(l.number) === row.spot?.list);
      const cue = list?.cues.find((c) => c.number === row.spot?.name);
      if (list) choose(list.id);
      if (cue) keep('held cues', [cue.id]);
    }
    void navigate(to.path);
  };
  return (
    <section
      aria-label="The finding looked at"
      className="min-h-[150px] flex-1 space-y-2 overflow-auto rounded-lg border border-line-strong bg-sheet p-3"
    >
      {row ? (
        <>
          <p className="font-serif text-[15px] font-semibold">{row.words}</p>
          {/* Above what comes and goes, so that they stay where they are pointed at. */}
          <div className="flex flex-wrap gap-1.5">
            {row.units.length > 0 && (
              <Button onClick={() => void hold(row.units)}>
                {row.units.length === 1 ? 'Select it' : 'Select them'}
              </Button>
            )}
            {row.spot && (
              <Button label={`To ${row.spot.what} ${row.spot.name}`} onClick={() => void go()}>
                Go there
              </Button>
            )}
          </div>
          {line && reading.text === line ? (
            <p className="text-[12px] text-ink-2">
              {reading.outcome?.reading || reading.problems.map((p) => p.words).join(' ')}
            </p>
          ) : (
            row.beside && <p className="text-[12px] text-ink-2">{row.beside}</p>
          )}
          {row.units.length > 0 && (
            <ul aria-label="Who it is about" className="flex flex-wrap gap-1">
              {row.units.slice(0, MOST_CHIPS).map((u) => (
                <li key={u} className="mono rounded border border-line-strong px-1 text-[12px]">
                  {u}
                </li>
              ))}
              {row.units.length > MOST_CHIPS && (
                <li className="px-1 text-[12px] text-ink-2">and {row.units.length - MOST_CHIPS} more</li>
              )}
            </ul>
          )}
        </>
      ) : (
        <p className="text-[12px] text-ink-label">
          Point at a finding to see on the plan who it is about. Its first button mends it; Undo takes that
          back.
        </p>
      )}
      {paper && (
        <p className="border-t border-line pt-2 text-[12px] text-ink-2">
          Held to the paper “{paper}” since {day(since)}.{' '}
          <button className="text-petrol underline" onClick={() => void runEdit({ type: 'no-paper' })}>
            No longer
          </button>
        </p>
      )}
    </section>
  );
}
