import type { CueListView, CueView } from '../../api/client';
import { quoted } from '../../doing/run';
import { focusPlace } from '../../doing/focus-near';
import { Button } from '../../ui/Button';
import { inputShape } from '../../ui/Field';
import { asTime, orEmpty } from '../../ui/reading';
import { Typed } from '../../ui/Typed';
import { press } from '../playing/playing';
import { cueLine, seconds } from './looks-model';
import { runLines } from '../../doing/run-lines';
import { Choice } from '../../ui/Choice';

interface Props {
  list: CueListView;
  cues: CueView[];
  opened: string;
}

/** Name, times and what comes next of the cues that are held; what is typed goes to all of them. */
export function CueEditor({ list, cues, opened }: Props) {
  const first = cues[0]!;
  const one = cues.length === 1;
  const named = `cue ${cues.map((c) => c.number).join(' + ')} of list ${list.number}`;
  const time = (label: string, what: string, value: number | undefined | null, usual: number) => (
    <label className="flex items-center gap-1 text-[12px] text-ink-2">
      {label}
      <Typed
        key={`${cues.map((c) => c.id).join()} ${what}`}
        className={`${inputShape} !w-12 text-right`}
        label={`${label} of ${one ? `cue ${first.number}` : `${cues.length} cues`}`}
        placeholder={seconds(usual)}
        value={value == null ? '' : seconds(value)}
        read={orEmpty(asTime, 'off')}
        onDone={focusPlace}
        onSet={(typed) => runLines([`${named} ${what} ${typed}`])}
      />
    </label>
  );
  return (
    <div className="flex flex-wrap items-center gap-x-2.5 gap-y-1 border-b border-line bg-sunk/60 px-3 py-1">
      {one ? (
        <Typed
          key={first.id}
          data-cue-name
          label={`Name of cue ${first.number}`}
          className={`${inputShape} !w-auto max-w-48 min-w-24 flex-1`}
          placeholder="name"
          value={first.name}
          onDone={focusPlace}
          onSet={(name) => runLines([`rename ${cueLine(list, first)} ${quoted(name)}`])}
        />
      ) : (
        <strong>{cues.length} cues</strong>
      )}
      {time('in', 'in', one ? first.in : null, first.rises)}
      {time('out', 'out', one ? first.out : null, first.falls)}
      {time('rest', 'rest', one ? first.rest : null, first.others)}
      {time('wait', 'wait', one ? first.waits : null, first.waits)}
      <label className="flex items-center gap-1 text-[12px] text-ink-2">
        next
        <Choice
          label="What starts the next cue"
          shape="field"
          className="w-32!"
          value={one ? first.next : ''}
          empty="as it is"
          options={[
            { value: 'press', text: 'Go' },
            { value: 'begin', text: 'after its start' },
            { value: 'end', text: 'after its end' },
          ]}
          onChange={(next) =>
            void runLines([
              next === 'press'
                ? `${named} next press`
                : `${named} next ${seconds(first.after)} after ${next}`,
            ])
          }
        />
      </label>
      {one && first.next !== 'press' && (
        <Typed
          key={`${first.id} after`}
          label="Seconds after which the next cue starts"
          className={`${inputShape} !w-12 text-right`}
          value={seconds(first.after)}
          read={orEmpty(asTime, '0')}
          onDone={focusPlace}
          onSet={(typed) => runLines([`${named} next ${typed} after ${first.next}`])}
        />
      )}
      <span className="ml-auto flex flex-wrap gap-1.5">
        {one && (
          <>
            <Button
              label="Plays it now"
              repeats
              onClick={() => void press({ press: 'jump', list: list.id, cue: first.id })}
            >
              Play
            </Button>
            <Button
              label="Opens its values to change them; save or discard the changes"
              onClick={() => void runLines([`open ${cueLine(list, first)}`])}
            >
              Open
            </Button>
            <Button
              label={opened ? `Saves the changes into ${opened}` : 'Takes what is touched into it'}
              onClick={() => void runLines([`update ${cueLine(list, first)}`])}
            >
              Update
            </Button>
            {first.plain > 0 && (
              <Button
                label="Turns plain values into the palettes that give the same, or nearly"
                onClick={() => void runLines([`tidy ${cueLine(list, first)}`])}
              >
                Tidy {first.plain}
              </Button>
            )}
            {first.moves > 0 && (
              <Button
                label={`${first.moves} move while they come in: sets their positions in the cue before, while they are dark`}
                onClick={() => void runLines([`prepare ${cueLine(list, first)}`])}
              >
                Prepare {first.moves}
              </Button>
            )}
            <Choice
              label="Split off into a cue of its own that starts with it"
              title="Splits off what is chosen into a cue right behind it, with times of its own, that starts with it"
              value=""
              empty="Split off…"
              options={[
                ...['intensity', 'position', 'colour', 'beam', 'shape'].map((kind) => ({
                  value: `with ${kind}`,
                  text: kind,
                })),
                { value: 'hand', text: 'what is selected' },
              ]}
              onChange={(part) => void runLines([`split ${cueLine(list, first)} ${part}`])}
            />
            <Button
              label="A copy behind the last cue"
              onClick={() => void runLines([`copy ${cueLine(list, first)} to cue of list ${list.number}`])}
            >
              Copy
            </Button>
          </>
        )}
        <Button kind="danger" onClick={() => void runLines([`delete ${named}`])}>
          Delete
        </Button>
      </span>
    </div>
  );
}
