import { useCallback, useState } from 'react';
import type { ListedShow } from '../../api/client';
import { Button } from '../../ui/Button';
import { Modal } from '../../ui/Modal';

/** Something that would take the output from the show that drives it. */
interface Asked {
  words: string;
  go: () => void;
}

/**
 * Asks before another show drives the output, as long as one does.
 *
 * @param shows that are known here
 */
export function useTakingOver(shows: ListedShow[]) {
  const [asked, setAsked] = useState<Asked | null>(null);
  const live = shows.find((s) => s.live && !s.template);
  const busy = live !== undefined;
  const ask = useCallback((words: string, go: () => void) => (busy ? setAsked({ words, go }) : go()), [busy]);
  const dialog = (
    <Modal open={asked !== null} title="Another show drives the output" onClose={() => setAsked(null)}>
      <div className="space-y-3">
        <p>
          “{live?.name}” is live. {asked?.words}: from then on that is what is sent, and “{live?.name}” is
          kept as it is.
        </p>
        <div className="flex gap-2">
          <Button
            kind="main"
            first
            onClick={() => {
              setAsked(null);
              asked?.go();
            }}
          >
            Take the output over
          </Button>
          <Button onClick={() => setAsked(null)}>Leave it as it is</Button>
        </div>
      </div>
    </Modal>
  );
  return { ask, dialog };
}
