import { create } from 'zustand';

interface StageState {
  /** Numbers of fixtures that would be chosen; outlined on the plan. */
  foreseen: Set<string> | null;
  /** What is to be done with the next point pressed on the plan, in metres. */
  pointing: ((x: number, y: number) => void) | null;
}

/** What other parts of the page ask the stage for. */
export const useStageState = create<StageState>(() => ({ foreseen: null, pointing: null }));

/** Outlines these units on the plan until told otherwise. */
export const foresee = (units: string[] | null) =>
  useStageState.setState({ foreseen: units && new Set(units.map((u) => u.split('.')[0]!)) });
