import type { FixtureView } from '../../api/client';

export type Filter = 'all' | 'clashes' | 'unpatched';

export function filtered(fixtures: FixtureView[], filter: Filter, find: string): FixtureView[] {
  const wanted = find.trim().toLowerCase();
  return fixtures.filter((f) => {
    if (filter === 'clashes' && !f.clash) return false;
    if (filter === 'unpatched' && f.claims.length > 0) return false;
    return (
      !wanted ||
      `${f.number} ${f.name} ${f.profile} ${f.position} ${f.purpose} ${f.address}`
        .toLowerCase()
        .includes(wanted)
    );
  });
}

/** A line of the table: the head of a group, or a fixture. */
export type TableLine =
  { kind: 'head'; text: string; numbers: string[] } | { kind: 'row'; fixture: FixtureView };

export function grouped(fixtures: FixtureView[], by: 'position' | 'profile' | 'none'): TableLine[] {
  if (by === 'none') return fixtures.map((fixture) => ({ kind: 'row', fixture }));
  const groups = new Map<string, FixtureView[]>();
  for (const f of fixtures) {
    const key = (by === 'position' ? f.position : f.profile) || 'No position';
    groups.set(key, [...(groups.get(key) ?? []), f]);
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

const TONES = 6;

/** One of six tones of the map for each type, in order of first use. */
export function tones(fixtures: FixtureView[]): Map<string, number> {
  const found = new Map<string, number>();
  for (const f of fixtures) if (!found.has(f.profile)) found.set(f.profile, (found.size % TONES) + 1);
  return found;
}
