import { expect, it } from 'vitest';
import { follows } from './parts';

it('goes around in both directions', () => {
  expect([0, 1, 2, 3].map((at) => follows(at, 4, false))).toEqual([1, 2, 3, 0]);
  expect([0, 1, 2, 3].map((at) => follows(at, 4, true))).toEqual([3, 0, 1, 2]);
});
