import { useEffect, useState } from 'react';
import { edit, type Edit } from '../../api/commands';
import type { GroupView } from '../../api/client';
import { attempt } from '../../doing/notices';
import { runEdit } from '../../doing/run';
import { foresee } from '../../stage/stage-state';
import { Button } from '../../ui/Button';
import { Typed } from '../../ui/Typed';
import { Modal } from '../../ui/Modal';
import { useEditReading } from '../../doing/useLineReading';

const TINTS = ['none', 'rose', 'amber', 'moss', 'teal', 'sky', 'violet', 'sand', 'slate'];
const run = (what: Edit) => void attempt(() => edit(what));
const small = 'mono h-7 min-w-0 rounded-md border border-line-strong bg-paper px-1.5 text-[12px]';

/** What can be done with the groups that were looked at last. */
export function GroupCard({ groups, held, next }: { groups: GroupView[]; held: boolean; next: number }) {
  const [deleting, setDeleting] = useState(false);
  const one = groups.length === 1 ? groups[0]! : null;
  const numbers = groups.map((g) => g.number);
  if (groups.length === 0)
    return (
      <p className="min-h-0 flex-1 overflow-auto pt-1 text-[12px] text-ink-label">
        <span className="text-plum">↻</span> follows its base · ledge: solid, whole group selected · dashed,
        part of it · drag up or down for a level, sideways to another niche · Ctrl chooses several
      </p>
    );
  return (
    <section
      aria-label="The group looked at"
      className="min-h-0 flex-1 space-y-1.5 overflow-auto rounded-md border border-line-strong bg-sheet p-2"
    >
      <div className="flex flex-wrap items-center gap-1.5">
        <span className="min-w-0 truncate font-serif text-[15px] font-semibold">
          {one ? `${one.number} ${one.name}` : `${groups.length} groups`}
        </span>
        <span className="flex gap-0.5" role="group" aria-label="Mark">
          {TINTS.map((tint) => (
            <button
              key={tint}
              aria-label={tint === 'none' ? 'No mark' : `Mark ${tint}`}
              aria-pressed={groups.every((g) => g.tint === tint)}
              title={tint === 'none' ? 'no mark' : tint}
              onClick={() => run({ type: 'describe-groups', numbers, tint })}
              className="flex h-7 w-7 items-center justify-center rounded-full border border-transparent aria-pressed:border-ink"
            >
              <span
                className={`h-4 w-4 rounded-full border border-line-strong ${tint === 'none' ? 'bg-sheet' : `tint-${tint}`}`}
              />
            </button>
          ))}
        </span>
        {one && <Moving key={`move ${one.number}`} group={one} next={next} />}
        <span className="ml-auto flex flex-wrap gap-1">
          {one && (
            <>
              <Button
                disabled={!held}
                label="Takes the selection into it"
                onClick={() => run({ type: 'alter-group', number: one.number, how: 'add' })}
              >
                + hand
              </Button>
              <Button
                disabled={!held}
                label="Takes the selection out of it"
                onClick={() => run({ type: 'alter-group', number: one.number, how: 'less' })}
              >
                − hand
              </Button>
              <Button
                disabled={!held}
                label="Becomes the selection, in its order"
                onClick={() => run({ type: 'alter-group', number: one.number, how: 'replace' })}
              >
                = hand
              </Button>
              {one.recipe && (
                <Button
                  label="Keeps the units it has now and follows nothing any more"
                  onClick={() => run({ type: 'freeze-group', number: one.number })}
                >
                  Freeze
                </Button>
              )}
            </>
          )}
          <Button kind="danger" onClick={() => setDeleting(true)}>
            Delete…
          </Button>
        </span>
      </div>
      {one && <Recipe key={`${one.number} ${one.recipe}`} group={one} />}
      {deleting && (
        <Modal open title="Delete" onClose={() => setDeleting(false)}>
          <Deleting groups={groups} onDone={() => setDeleting(false)} />
        </Modal>
      )}
    </section>
  );
}

