import type { PaperLook } from '../../api/queries';

/** Every sheet in one document. */
export const ALL = 'all';

/** As an address has it, behind a question mark. */
export function query(look: PaperLook, more: Record<string, string> = {}): string {
  const all = new URLSearchParams({ size: look.size, ...more });
  if (look.across !== undefined) all.set('across', String(look.across));
  return all.toString();
}

/** Keys of the sheets of a document, as an address has them; labels lie on sheets of their own. */
export function keys(chosen: string, sheets: { key: string }[]): string {
  if (chosen !== ALL) return chosen;
  return sheets
    .map((s) => s.key)
    .filter((k) => k !== 'labels')
    .join(',');
}

/** How far something is, in words. */
export function soFar(stage: { done: number; of: number; words: string }): string {
  return stage.of === 0
    ? 'beginning…'
    : `${Math.min(stage.done + 1, stage.of)} of ${stage.of}: ${stage.words}`;
}

/** What has happened since the last parcel, in words. */
export function since(madeAt: number, revision: number): string {
  if (madeAt < 0) return 'not made yet';
  const changes = revision - madeAt;
  return changes <= 0
    ? `made at revision ${madeAt}, nothing changed since`
    : `last made at revision ${madeAt}, ${changes} ${changes === 1 ? 'change' : 'changes'} since`;
}
