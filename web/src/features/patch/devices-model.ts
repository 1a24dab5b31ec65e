import type { DeviceRowView, DevicesView } from '../../api/client';

/** Whose word counts for a row. */
export type Right = 'patch' | 'device';

/** What was chosen, without what a later search has made pointless. */
export function chosen(rows: DeviceRowView[], choices: Record<string, Right>) {
  const may = (r: DeviceRowView) => (choices[r.key] === 'patch' ? r.settable : r.takeable);
  const kept = rows.filter((r) => choices[r.key] !== undefined && may(r));
  return {
    set: kept.filter((r) => choices[r.key] === 'patch').map((r) => r.key),
    take: kept.filter((r) => choices[r.key] === 'device').map((r) => r.key),
  };
}

/** Everything in which one of them may be right. */
export const everything = (rows: DeviceRowView[], right: Right): Record<string, Right> =>
  Object.fromEntries(
    rows.filter((r) => (right === 'patch' ? r.settable : r.takeable)).map((r) => [r.key, right]),
  );

const many = (n: number, one: string) => `${n} ${one}${n === 1 ? '' : 's'}`;

/** How the search went, in a line. */
export function told(view: DevicesView): string {
  const { found, right } = view.counts;
  const silent = view.rows.filter((r) => r.faults.includes('missing')).length;
  return [
    `${many(found, 'device')} on ${many(view.lines, 'line')}`,
    `${right} as patched`,
    ...(silent > 0 ? [`${silent} missing`] : []),
  ].join(', ');
}

/** The next row above or below one, by key; the first when it is gone. */
export function stepped(rows: DeviceRowView[], key: string, by: number): string {
  const at = rows.findIndex((r) => r.key === key);
  const next = at < 0 ? 0 : Math.max(0, Math.min(rows.length - 1, at + by));
  return rows[next]?.key ?? '';
}
