import { useState } from 'react';
import { runEdit } from '../../doing/run';
import { Button } from '../../ui/Button';
import { inputShape } from '../../ui/Field';

interface Props {
  /** Keys of what is set aside, all for one reason. */
  findings: string[];
  usual: string;
  onDone: () => void;
}

/** Asks why findings may stay as they are, and sets them aside; Escape leaves them open. */
export function WhyAside({ findings, usual, onDone }: Props) {
  const [reason, setReason] = useState(usual);
  const setAside = async () => {
    if (await runEdit({ type: 'set-aside', findings, reason })) onDone();
  };
  return (
    <form
      className="flex w-full items-center gap-2 py-1 pl-6"
      onSubmit={(e) => {
        e.preventDefault();
        void setAside();
      }}
    >
      <input
        autoFocus
        aria-label="Why it may stay"
        placeholder={findings.length === 1 ? 'why it may stay, and Enter' : 'why these may stay, and Enter'}
        className={`${inputShape} max-w-96 !font-sans`}
        value={reason}
        maxLength={1000}
        onChange={(e) => setReason(e.target.value)}
        onKeyDown={(e) => {
          if (e.key !== 'Escape') return;
          e.stopPropagation();
          onDone();
        }}
      />
      <Button type="submit" kind="main">
        Set {findings.length === 1 ? '' : `${findings.length} `}aside
      </Button>
    </form>
  );
}
