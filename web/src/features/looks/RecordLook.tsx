import { useState } from 'react';
import type { CueListView, LooksView } from '../../api/client';
import { useDesk } from '../../api/queries';
import { leaveName, RECORD_NAME } from '../../doing/record-name';
import { useKept } from '../../doing/kept';
import { useOnce } from '../../doing/once';
import { quoted } from '../../doing/run';
import { Button } from '../../ui/Button';
import { inputShape } from '../../ui/Field';
import { ProblemList } from '../../ui/ProblemList';
import { Segmented } from '../../ui/Segmented';
import { useLeaveOut } from '../bench/leave-out';
import { useLineReading } from '../../doing/useLineReading';
import { runLines } from '../../doing/run-lines';

type Into = 'cue' | 'submaster' | 'look';
type What = 'touched' | 'selected' | 'all';

/** Records what is touched, or all, as a cue, a submaster or a look; what would happen is said before. */
export function RecordLook({ list, looks }: { list: CueListView | undefined; looks: LooksView }) {
  const desk = useDesk().data;
  const [name, setName] = useKept('record look name', '');
  const [number, setNumber] = useKept('record look number', '');
  const [into, setInto] = useKept<Into>('record look into', 'cue');
  const [leftOut, setLeftOut] = useLeaveOut();
  const [what, setWhat] = useState<What>('touched');
  const [onto, setOnto] = useState<'merge' | 'replace'>('merge');
  const there =
    into === 'cue'
      ? list?.cues.some((c) => c.number === number.trim())
      : looks[into === 'look' ? 'looks' : 'submasters'].some((k) => String(k.number) === number.trim());
  const words = [
    `record ${into}`,
    number.trim(),
    name.trim() && quoted(name),
    into === 'cue' && list ? `of list ${list.number}` : '',
    what === 'touched' ? '' : what,
    leftOut.length > 0 ? `without ${leftOut.join(', ')}` : '',
    there ? onto : '',
  ]
    .filter(Boolean)
    .join(' ');
  const able = what === 'all' || (desk?.touchedUnits ?? 0) > 0;
  const reading = useLineReading(able ? words : '');
  const record = useOnce(async () => {
    if (!(await runLines([words]))) return;
    setName((now) => (now === name ? '' : now));
    setNumber((now) => (now === number ? '' : now));
    leaveName();
  });
  // What was set just now may not be drawn yet: whether there is something to record is found out there.
  const enter = (e: React.KeyboardEvent) => e.key === 'Enter' && void record();
  return (
    <div className="flex min-w-0 flex-wrap items-center gap-1.5">
      <Segmented
        label="Record as"
        value={into}
        onChange={setInto}
        tight
        options={[
          { value: 'cue', text: 'Cue' },
          { value: 'submaster', text: 'Submaster' },
          { value: 'look', text: 'Look' },
        ]}
      />
      <input
        aria-label="Number; the next free one when empty"
        placeholder="next"
        className={`${inputShape} !w-16 text-right`}
        value={number}
        onChange={(e) => setNumber(e.target.value)}
        onKeyDown={enter}
      />
      <input
        id={RECORD_NAME}
        aria-label="Name of what is recorded"
        placeholder="name (R)"
        className={`${inputShape} !w-36`}
        value={name}
        onChange={(e) => setName(e.target.value)}
        onKeyDown={enter}
      />
      <Segmented
        label="What is recorded"
        value={what}
        onChange={setWhat}
        tight
        options={[
          { value: 'touched', text: 'touched' },
          { value: 'selected', text: 'selected' },
          { value: 'all', text: 'all' },
        ]}
      />
      {there && (
        <Segmented
          label="Onto what is there"
          value={onto}
          onChange={setOnto}
          tight
          options={[
            { value: 'merge', text: 'merge' },
            { value: 'replace', text: 'replace' },
          ]}
        />
      )}
      {leftOut.length > 0 && (
        <Button
          label="Left out in the table of values; press to record it after all"
          onClick={() => setLeftOut([])}
        >
          without {leftOut.join(', ')} ✕
        </Button>
      )}
      <Button kind="main" disabled={!able} onClick={() => void record()}>
        Record
      </Button>
      <span
        className="min-w-0 flex-1 truncate text-[12px] text-ink-2"
        role="status"
        title={reading.outcome?.words.join('\n')}
      >
        {able ? reading.outcome?.words.join(' · ') : 'Nothing is touched.'}
      </span>
      {reading.problems.length > 0 && (
        <ProblemList problems={reading.problems} onLine={(l) => void runLines([l])} />
      )}
    </div>
  );
}
