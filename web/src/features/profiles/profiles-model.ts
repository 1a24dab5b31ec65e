import type { Schemas } from '../../api/client';

export type Summary = Schemas['ProfileSummary'];
export type Browse = 'use' | 'maker' | 'family';

/** Every word must be found somewhere: in maker, model, family, a mode or its number of slots. */
export function matches(p: Summary, find: string): boolean {
  const modes = p.modes.map((m) => `${m.name} ${m.slots}`).join(' ');
  const words = `${p.maker} ${p.name} ${p.family} ${modes}`.toLowerCase();
  return find
    .toLowerCase()
    .split(/\s+/)
    .every((w) => words.includes(w));
}

const HEADS: Record<Browse, (p: Summary) => string> = {
  use: (p) => (p.inUse > 0 ? 'In use in this show' : 'Library'),
  maker: (p) => p.maker,
  family: (p) => p.family,
};

/** Profiles under the heads one browses by; those in use come first under each. */
export function browsed(profiles: Summary[], by: Browse): { name: string; profiles: Summary[] }[] {
  const groups = new Map<string, Summary[]>();
  for (const p of profiles) {
    const head = HEADS[by](p);
    groups.set(head, [...(groups.get(head) ?? []), p]);
  }
  const found = [...groups].map(([name, members]) => ({ name, profiles: members }));
  return by === 'use' ? found : found.sort((a, b) => a.name.localeCompare(b.name));
}
