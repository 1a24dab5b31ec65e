import {
  PointerSensor,
  type PointerSensorOptions,
  useSensor,
  useSensors,
  type DragEndEvent,
  type DragOverEvent,
} from '@dnd-kit/core';
import { useState } from 'react';

/**
 * What is dragged from niche to niche: where it would land and who would come here instead, then the move.
 *
 * @param slip how far a press moves before it is a drag; one object, a new one would draw every niche anew
 */
export function useRehousing(
  all: { number: number; name: string }[],
  slip: PointerSensorOptions,
  move: (number: number, to: number) => void,
) {
  const sensors = useSensors(useSensor(PointerSensor, slip));
  const [landing, setLanding] = useState('');
  const ends = ({ active, over }: DragOverEvent | DragEndEvent) => ({
    number: active.data.current?.number as number,
    to: over?.data.current?.number as number | undefined,
  });
  const name = (n?: number) => all.find((x) => x.number === n)?.name;
  const onDragOver = (e: DragOverEvent) => {
    const { number, to } = ends(e);
    setLanding(
      to === undefined || to === number
        ? ''
        : `${number} ${name(number)} → ${to}${name(to) ? `; ${name(to)} → ${number}` : ''}`,
    );
  };
  const onDragEnd = (e: DragEndEvent) => {
    setLanding('');
    const { number, to } = ends(e);
    if (to !== undefined && to !== number) move(number, to);
  };
  return { landing, context: { sensors, onDragOver, onDragEnd, onDragCancel: () => setLanding('') } };
}
