import { answered, client, type LineResponse } from './client';
import { path, type Edit } from './commands';
import { writeNewest, type WriteHeaders } from './writing';

/**
 * Does an edit that goes on changing under a hand; of what waits for its turn only the newest is done.
 *
 * @param gesture what is undone as one
 * @param about what is changed in it: two things that one gesture changes do not take each other's place
 * @param what the edit for a value, or the line; none where steps either way have come to nothing
 * @param join what waits and what came since, as one; the newer one alone if it is not given
 */
export async function changing<V>(
  gesture: string,
  about: string,
  value: V,
  what: (value: V) => Edit | string | null,
  join?: (waits: V, newer: V) => V,
): Promise<LineResponse | undefined> {
  const send = async (newest: V, headers: WriteHeaders) => {
    const asked = what(newest);
    if (asked === null) return undefined;
    const said = { preview: false, gesture };
    return typeof asked === 'string'
      ? client.POST('/api/shows/{id}/line', { params: path(), body: { text: asked, ...said }, headers })
      : client.POST('/api/shows/{id}/edits', {
          params: path(),
          body: { edit: asked, ...said } as never,
          headers,
        });
  };
  const done = await writeNewest(`${gesture} ${about}`, value, send, join);
  return done && answered(done);
}
