import { Plus, X } from 'lucide-react';
import { useMemo, useState } from 'react';
import type { DeskView } from '../../../api/client';
import { usePalettes } from '../../../api/queries';
import { runLines } from '../../../doing/run-lines';
import { useLineReading } from '../../../doing/useLineReading';
import { Button } from '../../../ui/Button';
import { Choice, type Option } from '../../../ui/Choice';
import { inputShape } from '../../../ui/Field';
import { ProblemList } from '../../../ui/ProblemList';
import { Swatch } from '../../../ui/Swatch';
import { ALONG } from './effects-model';
import { BETWEEN, BLANK, formsOf, lineOf, moving, POSITION, THROUGH, type NewEffect } from './new-effect';

/** Starts an effect on the selection: what moves, how, from where to where, how fast, how it is spread; as a sentence. */
export function StartEffect({ desk, onDone }: { desk: DeskView; onDone: () => void }) {
  const [draft, setDraft] = useState<NewEffect>(BLANK);
  const palettes = usePalettes().data;
  const line = lineOf(draft);
  const reading = useLineReading(line);
  const held = desk.steps.reduce((sum, step) => sum + step.length, 0);
  const whats = useMemo<Option[]>(() => {
    const pans = desk.values.some((v) => v.attribute === 'Pan' || v.attribute === 'Tilt');
    return [
      ...desk.values
        .filter((v) => v.kind !== 'control')
        .map((v) => ({
          value: v.attribute,
          text: v.label,
          note: v.units === held ? 'all' : `${v.units} of ${held}`,
        })),
      ...(pans ? [{ value: POSITION, text: 'pan and tilt, as a figure' }] : []),
      ...((palettes?.length ?? 0) > 1 ? [BETWEEN, THROUGH].map((value) => ({ value, text: value })) : []),
    ];
  }, [desk, held, palettes]);
  const set = (part: Partial<NewEffect>) => setDraft({ ...draft, ...part });
  const number = (label: string, value: string, onSet: (text: string) => void) => (
    <input
      aria-label={label}
      inputMode="decimal"
      className={`${inputShape} w-14! text-right`}
      value={value}
      onChange={(e) => onSet(e.target.value)}
    />
  );
  const byPalettes = draft.what === BETWEEN || draft.what === THROUGH;
  return (
    <form
      aria-label="Start an effect"
      className="flex flex-wrap items-center gap-1.5 rounded-lg border border-line-strong bg-sheet px-3 py-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (!line) return;
        void runLines([line]).then((done) => done && onDone());
      }}
    >
      <span>Move</span>
      <Choice
        label="What moves"
        shape="word"
        value={whats.some((o) => o.value === draft.what) ? draft.what : ''}
        options={whats}
        onChange={(what) => setDraft(moving(draft, what))}
      />
      {formsOf(draft.what).length > 0 && (
        <>
          <span>as a</span>
          <Choice
            label="Form"
            shape="word"
            value={draft.form}
            options={formsOf(draft.what)}
            onChange={(form) => set({ form })}
          />
        </>
      )}
      {draft.what === POSITION && (
        <>
          <span>of</span>
          {number('Size in degrees', draft.size, (size) => set({ size }))}°
        </>
      )}
      {!byPalettes && draft.what !== POSITION && (
        <>
          <span>from</span>
          {number('From, in percent', draft.from, (from) => set({ from }))}
          <span>to</span>
          {number('To, in percent', draft.to, (to) => set({ to }))}%
        </>
      )}
      {byPalettes &&
        draft.palettes.slice(0, draft.what === BETWEEN ? 2 : undefined).map((chosen, i) => (
          <span key={i} className="flex items-center gap-0.5">
            {i > 0 && <span className="pr-1">to</span>}
            <Choice
              label={`Palette ${i + 1}`}
              shape="word"
              className="max-w-44"
              value={chosen}
              options={(palettes ?? []).map((p) => ({
                value: `${p.kind} ${p.number}`,
                text: `${p.kind} ${p.number} ${p.name}`,
                face: <Swatch colours={p.face.colours} />,
              }))}
              onChange={(p) => set({ palettes: draft.palettes.map((old, j) => (j === i ? p : old)) })}
            />
            {draft.what === THROUGH && draft.palettes.length > 2 && (
              <button
                type="button"
                aria-label={`Take palette ${i + 1} out`}
                className="min-h-7 min-w-6 text-ink-2"
                onClick={() => set({ palettes: draft.palettes.filter((_, j) => j !== i) })}
              >
                <X size={13} />
              </button>
            )}
          </span>
        ))}
      {draft.what === THROUGH && (
        <button
          type="button"
          aria-label="A further palette"
          title="A further palette"
          className="flex min-h-7 min-w-7 items-center justify-center rounded-md border border-line-strong hover:bg-sunk"
          onClick={() => set({ palettes: [...draft.palettes, ''] })}
        >
          <Plus size={14} />
        </button>
      )}
      <span>,</span>
      {number('Cycles a minute', draft.rate, (rate) => set({ rate }))}
      <span>cycles a minute,</span>
      <Choice
        label="How it is spread"
        shape="word"
        value={draft.offset}
        options={ALONG.map((a) => ({ value: a.line, text: a.text }))}
        onChange={(offset) => set({ offset })}
      />
      <span className="ml-auto flex gap-1.5">
        <Button kind="main" type="submit" label={line} disabled={!line || reading.problems.length > 0}>
          Start
        </Button>
        <Button onClick={onDone}>Close</Button>
      </span>
      <output aria-live="polite" className="w-full text-[12px] text-ink-2">
        {reading.outcome?.words.join(' · ')}
        {!line && 'Choose what is missing.'}
      </output>
      {reading.problems.length > 0 && (
        <ProblemList problems={reading.problems} onLine={(l) => void runLines([l])} />
      )}
    </form>
  );
}