/** Number, level and note. */
function Moving({ group, next }: { group: GroupView; next: number }) {
  const [to, setTo] = useState('');
  const number = Number(to);
  const reading = useEditReading(
    number > 0 && number !== group.number ? { type: 'move-group', number: group.number, to: number } : null,
  );
  return (
    <>
      <input
        aria-label="Another number"
        title={
          reading.outcome?.reading ?? 'Another number: Enter moves it; whichever stands there comes here'
        }
        placeholder="to no."
        className={`${small} w-14`}
        value={to}
        onChange={(e) => setTo(e.target.value.replace(/\D/g, ''))}
        onKeyDown={(e) => {
          if (e.key === 'Enter' && number > 0)
            void runEdit({ type: 'move-group', number: group.number, to: number }).then(
              (d) => d && setTo(''),
            );
        }}
      />
      <Button
        label={`Once more, as ${next}`}
        onClick={() => run({ type: 'copy-group', number: group.number, to: next })}
      >
        Copy
      </Button>
      <input
        aria-label="Level in percent"
        title="Level in percent: Enter sets it"
        placeholder="%"
        className={`${small} w-12`}
        onKeyDown={(e) => {
          const percent = Number(e.currentTarget.value.replace(',', '.'));
          if (e.key !== 'Enter' || e.currentTarget.value === '' || !Number.isFinite(percent)) return;
          run({ type: 'level-group', number: group.number, percent });
          e.currentTarget.value = '';
        }}
      />
      {reading.outcome && <span className="text-[12px] text-petrol">{reading.outcome.reading}</span>}
    </>
  );
}

/** What a group follows, in words that can be changed; who it would be is drawn on the plan. */
function Recipe({ group }: { group: GroupView }) {
  const [words, setWords] = useState(group.recipe);
  const changed = words.trim() !== '' && words !== group.recipe;
  const reading = useEditReading(changed ? { type: 'make-recipe', number: group.number, words } : null);
  const units = changed ? reading.outcome?.units : undefined;
  useEffect(() => {
    foresee(units ?? null);
    return () => foresee(null);
  }, [units]);
  const done = () => {
    if (changed) void runEdit({ type: 'make-recipe', number: group.number, words });
  };
  return (
    <div className="flex items-center gap-2">
      <label className="flex min-w-0 flex-[2] items-center gap-1.5 text-[12px] text-ink-2">
        <span className="text-plum">↻</span> follows
        <input
          aria-label="What it follows"
          placeholder='nothing: a fixed order. For example: position "Bridge 1" every 2'
          className={`${small} flex-1`}
          value={words}
          onChange={(e) => setWords(e.target.value)}
          onKeyDown={(e) => {
            if (e.key === 'Enter') done();
            else if (e.key === 'Escape') setWords(group.recipe);
          }}
        />
      </label>
      {changed && (
        <span className="max-w-[40%] truncate text-[12px] text-petrol" role="status">
          {reading.problems[0]?.words ?? reading.outcome?.reading}
        </span>
      )}
      <label className="flex min-w-0 flex-1 items-center gap-1.5 text-[12px] text-ink-2">
        note
        <Typed
          key={group.number}
          label="Note"
          wide
          className={`${small} w-full`}
          value={group.note}
          onSet={(note) => runEdit({ type: 'describe-groups', numbers: [group.number], note })}
        />
      </label>
    </div>
  );
}

/** Names what uses them before anything is lost. */
function Deleting({ groups, onDone }: { groups: GroupView[]; onDone: () => void }) {
  const numbers = groups.map((g) => g.number);
  const reading = useEditReading({ type: 'delete-groups', numbers });
  return (
    <div className="space-y-3">
      {(reading.outcome?.words ?? reading.problems.map((p) => p.words)).map((words) => (
        <p key={words}>{words}</p>
      ))}
      <div className="flex gap-2">
        <Button
          kind="danger"
          first
          disabled={reading.problems.length > 0}
          onClick={() => void runEdit({ type: 'delete-groups', numbers }).then((d) => d && onDone())}
        >
          Delete
        </Button>
        <Button onClick={onDone}>Keep</Button>
      </div>
    </div>
  );
}
