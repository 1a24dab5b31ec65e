import { useState } from 'react';
import { runLine } from '../../app/Line';
import { Button } from '../../ui/Button';
import { Field, inputShape } from '../../ui/Field';
import { Modal } from '../../ui/Modal';
import { ProblemList } from '../../ui/ProblemList';
import { useLineReading } from '../bench/useLineReading';
import { TypeOptions } from './TypeOptions';

interface Props {
  open: boolean;
  /** Numbers as the line writes them. */
  who: string;
  onClose: () => void;
}

/** Another profile or mode for what is in hand: says first what it costs in slots, clashes and values. */
export function ChangeType({ open, who, onClose }: Props) {
  const [type, setType] = useState('');
  const line = open && type ? `change ${who} to "${type}"` : '';
  const reading = useLineReading(line);
  const done = (text: string) => {
    void runLine(text);
    onClose();
  };
  return (
    <Modal open={open} title="Change profile or mode" onClose={onClose}>
      <form
        className="space-y-3"
        onSubmit={(e) => {
          e.preventDefault();
          if (line && reading.problems.length === 0) done(line);
        }}
      >
        <p>
          In hand: <b className="mono">{who}</b>
        </p>
        <Field label="Becomes">
          <select
            autoFocus
            className={`${inputShape} !font-sans`}
            value={type}
            onChange={(e) => setType(e.target.value)}
          >
            <option value="">choose…</option>
            <TypeOptions />
          </select>
        </Field>
        <div aria-label="What will happen" className="min-h-16 space-y-1">
          {line && reading.outcome?.words.map((w) => <p key={w}>{w}</p>)}
          {line && <ProblemList problems={reading.outcome?.problems ?? reading.problems} onLine={done} />}
        </div>
        <Button kind="main" type="submit" disabled={!line || reading.problems.length > 0}>
          Change
        </Button>
      </form>
    </Modal>
  );
}
