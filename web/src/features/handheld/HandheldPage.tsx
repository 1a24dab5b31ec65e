import { useState } from 'react';
import { edit, turnHighlight, type Edit } from '../../api/commands';
import { useConnection } from '../../api/live';
import { fixturesOf, useDesk, usePatch, useShow } from '../../api/queries';
import { attempt, useNotice } from '../../doing/notices';
import { undoNow } from '../../doing/history';
import { useShownDevices } from '../../doing/useShownDevices';
import { useActiveList } from '../playing/active';
import { press, usePlaying } from '../playing/playing';

const run = (what: Edit) => void attempt(() => edit(what));
const big =
  'min-h-14 rounded-lg border border-line-strong bg-sheet px-3 text-[17px] font-semibold active:bg-sunk disabled:opacity-50 aria-pressed:border-petrol aria-pressed:bg-petrol aria-pressed:text-on-petrol';

/** For one hand and a small window beside the stage: step, show off, mark, level. It follows the same show. */
export function HandheldPage() {
  const show = useShow().data;
  const desk = useDesk().data;
  const patch = usePatch().data;
  const connected = useConnection((s) => s.connected);
  const notice = useNotice((s) => s.notice);
  const blind = usePlaying((s) => s.play.blind);
  const [typed, setTyped] = useState('');
  const [shows, setShows] = useState(false);
  useShownDevices(fixturesOf(desk?.steps ?? []), shows);
  if (!show || !desk) return <p className="p-4 text-ink-2">No show is open.</p>;
  const numbers = fixturesOf(desk.steps);
  const first = patch?.fixtures.find((f) => f.number === numbers[0]);
  const held = desk.steps.flat().length;
  const level = desk.values.find((v) => v.attribute === 'Dimmer');
  const choose = () => {
    if (!typed.trim()) return;
    void attempt(() => edit({ type: 'choose', words: typed, how: 'hold' })).then((d) => d && setTyped(''));
  };
  return (
    <main className="mx-auto flex h-full max-w-md flex-col gap-3 overflow-auto p-3">
      <header className="flex items-baseline gap-2">
        <h1 className="min-w-0 truncate font-serif text-[18px] font-semibold">{show.name}</h1>
        <span className={`ml-auto shrink-0 text-[13px] font-semibold ${blind ? 'text-ochre' : 'text-ink-2'}`}>
          {blind ? '▲ Blind' : 'Live'}
        </span>
        <span className={`shrink-0 text-[13px] ${connected ? 'text-ink-label' : 'text-madder'}`}>
          {connected ? `rev ${show.revision}` : 'not connected'}
        </span>
      </header>
      <form
        className="flex gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          choose();
        }}
      >
        <input
          aria-label="What to select"
          placeholder="12 thru 20, group 4…"
          className="mono h-12 min-w-0 flex-1 rounded-lg border border-line-strong bg-paper px-3 text-[17px]"
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
        />
        <button className={big} type="submit">
          Hold
        </button>
      </form>
      <output aria-live="polite" className="rounded-lg border border-line bg-sheet p-3">
        <span className="mono block truncate text-[34px] leading-10 font-bold text-petrol">
          {held === 0 ? '—' : numbers.slice(0, 4).join(' ')}
          {numbers.length > 4 && ` +${numbers.length - 4}`}
        </span>
        <span className="block truncate text-ink-2">
          {held === 0
            ? 'nothing selected'
            : numbers.length === 1 && first
              ? `${first.name} · ${first.position || 'no position'} · ${first.address || 'no address'} · ${first.answer}`
              : desk.holds}
        </span>
        <span className="block text-ink-label">
          {desk.shares > 1 ? `share ${desk.share + 1} of ${desk.shares}` : `${desk.steps.length} steps`}
        </span>
      </output>
      <div className="grid grid-cols-2 gap-2">
        <button
          className={`${big} min-h-20`}
          disabled={held === 0}
          onClick={() => run({ type: 'step', back: true })}
        >
          ‹ Previous
        </button>
        <button
          className={`${big} min-h-20`}
          disabled={held === 0}
          onClick={() => run({ type: 'step', back: false })}
        >
          Next ›
        </button>
        <button className={big} aria-pressed={desk.highlight} onClick={() => void attempt(turnHighlight)}>
          Highlight
        </button>
        <button className={big} disabled={desk.patterns.length === 0} onClick={() => run({ type: 'lift' })}>
          Whole
        </button>
        <button
          className={`${big} col-span-2`}
          aria-pressed={shows}
          disabled={held === 0 && !shows}
          onClick={() => setShows(!shows)}
        >
          {shows ? 'Identifies itself' : 'Identify'}
        </button>
      </div>
      <label className="block">
        <span className="text-ink-2">Level{level ? ` · ${level.text}` : ''}</span>
        <input
          type="range"
          min={0}
          max={100}
          disabled={held === 0 || !level}
          value={Math.round(level?.high ?? 0)}
          className="h-12 w-full accent-(--petrol)"
          aria-label="Level in percent"
          onChange={(e) =>
            void attempt(() =>
              edit(
                { type: 'set', attribute: 'Dimmer', points: [Number(e.target.value)] },
                false,
                'handheld level',
              ),
            )
          }
        />
      </label>
      <div className="grid grid-cols-3 gap-2">
        {['answered', 'wrong', 'dead'].map((answer) => (
          <button
            key={answer}
            className={big}
            disabled={held === 0}
            aria-pressed={numbers.length === 1 && first?.answer === answer}
            onClick={() => run({ type: 'mark', numbers, answer })}
          >
            {answer[0]!.toUpperCase() + answer.slice(1)}
          </button>
        ))}
      </div>
      <Playing />
      <button className={big} disabled={!show.undo} onClick={() => void undoNow()}>
        Undo{show.undo ? `: ${show.undo}` : ''}
      </button>
      {notice && (
        <p role="alert" className="text-madder">
          {notice.problems[0]?.words ?? notice.words}
        </p>
      )}
    </main>
  );
}

/** The list that keys play: where it stands, back and go. */
function Playing() {
  const { list } = useActiveList();
  const run = usePlaying((s) =>
    s.play.runs.find((r) => (r.kind === 'list' || r.kind === 'chase') && r.id === list?.id),
  );
  if (!list || list.cues.length === 0) return null;
  return (
    <section aria-label={list.name} className="grid grid-cols-2 gap-2">
      <p className="col-span-2 truncate text-ink-2" role="status">
        {list.name} ·{' '}
        {run ? `${run.cueNumber} ${run.cueName}${run.releasing ? ', released' : ''}` : 'does not run'}
      </p>
      <button className={big} onClick={() => void press({ press: 'back', list: list.id })}>
        Back
      </button>
      <button className={big} onClick={() => void press({ press: 'go', list: list.id })}>
        Go
      </button>
    </section>
  );
}
