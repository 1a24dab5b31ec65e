import { edit, type Edit } from '../api/commands';
import { attempt } from './notices';
import { useLine } from './line-store';

/** Does a typed edit and says what it did where the line says it; a refusal is told under the line. */
export async function runEdit(what: Edit) {
  const done = await attempt(() => edit(what));
  if (done) useLine.getState().set({ done: done.reading || 'Nothing changes', problems: done.problems });
  return done;
}

/** A name as the line writes it: quotation marks within are written twice. */
export const quoted = (name: string) =>
  `"${name
    .trim()
    .replaceAll('"', '""')
    .replaceAll(/[\r\n]+/g, ' ')}"`;
