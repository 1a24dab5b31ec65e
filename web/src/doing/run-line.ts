import { RefusedError, type LineResponse, type ProblemView } from '../api/client';
import { line } from '../api/commands';
import { useConnection } from '../api/live';
import { useLine } from './line-store';
import { tell, useNotice } from './notices';

/** Lines under way, so that pressing Enter twice does a thing once. */
const running = new Set<string>();

/** Those of them that have not been answered yet. */
const unanswered = new Set<string>();

/** What is typed anew after it was done is meant once more, however quickly. */
export const typedAnew = (text: string) => {
  if (!unanswered.has(text)) running.delete(text);
};

const AWAY: ProblemView = {
  code: 'page.away',
  severity: 'refusal',
  subject: 'line',
  from: -1,
  to: -1,
  words: 'The application does not answer; nothing was done. The line stays here until it is back.',
  waysOut: [],
} as ProblemView;

/** Whoever types sees it under the line; for a press elsewhere it is told at the foot. */
function tellElsewhere(words: string, problems: ProblemView[]) {
  if (document.activeElement?.id !== 'line') useNotice.setState({ notice: { words, problems } });
}

/**
 * Does a line and empties the input, or leaves it there with what is wrong. A press elsewhere does a line too: what a
 * person has begun to type in the meantime is not touched.
 */
export async function runLine(text: string): Promise<LineResponse | undefined> {
  const { set, remember } = useLine.getState();
  const typingOther = () => !['', text].includes(useLine.getState().text);
  if (running.has(text)) return undefined;
  if (useConnection.getState().away) {
    set({ text: typingOther() ? useLine.getState().text : text, problems: [AWAY], done: '' });
    tellElsewhere(AWAY.words, []);
    return undefined;
  }
  running.add(text);
  unanswered.add(text);
  useNotice.setState({ notice: null });
  try {
    const done = await line(text);
    unanswered.delete(text);
    remember(text);
    if (!typingOther()) {
      set({ text: '', reading: null });
      tell(done);
    }
    return done;
  } catch (error) {
    if (!(error instanceof RefusedError)) {
      const words = 'The application does not answer; whether this was done shows when it is back.';
      set({ text: typingOther() ? useLine.getState().text : text, done: '', problems: [{ ...AWAY, words }] });
      tellElsewhere(words, []);
    } else {
      if (!typingOther()) set({ text, done: '', problems: error.problems });
      tellElsewhere(error.message, error.problems);
    }
    return undefined;
  } finally {
    unanswered.delete(text);
    window.setTimeout(() => running.delete(text), 250);
  }
}
