import { quoted } from '../../doing/run';

/** The one way of giving addresses out that needs no start. */
export const NEXT_GAP = 'next gap';

/** What was typed into the form. */
export interface Draft {
  type: string;
  /** A number, or a range: 300 thru 308. */
  first: string;
  count: string;
  start: string;
  gap: string;
  layout: string;
  position: string;
}

/** The first number from which so many are free. */
export function freeRun(taken: Set<number>, from: number, count: number): number {
  let first = from;
  for (let n = first; n < first + Math.max(1, count); n++) if (taken.has(n)) first = n + 1;
  return first;
}

/** The numbers that are meant. @param next the first one where none is typed */
export function meant(d: Draft, next: number): { first: number; count: number } {
  const [, from, to] = /^\s*(\d+)\s*(?:thru|to|[-–])\s*(\d+)\s*$/.exec(d.first) ?? [];
  if (from && to) return { first: Number(from), count: Math.max(1, Number(to) - Number(from) + 1) };
  const count = d.count.trim() === '' ? 1 : Number.parseInt(d.count, 10);
  return { first: d.first.trim() ? Number.parseInt(d.first, 10) : next, count };
}

const landing = (start: string, layout: string) =>
  layout === 'one to one'
    ? `one to one at ${start}`
    : layout === NEXT_GAP
      ? `at next gap${start.trim() ? ` from ${start}` : ''}`
      : `at ${start}${layout ? ` ${layout}` : ''}`;

/** What the form says, as the line would write it. @param next the number that is meant where none is typed */
export function written(d: Draft, next: number, addressed: boolean): string {
  const { first, count } = meant(d, next);
  if (!d.type || !first || !count || (addressed && !d.start && d.layout !== NEXT_GAP)) return '';
  const numbers = count > 1 ? `${first} thru ${first + count - 1}` : `${first}`;
  const gap = Number.parseInt(d.gap, 10) > 0 ? ` gap ${Number.parseInt(d.gap, 10)}` : '';
  const verb = addressed
    ? `patch ${numbers} as ${quoted(d.type)} ${landing(d.start, d.layout)}${gap}`
    : `add ${numbers} as ${quoted(d.type)}`;
  return d.position.trim() ? `${verb}\nhang ${numbers} on ${quoted(d.position)}` : verb;
}
