import { describe, expect, it } from 'vitest';
import { ALL, keys, query, since, soFar } from './paper-model';

describe('paper', () => {
  it('is asked for with its size, and its side where one was chosen', () => {
    expect(query({ size: 'a4' })).toBe('size=a4');
    expect(query({ size: 'letter', across: false }, { r: '7' })).toBe('size=letter&r=7&across=false');
  });

  it('is one sheet, or all but the labels', () => {
    const sheets = [{ key: 'cover' }, { key: 'labels' }, { key: 'cues' }];
    expect(keys('labels', sheets)).toBe('labels');
    expect(keys(ALL, sheets)).toBe('cover,cues');
  });
});

describe('words', () => {
  it('say how far it is', () => {
    expect(soFar({ done: 0, of: 0, words: '' })).toBe('beginning…');
    expect(soFar({ done: 2, of: 5, words: 'Groups' })).toBe('3 of 5: Groups');
    expect(soFar({ done: 5, of: 5, words: 'the file' })).toBe('5 of 5: the file');
  });

  it('say what has happened since', () => {
    expect(since(-1, 7)).toBe('not made yet');
    expect(since(7, 7)).toBe('made at revision 7, nothing changed since');
    expect(since(6, 7)).toBe('last made at revision 6, 1 change since');
    expect(since(2, 7)).toBe('last made at revision 2, 5 changes since');
  });
});
