import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import { edit, turnHighlight } from '../api/commands';
import { redoNow, undoNow } from '../doing/history';
import { focusLine } from '../doing/line-store';
import { focusPlace } from '../doing/focus-near';
import { goOn, rememberParts } from '../doing/parts';
import { attempt, useNotice } from '../doing/notices';
import { typeName } from '../doing/record-name';
import { useActiveList } from '../features/playing/active';
import { press } from '../features/playing/playing';
import { useBuilder } from '../features/bench/builder';
import { CHAPTERS } from './chapters';
import { useSheet } from './sheet';

/** One thing that can be done from anywhere: keys and the sheet read this list. */
export interface Action {
  keys: string;
  words: string;
  matches: (e: KeyboardEvent) => boolean;
  /** Whether it also works while something is being typed. */
  always?: boolean;
  /** Whether holding the key down does it again and again. */
  repeats?: boolean;
  run: (e: KeyboardEvent) => void;
}

const plain = (key: string) => (e: KeyboardEvent) => e.key === key && !e.ctrlKey && !e.metaKey && !e.altKey;
const held = (e: KeyboardEvent) => e.ctrlKey || e.metaKey;

/** Keys that only work where they are needed; listed here so that the sheet knows them. */
const local = (keys: [string, string][]): Action[] =>
  keys.map(([k, words]) => ({ keys: k, words, matches: () => false, run: () => undefined }));

/** What has the focus and does something of its own with the space bar. */
const onControl = (e: KeyboardEvent) =>
  (e.target as HTMLElement).matches('button, a, summary, [role], input');

