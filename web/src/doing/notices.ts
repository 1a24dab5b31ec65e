import { create } from 'zustand';
import { RefusedError, type LineResponse, type ProblemView } from '../api/client';
import { useLine } from './line-store';

interface Notice {
  words: string;
  problems: ProblemView[];
}

/** What the last press was refused for, or what has to be said of it; told at the foot until the next one. */
export const useNotice = create<{ notice: Notice | null; clear: () => void }>((set) => ({
  notice: null,
  clear: () => set({ notice: null }),
}));

/** Runs something that writes; a refusal is told to the person. */
export async function attempt<T>(work: () => Promise<T>): Promise<T | undefined> {
  // What was done last is no news any more.
  useLine.getState().set({ done: '', problems: [] });
  try {
    const done = await work();
    useNotice.setState({ notice: null });
    return done;
  } catch (error) {
    const problems = error instanceof RefusedError ? error.problems : [];
    const words =
      error instanceof TypeError
        ? 'The application does not answer; whether this was done shows when it is back.'
        : error instanceof Error
          ? error.message
          : 'Something went wrong.';
    useNotice.setState({ notice: { words, problems } });
    return undefined;
  }
}

/** Says where the line says it what a press did, and at the foot what has to be said of it. */
export function tell(done: LineResponse) {
  useLine.getState().set({ done: done.reading || 'Nothing changes', problems: [] });
  if (done.problems.length > 0) useNotice.setState({ notice: { words: '', problems: done.problems } });
}
