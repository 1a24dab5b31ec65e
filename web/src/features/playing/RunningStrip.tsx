import { Pause, Play, SkipBack, Square } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import type { RunView } from '../../api/client';
import { line } from '../../api/commands';
import { useDesk, useHolders, useLooks } from '../../api/queries';
import { attempt } from '../../doing/notices';
import { useActiveList } from './active';
import { useAnimation } from './useAnimation';
import { press, positionNow, secondsNow, shareNow, usePlaying } from './playing';

const SMALL =
  'inline-flex min-h-7 min-w-7 items-center justify-center rounded text-ink-2 hover:bg-sunk hover:text-ink';

/** What runs, above the bench of every chapter: each with its level and what can be done with it. */
export function RunningStrip() {
  const { play, at } = usePlaying();
  const kept = useLooks().data;
  const over = useDesk().data?.touchedUnits ?? 0;
  const [looked, setLooked] = useState('');
  const held = useHolders(looked !== '').data?.find((h) => h.layer === looked);
  const anything = (kept?.lists.length ?? 0) + (kept?.submasters.length ?? 0) > 0;
  if (!anything && play.runs.length === 0 && !play.blind) return null;
  return (
    <section
      aria-label="Running"
      className="flex max-h-[84px] min-h-10 shrink-0 flex-wrap items-center gap-2 overflow-auto border-t border-line bg-paper px-3 py-1"
    >
      <span className="text-[12px] tracking-wide text-ink-label uppercase">Running</span>
      {play.runs.map((run) => (
        <Chip key={`${run.kind} ${run.id}`} run={run} at={at} onLook={setLooked} />
      ))}
      {looked && (
        <span className="text-[12px] text-ink-2" role="status">
          {looked} holds {held?.holds ?? 'nothing: others lie over it'}
        </span>
      )}
      {play.runs.length === 0 && <span className="text-[12px] text-ink-label">nothing</span>}
      {play.runs.length > 0 && over > 0 && !play.blind && (
        <span className="text-[12px] text-ochre" role="status">
          ▲ working values of {over} {over === 1 ? 'unit lie' : 'units lie'} over it{' '}
          <button
            className="min-h-7 text-petrol underline"
            title="They go; undo brings them back"
            onClick={() => void attempt(() => line('clear all'))}
          >
            Clear them
          </button>
        </span>
      )}
      <span className="ml-auto flex items-center gap-2 text-[12px] text-ink-label">
        {play.runs.length === 0 && 'Space goes on · Shift Space back'}
        {play.runs.length > 1 && (
          <button
            className="min-h-7 text-petrol underline"
            onClick={() => void press({ press: 'release-all' })}
          >
            Release everything
          </button>
        )}
        <Level
          label="Grand master"
          percent={play.master}
          onSet={(value) => void press({ press: 'master', value })}
        />
      </span>
    </section>
  );
}

/** How layers are named. */
const layerOf = (run: RunView) =>
  run.kind === 'group' ? 'group fader' : `${run.kind === 'submaster' ? 'submaster' : 'list'} ${run.number}`;

interface ChipProps {
  run: RunView;
  at: number;
  /** somebody points at it, or no longer */
  onLook: (layer: string) => void;
}

