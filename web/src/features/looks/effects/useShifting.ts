import { useState } from 'react';
import type { EffectView } from '../../../api/client';
import { useGesture } from '../../../doing/gesture';
import { follow } from './follow';
import { shiftLine } from './effects-model';

/** Less than this share of a round is a press, not a drag. */
const SLIP = 0.005;

/** Dots that are dragged along the round: all of them go along, and are kept there when they are let go of. */
export function useShifting(effect: EffectView, edit: string) {
  const change = useGesture((text: string) => text);
  const [by, setBy] = useState(0);
  return {
    by,
    /** @param place where in the round a pointer is */
    begin: (e: React.PointerEvent, place: (p: PointerEvent) => number) => {
      const from = place(e.nativeEvent);
      let shift = 0;
      follow(
        e,
        (p) => {
          // The shorter way round.
          const way = place(p) - from;
          shift = way - Math.round(way);
          setBy(shift);
        },
        () => {
          setBy(0);
          if (Math.abs(shift) > SLIP)
            void change(`${edit} ${shiftLine(effect, Math.round(shift * 100) / 100)}`);
        },
      );
    },
  };
}
