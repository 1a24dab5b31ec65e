import type { FateView } from '../../api/rig-move';

/** From the best to the worst. */
export const VERDICTS = ['carries', 'anew', 'nearest', 'lost'] as const;
export type Verdict = (typeof VERDICTS)[number];

export const VERDICT_WORDS: Record<Verdict, string> = {
  carries: 'carry',
  anew: 'worked out anew',
  nearest: 'nearest',
  lost: 'lost',
};

export const SORTS: { sort: string; words: string }[] = [
  { sort: 'look', words: 'Looks' },
  { sort: 'palette', words: 'Palettes' },
  { sort: 'group', words: 'Groups' },
  { sort: 'effect', words: 'Effects' },
  { sort: 'mark', words: 'Marks' },
];

/** How many parts have what as their worst. */
export function counted(fates: FateView[]): Record<Verdict, number> {
  const counts = { carries: 0, anew: 0, nearest: 0, lost: 0 };
  for (const f of fates) counts[f.worst as Verdict] += 1;
  return counts;
}

/** The worst first, else as they were. */
export function worstFirst(fates: FateView[]): FateView[] {
  return [...fates].sort(
    (a, b) => VERDICTS.indexOf(b.worst as Verdict) - VERDICTS.indexOf(a.worst as Verdict),
  );
}
