import { expect, it } from 'vitest';
import { called, GRADE_INK, KINDS, lineOf, SHORT } from './kinds';

it('every kind has a name, two letters of its own and a word in the line', () => {
  expect(new Set(KINDS.map((k) => SHORT[k])).size).toBe(KINDS.length);
  for (const kind of KINDS) {
    expect(SHORT[kind]).toMatch(/^[A-Z][A-Za-z]{1,2}$/);
    expect(called(kind).toLowerCase()).toBe(kind);
  }
  expect(lineOf({ kind: 'colour', number: 3 })).toBe('colour 3');
});

it('what needs a look is not written like what matches', () => {
  expect(GRADE_INK['exact']).toBe(GRADE_INK['match']);
  expect(new Set(Object.values(GRADE_INK)).size).toBe(3);
});
