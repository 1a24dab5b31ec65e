import { useEffect } from 'react';
import { useLocation } from 'react-router';
import { ProblemList } from '../ui/ProblemList';
import { runLine } from '../doing/run-line';
import { useNotice } from '../doing/notices';

/**
 * What the last press was refused for, with the ways out, in a line of its own at the foot: it covers nothing, and goes
 * with Escape, with the next press and with the chapter.
 */
export function Told() {
  const { notice, clear } = useNotice();
  const { pathname } = useLocation();
  useEffect(() => clear(), [pathname, clear]);
  if (!notice) return null;
  const refused = notice.words !== '' || notice.problems.some((p) => p.severity === 'refusal');
  return (
    <div
      role={refused ? 'alert' : 'status'}
      className={`col-span-2 flex items-start gap-2 border-t-2 bg-sheet px-3 py-1 ${refused ? 'border-madder' : 'border-ochre'}`}
    >
      <div className="max-h-20 min-w-0 flex-1 overflow-y-auto py-1">
        {notice.problems.length > 0 ? (
          <ProblemList problems={notice.problems} onLine={(l) => void runLine(l)} />
        ) : (
          <p className="text-madder">{notice.words}</p>
        )}
      </div>
      <button aria-label="Put this away" title="Esc" className="min-h-7 min-w-7 text-ink-2" onClick={clear}>
        ×
      </button>
    </div>
  );
}
