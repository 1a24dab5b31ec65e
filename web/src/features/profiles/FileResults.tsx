import type { FileResult } from '../../api/client';
import { Button } from '../../ui/Button';

/** What became of each file: taken in, with what was odd about it, or why not. */
export function FileResults({ results, onClose }: { results: FileResult[]; onClose: () => void }) {
  return (
    <section
      aria-label="Files brought in"
      className="max-h-[40%] shrink-0 space-y-2 overflow-auto rounded-lg border border-line-strong bg-sheet p-3"
    >
      <div className="flex items-center gap-2">
        <span className="caps flex-1">Files brought in</span>
        <Button onClick={onClose}>Done</Button>
      </div>
      {results.map((r) => (
        <div key={r.file}>
          <b>{r.file}</b>{' '}
          {r.profile ? (
            <span className="text-moss">
              ● {r.name} is in the library{r.replaces ? ', in place of the one before' : ''}
            </span>
          ) : (
            <span className="text-madder">■ not taken in</span>
          )}
          {r.problems.map((p) => (
            <p key={p.words} className="text-madder">
              {p.words} <span className="text-ink-2">{p.waysOut.map((w) => w.words).join(' ')}</span>
            </p>
          ))}
          {r.remarks.length > 0 && (
            <details open={r.remarks.length < 5}>
              <summary className="cursor-pointer text-ochre">
                ▲ {r.remarks.length} {r.remarks.length === 1 ? 'remark' : 'remarks'}
              </summary>
              <ul className="list-disc pl-5 text-[12px] text-ink-2">
                {r.remarks.map((w) => (
                  <li key={w}>{w}</li>
                ))}
              </ul>
            </details>
          )}
        </div>
      ))}
    </section>
  );
}
