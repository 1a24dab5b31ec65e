import type { CueListView, CueView } from '../../api/client';

/** How the line names a cue of a list. */
export const cueLine = (list: CueListView, cue: CueView | string) =>
  `cue ${typeof cue === 'string' ? cue : cue.number} of list ${list.number}`;

const two = (n: number) => (n < 10 ? `0${n}` : String(n));

/** Seconds as people read them. */
export function seconds(value: number) {
  if (value < 60) return String(Number(value.toFixed(2)));
  const tenths = Math.round(value * 10);
  return `${Math.floor(tenths / 600)}:${two((tenths % 600) / 10)}`;
}

/** When everything of a cue has arrived. */
export const length = (cue: CueView) => cue.waits + Math.max(cue.rises, cue.falls, cue.others);

/** When the cue behind it starts by itself, after this one began; null when somebody presses. */
export const follows = (cue: CueView) =>
  cue.next === 'press' ? null : cue.after + (cue.next === 'end' ? length(cue) : 0);

/** What starts the next one, in words. */
export const nextWords = (cue: CueView) =>
  cue.next === 'press'
    ? ''
    : cue.after === 0
      ? cue.next === 'begin'
        ? 'next starts with it'
        : 'next follows on'
      : `next follows ${seconds(cue.after)} s after ${cue.next === 'begin' ? 'start' : 'end'}`;

/** Seconds that a common scale shows: all of the longest cue, on a round figure. */
export function scaleOf(cues: CueView[]) {
  const longest = Math.max(5, ...cues.map((c) => Math.max(length(c), follows(c) ?? 0)));
  return [5, 10, 20, 30, 60, 120, 300, 600, 1800, 3600].find((s) => s >= longest) ?? longest;
}

/** Times from a sheet: columns by their heads, or in, out, rest, wait from the row that is held. */
export function pastedTimes(text: string, cues: CueView[], from: number) {
  const rows = text
    .replaceAll('\r', '')
    .split('\n')
    .filter((r) => r.trim() !== '')
    .map((r) => r.split('\t').map((c) => c.trim()));
  const heads = rows[0]?.map((h) => h.toLowerCase()) ?? [];
  const named = heads.some((h) => ['cue', 'number', 'in', 'out', 'rest', 'wait', 'name'].includes(h));
  const columns = named ? heads.map((h) => (h === 'number' ? 'cue' : h)) : ['in', 'out', 'rest', 'wait'];
  const lines: { cue: CueView; times: string; name: string | null }[] = [];
  const wrong: string[] = [];
  rows.slice(named ? 1 : 0).forEach((row, i) => {
    const number = row[columns.indexOf('cue')];
    const cue = number ? cues.find((c) => c.number === number) : cues[from + i];
    if (!cue) {
      wrong.push(number ? `There is no cue ${number}.` : `Row ${i + 1} is behind the last cue.`);
      return;
    }
    const times = ['in', 'out', 'rest', 'wait']
      .map((what) => ({ what, value: row[columns.indexOf(what)] ?? '' }))
      .filter(({ what }) => columns.includes(what))
      .filter(({ value }) => value !== '')
      .map(({ what, value }) => `${what} ${value.replace(',', '.')}`)
      .join(' ');
    lines.push({ cue, times, name: columns.includes('name') ? (row[columns.indexOf('name')] ?? '') : null });
  });
  return { lines, wrong };
}
