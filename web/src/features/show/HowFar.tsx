import { Link } from 'react-router';
import type { CheckRow, ShowView } from '../../api/client';
import { useCurrentShow } from '../../api/current-show';
import { useCheck } from '../../api/queries';
import { runLine } from '../../doing/run-line';
import { Button } from '../../ui/Button';
import { StateMark, type State } from '../../ui/StateMark';
import { nextPress } from './how-far';

const link =
  'inline-flex min-h-7 max-w-full items-center rounded-md border border-line-strong bg-sheet px-2.5 font-semibold hover:bg-sunk';

/** How far each chapter is, by the findings that Check has, and the next press for it. */
export function HowFar({ show }: { show: ShowView }) {
  const rows = (useCheck().data?.rows ?? []) as CheckRow[];
  const id = useCurrentShow((s) => s.id);
  return (
    <section
      aria-label="How far it is"
      className="flex min-h-0 flex-1 flex-col rounded-lg border border-line-strong bg-sheet px-3 pt-2 pb-1"
    >
      <div className="flex items-center border-b border-line pb-1">
        <h2 className="flex-1 font-serif text-[17px] font-semibold">How far it is</h2>
        <a
          className={link}
          href={`/api/shows/${id}/paper/open-points.pdf`}
          title="What is open and what is set aside, as a PDF"
          target="_blank"
          rel="noreferrer"
        >
          Print
        </a>
      </div>
      <ul className="min-h-0 flex-1 overflow-auto">
        {show.chapters.map((c) => {
          const { words, whole, press, to } = nextPress(c, rows);
          return (
            <li
              key={c.name}
              className="flex min-h-9 flex-wrap items-center gap-x-3 gap-y-1 border-b border-line py-1 last:border-0"
            >
              <StateMark state={c.state as State} />
              <Link to={to} className="w-20 shrink-0 font-semibold hover:underline">
                {c.name}
              </Link>
              <span className="min-w-40 flex-1" title={whole}>
                {c.holds && <span>{c.holds}</span>}
                {words && (
                  <span className={c.holds ? 'text-ink-2' : ''}>
                    {c.holds && '; '}
                    {words}
                  </span>
                )}
              </span>
              {press.line ? (
                <Button label={press.line} onClick={() => void runLine(press.line)}>
                  {press.text}
                </Button>
              ) : press.text ? (
                <Link to={press.to} className={link}>
                  {press.text}
                </Link>
              ) : (
                <span className="text-[12px] text-ink-2">ready</span>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
