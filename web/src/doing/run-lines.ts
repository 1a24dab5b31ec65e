import { line } from '../api/commands';
import { attempt, tell } from './notices';

/** Does lines as one edit and says where the line says it what it did. */
export async function runLines(lines: string[], gesture = '') {
  if (lines.length === 0) return undefined;
  const done = await attempt(() => line(lines.join('\n'), false, gesture));
  if (done) tell(done);
  return done;
}
