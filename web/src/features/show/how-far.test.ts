import { describe, expect, it } from 'vitest';
import type { CheckRow, ShowView } from '../../api/client';
import { nextPress } from './how-far';

type Chapter = ShowView['chapters'][number];
const chapter = (name: string, of: Partial<Chapter> = {}): Chapter => ({
  name,
  fact: '',
  holds: '',
  state: 'ready',
  ...of,
});
const row = (of: Partial<CheckRow>): CheckRow =>
  ({ key: 'k', chapter: 'Patch', words: 'It clashes.', ways: [], aside: null, ...of }) as unknown as CheckRow;

describe('the next press', () => {
  it('is nothing where nothing is open', () => {
    expect(nextPress(chapter('Groups', { holds: '17 groups' }), [])).toMatchObject({
      words: '',
      press: { text: '' },
    });
  });
  it('mends the first of what is open, and says how many there are', () => {
    const ways = [
      { words: 'Look', line: '' },
      { words: 'Move 208 to 3.57', line: 'patch 208 at 3.57' },
    ];
    const next = nextPress(chapter('Patch', { state: 'needs-an-eye' }), [
      row({ ways } as never),
      row({ words: 'Other.' }),
    ]);
    expect(next.words).toBe('It clashes (1 of 2)');
    expect(next.press).toMatchObject({ text: 'Move 208 to 3.57', line: 'patch 208 at 3.57' });
  });
  it('goes to Check where no press mends it, and leaves out what is set aside', () => {
    const rows = [row({ aside: {} as never, words: 'Aside.' }), row({ ways: undefined as never })];
    expect(nextPress(chapter('Patch'), rows).press).toMatchObject({ line: '', to: '/check' });
    expect(nextPress(chapter('Patch'), [rows[0]!]).words).toBe('');
  });
  it('begins what is not begun', () => {
    expect(nextPress(chapter('Patch', { state: 'not-begun' }), []).press.to).toBe('/patch?bring');
    expect(nextPress(chapter('Looks', { state: 'not-begun' }), []).press.text).toBe('Record the first cue');
  });
  it('keeps long words on one line', () => {
    const words = 'A very long finding '.repeat(20);
    expect(nextPress(chapter('Patch'), [row({ words })]).words.length).toBeLessThan(110);
  });
});
