/** What was asked for last, as long as it waits for its turn. */
let waiting: { of: string; value: unknown } | null = null;

let last: Promise<unknown> = Promise.resolve();

/** When everything that was asked for until now is done. */
export const settled = () => last.catch(() => undefined);

/** Does one thing after the other, in the order in which they were asked for, whatever becomes of those before. */
export function inTurn<T>(work: () => Promise<T>): Promise<T> {
  waiting = null;
  const next = last.catch(() => undefined).then(work);
  last = next;
  return next;
}

/**
 * The same for what is asked for again and again while a hand moves. As long as it waits for its turn, and nothing else was
 * asked for since, what comes is joined with what waits: the hand is followed at the speed of the application, and what is
 * asked for next finds the hand where it was by then.
 *
 * @param of what is moved, in which gesture
 * @param join what waits and what came since, as one; the newer one alone if it is not given
 */
export function newestInTurn<V, T>(
  of: string,
  value: V,
  work: (value: V) => Promise<T>,
  join: (waits: V, newer: V) => V = (_, newer) => newer,
): Promise<T> {
  if (waiting?.of === of) {
    waiting.value = join(waiting.value as V, value);
    return last as Promise<T>;
  }
  const mine = { of, value };
  const next = inTurn(() => {
    if (waiting === mine) waiting = null;
    return work(mine.value);
  });
  waiting = mine;
  return next;
}
