import { edit, type Edit } from '../api/commands';
import { attempt, tell } from './notices';

/** Does a typed edit and says what it did where the line says it; a refusal is told under the line. */
export async function runEdit(what: Edit) {
  const done = await attempt(() => edit(what));
  if (done) tell(done);
  return done;
}

/** A name as the line writes it: quotation marks within are written twice. */
export const quoted = (name: string) =>
  `"${name
    .trim()
    .replaceAll('"', '""')
    .replaceAll(/[\r\n]+/g, ' ')}"`;
