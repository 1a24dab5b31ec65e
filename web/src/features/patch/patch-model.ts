import type { FixtureView } from '../../api/client';

export type Filter = 'all' | 'clashes' | 'shared' | 'unpatched' | 'marked';

export function filtered(fixtures: FixtureView[], filter: Filter, find: string): FixtureView[] {
  const wanted = find.trim().toLowerCase();
  return fixtures.filter((f) => {
    if (filter === 'clashes' && !f.clash) return false;
    if (filter === 'shared' && !f.shared) return false;
    if (filter === 'unpatched' && f.claims.length > 0) return false;
    if (filter === 'marked' && f.answer !== 'wrong' && f.answer !== 'dead') return false;
    return (
      !wanted ||
      `${f.number} ${f.name} ${f.profile} ${f.position} ${f.purpose} ${f.address} ${f.mode} ${f.notes}`
        .toLowerCase()
        .includes(wanted)
    );
  });
}

/** A line of the table: the head of a group, or a fixture. */
export type TableLine =
  { kind: 'head'; text: string; numbers: string[] } | { kind: 'row'; fixture: FixtureView };

export type GroupBy = 'position' | 'type' | 'universe' | 'purpose' | 'none';

const HEADS: Record<Exclude<GroupBy, 'none'>, (f: FixtureView) => string> = {
  position: (f) => f.position || 'No position',
  type: (f) => `${f.profile} / ${f.mode}`,
  universe: (f) => (f.claims[0] ? `Universe ${f.claims[0].universe}` : 'No address'),
  purpose: (f) => f.purpose || 'No purpose',
};

export function grouped(fixtures: FixtureView[], by: GroupBy): TableLine[] {
  if (by === 'none') return fixtures.map((fixture) => ({ kind: 'row', fixture }));
  const groups = new Map<string, FixtureView[]>();
  for (const f of fixtures) {
    const key = HEADS[by](f);
    const members = groups.get(key);
    if (members) members.push(f);
    else groups.set(key, [f]);
  }
  return [...groups].flatMap(([name, members]) => [
    {
      kind: 'head' as const,
      text: `${name} — ${members.length} ${members.length === 1 ? 'fixture' : 'fixtures'}`,
      numbers: members.map((m) => String(m.number)),
    },
    ...members.map((fixture) => ({ kind: 'row' as const, fixture })),
  ]);
}

/** Numbers as the line writes them: 301 thru 312 + 320. */
export function runs(numbers: number[]): string {
  const found: [number, number][] = [];
  for (const n of numbers) {
    const last = found.at(-1);
    if (last && last[1] + 1 === n) last[1] = n;
    else found.push([n, n]);
  }
  return found.map(([a, b]) => (a === b ? `${a}` : `${a} thru ${b}`)).join(' + ');
}

const TONES = 6;

/** One of six tones of the map for each type, in order of first use. */
export function tones(fixtures: FixtureView[]): Map<string, number> {
  const found = new Map<string, number>();
  for (const f of fixtures) if (!found.has(f.profile)) found.set(f.profile, (found.size % TONES) + 1);
  return found;
}

/** Whether a universe goes out by Art-Net, to nodes or to all. */
export const isArtNet = (route: string) => route.startsWith('art-net');
