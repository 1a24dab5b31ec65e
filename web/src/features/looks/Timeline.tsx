import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { CircleHelp } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import type { CueListView, CueView } from '../../api/client';
import { line as say } from '../../api/commands';
import { press, usePlaying } from '../playing/playing';
import { CueSlopes, type Time } from './CueSlopes';
import { cueLine, nextWords, pastedTimes, scaleOf, seconds } from './looks-model';
import { runLines } from '../../doing/run-lines';
import { useOneStop } from '../../ui/useOneStop';

/** Behind the last cue. */
const END = -1;

interface Props {
  list: CueListView;
  held: number[];
  onHold: (cues: number[]) => void;
}

/** A list drawn along time: each cue a row, all on one scale, so that length, wait and overlap are seen. */
export function Timeline({ list, held, onHold }: Props) {
  const cues = useOneStop<HTMLDivElement>({ selector: '[role="option"]', own: true });
  const { play, at } = usePlaying();
  const run = play.runs.find((r) => (r.kind === 'list' || r.kind === 'chase') && r.id === list.id);
  const scale = useMemo(() => scaleOf(list.cues), [list.cues]);
  const head = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(300);
  const [over, setOver] = useState<{ cue: number; words: string } | null>(null);
  const moved = useRef<CueView | null>(null);
  useEffect(() => {
    const seen = new ResizeObserver(([e]) => setWidth(Math.max(120, Math.floor(e!.contentRect.width) - 14)));
    if (head.current) seen.observe(head.current);
    return () => seen.disconnect();
  }, []);
  const set = (cue: CueView) => (time: Time, value: number) => {
    const cues = held.includes(cue.id) && held.length > 1 ? held : [cue.id];
    const numbers = list.cues.filter((c) => cues.includes(c.id)).map((c) => c.number);
    void runLines([`cue ${numbers.join(' + ')} of list ${list.number} ${time} ${value}`]);
  };
  const choose = (cue: CueView, e: React.MouseEvent | React.KeyboardEvent) => {
    const all = list.cues.map((c) => c.id);
    if (e.shiftKey && held.length > 0) {
      const from = all.indexOf(held[held.length - 1]!);
      const to = all.indexOf(cue.id);
      onHold(all.slice(Math.min(from, to), Math.max(from, to) + 1));
    } else if (e.ctrlKey || e.metaKey)
      onHold(held.includes(cue.id) ? held.filter((h) => h !== cue.id) : [...held, cue.id]);
    else onHold([cue.id]);
  };
  const paste = (e: React.ClipboardEvent) => {
    if ((e.target as HTMLElement).matches('input, textarea')) return;
    const from = Math.max(
      0,
      list.cues.findIndex((c) => c.id === held[0]),
    );
    const { lines } = pastedTimes(e.clipboardData.getData('text'), list.cues, from);
    const all = lines.flatMap(({ cue, times, name }) => [
      ...(times ? [`${cueLine(list, cue)} ${times}`] : []),
      ...(name ? [`rename ${cueLine(list, cue)} "${name.replaceAll('"', '""')}"`] : []),
    ]);
    if (all.length === 0) return;
    e.preventDefault();
    void runLines(all);
  };
  const last = list.cues[list.cues.length - 1];
  /** What a drop there does; nothing where it changes nothing. @param before the end of the list when absent */
  const rehoused = (before?: CueView, cue = moved.current) => {
    if (!cue || cue.id === (before ?? last)?.id) return '';
    const to = before ? `before ${before.number}` : `to ${Math.floor(Number(last!.number)) + 1}`;
    return `move ${cueLine(list, cue)} ${to}`;
  };
  /** One place earlier or later, as a drag there would. */
  const shift = (cue: CueView, earlier: boolean) => {
    const at = list.cues.indexOf(cue);
    if (earlier ? at === 0 : cue === last) return;
    void runLines([rehoused(list.cues[earlier ? at - 1 : at + 2], cue)]);
  };
  const foresee = async (before?: CueView) => {
    const asked = rehoused(before);
    if (!asked) return setOver(null);
    const cue = before?.id ?? END;
    setOver({ cue, words: '' });
    const told = await say(asked, true).catch(() => undefined);
    if (told) setOver((now) => (now?.cue === cue ? { cue, words: told.reading } : now));
  };
  const landing = (before?: CueView) => ({
    onDragOver: (e: React.DragEvent) => {
      if (!moved.current) return;
      e.preventDefault();
      if (over?.cue !== (before?.id ?? END)) void foresee(before);
    },
    onDrop: (e: React.DragEvent) => {
      e.preventDefault();
      const asked = rehoused(before);
      if (asked) void runLines([asked]);
      moved.current = null;
      setOver(null);
    },
  });
  const ticks = [0, 0.25, 0.5, 0.75, 1].map((t) => t * scale);
  return (
    <div className="flex min-h-0 flex-1 flex-col" onPaste={paste}>
      <div className="grid grid-cols-[minmax(210px,0.8fr)_minmax(0,1fr)] border-b border-line px-3 py-1 text-[12px] text-ink-label">
        <span className="flex items-center gap-1">
          {list.words.replace(/^[^,]*, /, '')}
          <Signs />
        </span>
        <div ref={head} className="relative h-4">
          {ticks.map((t, i) => (
            <span
              key={t}
              className="mono absolute whitespace-nowrap"
              style={{
                left: `${(t / scale) * width}px`,
                transform: i === 0 ? '' : i === 4 ? 'translateX(-70%)' : 'translateX(-50%)',
              }}
            >
              {seconds(t)}
              {i === ticks.length - 1 ? ' s' : ''}
            </span>
          ))}
        </div>
      </div>
      <div
        ref={cues}
        className="min-h-0 flex-1 overflow-auto"
        role="listbox"
        aria-label={`Cues of ${list.name}`}
        aria-multiselectable="true"
      >
        {list.cues.map((cue) => (
          <div
            key={cue.id}
            role="option"
            aria-selected={held.includes(cue.id)}
            tabIndex={0}
            {...landing(cue)}
            onClick={(e) => choose(cue, e)}
            onDoubleClick={() => void press({ press: 'jump', list: list.id, cue: cue.id })}
            onKeyDown={(e) =>
              rowKey(
                e,
                () => choose(cue, e),
                () => void press({ press: 'jump', list: list.id, cue: cue.id }),
                (earlier) => shift(cue, earlier),
              )
            }
            className={`grid cursor-default grid-cols-[minmax(210px,0.8fr)_minmax(0,1fr)] items-center border-b border-line px-3 py-0.5 ${held.includes(cue.id) ? 'bg-petrol-soft' : run?.cue === cue.id ? 'bg-sunk' : ''} ${over?.cue === cue.id ? 'border-t-2 border-t-petrol' : ''}`}
          >
            <div
              className="min-w-0 cursor-grab pr-2"
              draggable
              onDragStart={(e) => {
                moved.current = cue;
                e.dataTransfer.effectAllowed = 'move';
                e.dataTransfer.setData('text/plain', cue.number);
              }}
              onDragEnd={() => {
                moved.current = null;
                setOver(null);
              }}
            >
              <div className="truncate leading-5">
                <span className="mono mr-1.5 text-[14px] font-bold">{cue.number}</span>
                <span className="font-serif text-[15px]">{cue.name}</span>
                {run?.cue === cue.id && (
                  <span className="ml-1.5 text-[12px] font-semibold text-ochre">
                    {run.releasing ? 'released' : run.paused ? 'paused' : 'on'}
                  </span>
                )}
              </div>
              <div className="truncate text-[12px] leading-4 text-ink-2" title={nextWords(cue)}>
                {cue.changes} {cue.changes === 1 ? 'change' : 'changes'} · {cue.carried} tracked
                {cue.plain > 0 && <span className="text-ochre"> ▲ {cue.plain} plain</span>}
                {nextWords(cue) && <em> {nextWords(cue)}</em>}
              </div>
            </div>
            <CueSlopes
              cue={cue}
              scale={scale}
              width={width}
              run={run?.cue === cue.id && !run.releasing ? run : undefined}
              at={at}
              onSet={set(cue)}
            />
          </div>
        ))}
        {list.cues.length > 0 && (
          <div
            data-testid="behind the last cue"
            className={`min-h-8 ${over?.cue === END ? 'border-t-2 border-t-petrol' : ''}`}
            {...landing()}
          />
        )}
        {list.cues.length === 0 && (
          <p className="p-3 text-ink-2">
            No cue yet. Set values, type a name above and press Enter: what is touched becomes cue 1.
          </p>
        )}
      </div>
      <div className="text-[12px] font-semibold text-petrol" role="status">
        {over?.words && <p className="border-t border-line px-3 py-1">{over.words}</p>}
      </div>
    </div>
  );
}

