import { expect, it } from 'vitest';
import { foundBy } from './Finder';

const options = ['northlamp skiff wash extended 24 slots', 'corvid optics ember par 6-slot 6 slots'].map(
  (words) => ({
    value: words,
    text: words,
    under: '',
    words,
  }),
);

it('every word that is typed is found somewhere, in any order and in any case', () => {
  expect(foundBy(options, 'EXTENDED skiff')).toEqual([options[0]]);
  expect(foundBy(options, '6-slot par')).toEqual([options[1]]);
  expect(foundBy(options, ' slots ')).toEqual(options);
  expect(foundBy(options, 'skiff par')).toEqual([]);
  expect(foundBy(options, '')).toBe(options);
});
