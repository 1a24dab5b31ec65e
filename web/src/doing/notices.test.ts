import { beforeEach, describe, expect, it } from 'vitest';
import { RefusedError, type LineResponse } from '../api/client';
import { useLine } from './line-store';
import { attempt, tell, useNotice } from './notices';

beforeEach(() => {
  useNotice.setState({ notice: null });
  useLine.setState({ done: 'something earlier', problems: [] });
});

describe('something that is tried', () => {
  it('is given back when it went well, and what was told before is gone', async () => {
    useNotice.setState({ notice: { words: 'old', problems: [] } });
    expect(await attempt(async () => 7)).toBe(7);
    expect(useNotice.getState().notice).toBeNull();
    expect(useLine.getState().done).toBe('');
  });

  it('is told with its problems when it was refused', async () => {
    const problem = { words: 'Nothing is selected.' } as never;
    await attempt(async () => {
      throw new RefusedError('Refused', [problem]);
    });
    expect(useNotice.getState().notice!.problems).toEqual([problem]);
  });

  it('is told in plain words when nobody answers', async () => {
    await attempt(async () => {
      throw new TypeError('Failed to fetch');
    });
    expect(useNotice.getState().notice!.words).toContain('does not answer');
  });
});

it('what was done stands in the line, and what has to be said of it at the foot', () => {
  tell({ reading: '', problems: [] } as unknown as LineResponse);
  expect(useLine.getState().done).toBe('Nothing changes');
  expect(useNotice.getState().notice).toBeNull();
  tell({ reading: 'Done', problems: [{ words: 'left out' }] } as unknown as LineResponse);
  expect(useLine.getState().done).toBe('Done');
  expect(useNotice.getState().notice!.problems).toHaveLength(1);
});
