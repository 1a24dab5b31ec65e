import { Moon, Redo2, Sun, Undo2 } from 'lucide-react';
import type { ReactNode } from 'react';
import { NavLink } from 'react-router';
import { useConnection } from '../api/live';
import { useOutput, useShow, useShows, useStorage } from '../api/queries';
import type { ShowView } from '../api/client';
import { Button } from '../ui/Button';
import { StateMark, type State } from '../ui/StateMark';
import { useBenches } from '../features/playing/foot';
import { press, usePlaying } from '../features/playing/playing';
import { Round } from '../features/round/Round';
import { RunningStrip } from '../features/playing/RunningStrip';
import { useActions, useShortcuts } from './actions';
import { CHAPTERS } from './chapters';
import { useFocusNear } from '../doing/focus-near';
import { redoNow, undoNow } from '../doing/history';
import { DropAnywhere } from './DropAnywhere';
import { Line } from './Line';
import { ShortcutSheet } from './ShortcutSheet';
import { useTheme } from '../doing/theme';
import { Told } from './Told';

export function Shell({ children }: { children: ReactNode }) {
  const actions = useActions();
  useShortcuts(actions);
  useFocusNear();
  const benches = useBenches((s) => s.count);
  const blind = usePlaying((s) => s.play.blind);
  return (
    <div
      data-blind={blind}
      className="grid h-full grid-cols-[152px_1fr] grid-rows-[48px_1fr_auto] overflow-hidden"
    >
      <Top />
      <Rail />
      <main className="flex min-h-0 min-w-0 flex-col overflow-hidden">
        <Round />
        {children}
        {benches === 0 && (
          <div className="mt-auto">
            <RunningStrip />
          </div>
        )}
      </main>
      <Told />
      <DropAnywhere />
      <ShortcutSheet actions={actions} />
    </div>
  );
}

function Mark() {
  return (
    <svg width="24" height="28" viewBox="0 0 24 28" aria-hidden="true">
      <path d="M2 26V11a10 10 0 0 1 20 0v15z" fill="none" stroke="var(--petrol)" strokeWidth="2" />
      <path d="M7 21v-8a5 5 0 0 1 10 0v8z" fill="var(--petrol)" />
    </svg>
  );
}

function Top() {
  const show = useShow().data;
  return (
    <header className="col-span-2 flex items-center gap-3 border-b border-line bg-sheet px-3">
      <Mark />
      <div className="max-w-44 min-w-0 truncate font-serif text-[16px] font-semibold" title={show?.name}>
        {show?.name ?? 'Loculus'}
      </div>
      <Saved show={show} />
      <Line />
      <Button
        label={show?.undo ? `Undo: ${show.undo} (Ctrl Z)` : 'Nothing to undo'}
        disabled={!show?.undo}
        repeats
        onClick={() => void undoNow()}
      >
        <Undo2 size={14} /> Undo
      </Button>
      <Button
        label={show?.redo ? `Redo: ${show.redo} (Ctrl Shift Z)` : 'Nothing to redo'}
        disabled={!show?.redo}
        repeats
        onClick={() => void redoNow()}
      >
        <Redo2 size={14} /> Redo
      </Button>
      <LiveOrBlind />
      <OutputState />
    </header>
  );
}

/** Whether working values go out; pressed it is the other. */
function LiveOrBlind() {
  const blind = usePlaying((s) => s.play.blind);
  if (!useShow().data) return null;
  return (
    <Button
      label={
        blind
          ? 'Blind: working values are kept from the output. Press to let them out.'
          : 'Live: working values go out. Press to keep them from the output.'
      }
      pressed={blind}
      repeats
      onClick={() => void press({ press: 'blind', on: !blind })}
    >
      {blind ? 'Blind' : 'Live'}
    </Button>
  );
}

/** What is shown is on the disk, or why that is not so. */
function Saved({ show }: { show: ShowView | undefined }) {
  const connected = useConnection((s) => s.connected);
  const trouble = useStorage().data?.trouble ?? '';
  const wrong = !connected ? 'not connected' : trouble ? 'not saving' : '';
  return (
    <div className="mono shrink-0 text-[12px] text-ink-label" role="status" title={connected ? trouble : ''}>
      {show ? `rev ${show.revision} · ` : ''}
      {wrong ? <span className="font-semibold text-madder">{wrong}</span> : show ? 'saved' : ''}
    </div>
  );
}

function OutputState() {
  const output = useOutput().data;
  const wrong = output?.trouble ?? '';
  const others = output?.others.map((o) => o.words).join(' ') ?? '';
  const port = output?.rigOnOtherPort ? ` (its usual port was taken)` : '';
  const words =
    wrong ||
    others ||
    `${output?.universes ?? 0} universes to the virtual rig on 127.0.0.1:${output?.rigPort}${port}`;
  return (
    <div
      title={words}
      className="flex h-7 shrink-0 items-center gap-2 rounded-md border border-line-strong px-3 font-semibold"
    >
      <StateMark state={wrong ? 'wrong' : others || output?.rigOnOtherPort ? 'needs-an-eye' : 'ready'} />
      {others && !wrong ? 'Another sender' : 'Virtual rig'}
    </div>
  );
}

function Rail() {
  const show = useShow().data;
  /** Whether it is known that no show is open. */
  const known = useShows().data?.every((s) => !s.live) ?? false;
  const { theme, toggle } = useTheme();
  const fact = (name: string) => show?.chapters.find((c) => c.name === name);
  return (
    <nav aria-label="Chapters" className="flex flex-col border-r border-line bg-sheet p-2">
      {CHAPTERS.map(({ name, number, path, page }) => {
        const chapter = fact(name);
        const words =
          name === 'Show'
            ? show
              ? `revision ${show.revision}`
              : known
                ? 'none open'
                : ''
            : (chapter?.fact ?? '');
        const state = name === 'Show' ? (show ? 'ready' : 'not-begun') : (chapter?.state ?? 'not-begun');
        const entry = (
          <>
            <span className="w-5 text-center font-serif text-[16px] text-ink-label">{number}</span>
            <span className="min-w-0 flex-1">
              <span className="block font-semibold">{name}</span>
              <span className="block text-[12px] leading-4 text-ink-label">{words}</span>
            </span>
            {(show || known) && <StateMark state={state as State} />}
          </>
        );
        const shape = 'flex min-h-10 items-center gap-2 rounded-md px-1.5 py-1';
        return !page ? (
          <div key={name} className={`${shape} text-ink-label`}>
            {entry}
          </div>
        ) : (
          <NavLink
            key={name}
            to={path}
            title={`${name} (Alt ${number})`}
            className={({ isActive }) =>
              `${shape} ${isActive ? 'bg-petrol-soft text-petrol' : 'hover:bg-sunk'}`
            }
          >
            {entry}
          </NavLink>
        );
      })}
      <div className="mt-auto space-y-1 px-1.5 pb-1 text-[12px] text-ink-label">
        {show && (
          <div>
            {show.fixtures} {show.fixtures === 1 ? 'fixture' : 'fixtures'} · {show.universes}{' '}
            {show.universes === 1 ? 'universe' : 'universes'}
          </div>
        )}
        <button onClick={toggle} className="flex min-h-7 items-center gap-1.5 hover:text-ink">
          {theme === 'night' ? <Sun size={14} /> : <Moon size={14} />}
          {theme === 'night' ? 'Workroom' : 'Night'}
        </button>
      </div>
    </nav>
  );
}
