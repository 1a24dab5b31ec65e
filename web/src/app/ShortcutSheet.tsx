import { Modal } from '../ui/Modal';
import type { Action } from './actions';
import { useSheet } from './sheet';

export function ShortcutSheet({ actions }: { actions: Action[] }) {
  const open = useSheet((s) => s.open);
  return (
    <Modal open={open} title="Keys" onClose={() => useSheet.setState({ open: false })}>
      <dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-1.5">
        {actions.map((a) => (
          <div key={a.keys} className="contents">
            <dt className="mono rounded border border-line bg-sunk px-2 text-center">{a.keys}</dt>
            <dd>{a.words}</dd>
          </div>
        ))}
        <dt className="mono rounded border border-line bg-sunk px-2 text-center">Esc</dt>
        <dd>Step out of what you are typing in</dd>
        <dt className="mono rounded border border-line bg-sunk px-2 text-center">Shift, Alt</dt>
        <dd>While picking: add to the selection, take out of it</dd>
      </dl>
    </Modal>
  );
}
