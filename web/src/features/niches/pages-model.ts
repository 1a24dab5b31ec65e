import type { Schemas } from '../../api/client';

export type NichePage = Schemas['NichePageView'];

/** A window on numbers: a run of usual length, or a page that somebody set. */
export interface Window {
  /** What keeps it apart from others. */
  key: string;
  text: string;
  first: number;
  last: number;
  /** Niches a row; 0 for as many as there is room for. */
  columns: number;
}

/** Empty niches behind the last one that is filled, on a run. */
const SPARE = 3;

/** Runs up to the highest number, and the pages that were set. */
export function windows(pages: NichePage[], of: string, numbers: number[], run: number): Window[] {
  const highest = Math.max(1, ...numbers);
  const runs = Array.from({ length: Math.ceil(highest / run) }, (_, i) => ({
    key: `run ${i}`,
    text: String(i + 1),
    first: i * run + 1,
    last: (i + 1) * run,
    columns: 0,
  }));
  const set = pages
    .filter((p) => p.of === of)
    .map((p) => ({
      key: `page ${p.name}`,
      text: p.name,
      first: p.first,
      last: p.first + p.columns * p.rows - 1,
      columns: p.columns,
    }));
  return [...runs, ...set];
}

/** What stands in a window, with the free numbers between and, on a run, a few behind. */
export function placesIn<T extends { number: number }>(all: T[], window: Window): (T | number)[] {
  const by = new Map(all.map((x) => [x.number, x]));
  const filled = all.filter((x) => x.number >= window.first && x.number <= window.last);
  const end = filled.length > 0 ? filled[filled.length - 1]!.number : window.first - 1;
  const last = window.columns > 0 ? window.last : Math.min(window.last, end + SPARE);
  return Array.from(
    { length: last - window.first + 1 },
    (_, i) => by.get(window.first + i) ?? window.first + i,
  );
}

/** Things by number, with the empty niche behind each run of them: to record into, and to drag to. */
export function withFree<T extends { number: number }>(things: T[]): (T | number)[] {
  const used = new Set(things.map((t) => t.number));
  const free = [0, ...used].map((n) => n + 1).filter((n) => !used.has(n));
  const number = (t: T | number) => (typeof t === 'number' ? t : t.number);
  return [...things, ...new Set(free)].sort((a, b) => number(a) - number(b));
}
