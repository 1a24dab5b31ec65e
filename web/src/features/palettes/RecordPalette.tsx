import { useState } from 'react';
import type { PaletteView } from '../../api/client';
import type { Edit } from '../../api/commands';
import { useDesk } from '../../api/queries';
import { leaveName, RECORD_NAME } from '../../doing/record-name';
import { useKept } from '../../doing/kept';
import { runLine } from '../../doing/run-line';
import { useOnce } from '../../doing/once';
import { runEdit } from '../../doing/run';
import { Button } from '../../ui/Button';
import { inputShape } from '../../ui/Field';
import { ProblemList } from '../../ui/ProblemList';
import { Segmented } from '../../ui/Segmented';
import { useLeaveOut } from '../bench/leave-out';
import { useEditReading } from '../../doing/useLineReading';
import { called, KINDS, type Kind } from './kinds';
import { PaletteChanges } from './PaletteChanges';

const listed = (text: string) =>
  text
    .split(',')
    .map((w) => w.trim())
    .filter(Boolean);

/** Records what is touched: into the next free niche, or onto one that is there, with all that changes said before. */
export function RecordPalette({ kind, palettes }: { kind: Kind; palettes: PaletteView[] }) {
  const desk = useDesk().data;
  const [name, setName] = useKept(`record ${kind} name`, '');
  const [number, setNumber] = useKept(`record ${kind} number`, '');
  const [scope, setScope] = useState('');
  const [onto, setOnto] = useState<'merge' | 'replace'>('merge');
  const [closeWheel, setCloseWheel] = useState(false);
  const [keepReferences, setKeepReferences] = useState(false);
  const [colour, setColour] = useState('');
  const [withKinds, setWithKinds] = useState<string[]>([]);
  const [only, setOnly] = useState('');
  const [without, setWithout] = useState('');
  const [leftOut, setLeftOut] = useLeaveOut();
  const [more, setMore] = useState(false);
  const touched = (desk?.touchedUnits ?? 0) > 0;
  const target = palettes.find((p) => p.kind === kind && p.number === Number(number));
  const what: Edit = {
    type: 'record-palette',
    kind,
    number: Number(number) || undefined,
    name,
    scope: scope || undefined,
    onto: target ? onto : undefined,
    closeWheel,
    keepReferences,
    with: withKinds,
    only: listed(only),
    without: [...listed(without), ...leftOut],
    colour: colour || undefined,
  };
  const reading = useEditReading(touched ? what : null);
  const record = useOnce(async () => {
    if (!(await runEdit(what))) return;
    setName((now) => (now === name ? '' : now));
    setNumber((now) => (now === number ? '' : now));
    leaveName();
  });
  const turn = (k: string) =>
    setWithKinds((now) => (now.includes(k) ? now.filter((o) => o !== k) : [...now, k]));
  return (
    <form
      className="space-y-1.5"
      onSubmit={(e) => {
        e.preventDefault();
        void record();
      }}
    >
      <div className="caps">Record {kind}</div>
      <div className="flex gap-2">
        <input
          aria-label="Palette number"
          className={`${inputShape} !w-16 shrink-0`}
          placeholder="next"
          value={number}
          onChange={(e) => setNumber(e.target.value.replace(/\D/g, ''))}
        />
        <input
          id={RECORD_NAME}
          aria-label="Palette name"
          autoComplete="off"
          className={inputShape}
          placeholder={target ? target.name : 'name (R)'}
          value={name}
          onChange={(e) => setName(e.target.value)}
        />
        <Button kind="main" type="submit">
          {target ? (onto === 'merge' ? 'Merge' : 'Replace') : 'Record'}
        </Button>
      </div>
      <div className="flex flex-wrap gap-1.5">
        <Segmented
          label="Scope"
          tight
          value={scope}
          onChange={setScope}
          options={[
            { value: '', text: 'Auto' },
            { value: 'global', text: 'Global' },
            { value: 'per type', text: 'Type' },
            { value: 'per fixture', text: 'Fixture' },
          ]}
        />
        {target && (
          <Segmented
            label="What becomes of the palette that is there"
            tight
            value={onto}
            onChange={setOnto}
            options={[
              { value: 'merge', text: 'Merge' },
              { value: 'replace', text: 'Replace' },
            ]}
          />
        )}
        <button
          type="button"
          aria-expanded={more}
          className="min-h-7 px-1 text-[12px] text-petrol underline"
          onClick={() => setMore(!more)}
        >
          {more ? 'Less' : 'More'}
        </button>
      </div>
      {more && (
        <div className="space-y-1.5 border-l-2 border-line pl-2 text-[12px]">
          <div className="flex flex-wrap gap-1" role="group" aria-label="Further kinds">
            {KINDS.filter((k) => k !== kind && k !== 'combined').map((k) => (
              <button
                key={k}
                type="button"
                aria-pressed={withKinds.includes(k)}
                className="min-h-7 rounded-full border border-line-strong px-2 aria-pressed:border-petrol aria-pressed:bg-petrol-soft"
                onClick={() => turn(k)}
              >
                with {called(k).toLowerCase()}
              </button>
            ))}
          </div>
          <div className="flex gap-1.5">
            <input
              aria-label="Only these attributes"
              className={inputShape}
              placeholder="only, as Zoom, Iris"
              value={only}
              onChange={(e) => setOnly(e.target.value)}
            />
            <input
              aria-label="Without these attributes"
              className={inputShape}
              placeholder="without"
              value={without}
              onChange={(e) => setWithout(e.target.value)}
            />
          </div>
          <label className="flex min-h-7 items-center gap-1.5">
            <input
              type="checkbox"
              checked={keepReferences}
              onChange={(e) => setKeepReferences(e.target.checked)}
            />{' '}
            go on following the palettes these follow
          </label>
          {kind === 'colour' && (
            <Segmented
              label="What becomes of the colour it stands for"
              tight
              value={colour}
              onChange={setColour}
              options={[
                { value: '', text: 'As fits' },
                { value: 'keep', text: 'Keep colour' },
                { value: 'new', text: 'New colour' },
              ]}
            />
          )}
        </div>
      )}
      {(leftOut.length > 0 || only || without || withKinds.length > 0) && (
        <p
          className="flex flex-wrap items-center gap-1 text-[12px]"
          role="status"
          aria-label="What is recorded"
        >
          {withKinds.map((k) => (
            <Mark key={k} words={`with ${k}`} onDrop={() => turn(k)} />
          ))}
          {only && <Mark words={`only ${only}`} onDrop={() => setOnly('')} />}
          {without && <Mark words={`without ${without}`} onDrop={() => setWithout('')} />}
          {leftOut.map((a) => (
            <Mark
              key={a}
              words={`leaves ${a} out`}
              onDrop={() => setLeftOut(leftOut.filter((o) => o !== a))}
            />
          ))}
        </p>
      )}
      {kind === 'colour' && (
        <label className="flex min-h-7 items-center gap-1.5">
          <input type="checkbox" checked={closeWheel} onChange={(e) => setCloseWheel(e.target.checked)} />{' '}
          close untouched colour wheels
        </label>
      )}
      {touched ? (
        <div className="space-y-1">
          <p className="text-[12px] text-ink-2">
            {reading.outcome?.words.filter((_, i) => i !== 1).join(' · ')}
          </p>
          {reading.outcome && <PaletteChanges changes={reading.outcome.palettes} />}
        </div>
      ) : (
        <p className="text-ink-2">Set something first; values at home are not recorded.</p>
      )}
      <ProblemList
        problems={[...reading.problems, ...(reading.outcome?.problems ?? [])]}
        onLine={(l) => void runLine(l)}
      />
    </form>
  );
}

/** One thing that is recorded otherwise than usual; always in sight, and gone by a press. */
function Mark({ words, onDrop }: { words: string; onDrop: () => void }) {
  return (
    <button
      type="button"
      className="min-h-7 rounded-full bg-ochre/20 px-2 font-semibold"
      title="Press to record as usual"
      onClick={onDrop}
    >
      {words} ×
    </button>
  );
}
