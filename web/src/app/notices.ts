import { create } from 'zustand';
import { RefusedError, type ProblemView } from '../api/client';

interface Notice {
  words: string;
  problems: ProblemView[];
}

/** The last thing that was refused outside the line; shown under the line until the next press. */
export const useNotice = create<{ notice: Notice | null; clear: () => void }>((set) => ({
  notice: null,
  clear: () => set({ notice: null }),
}));

/** Runs something that writes; a refusal is told to the person. */
export async function attempt<T>(work: () => Promise<T>): Promise<T | undefined> {
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
