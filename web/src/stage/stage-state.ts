import { create } from 'zustand';

interface StageState {
  /** Numbers of fixtures that would be chosen; outlined on the plan. */
  foreseen: Set<string> | null;
  /** What is to be done with the next point pressed on the plan, in metres. */
  pointing: ((x: number, y: number) => void) | null;
  /** What that is, for the one who presses. */
  pointingWords: string;
}

/** What other parts of the page ask the stage for. */
export const useStageState = create<StageState>(() => ({
  foreseen: null,
  pointing: null,
  pointingWords: '',
}));

/** Outlines these units on the plan until told otherwise. */
export const foresee = (units: string[] | null) =>
  useStageState.setState({ foreseen: units && new Set(units.map((u) => u.split('.')[0]!)) });

/** Asks for a point on the plan. @param words what is to be pressed */
export const askPoint = (words: string, pointing: (x: number, y: number) => void) =>
  useStageState.setState({ pointing, pointingWords: words });
