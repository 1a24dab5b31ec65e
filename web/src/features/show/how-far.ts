import type { CheckRow, ShowView } from '../../api/client';

type Chapter = ShowView['chapters'][number];

/** What a press does: a line, or a place to go to; no words when nothing is left to do. */
export interface Press {
  text: string;
  line: string;
  to: string;
}

const NOTHING: Press = { text: '', line: '', to: '' };
const go = (text: string, to: string): Press => ({ text, line: '', to });

/** The address of a chapter. */
const path = (chapter: string) => `/${chapter.toLowerCase().replace(' ', '-')}`;

/** What begins a chapter in which nothing is yet. */
const BEGIN: Record<string, Press> = {
  Profiles: go('Look at the library', '/profiles'),
  Patch: go('Import the hookup…', '/patch?bring'),
  Groups: go('Starter groups…', '/groups?starters'),
  Palettes: go('Starter palettes…', '/palettes?starters'),
  Looks: go('Record the first cue', '/looks'),
};

/** Longer ones are made short: the whole stands in Check. */
const LONGEST = 96;
const cut = (words: string) =>
  words.length > LONGEST ? `${words.slice(0, LONGEST).replace(/\s+\S*$/, '')} …` : words.replace(/\.$/, '');

/**
 * What is open in a chapter, and the next press for it: what mends its first finding, else where to go.
 *
 * What is cut is in `whole`.
 *
 * @param rows all findings, the worst of each chapter first, as Check has them
 */
export function nextPress(
  chapter: Chapter,
  rows: CheckRow[],
): { words: string; whole?: string; press: Press; to: string } {
  const to = path(chapter.name);
  if (chapter.name === 'Check')
    return { words: '', to, press: chapter.state === 'needs-an-eye' ? go('Look at them', to) : NOTHING };
  const open = rows.filter((r) => r.chapter === chapter.name && r.aside === null);
  if (open.length > 0) {
    const first = open[0]!;
    const way = first.ways?.find((w) => w.line);
    const more = open.length > 1 ? ` (1 of ${open.length})` : '';
    return {
      words: cut(first.words) + more,
      whole: first.words,
      to,
      press: way ? { text: cut(way.words), line: way.line, to } : go('Look at it', '/check'),
    };
  }
  if (chapter.name === 'Hand over')
    return {
      words: chapter.holds ? '' : 'not begun',
      to,
      press:
        chapter.state === 'ready' ? NOTHING : chapter.holds ? go('Sign and make the parcel', to) : NOTHING,
    };
  if (chapter.state !== 'not-begun') return { words: '', to, press: NOTHING };
  return { words: 'nothing yet', to, press: BEGIN[chapter.name] ?? NOTHING };
}
