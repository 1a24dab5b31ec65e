import { useEffect, useRef, useState, type ReactNode } from 'react';
import { aloud, takeBackAloud } from '../../api/commands';
import { RefusedError, type AloudView, type PatchView } from '../../api/client';
import { useKept } from '../../doing/kept';
import { runLine } from '../../doing/run-line';
import { useLine } from '../../doing/line-store';
import { Button } from '../../ui/Button';
import { Field, inputShape } from '../../ui/Field';
import { TypeFinder } from './TypeFinder';

interface Entry extends AloudView {
  /** Its place in what was read, from 1. */
  order: number;
  done: boolean;
}

const PAUSE_MS = 90;

/**
 * For two people: one reads the paper, the other types numbers. The line stays; each entry is echoed large with what
 * it did or why not.
 */
export function ReadAloud({ patch, title }: { patch: PatchView; title: ReactNode }) {
  const [text, setText] = useKept('read aloud text', '');
  const [type, setType] = useKept('read aloud type', '');
  const [universe, setUniverse] = useState(patch.universes[0]?.universe ?? 1);
  const [entries, setEntries] = useKept<Entry[]>('read aloud', []);
  const heard = useRef<Entry[]>(entries);
  const queue = useRef(Promise.resolve());
  /** A universe chosen by hand counts for the next entry, whatever was read before. */
  const chosen = useRef<number | null>(null);
  const keep = (all: Entry[]) => {
    heard.current = all;
    setEntries(all);
  };
  const [foreseen, setForeseen] = useState<AloudView | null>(null);
  const [wrong, setWrong] = useState('');
  const input = useRef<HTMLInputElement>(null);
  const done = entries.filter((e) => e.done);
  const read = done.map((e) => ({ number: e.number, address: e.address })).reverse();
  const readKey = JSON.stringify(read);

  useEffect(() => input.current?.focus(), []);
  useEffect(() => {
    if (!text.trim()) return;
    let stale = false;
    const timer = window.setTimeout(async () => {
      try {
        const seen = await aloud({
          text,
          universe,
          type,
          read: JSON.parse(readKey) as typeof read,
          preview: true,
        });
        if (!stale) {
          setForeseen(seen);
          setWrong('');
        }
      } catch (error) {
        if (!stale) {
          setForeseen(null);
          if (error instanceof RefusedError) setWrong(error.message);
        }
      }
    }, PAUSE_MS);
    return () => {
      stale = true;
      window.clearTimeout(timer);
    };
  }, [text, universe, type, readKey]);

  /** Entries are done one after another, however quickly they are typed. */
  const enter = () => {
    const said = text.trim();
    if (!said) return;
    setText('');
    setForeseen(null);
    queue.current = queue.current.then(() => hear(said));
  };
  const hear = async (said: string) => {
    const before = heard.current;
    const read = before.filter((e) => e.done).map((e) => ({ number: e.number, address: e.address }));
    const inUniverse = before[0]?.universe ?? universe;
    try {
      const entry = await aloud({
        text: said,
        universe: chosen.current ?? inUniverse,
        type,
        read: read.reverse(),
        preview: false,
      });
      chosen.current = null;
      setUniverse(entry.universe);
      keep([{ ...entry, order: (before[0]?.order ?? 0) + 1, done: entry.did !== '' }, ...before]);
      setWrong('');
    } catch (error) {
      // What has been typed since stays; what was not understood comes back where nothing has.
      setText((now) => now || said);
      const why = error instanceof RefusedError ? error.message : 'The application does not answer.';
      setWrong(`“${said}”: ${why}`);
    }
  };
  /** One press does what the entry could not. */
  const wayOut = async (line: string, words: string) => {
    const done = await runLine(line);
    const [first, ...rest] = heard.current;
    if (done && first && !text.trim())
      keep([{ ...first, done: true, did: words, problems: [], revision: done.revision }, ...rest]);
    input.current?.focus();
  };
  /** The last entry and nothing else, whatever was done to the show since; in turn with what is being entered. */
  const takeBack = () => {
    queue.current = queue.current.then(takeLastBack);
    return queue.current;
  };
  const takeLastBack = async () => {
    const [last, ...rest] = heard.current;
    if (!last) return;
    if (last.done) {
      try {
        const taken = await takeBackAloud(last.revision);
        useLine.getState().set({ done: taken.reading, problems: [] });
      } catch (error) {
        const gone = error instanceof RefusedError && error.problems.some((p) => p.code === 'edit.gone');
        setWrong(error instanceof Error ? error.message : String(error));
        if (!gone) return;
      }
    }
    keep(rest);
    setForeseen(null);
    if (rest[0]) setUniverse(rest[0].universe);
  };
  const onKeyDown = (e: React.KeyboardEvent) => {
    if (e.key === 'Enter') enter();
    else if (e.key === 'Backspace' && text === '') {
      // Held down it empties the field and stops there.
      if (!e.repeat) void takeBack();
    } else return;
    e.preventDefault();
  };
  const last = entries[0];
  const echo = text.trim() ? foreseen : last;
  return (
    <>
      <div className="flex flex-wrap items-center gap-2 px-3 pt-3 pb-2">{title}</div>
      <div className="flex min-h-0 flex-1 gap-3 px-3 pb-3">
        <section aria-label="Reading" className="flex min-w-0 flex-[1.6] flex-col gap-3">
          <div className="flex items-end gap-3">
            <label className="flex min-w-0 flex-1 flex-col gap-1 text-[12px] text-ink-2">
              14 207 · with its universe: 16 3.1 · Backspace takes back
              <input
                ref={input}
                aria-label="Number and address as they are read"
                placeholder="14 207"
                autoComplete="off"
                className="mono h-14 w-full rounded-md border-2 border-petrol bg-paper px-4 text-[28px] text-ink"
                value={text}
                onChange={(e) => {
                  setText(e.target.value);
                  setWrong('');
                }}
                onKeyDown={onKeyDown}
              />
            </label>
            <Field label="Universe">
              <input
                className={`${inputShape} !h-14 !w-16 !text-[20px]`}
                inputMode="numeric"
                value={universe}
                onChange={(e) => {
                  const number = Number(e.target.value.replace(/\D/g, '')) || 1;
                  chosen.current = number;
                  setUniverse(number);
                }}
              />
            </Field>
            <Field label="New numbers become">
              <TypeFinder
                label="New numbers become"
                className="h-14! w-64!"
                value={type}
                empty="nothing: only what exists"
                onChange={setType}
              />
            </Field>
          </div>
          <div
            role="status"
            aria-live="polite"
            className="flex min-h-0 flex-1 flex-col justify-center gap-2 overflow-auto rounded-lg border border-line-strong bg-sheet p-6"
          >
            {wrong ? (
              <p className="font-serif text-[30px] text-madder">{wrong}</p>
            ) : echo ? (
              <Echo entry={echo} preview={text.trim() !== ''} onLine={(l, words) => void wayOut(l, words)} />
            ) : (
              <p className="font-serif text-[24px] text-ink-2">
                Type what is read, Enter after each: the number, a blank, the address.
              </p>
            )}
          </div>
        </section>
        <section
          aria-label="What was read"
          className="flex min-h-0 min-w-0 flex-1 flex-col rounded-lg border border-line-strong bg-sheet"
        >
          <div className="flex h-9 items-center gap-2 border-b border-line px-3">
            <span className="caps flex-1">
              Read: {done.length}
              {entries.length > done.length ? ` · refused: ${entries.length - done.length}` : ''}
            </span>
            <Button disabled={entries.length === 0} onClick={() => void takeBack()}>
              Take the last back
            </Button>
          </div>
          <ol className="min-h-0 flex-1 overflow-auto">
            {entries.map((e) => (
              <li
                key={e.order}
                className={`flex items-baseline gap-3 border-b border-line px-3 py-1 ${e.done ? '' : 'bg-madder-soft'}`}
              >
                <span className="mono w-6 text-right text-ink-label">{e.order}</span>
                <b className="mono w-12">{e.number}</b>
                <span className="mono w-16">{e.address}</span>
                <span className={`min-w-0 flex-1 truncate ${e.done ? 'text-ink-2' : 'text-madder'}`}>
                  {e.done ? e.name : `■ ${e.problems[0]?.words}`}
                </span>
              </li>
            ))}
          </ol>
        </section>
      </div>
    </>
  );
}

interface EchoProps {
  entry: AloudView;
  preview: boolean;
  onLine: (line: string, words: string) => void;
}

function Echo({ entry, preview, onLine }: EchoProps) {
  const refused = entry.did === '';
  return (
    <>
      <p className="mono text-[56px] leading-none font-bold">
        {entry.number} <span className="text-ink-label">→</span> {entry.address}
      </p>
      <p
        className={`font-serif text-[26px] ${refused ? 'text-madder' : preview ? 'text-ink-2' : 'text-moss'}`}
      >
        {refused ? `■ ${entry.problems[0]?.words}` : `${preview ? '' : '✓ '}${entry.name} · ${entry.did}`}
      </p>
      <div className="flex flex-wrap gap-2">
        {entry.problems
          .flatMap((p) => p.waysOut)
          .map((w) =>
            w.line && !preview ? (
              <Button key={w.words} label={w.line} onClick={() => onLine(w.line, w.words)}>
                {w.words}
              </Button>
            ) : (
              <span key={w.words} className="text-[16px] text-ink-2">
                {w.words}
              </span>
            ),
          )}
      </div>
      {entry.flags.map((f) => (
        <p key={f} className="text-[18px] text-ochre">
          ▲ {f}
        </p>
      ))}
    </>
  );
}