/** What the lines of a cue mean, behind one press. */
function Signs() {
  return (
    <Popover className="flex">
      <PopoverButton
        aria-label="What the lines mean"
        title="What the lines mean"
        className="flex min-h-6 min-w-6 items-center justify-center"
      >
        <CircleHelp size={14} />
      </PopoverButton>
      <PopoverPanel
        anchor={{ to: 'bottom start', padding: 8 }}
        className="z-30 w-72 space-y-1 rounded-md border border-line-strong bg-sheet p-3 text-[13px] text-ink shadow-lg"
      >
        <p>
          <b className="text-petrol">━╱</b> levels that rise, <b className="text-ink-2">╲┄</b> levels that
          fall, <b className="text-plum">━●</b> everything else, ▨ the wait before,{' '}
          <b className="text-ochre">▲</b> the next cue starts by itself
        </p>
        <p>
          Drag an end, or type. Double-click or Enter plays a cue; drag its name to move it, or Alt with ↑ and
          ↓.
        </p>
      </PopoverPanel>
    </Popover>
  );
}

function rowKey(
  e: React.KeyboardEvent<HTMLElement>,
  choose: () => void,
  play: () => void,
  shift: (earlier: boolean) => void,
) {
  if (e.target !== e.currentTarget) return;
  if (e.altKey && (e.key === 'ArrowDown' || e.key === 'ArrowUp')) {
    e.preventDefault();
    e.stopPropagation();
    shift(e.key === 'ArrowUp');
    return;
  }
  const next = { ArrowDown: 'nextElementSibling', ArrowUp: 'previousElementSibling' } as const;
  if (e.key === 'ArrowDown' || e.key === 'ArrowUp') {
    const row = e.currentTarget[next[e.key]] as HTMLElement | null;
    e.preventDefault();
    row?.focus();
    row?.click();
  } else if (e.key === 'Enter') {
    e.preventDefault();
    play();
  } else if (e.key === ' ' || e.key === 'F2') {
    e.preventDefault();
    if (e.key === ' ') return choose();
    // Its name is in the editor once it is chosen; what is typed next may come at once.
    flushSync(choose);
    document.querySelector<HTMLInputElement>('[data-cue-name]')?.select();
  }
}
