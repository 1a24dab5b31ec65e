import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { RunView } from '../../api/client';
import { positionNow, secondsNow, shareNow } from './playing';

const run = (of: Partial<RunView>) =>
  ({ seconds: 2, length: 10, paused: false, rate: 60, position: 3, ...of }) as RunView;

beforeEach(() => {
  vi.spyOn(performance, 'now').mockReturnValue(5_000);
});
afterEach(() => vi.restoreAllMocks());

it('what was told a while ago has gone on since', () => {
  expect(secondsNow(run({}), 2_000)).toBe(5);
  expect(shareNow(run({}), 2_000)).toBe(0.5);
  expect(positionNow(run({}), 2_000)).toBe(6);
});

it('what stands still has not', () => {
  expect(secondsNow(run({ paused: true }), 0)).toBe(2);
  expect(positionNow(run({ paused: true }), 0)).toBe(3);
});

it('a fade is never further than there, and there at once when it takes no time', () => {
  expect(shareNow(run({ seconds: 9 }), 0)).toBe(1);
  expect(shareNow(run({ length: 0 }), 5_000)).toBe(1);
});
