import { useCurrentShow } from './current-show';
import { inTurn, newestInTurn } from './turns';

/** What this page calls itself: what it lays over the show goes when it has gone. */
export const page = crypto.randomUUID();

/** The revision this page stands on: what it shows, or what its own last write led to. */
const known = { show: 0, revision: 0 };

/** The page has been shown a show at a revision. */
export function stand(show: number, revision: number) {
  if (known.show !== show || revision > known.revision) Object.assign(known, { show, revision });
}

/** A write went well. If somebody else's edit came in between, the page has to see it first. */
function wrote(from: number, revision: number | undefined) {
  if (revision === from + 1) known.revision = Math.max(known.revision, revision);
}

export interface WriteHeaders {
  [name: string]: string;
}

const TRIES = 3;
const PAUSE_MS = 700;

/** Sends again what found nobody, with the same key: done once, however often it arrives. */
async function sent<T>(send: (headers: WriteHeaders) => Promise<T>, headers: WriteHeaders): Promise<T> {
  for (let tries = 1; ; tries++) {
    try {
      return await send(headers);
    } catch (error) {
      if (!(error instanceof TypeError) || tries === TRIES) throw error;
      await new Promise((resolve) => window.setTimeout(resolve, PAUSE_MS * tries));
    }
  }
}

async function written<T>(send: (headers: WriteHeaders) => Promise<T>): Promise<T> {
  const ofShow = known.show === useCurrentShow.getState().id;
  const from = known.revision;
  const headers: WriteHeaders = { 'Idempotency-Key': crypto.randomUUID(), 'Loculus-Page': page };
  if (ofShow) headers['Loculus-Revision'] = String(from);
  const done = await sent(send, headers);
  wrote(from, (done as { data?: { revision?: number } } | undefined)?.data?.revision);
  return done;
}

/** Writes when it is its turn, with a key and the revision it was made on. */
export const write = <T>(send: (headers: WriteHeaders) => Promise<T>) => inTurn(() => written(send));

/** The same for what is still changing under a hand: of what waits for its turn the newest is written. */
export const writeNewest = <V, T>(
  of: string,
  value: V,
  send: (value: V, headers: WriteHeaders) => Promise<T>,
  join?: (waits: V, newer: V) => V,
) => newestInTurn(of, value, (newest) => written((headers) => send(newest, headers)), join);
