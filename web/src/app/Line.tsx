import { useEffect, useRef, useState } from 'react';
import { line } from '../api/commands';
import { RefusedError, type ProblemView } from '../api/client';
import { useCurrentShow } from '../api/current-show';
import { useLine } from '../doing/line-store';
import { runLine, typedAnew } from '../doing/run-line';
import { ProblemList } from '../ui/ProblemList';
import { useConnection } from '../api/live';
import { inQuotes, useCompletions, type Completion } from './completions';

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
        // Nobody answers: what the line says of that stays.
        if (!stale)
          set(
            error instanceof RefusedError ? { reading: null, problems: error.problems } : { reading: null },
          );
      }
    }, PAUSE_MS);
    return () => {
      stale = true;
      window.clearTimeout(timer);
    };
  }, [text, set, show]);
}

export function Line() {
  useReading();
  const { text, reading, problems, done, history, set } = useLine();
  const away = useConnection((s) => s.away);
  const [back, setBack] = useState(-1);
  const [focused, setFocused] = useState(false);
  const [active, setActive] = useState(-1);
  const [shut, setShut] = useState(false);
  const completions = useCompletions(text);
  const input = useRef<HTMLInputElement>(null);
  const naming = inQuotes(text);
  const listed =
    focused && !shut && text.trim() !== '' && (naming || completions.length > 0) ? completions : [];
  const choosing = listed.length > 0;
  // What is half typed is no error yet, as long as there is something that it could become.
  const half =
    naming || (choosing && problems.every((p) => p.code === 'line.syntax' && p.to >= text.trimEnd().length));
  const wrong = half ? [] : problems;
  const problem = wrong.find((p) => p.severity === 'refusal');
  const shown: ProblemView[] = wrong;
  const type = (to: string) => {
    setActive(-1);
    setShut(false);
    set({ text: to, done: '' });
  };
  const recall = (to: number) => {
    setBack(to);
    setShut(true);
    set({ text: to < 0 ? '' : (history[to] ?? ''), done: '' });
  };
  const take = (c: Completion) => {
    type(c.text);
    input.current?.focus();
  };
  const onKeyDown = (e: React.KeyboardEvent) => {
    const chosen = listed[active];
    if (e.key === 'Enter' && chosen) take(chosen);
    else if (e.key === 'Enter' && text.trim() && !e.repeat) {
      setBack(-1);
      setShut(true);
      void runLine(text);
    } else if (e.key === 'Escape' && choosing) {
      setShut(true);
      e.stopPropagation();
      e.nativeEvent.stopImmediatePropagation();
    } else if (choosing && back < 0 && e.key === 'ArrowDown') setActive((active + 1) % listed.length);
    else if (choosing && back < 0 && e.key === 'ArrowUp' && (active >= 0 || !/\s$/.test(text)))
      setActive(active <= 0 ? listed.length - 1 : active - 1);
    else if (e.key === 'ArrowUp' && back < history.length - 1) recall(back + 1);
    else if (e.key === 'ArrowDown' && back >= 0) recall(back - 1);
    else if (e.key === 'Tab' && !e.shiftKey && choosing) take(chosen ?? listed[0]!);
    else return;
    e.preventDefault();
  };
  const words = away ? 'The application is away' : text ? (reading?.reading ?? '') : done;
  const detail = text ? (reading?.words.slice(2) ?? []) : [];
  const warnings = (reading?.problems ?? []).filter((p) => p.severity === 'warning');
  // Once the line is left nothing of it lies over the page.
  const told = focused && (shown.length > 0 || detail.length > 0 || warnings.length > 0);
  return (
    <div
      className="relative min-w-0 flex-1"
      onFocus={() => setFocused(true)}
      // Its ways out belong to it: on the way to one of them nothing closes.
      onBlur={(e) => !e.currentTarget.contains(e.relatedTarget) && setFocused(false)}
    >
      <div
        className={`flex h-8 items-center gap-2 rounded-md border bg-paper px-2.5 ${problem ? 'border-madder' : 'border-line-strong'} focus-within:border-petrol`}
      >
        <div className="relative min-w-24 flex-1">
          <input
            ref={input}
            id="line"
            role="combobox"
            aria-label="The line"
            aria-expanded={choosing}
            aria-controls="line-list"
            aria-autocomplete="list"
            aria-activedescendant={active >= 0 && choosing ? `line-choice-${active}` : undefined}
            aria-invalid={problem !== undefined}
            aria-describedby="line-reading"
            autoComplete="off"
            spellCheck={false}
            placeholder="type a command, such as 101 thru 112 at 60   ( / )"
            className="mono w-full bg-transparent text-[13px] text-ink outline-none placeholder:text-ink-label"
            value={text}
            onChange={(e) => {
              setBack(-1);
              typedAnew(e.target.value);
              type(e.target.value);
            }}
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
        <output
          id="line-reading"
          className={`max-w-[62%] truncate text-[12px] ${away ? 'font-semibold text-madder' : 'text-petrol'}`}
          title={words}
        >
          {words}
        </output>
      </div>
      <div
        onMouseDown={(e) => e.preventDefault()}
        className={
          told || choosing
            ? 'absolute top-9 right-0 left-0 z-30 rounded-md border border-line-strong bg-sheet p-2 shadow-lg'
            : 'hidden'
        }
      >
        <ul
          id="line-list"
          role="listbox"
          aria-label="What it could become"
          className={choosing ? 'pb-1' : 'hidden'}
        >
          {listed.map((c, i) => (
            <li
              key={`${c.kind} ${c.name} ${c.number}`}
              id={`line-choice-${i}`}
              role="option"
              aria-selected={i === active}
              onPointerDown={(e) => {
                e.preventDefault();
                take(c);
              }}
              className={`flex min-h-7 cursor-pointer items-center gap-3 rounded px-2 ${i === active ? 'bg-petrol-soft text-petrol' : 'hover:bg-sunk'}`}
            >
              <span className="mono w-8 text-right text-ink-2">{c.number ?? ''}</span>
              <span className="min-w-0 flex-1 truncate font-semibold">{c.name}</span>
              <span className="w-20 text-[12px] text-ink-2">{c.kind}</span>
              <span className="w-40 text-right text-[12px] text-ink-2">{c.detail}</span>
            </li>
          ))}
        </ul>
        <ProblemList
          problems={!told ? [] : shown.length > 0 ? shown : warnings}
          onLine={(l) => {
            set({ text: l });
            void runLine(l);
          }}
        />
        {(told ? detail : []).map((d) => (
          <p key={d} className="text-ink-2">
            {d}
          </p>
        ))}
        {told && shown.length > 0 && (
          <button
            aria-label="Put this away"
            className="absolute top-1 right-1 min-h-7 min-w-7 text-ink-2"
            onClick={() => {
              set({ problems: [] });
            }}
          >
            ×
          </button>
        )}
      </div>
    </div>
  );
}
