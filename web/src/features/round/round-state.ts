import { create } from 'zustand';
import { createJSONStorage, persist } from 'zustand/middleware';
import type { Progress } from './steps';

interface Kept {
  on: boolean;
  progress: Progress;
}

/** How far the round is; and whether it is taken now. It is left and taken up again where it was. */
export const useRound = create<Kept>()(
  persist((): Kept => ({ on: false, progress: { at: 0, from: null } }), {
    name: 'loculus-round',
    storage: createJSONStorage(() => window.localStorage),
  }),
);

/** Takes the round, from where it was left, or from the start when it was done. */
export function takeRound(steps: number) {
  const { progress } = useRound.getState();
  useRound.setState({
    on: true,
    progress: progress.at >= steps ? { at: 0, from: null } : { ...progress, from: null },
  });
}
