import { redo, undo } from '../api/commands';
import { useLine } from './line-store';
import { attempt } from './notices';

/** Takes the last step back and says what it was. */
export const undoNow = () => tell(undo, 'Nothing to undo');

/** Does the last step again that was taken back, and says what it was. */
export const redoNow = () => tell(redo, 'Nothing to redo');

async function tell(move: () => Promise<{ words: string[] }>, otherwise: string) {
  const moved = await attempt(move);
  if (moved) useLine.getState().set({ done: moved.words[0] ?? otherwise, problems: [] });
}