export function useActions(): Action[] {
  const navigate = useNavigate();
  const list = useActiveList().list?.id;
  return [
    { keys: '/', words: 'Type in the line', matches: plain('/'), run: () => focusLine() },
    {
      keys: 'Ctrl K',
      words: 'Type in the line',
      always: true,
      matches: (e) => held(e) && e.key.toLowerCase() === 'k',
      run: () => focusLine(),
    },
    {
      keys: 'F6 Shift F6',
      words: 'Go to the next part of the page, or the one before',
      always: true,
      repeats: true,
      matches: (e) => e.key === 'F6' && !held(e) && !e.altKey,
      run: (e) => goOn(e.shiftKey),
    },
    ...local([
      ['F2', 'Table: write the cell, in every selected row. Niche or cue: rename it'],
      ['← → ↑ ↓', 'Niches, tables, plan: go to the next one that way'],
      ['Page Up Page Down', 'Submaster, group level, fader: ten percent more or less'],
      ['F held', 'Submaster: flash it'],
      ['Enter', 'Niche: use it. Cue: play it. Plan: select it'],
      ['Ctrl V', 'Table: paste columns at the cursor'],
      ['Alt ← →', 'Chip: one step earlier or later in the order'],
      ['Alt ↑ ↓', 'Cue: one place earlier or later in its list'],
      ['Alt ← → ↑ ↓', 'Map: move the selection by a slot or a row'],
      ['Space ↑ ↓', 'Bring up: light, back, next'],
      ['A W D N', 'Bring up: answered, wrong, dead, note'],
      ['I', 'Bring up, Devices: identify it on the stage'],
      ['↑ ↓ S P', 'Devices: row by row; set the device, or change the patch'],
      ['Backspace', 'Read aloud: take the last one back'],
    ]),
    {
      keys: '0–9',
      words: 'Digits go to the line',
      matches: (e) => /^[0-9]$/.test(e.key) && !held(e) && !e.altKey,
      run: () => undefined,
    },
    {
      keys: 'R',
      words: 'Record: type its name',
      matches: (e) => plain(e.key)(e) && e.key.toLowerCase() === 'r',
      run: () => typeName(CHAPTERS.some((c) => c.records && c.path === window.location.pathname)),
    },
    {
      keys: 'H',
      words: 'Highlight the selection, on and off',
      matches: (e) => plain(e.key)(e) && e.key.toLowerCase() === 'h',
      run: () => void attempt(() => turnHighlight()),
    },
    {
      keys: '[',
      words: 'Previous share of the pattern',
      matches: plain('['),
      repeats: true,
      run: () => void attempt(() => edit({ type: 'step', back: true })),
    },
    {
      keys: ']',
      words: 'Next share of the pattern',
      matches: plain(']'),
      repeats: true,
      run: () => void attempt(() => edit({ type: 'step', back: false })),
    },
    {
      keys: '\\',
      words: 'Back to the whole: all patterns off',
      matches: plain('\\'),
      run: () => void attempt(() => edit({ type: 'lift' })),
    },
    {
      keys: 'F',
      words: 'Find… by state: lit, active, at a level, using a palette',
      matches: (e) => plain(e.key)(e) && e.key.toLowerCase() === 'f',
      run: () => useBuilder.setState((s) => ({ open: !s.open, byKey: true })),
    },
    {
      keys: 'Space',
      words: 'Go on in the list that is chosen in Looks',
      matches: (e) => plain(' ')(e) && !e.shiftKey && !onControl(e),
      run: () => list !== undefined && void press({ press: 'go', list }),
    },
    {
      keys: 'Shift Space',
      words: 'Back in that list',
      matches: (e) => plain(' ')(e) && e.shiftKey && !onControl(e),
      run: () => list !== undefined && void press({ press: 'back', list }),
    },
    {
      keys: 'P',
      words: 'Pause that list, and go on where it stands',
      matches: (e) => plain(e.key)(e) && e.key.toLowerCase() === 'p',
      run: () => list !== undefined && void press({ press: 'pause', list }),
    },
    {
      keys: 'Delete',
      words: 'Clear the selection, then the values',
      matches: plain('Delete'),
      run: () => void attempt(() => edit({ type: 'clear' })),
    },
    {
      keys: 'Ctrl Shift Z',
      words: 'Redo',
      always: true,
      repeats: true,
      matches: (e) => held(e) && e.shiftKey && e.key.toLowerCase() === 'z',
      run: () => void redoNow(),
    },
    {
      keys: 'Ctrl Z',
      words: 'Undo',
      always: true,
      repeats: true,
      matches: (e) => held(e) && !e.shiftKey && e.key.toLowerCase() === 'z',
      run: () => void undoNow(),
    },
    ...CHAPTERS.filter((c) => c.page).map((chapter) => ({
      keys: `Alt ${chapter.number}`,
      words: `Go to ${chapter.name}`,
      always: true,
      matches: (e: KeyboardEvent) => e.altKey && e.key === String(chapter.number),
      run: () => void navigate(chapter.path),
    })),
    {
      keys: '?',
      words: 'This list of keys',
      matches: plain('?'),
      run: () => useSheet.setState({ open: true }),
    },
  ];
}

/** Listens for the keys of all actions. */
export function useShortcuts(actions: Action[]) {
  useEffect(rememberParts, []);
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      // What is open in front has the keys to itself.
      if (e.defaultPrevented || document.querySelector('[role="dialog"]')) return;
      const target = e.target as HTMLElement;
      const typing = target.matches(
        'input:not([type=range], [type=checkbox]), textarea, [contenteditable], [data-headlessui-state][role=listbox], [data-headlessui-state][role=menu]',
      );
      const told = useNotice.getState();
      const toldOf = e.key === 'Escape' && told.notice !== null;
      if (toldOf) told.clear();
      if (toldOf && !typing) {
        e.preventDefault();
        return;
      }
      if (typing && e.key === 'Escape') {
        target.blur();
        if (target.id !== 'line') focusPlace();
        return;
      }
      const lineEmpty = target.id === 'line' && (target as HTMLInputElement).value === '';
      const action = actions.find(
        (a) =>
          a.matches(e) &&
          (!typing || (a.always && (e.key.toLowerCase() !== 'z' || lineEmpty))) &&
          (a.repeats || !e.repeat || /^[0-9]$/.test(e.key)),
      );
      if (!action) return;
      e.preventDefault();
      if (/^[0-9]$/.test(e.key) && !e.altKey) focusLine(e.key);
      else action.run(e);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [actions]);
}
