import { EmptyNiche } from '../../ui/Niche';
import { useSwap } from './useSwap';

interface Props {
  kind: string;
  number: number;
  onPress: () => void;
}

/** An empty niche: a press records into it, what is dragged sideways can be dropped into it. */
export function EmptySwap({ kind, number, onPress }: Props) {
  const swap = useSwap(kind, number, undefined);
  return <EmptyNiche number={number} onPress={onPress} drag={{ ref: swap.ref, over: swap.over }} />;
}
