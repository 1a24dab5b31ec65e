import { useRef } from 'react';
import { runLines } from '../../../doing/run-lines';

/**
 * Changes while something is dragged: one after the other, of what waits only the latest, all undone as one.
 */
export function useChanging() {
  const state = useRef({ busy: false, waiting: null as string | null, gesture: '' });
  const send = (line: string) => {
    const s = state.current;
    if (s.busy) {
      s.waiting = line;
      return;
    }
    s.busy = true;
    void runLines([line], s.gesture).finally(() => {
      s.busy = false;
      const next = s.waiting;
      s.waiting = null;
      if (next !== null) send(next);
    });
  };
  return {
    begin: () => {
      state.current.gesture = `effect ${Date.now()} ${Math.random().toString(36).slice(2, 8)}`;
    },
    send,
  };
}
