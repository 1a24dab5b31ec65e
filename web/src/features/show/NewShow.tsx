import { Radio, RadioGroup } from '@headlessui/react';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { createShow } from '../../api/commands';
import type { ListedShow } from '../../api/client';
import { queryClient } from '../../api/queries';
import { useKept } from '../../doing/kept';
import { attempt } from '../../doing/notices';
import { useOnce } from '../../doing/once';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Field, inputShape } from '../../ui/Field';
import { Modal } from '../../ui/Modal';

export type StartWith = 'empty' | 'paper' | 'scene' | 'dimmers' | 'template';

const WAYS: { value: StartWith; text: string; under: string }[] = [
  { value: 'empty', text: 'Empty', under: 'nothing is patched' },
  { value: 'paper', text: 'Paperwork', under: 'a channel hookup as CSV, XLSX or pasted rows' },
  { value: 'scene', text: 'Scene', under: 'a drawing as MVR: what hangs where' },
  { value: 'dimmers', text: 'Dimmers', under: 'one to one from 1.1 on' },
  { value: 'template', text: 'Template', under: 'all that a template holds' },
];

interface Props {
  open: boolean;
  onClose: () => void;
  templates: ListedShow[];
  /** With what it starts unless another is chosen. */
  start: StartWith;
  /** Asks first where another show drives the output. */
  ask: (words: string, go: () => void) => void;
}

/** A new show: its name, and with what it starts. */
export function NewShow(props: Props) {
  return (
    <Modal open={props.open} title="New show" onClose={props.onClose}>
      {props.open && <Form key={props.start} {...props} />}
    </Modal>
  );
}

function Form({ templates, start, ask, onClose }: Props) {
  const [name, setName] = useKept('new show name', '', false);
  const [way, setWay] = useState<StartWith>(start);
  const [dimmers, setDimmers] = useState('96');
  const [template, setTemplate] = useState(String(templates[0]?.id ?? ''));
  const navigate = useNavigate();
  const create = useOnce(async () => {
    const created = await attempt(() =>
      createShow(
        name,
        way === 'template' ? Number(template) : null,
        way === 'dimmers' ? Number(dimmers) || 0 : 0,
      ),
    );
    if (!created) return;
    await queryClient.invalidateQueries({ queryKey: ['shows'] });
    setName('');
    void navigate(way === 'paper' ? '/patch?bring' : way === 'scene' ? '/patch?view=paper' : '/patch');
  });
  return (
    <form
      aria-label="A new show"
      className="space-y-3"
      onSubmit={(e) => {
        e.preventDefault();
        if (!name.trim()) return;
        onClose();
        ask(`“${name.trim()}” starts`, () => void create());
      }}
    >
      <Field label="Name of a new show">
        <input
          autoFocus
          aria-label="Name of a new show"
          placeholder="for example Night ferry"
          className={`${inputShape} !font-sans`}
          value={name}
          onChange={(e) => setName(e.target.value)}
        />
      </Field>
      <RadioGroup value={way} onChange={setWay} aria-label="Start with" className="grid grid-cols-2 gap-2">
        <span className="col-span-2 text-[12px] text-ink-2">Start with</span>
        {WAYS.map((w) => (
          <Radio
            key={w.value}
            value={w.value}
            disabled={w.value === 'template' && templates.length === 0}
            className="cursor-pointer rounded-md border border-line-strong p-2 data-checked:border-petrol data-checked:bg-petrol-soft data-disabled:cursor-default data-disabled:opacity-55 focus-visible:outline-2 focus-visible:outline-petrol"
          >
            <span className="block font-semibold">{w.text}</span>
            <span className="block text-[12px] text-ink-2">
              {w.value === 'template' && templates.length === 0 ? 'none yet: save a show as one' : w.under}
            </span>
          </Radio>
        ))}
      </RadioGroup>
      {way === 'dimmers' && (
        <Field label="How many dimmers">
          <input
            className={`${inputShape} !w-24`}
            inputMode="numeric"
            value={dimmers}
            onChange={(e) => setDimmers(e.target.value)}
          />
        </Field>
      )}
      {way === 'template' && (
        <Choice
          label="Template"
          shape="field"
          value={template}
          options={templates.map((t) => ({ value: String(t.id), text: t.name }))}
          onChange={setTemplate}
        />
      )}
      <p className="text-[12px] text-ink-2">
        A show file is dropped anywhere on this page, or opened with <i>Open a file…</i>
      </p>
      <Button kind="main" type="submit" disabled={!name.trim()}>
        Start the show
      </Button>
    </form>
  );
}
