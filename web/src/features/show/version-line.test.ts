import { expect, it } from 'vitest';
import { chosenTwo, NOW } from './version-line';

const line = [3, 7, 9, NOW];

it('one version is compared with now', () => expect(chosenTwo(line, [7])).toEqual({ older: 7, newer: NOW }));
it('two are compared, the older first, whichever was pressed first', () =>
  expect(chosenTwo(line, [9, 3])).toEqual({ older: 3, newer: 9 }));
it('now alone is compared with nothing', () => expect(chosenTwo(line, [NOW]).older).toBeNull());
it('now and a version are compared', () =>
  expect(chosenTwo(line, [NOW, 3])).toEqual({ older: 3, newer: NOW }));
it('a version that is gone does not count', () => expect(chosenTwo(line, [5]).older).toBeNull());
