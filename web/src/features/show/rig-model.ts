import type { PairView } from '../../api/rig-move';

/** What somebody said of some fixtures: none behind it when nothing is to stand for them. */
export interface Said {
  was: number[];
  is: number[];
}

/** One fixture of the show with all that stand for it. */
export interface PairRow {
  was: PairView['was'];
  is: PairView['is'][];
  by: string;
  sure: boolean;
}

/** Rows by fixture of the show; those without any, last said nothing of, are among them. */
export function rowsOf(pairs: PairView[], without: PairView['was'][]): PairRow[] {
  const rows = new Map<number, PairRow>();
  for (const p of pairs) {
    const row = rows.get(p.was.number);
    if (row) row.is.push(p.is);
    else rows.set(p.was.number, { was: p.was, is: [p.is], by: p.by, sure: p.sure });
  }
  for (const w of without) rows.set(w.number, { was: w, is: [], by: 'nothing stands for it', sure: false });
  return [...rows.values()].sort((a, b) => a.was.number - b.was.number);
}

/** `101 thru 104 + 107`, as the line has it; empty for what is no such list. */
export function numbers(text: string): number[] | null {
  if (!text.trim()) return [];
  const found: number[] = [];
  for (const part of text.split(/[+,]/)) {
    const match = /^\s*(\d{1,6})(?:\s*(?:thru|-|–)\s*(\d{1,6}))?\s*$/.exec(part);
    if (!match) return null;
    const from = Number(match[1]);
    const to = match[2] === undefined ? from : Number(match[2]);
    const step = from <= to ? 1 : -1;
    if (Math.abs(to - from) > 5000) return null;
    for (let n = from; n !== to + step; n += step) found.push(n);
  }
  return found;
}

/** With one more said; what was said of the same fixtures before goes. */
export function saying(said: Said[], more: Said): Said[] {
  const kept = said
    .map((s) => ({ was: s.was.filter((n) => !more.was.includes(n)), is: s.is }))
    .filter((s) => s.was.length > 0);
  return [...kept, more];
}
