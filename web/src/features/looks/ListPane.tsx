import { Trash2 } from 'lucide-react';
import type { CueListView, CueView } from '../../api/client';
import { runLines } from '../../doing/run-lines';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Segmented } from '../../ui/Segmented';
import { press } from '../playing/playing';
import { CueEditor } from './CueEditor';
import { Timeline } from './Timeline';

interface Props {
  list: CueListView;
  /** Those that are selected, and their ids. */
  cues: CueView[];
  held: number[];
  onHold: (cues: number[]) => void;
  opened: string;
}

/** One list: how its cues join and are played, the selected ones to edit, and all of them along time. */
export function ListPane({ list, cues, held, onHold, opened }: Props) {
  return (
    <>
      <div className="flex flex-wrap items-center gap-1.5 border-b border-line px-3 py-1">
        <h2 className="max-w-48 min-w-0 truncate font-serif text-[16px] font-semibold" title={list.name}>
          {list.name}
        </h2>
        <span className="text-[12px] text-ink-2">
          {list.cues.length} {list.cues.length === 1 ? 'cue' : 'cues'}
        </span>
        <Choice
          label="How its cues join"
          value={list.join}
          options={[
            { value: 'tracking', text: 'tracking', note: 'what a cue leaves alone stays as it was' },
            { value: 'complete', text: 'each cue complete', note: 'what a cue leaves alone goes home' },
          ]}
          onChange={(join) => void runLines([`list ${list.number} ${join}`])}
        />
        <Segmented
          label="How it is played"
          tight
          value={list.chase ? 'chase' : 'list'}
          options={[
            { value: 'list', text: 'list' },
            { value: 'chase', text: 'chase' },
          ]}
          onChange={(way) => void runLines([`list ${list.number} as ${way}`])}
        />
        <span className="ml-auto flex gap-1.5">
          <Button
            kind="main"
            repeats
            label="Go (Space)"
            onClick={() => void press({ press: 'go', list: list.id })}
          >
            Go
          </Button>
          <Button
            repeats
            label="Back (Shift Space)"
            onClick={() => void press({ press: 'back', list: list.id })}
          >
            Back
          </Button>
          <Button onClick={() => void press({ press: 'release', list: list.id })}>Release</Button>
          <Button
            kind="danger"
            label={`Delete list ${list.number} “${list.name}”`}
            onClick={() => void runLines([`delete list ${list.number}`])}
          >
            <Trash2 size={14} aria-hidden />
          </Button>
        </span>
      </div>
      {cues.length > 0 && <CueEditor list={list} cues={cues} opened={opened} />}
      <Timeline list={list} held={held} onHold={onHold} />
    </>
  );
}
