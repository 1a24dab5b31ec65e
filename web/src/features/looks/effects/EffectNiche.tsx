import { useRef } from 'react';
import type { EffectView } from '../../../api/client';
import { attempt } from '../../../doing/notices';
import { quoted } from '../../../doing/run';
import { Niche } from '../../../ui/Niche';
import { runLines } from '../../../doing/run-lines';
import { useSwap } from '../../niches/useSwap';
import { EffectFace } from './EffectFace';
import { OUT_OF_REACH } from './effects-model';

interface Props {
  effect: EffectView;
  active: boolean;
  onPress: () => void;
}

/** An effect in its niche; dragged to another one it changes places with what stands there. */
export function EffectNiche({ effect, active, onPress }: Props) {
  const { number } = effect;
  const swap = useSwap(
    'effect',
    number,
    number > 0 ? (to) => void runLines([`move effect ${number} to ${to}`]) : undefined,
  );
  const moved = useRef(false);
  return (
    <Niche
      number={number > 0 ? number : '·'}
      name={number > 0 ? effect.name : 'not recorded'}
      title={`${effect.words}. ${effect.held > 0 ? `${effect.able} of ${effect.held} selected have it` : 'Nothing is selected'}`}
      face={<EffectFace effect={effect} />}
      follow={effect.reach as 'all' | 'some' | 'none'}
      dimmed={effect.held > 0 && effect.reach === 'none'}
      active={active}
      onPress={() => {
        if (!moved.current) onPress();
        moved.current = false;
      }}
      onRename={(name) => named(effect, name)}
      drag={{
        ref: swap.ref,
        over: swap.over,
        dragged: swap.dragged,
        handlers: {
          onPointerDown: (e) => {
            if (e.button !== 0) return;
            moved.current = false;
            swap.begin(e);
            e.currentTarget.setPointerCapture(e.pointerId);
          },
          onPointerMove: (e) => {
            if (e.buttons === 1 && swap.move(e, true)) moved.current = true;
          },
          onPointerUp: swap.end,
          onPointerCancel: swap.cancel,
        },
      }}
    />
  );
}

/** Renames it, or records it under a name where the line would reach it. */
async function named(effect: EffectView, name: string) {
  const line =
    effect.number > 0 ? `rename effect ${effect.number} ${quoted(name)}` : `record effect ${quoted(name)}`;
  if (effect.reached) return (await runLines([line])) !== undefined;
  await attempt(() => Promise.reject(new Error(OUT_OF_REACH)));
  return false;
}
