import type { CheckRow } from '../../api/client';

export type Shown = 'open' | 'aside' | 'mended';
export type By = 'chapter' | 'fixture';

/** Rows under one heading. */
export interface Section {
  heading: string;
  words: string;
  rows: CheckRow[];
}

/** Whether a row has all of the words that are looked for, wherever they stand. */
export function found(row: CheckRow, words: string): boolean {
  const text = `${row.words} ${row.beside} ${row.chapter} ${row.units.join(' ')}`.toLowerCase();
  return words
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
}

const counted = (open: number, aside: number) =>
  [open > 0 || aside === 0 ? `${open} open` : '', aside > 0 ? `${aside} set aside` : '']
    .filter(Boolean)
    .join(' · ');

/** In the order of chapters, or of fixtures; what names nobody comes last. */
export function sections(rows: CheckRow[], all: CheckRow[], by: By): Section[] {
  if (by === 'chapter') {
    const chapters = [...new Set(rows.map((r) => r.chapter))];
    return chapters.map((chapter) => {
      const of = all.filter((r) => r.chapter === chapter);
      const aside = of.filter((r) => r.aside !== null).length;
      return {
        heading: chapter,
        words: counted(of.length - aside, aside),
        rows: rows.filter((r) => r.chapter === chapter),
      };
    });
  }
  const byFixture = new Map<number, CheckRow[]>();
  for (const row of rows) {
    const numbers = new Set(row.units.map((u) => Number(u.split('.')[0])));
    for (const number of numbers) byFixture.set(number, [...(byFixture.get(number) ?? []), row]);
  }
  const none = rows.filter((r) => r.units.length === 0);
  return [
    ...[...byFixture]
      .sort(([a], [b]) => a - b)
      .map(([number, of]) => ({
        heading: String(number),
        words: of.length === 1 ? '' : `${of.length} findings`,
        rows: of,
      })),
    ...(none.length > 0 ? [{ heading: 'No fixture', words: 'about the show itself', rows: none }] : []),
  ];
}

/** Where a finding is to be seen: the chapter, and what is to be looked at there. */
export function leads(spot: CheckRow['spot']): { path: string; keep: [string, unknown][] } | null {
  if (!spot) return null;
  const number = Number(spot.name);
  switch (spot.what) {
    case 'fixture':
      return { path: '/patch', keep: [] };
    case 'universe':
      return { path: '/patch', keep: [] };
    case 'version':
      return { path: '/show', keep: [] };
    case 'profile':
      return { path: '/profiles', keep: [] };
    case 'group':
      return { path: '/groups', keep: [['groups looked at', [number]]] };
    case 'effect':
      return { path: '/looks?view=effects', keep: [['effect', number]] };
    case 'look':
    case 'submaster':
      return { path: '/looks', keep: [['look looked at', { kind: spot.what, number }]] };
    case 'cue':
      return { path: '/looks', keep: [] };
    default:
      return {
        path: '/palettes',
        keep: [
          ['palettes kind', spot.what],
          [`${spot.what} looked at`, number],
        ],
      };
  }
}
