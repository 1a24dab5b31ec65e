import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { useState } from 'react';
import type { FixtureView } from '../../api/client';
import { runLine } from '../../doing/run-line';
import { runEdit } from '../../doing/run';
import { Button } from '../../ui/Button';
import { Field, inputShape } from '../../ui/Field';
import { ProblemList } from '../../ui/ProblemList';
import { useEditReading } from '../../doing/useLineReading';
import { COLUMNS, written, type ColumnKey } from './columns';
import { runs, type GroupBy } from './patch-model';
import { Choice } from '../../ui/Choice';

interface Props {
  by: GroupBy;
  onBy: (by: GroupBy) => void;
  shown: ColumnKey[];
  onShown: (keys: ColumnKey[]) => void;
  held: FixtureView[];
}

const panel =
  'z-30 w-72 rounded-lg border border-line-strong bg-sheet p-3 text-[13px] text-ink shadow-lg space-y-2';

const HINT = 'Shift a run · Ctrl adds · F2 writes, in all selected rows · paste columns';

/** How the table is grouped and which columns it has; filling down the selection. */
export function TableFoot({ by, onBy, shown, onShown, held }: Props) {
  return (
    <div className="flex h-8 shrink-0 items-center gap-2 border-t border-line px-2 text-[12px] text-ink-label">
      group by
      <Choice
        label="Group by"
        shape="cell"
        value={by}
        options={['position', 'type', 'universe', 'purpose', { value: 'none', text: 'nothing' }]}
        onChange={onBy}
      />
      <Popover>
        <PopoverButton className="min-h-7 underline">Columns</PopoverButton>
        <PopoverPanel anchor="top start" role="dialog" aria-label="Columns" className={panel}>
          {COLUMNS.map((c) => (
            <label key={c.key} className="flex min-h-7 items-center gap-2">
              <input
                type="checkbox"
                checked={shown.includes(c.key)}
                disabled={c.key === 'number'}
                onChange={(e) =>
                  onShown(e.target.checked ? [...shown, c.key] : shown.filter((k) => k !== c.key))
                }
              />
              {c.text}
            </label>
          ))}
        </PopoverPanel>
      </Popover>
      <Popover>
        <PopoverButton className="min-h-7 underline disabled:no-underline" disabled={held.length < 2}>
          Fill down
        </PopoverButton>
        <PopoverPanel anchor="top start" role="dialog" aria-label="Fill down" className={panel}>
          {({ close }) => <Fill held={held} onDone={close} />}
        </PopoverPanel>
      </Popover>
      <span className="truncate" title={HINT}>
        {HINT}
      </span>
    </div>
  );
}

const STEPPED: ColumnKey[] = ['number', 'address'];
const FILLED: ColumnKey[] = ['address', 'number', 'name', 'position', 'purpose', 'notes'];

/** One value, or a run of values with a step, down the selection. */
function Fill({ held, onDone }: { held: FixtureView[]; onDone: () => void }) {
  const [key, setKey] = useState<ColumnKey>('address');
  const [value, setValue] = useState('');
  const [step, setStep] = useState('');
  const who = runs(held.map((f) => f.number));
  const slots = Math.max(...held.map((f) => f.slots));
  const what =
    value.trim() || key === 'notes'
      ? written(
          held.map((f) => f.number),
          key,
          value,
          STEPPED.includes(key) ? Number.parseInt(step, 10) || undefined : undefined,
        )
      : null;
  const reading = useEditReading(what);
  return (
    <form
      className="space-y-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (!what) return;
        void runEdit(what);
        onDone();
      }}
    >
      <p>
        {held.length} selected: <b className="mono">{who}</b>
      </p>
      <div className="grid grid-cols-2 gap-2">
        <Field label="Column">
          <Choice
            label="Column"
            shape="field"
            value={key}
            options={FILLED.map((k) => ({ value: k, text: COLUMNS.find((c) => c.key === k)!.text }))}
            onChange={setKey}
          />
        </Field>
        <Field label={STEPPED.includes(key) ? 'From' : key === 'name' ? 'Value, # counts' : 'Value'}>
          <input
            autoFocus
            className={inputShape}
            placeholder={key === 'address' ? '3.1' : key === 'number' ? '401' : ''}
            value={value}
            onChange={(e) => setValue(e.target.value)}
          />
        </Field>
        {STEPPED.includes(key) && (
          <Field label="Step">
            <input
              className={inputShape}
              inputMode="numeric"
              placeholder={key === 'address' ? `${slots}` : '1'}
              value={step}
              onChange={(e) => setStep(e.target.value)}
            />
          </Field>
        )}
      </div>
      {what && <p className="text-ink-2">{reading.outcome?.words.join(' · ')}</p>}
      {what && (
        <ProblemList
          problems={reading.outcome?.problems ?? reading.problems}
          onLine={(l) => {
            void runLine(l);
            onDone();
          }}
        />
      )}
      <Button kind="main" type="submit" disabled={!what || reading.problems.length > 0}>
        Fill down
      </Button>
    </form>
  );
}
