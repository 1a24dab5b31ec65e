import { beforeEach, expect, it, vi } from 'vitest';
import { changing } from './changing';
import { client } from './client';
import { useCurrentShow } from './current-show';
import { inTurn, settled } from './turns';

beforeEach(() => {
  vi.restoreAllMocks();
  useCurrentShow.getState().set(1);
});

it('steps that come to nothing while they wait are not asked for', async () => {
  const post = vi
    .spyOn(client, 'POST')
    .mockResolvedValue({ data: { revision: 1 }, response: { ok: true } } as never);
  const step = (by: number) =>
    changing(
      'keys',
      'pan',
      by,
      (sum) => (sum ? `nudge pan by ${sum}` : null),
      (a, b) => a + b,
    );
  void inTurn(() => Promise.resolve());
  void step(1);
  const nothing = step(-1);
  expect(await nothing).toBeUndefined();
  expect(post).not.toHaveBeenCalled();
  void inTurn(() => Promise.resolve());
  void step(2);
  void step(3);
  await settled();
  expect(post).toHaveBeenCalledTimes(1);
  expect(JSON.stringify(post.mock.calls[0])).toContain('nudge pan by 5');
});
