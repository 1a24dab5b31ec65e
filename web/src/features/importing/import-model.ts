import type { ImportablePart } from '../../api/importing';

export type Sort = 'palette' | 'look' | 'effect' | 'mark' | 'page';

export const SORTS: { value: Sort; text: string }[] = [
  { value: 'palette', text: 'Palettes' },
  { value: 'look', text: 'Looks' },
  { value: 'effect', text: 'Effects' },
  { value: 'mark', text: 'Marks' },
  { value: 'page', text: 'Pages' },
];

/** Those of one sort whose label has all of the words. */
export function shownOf(parts: ImportablePart[], sort: Sort, words: string): ImportablePart[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  return parts.filter((p) => p.sort === sort && wanted.every((w) => p.label.toLowerCase().includes(w)));
}

/** Pairs as they are typed; what is not finished yet does not count. */
export const pairs = (text: string) =>
  [...text.matchAll(/(\d{1,6})\s*=\s*(\d{1,6})/g)].map((m) => ({ theirs: Number(m[1]), ours: Number(m[2]) }));
