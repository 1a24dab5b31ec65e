import { useState } from 'react';
import { useMarks } from '../../api/queries';
import { useKept } from '../../doing/kept';
import { runLine } from '../../doing/run-line';
import { quoted } from '../../doing/run';
import { askPoint } from '../../stage/stage-state';
import { Button } from '../../ui/Button';
import { inputShape } from '../../ui/Field';
import { Choice } from '../../ui/Choice';

/** Points the selection: at a mark, at a point, fanned around either; sets marks, and records positions at them. */
export function AimPanel({ held }: { held: boolean }) {
  const marks = useMarks().data ?? [];
  const [fan, setFan] = useState('');
  const [name, setName] = useKept('new mark', '');
  const [chosen, setChosen] = useState('');
  const mark = marks.find((m) => m.name === chosen) ?? marks[0];
  const fanned = Number(fan) > 0 ? ` fan ${Number(fan)}` : '';
  const set = () => {
    const called = quoted(name);
    askPoint(`press where ${name.trim()} is`, (x, y) => {
      setName('');
      setChosen(name.trim());
      void runLine(`mark ${called} at ${x}, ${y}, 0`);
    });
  };
  return (
    <div className="space-y-1 border-b border-line pb-1.5" role="group" aria-label="Aim">
      <div className="flex flex-wrap items-center gap-1.5">
        {marks.length > 0 && (
          <>
            <Choice
              label="Mark to aim at"
              className="max-w-32"
              value={mark?.name ?? ''}
              options={marks.map((m) => m.name)}
              onChange={setChosen}
            />
            <Button
              disabled={!held}
              label={`aim at mark ${quoted(mark!.name)}${fanned}`}
              onClick={() => void runLine(`aim at mark ${quoted(mark!.name)}${fanned}`)}
            >
              Aim at it
            </Button>
            <Button
              label={`record position at mark ${quoted(mark!.name)}: every head with a place follows it`}
              onClick={() => void runLine(`record position at mark ${quoted(mark!.name)}`)}
            >
              Record at it
            </Button>
          </>
        )}
        <Button
          disabled={!held}
          label="Then press a point of the plan"
          onClick={() =>
            askPoint('press where to aim', (x, y) => void runLine(`aim at ${x}, ${y}, 0${fanned}`))
          }
        >
          Aim on plan
        </Button>
        <label className="flex items-center gap-1 text-[12px]">
          fan
          <input
            className={`${inputShape} !h-7 !w-12`}
            value={fan}
            placeholder="0"
            onChange={(e) => setFan(e.target.value.replace(/[^\d.]/g, ''))}
          />
          m
        </label>
      </div>
      <div className="flex items-center gap-1.5">
        <input
          aria-label="Name of a new mark"
          className={`${inputShape} !h-7 max-w-36`}
          placeholder="new mark"
          value={name}
          onChange={(e) => setName(e.target.value)}
          onKeyDown={(e) => e.key === 'Enter' && name.trim() && set()}
        />
        <Button disabled={!name.trim()} onClick={set}>
          Set on plan
        </Button>
      </div>
    </div>
  );
}
