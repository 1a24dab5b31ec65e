import { useRef } from 'react';
import { changing } from '../api/changing';
import type { Edit } from '../api/commands';
import { page } from '../api/writing';
import { attempt, tell } from './notices';

/** Keys that pause for this long begin a gesture of their own, in milliseconds. */
const PAUSE_MS = 700;

/** The pointer: how often it was pressed since the page was loaded, and whether it is down. */
export interface Hand {
  presses: number;
  down: boolean;
}

const hand: Hand = { presses: 0, down: false };

/**
 * Sees the pointer pressed before anybody else does. A second finger belongs to the gesture of the first; a menu that the
 * other button opens would swallow its end.
 */
export function watchHand() {
  window.addEventListener(
    'pointerdown',
    (e) => {
      if (!e.isPrimary || e.button !== 0) return;
      hand.presses++;
      hand.down = true;
    },
    true,
  );
  for (const end of ['pointerup', 'pointercancel'] as const)
    window.addEventListener(end, (e) => e.isPrimary && (hand.down = false), true);
}

/**
 * To which gesture a change belongs. However long a pointer that is down rests, what it does is one gesture, and what comes
 * just after it is let go of belongs to it; keys are one until they pause.
 *
 * @returns takes the time in milliseconds, gives the name of the gesture
 */
export function gestures(of: Hand) {
  let name = '';
  let press = 0;
  let stamp = -Infinity;
  return (now: number) => {
    const anew = of.down && of.presses !== press;
    if (anew || (!of.down && now - stamp > PAUSE_MS)) {
      press = of.presses;
      name = `${page.slice(0, 8)} ${of.down ? `press ${press}` : `keys ${now}`}`;
    }
    stamp = now;
    return name;
  };
}

/**
 * Changes while something is dragged, or stepped by keys: one after the other, of what waits only the newest, all of a
 * gesture undone as one.
 *
 * @param what the edit for a value, or the line, or nothing; what a line did is told as for any line
 * @param join for steps, none of which may be lost: what waits and what came since, as one
 */
export function useGesture<V>(what: (value: V) => Edit | string | null, join?: (waits: V, newer: V) => V) {
  const belongs = useRef<ReturnType<typeof gestures> | null>(null);
  return async (value: V, about = '') => {
    belongs.current ??= gestures(hand);
    const gesture = belongs.current(Date.now());
    const done = await attempt(() => changing(gesture, about, value, what, join));
    if (done && typeof what(value) === 'string') tell(done);
  };
}

/** Steps along two directions, added up. */
export const addUp = (a: [number, number], b: [number, number]): [number, number] => [
  a[0] + b[0],
  a[1] + b[1],
];
