import { useEffect, useRef, useState } from 'react';
import { line } from '../api/commands';
import { RefusedError, type ProblemView } from '../api/client';
import { useCurrentShow } from '../api/current-show';
import { useLine } from './line-store';
import { useNotice } from './notices';
import { ProblemList } from '../ui/ProblemList';
import { useCompletions } from './completions';

const PAUSE_MS = 90;

/** Reads the line on the server while it is being typed. */
function useReading() {
  const { text, set } = useLine();
  const show = useCurrentShow((s) => s.id);
  useEffect(() => {
    if (text.trim() === '' || show === null) {
      set({ reading: null, problems: [] });
      return;
    }
    let stale = false;
    const timer = window.setTimeout(async () => {
      try {
        const reading = await line(text, true);
        if (!stale) set({ reading, problems: [] });
      } catch (error) {
        if (!stale) set({ reading: null, problems: error instanceof RefusedError ? error.problems : [] });
      }
    }, PAUSE_MS);
    return () => {
      stale = true;
      window.clearTimeout(timer);
    };
  }, [text, set, show]);
}

/**
 * Does a line and empties the input, or leaves it there with what is wrong. A press elsewhere does a line too: what a
 * person has begun to type in the meantime is not touched.
 */
export async function runLine(text: string) {
  const { set, remember } = useLine.getState();
  const typingOther = () => !['', text].includes(useLine.getState().text);
  useNotice.setState({ notice: null });
  try {
    const done = await line(text);
    remember(text);
    if (!typingOther()) {
      set({ text: '', reading: null, problems: done.problems, done: done.reading || 'Nothing changes' });
    }
  } catch (error) {
    if (!(error instanceof RefusedError)) throw error;
    if (typingOther()) useNotice.setState({ notice: { words: error.message, problems: error.problems } });
    else set({ text, done: '', problems: error.problems });
  }
}

export function Line() {
  useReading();
  const { text, reading, problems, done, history, set } = useLine();
  const notice = useNotice((s) => s.notice);
  const [back, setBack] = useState(-1);
  const [focused, setFocused] = useState(false);
  const complete = useCompletions();
  const input = useRef<HTMLInputElement>(null);
  const problem = problems.find((p) => p.severity === 'refusal');
  const shown: ProblemView[] = notice ? notice.problems : problems;
  const recall = (to: number) => {
    setBack(to);
    set({ text: to < 0 ? '' : (history[to] ?? ''), done: '' });
  };
  const onKeyDown = (e: React.KeyboardEvent) => {
    if (e.key === 'Enter' && text.trim()) {
      setBack(-1);
      void runLine(text);
    } else if (e.key === 'ArrowUp' && back < history.length - 1) recall(back + 1);
    else if (e.key === 'ArrowDown' && back >= 0) recall(back - 1);
    else if (e.key === 'Tab' && text.trim() && !e.shiftKey) {
      const completed = complete(text);
      if (completed) {
        e.preventDefault();
        set({ text: completed });
      }
    } else return;
    if (e.key !== 'Tab') e.preventDefault();
  };
  const words = text ? (reading?.reading ?? '') : done;
  const detail = text ? (reading?.words.slice(2) ?? []) : [];
  const warnings = (reading?.problems ?? []).filter((p) => p.severity === 'warning');
  const open = shown.length > 0 || notice !== null || (focused && (detail.length > 0 || warnings.length > 0));
  return (
    <div className="relative min-w-0 flex-1">
      <div
        className={`flex h-8 items-center gap-2 rounded-md border bg-paper px-2.5 ${problem ? 'border-madder' : 'border-line-strong'} focus-within:border-petrol`}
      >
        <div className="relative min-w-24 flex-1">
          <input
            ref={input}
            id="line"
            aria-label="The line"
            aria-invalid={problem !== undefined}
            aria-describedby="line-reading"
            autoComplete="off"
            spellCheck={false}
            placeholder="type a command, such as 101 thru 112 at 60   ( / )"
            className="mono w-full bg-transparent text-[13px] text-ink outline-none placeholder:text-ink-label"
            value={text}
            onFocus={() => setFocused(true)}
            onBlur={() => setFocused(false)}
            onChange={(e) => set({ text: e.target.value, done: '' })}
            onKeyDown={onKeyDown}
          />
          {problem && problem.from >= 0 && text && (
            <div
              aria-hidden="true"
              className="mono pointer-events-none absolute inset-0 overflow-hidden text-[13px] whitespace-pre text-transparent"
            >
              {text.slice(0, problem.from)}
              <span className="underline decoration-madder decoration-wavy decoration-2 underline-offset-2">
                {text.slice(problem.from, problem.to) || '  '}
              </span>
            </div>
          )}
        </div>
        <output id="line-reading" className="max-w-[62%] truncate text-[12px] text-petrol" title={words}>
          {words}
        </output>
      </div>
      {open && (
        <div className="absolute top-9 right-0 left-0 z-30 rounded-md border border-line-strong bg-sheet p-3 shadow-lg">
          {notice && shown.length === 0 && <p className="text-madder">{notice.words}</p>}
          <ProblemList
            problems={shown.length > 0 ? shown : warnings}
            onLine={(l) => {
              set({ text: l });
              void runLine(l);
            }}
          />
          {detail.map((d) => (
            <p key={d} className="text-ink-2">
              {d}
            </p>
          ))}
          {shown.length > 0 && (
            <button
              aria-label="Put this away"
              className="absolute top-1 right-1 min-h-7 min-w-7 text-ink-2"
              onClick={() => {
                useNotice.getState().clear();
                set({ problems: [] });
              }}
            >
              ×
            </button>
          )}
        </div>
      )}
    </div>
  );
}
