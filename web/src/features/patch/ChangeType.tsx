import { runs } from './patch-model';
import { runEdit } from '../../doing/run';
import type { Edit } from '../../api/commands';
import { useState } from 'react';
import { runLine } from '../../doing/run-line';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Modal } from '../../ui/Modal';
import { ProblemList } from '../../ui/ProblemList';
import { useEditReading } from '../../doing/useLineReading';
import { TypeFinder } from './TypeFinder';

interface Props {
  open: boolean;
  numbers: number[];
  onClose: () => void;
}

/** Another profile or mode for the selection: says first what it costs in slots, clashes and values. */
export function ChangeType({ open, numbers, onClose }: Props) {
  const [type, setType] = useState('');
  const what: Edit | null = open && type ? { type: 'change-type', numbers, as: type } : null;
  const reading = useEditReading(what);
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
          if (!what || reading.problems.length > 0) return;
          void runEdit(what);
          onClose();
        }}
      >
        <p>
          Selected: <b className="mono">{runs(numbers)}</b>
        </p>
        <Field label="Becomes">
          <TypeFinder label="Becomes" value={type} onChange={setType} autoFocus />
        </Field>
        <div role="group" aria-label="What will happen" className="min-h-16 space-y-1">
          {what && reading.outcome?.words.map((w) => <p key={w}>{w}</p>)}
          {what && <ProblemList problems={reading.outcome?.problems ?? reading.problems} onLine={done} />}
        </div>
        <Button kind="main" type="submit" disabled={!what || reading.problems.length > 0}>
          Change
        </Button>
      </form>
    </Modal>
  );
}
