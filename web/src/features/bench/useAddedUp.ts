import { useRef } from 'react';

/** A pause of this long begins a new step of undo. */
const PAUSE_MS = 700;

/**
 * Small steps either way, none of them lost: what comes while one is written is added up and goes with the next.
 *
 * @param send writes a step; those of one gesture are undone together
 */
export function useAddedUp(send: (x: number, y: number, gesture: string) => Promise<unknown>) {
  const state = useRef({ busy: false, x: 0, y: 0, id: '', stamp: 0 });
  return (x: number, y: number) => {
    const s = state.current;
    const now = Date.now();
    if (now - s.stamp > PAUSE_MS) s.id = `steps ${now}`;
    s.stamp = now;
    s.x += x;
    s.y += y;
    const work = async () => {
      while (s.x !== 0 || s.y !== 0) {
        const [dx, dy] = [s.x, s.y];
        s.x = s.y = 0;
        await send(dx, dy, s.id);
      }
      s.busy = false;
    };
    if (!s.busy) {
      s.busy = true;
      void work();
    }
  };
}