function Chip({ run, at, onLook }: ChipProps) {
  const list = run.kind === 'list' || run.kind === 'chase';
  const list_ = { list: run.id };
  const chosen = useActiveList().list?.id === run.id;
  /** Said where keys mean this list. */
  const key = (keys: string) => (list && chosen ? ` (${keys})` : '');
  const level = (value: number) =>
    void press(
      list
        ? { press: 'level', list: run.id, value }
        : run.kind === 'submaster'
          ? { press: 'submaster', submaster: run.id, value }
          : { press: 'group', group: run.id, value },
    );
  const away = () => (list ? void press({ press: 'release', ...list_ }) : level(0));
  return (
    <div
      className={`flex items-center gap-1 rounded-md border bg-sheet pr-1 pl-2 ${run.releasing ? 'border-dashed border-line-strong' : 'border-line-strong'}`}
      role="group"
      aria-label={`${run.name} runs`}
      onMouseEnter={() => onLook(layerOf(run))}
      onMouseLeave={() => onLook('')}
      onFocus={() => onLook(layerOf(run))}
      onBlur={() => onLook('')}
    >
      <span className="max-w-36 truncate font-semibold" title={run.name}>
        {run.name}
      </span>
      <span className="max-w-40 truncate text-ink-2" title={run.cueName}>
        {list
          ? `${run.cueNumber} ${run.cueName}`
          : run.kind === 'submaster'
            ? `submaster ${run.number}`
            : `group ${run.number}`}
      </span>
      {list && <Far run={run} at={at} />}
      {list && !run.releasing && (
        <>
          <button
            className={SMALL}
            title={`Back${key('Shift Space')}`}
            aria-label={`Back: ${run.name}`}
            onClick={() => void press({ press: 'back', ...list_ })}
          >
            <SkipBack size={14} />
          </button>
          <button
            className={SMALL}
            title={`Go on${run.kind === 'list' && !run.paused && run.next ? ` to ${run.next}` : ''}${key('Space')}`}
            aria-label={`Go on: ${run.name}`}
            disabled={run.kind === 'chase' && !run.paused}
            onClick={() => void press({ press: 'go', ...list_ })}
          >
            <Play size={14} />
          </button>
          <button
            className={SMALL}
            title={`${run.paused ? 'Goes on where it stands' : 'Pause'}${key('P')}`}
            aria-label={`Pause: ${run.name}`}
            aria-pressed={run.paused}
            onClick={() => void press({ press: 'pause', ...list_ })}
          >
            <Pause size={14} className={run.paused ? 'text-petrol' : ''} />
          </button>
        </>
      )}
      <Level label={`Level of ${run.name}`} percent={run.level} onSet={level} />
      {!run.releasing && (
        <button className={SMALL} title="Release" aria-label={`Release ${run.name}`} onClick={away}>
          <Square size={13} />
        </button>
      )}
      {run.releasing && <span className="text-[12px] text-ink-label">released</span>}
    </div>
  );
}

/** How far it is: seconds of its length, or the step; drawn on by itself. */
function Far({ run, at }: { run: RunView; at: number }) {
  const words = useRef<HTMLSpanElement>(null);
  const bar = useRef<HTMLSpanElement>(null);
  useAnimation(() => {
    const share = run.kind === 'chase' ? positionNow(run, at) % 1 : shareNow(run, at);
    const width = `${Math.round(share * 200) / 2}%`;
    const text =
      run.kind === 'chase'
        ? `${Math.round(run.rate)}`
        : `${Math.min(run.length, secondsNow(run, at)).toFixed(1)} / ${trimmed(run.length)}`;
    // Writing what stands there already would have the page laid out anew with each frame.
    if (bar.current && bar.current.style.width !== width) bar.current.style.width = width;
    if (words.current && words.current.textContent !== text) words.current.textContent = text;
  });
  return (
    <>
      <span aria-hidden="true" className="h-1.5 w-8 overflow-hidden rounded bg-sunk">
        <span ref={bar} className="block h-full bg-petrol" />
      </span>
      <span ref={words} className="mono text-[12px] whitespace-nowrap" />
      {run.paused && <span className="text-[12px] font-semibold text-ochre">paused</span>}
    </>
  );
}

const trimmed = (seconds: number) => String(Number(seconds.toFixed(1)));

interface LevelProps {
  label: string;
  percent: number;
  onSet: (percent: number) => void;
}

/** A level as a short fader with its figure. */
function Level({ label, percent, onSet }: LevelProps) {
  const pending = useRef<number | null>(null);
  useEffect(() => () => void (pending.current !== null && cancelAnimationFrame(pending.current)), []);
  return (
    <label className="flex items-center gap-1" title={label}>
      <input
        type="range"
        min={0}
        max={100}
        aria-label={label}
        className="fader h-7 w-12"
        style={{ '--low': '0%', '--high': `${percent}%` } as React.CSSProperties}
        value={Math.round(percent)}
        onChange={(e) => {
          const value = Number(e.target.value);
          // At most one press a frame, the latest.
          if (pending.current !== null) cancelAnimationFrame(pending.current);
          pending.current = requestAnimationFrame(() => onSet(value));
        }}
      />
      <span className="mono w-7 text-right text-[12px] text-ink-2">{Math.round(percent)}</span>
    </label>
  );
}
