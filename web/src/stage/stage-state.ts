import { create } from 'zustand';
import type { RigPart } from '../api/rig-parts';

/** What the plan draws in place of what the lights do. */
export interface Instead {
  parts: Map<string, RigPart>;
  /** What that is: cue 4. */
  words: string;
}

interface StageState {
  /** Numbers of fixtures that would be chosen; outlined on the plan. */
  foreseen: Set<string> | null;
  /** What is to be done with the next point pressed on the plan, in metres. */
  pointing: ((x: number, y: number) => void) | null;
  /** What that is, for the one who presses. */
  pointingWords: string;
  instead: Instead | null;
}

/** What other parts of the page ask the stage for. */
export const useStageState = create<StageState>(() => ({
  foreseen: null,
  pointing: null,
  pointingWords: '',
  instead: null,
}));

/** Outlines these units on the plan until told otherwise. */
export const foresee = (units: string[] | null) =>
  useStageState.setState({ foreseen: units && new Set(units.map((u) => u.split('.')[0]!)) });

/** Asks for a point on the plan. @param words what is to be pressed */
export const askPoint = (words: string, pointing: (x: number, y: number) => void) =>
  useStageState.setState({ pointing, pointingWords: words });

/** Draws this on the plan in place of what the lights do, until told otherwise. */
export const drawInstead = (instead: Instead | null) => useStageState.setState({ instead });
