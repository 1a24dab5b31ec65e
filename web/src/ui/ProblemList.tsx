import { Button } from './Button';

interface Problem {
  code: string;
  severity: string;
  words: string;
  waysOut: { words: string; line: string }[];
}

/** What is wrong, and the ways out: those that are a line can be pressed. */
export function ProblemList({ problems, onLine }: { problems: Problem[]; onLine: (line: string) => void }) {
  return (
    <ul className="space-y-1.5">
      {problems.map((p, i) => (
        <li key={`${p.code} ${i}`}>
          <span className={p.severity === 'refusal' ? 'text-madder' : 'text-ochre'}>{p.words}</span>{' '}
          <span className="text-ink-2">
            {p.waysOut
              .filter((w) => !w.line)
              .map((w) => w.words)
              .join(' ')}
          </span>
          {p.waysOut.some((w) => w.line) && (
            <div className="mt-1 flex flex-wrap gap-1.5">
              {p.waysOut
                .filter((w) => w.line)
                .map((w) => (
                  <Button key={w.line} label={w.line} onClick={() => onLine(w.line)}>
                    {w.words}
                  </Button>
                ))}
            </div>
          )}
        </li>
      ))}
    </ul>
  );
}
