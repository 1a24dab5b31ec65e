import { useDroppable } from '@dnd-kit/core';
import { EmptyNiche } from '../../ui/Niche';

/** An empty niche: a press chooses it to record into, what is dragged can be dropped into it. */
export function FreeNiche({ number, onPress }: { number: number; onPress: (number: number) => void }) {
  const drop = useDroppable({ id: `niche ${number}`, data: { number } });
  return (
    <EmptyNiche
      number={number}
      onPress={() => onPress(number)}
      drag={{ ref: drop.setNodeRef, over: drop.isOver }}
    />
  );
}
