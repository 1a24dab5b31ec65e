import { beforeEach, describe, expect, it, vi } from 'vitest';
import { useCurrentShow } from './current-show';
import { settled } from './turns';
import { stand, write, type WriteHeaders } from './writing';

beforeEach(() => {
  vi.stubGlobal('window', globalThis);
  vi.useFakeTimers();
  useCurrentShow.getState().set(1);
});

/** What comes of it when all pauses are over. */
async function soon<T>(coming: Promise<T>) {
  coming.catch(() => undefined);
  await vi.runAllTimersAsync();
  return coming;
}

const answer = (revision: number) => ({ data: { revision } });

describe('writes', () => {
  it('go one after the other, in the order in which they were asked for', async () => {
    const order: string[] = [];
    const slow = (name: string, ms: number) => async () => {
      order.push(`${name} begins`);
      await new Promise((done) => setTimeout(done, ms));
      order.push(`${name} ends`);
    };
    void write(slow('first', 300));
    void write(slow('second', 1));
    await soon(settled());
    expect(order).toEqual(['first begins', 'first ends', 'second begins', 'second ends']);
  });

  it('go on after one that was refused', async () => {
    await expect(write(async () => Promise.reject(new Error('no')))).rejects.toThrow('no');
    expect(await write(async () => 4)).toBe(4);
  });

  it('that find nobody are sent again with the same key, and given up after three', async () => {
    const keys: string[] = [];
    const nobody = async (headers: WriteHeaders) => {
      keys.push(headers['Idempotency-Key']!);
      throw new TypeError('Failed to fetch');
    };
    await expect(soon(write(nobody))).rejects.toThrow('Failed to fetch');
    expect(keys).toHaveLength(3);
    expect(new Set(keys).size).toBe(1);
  });

  it('have keys of their own', async () => {
    const keys: string[] = [];
    const keep = async (headers: WriteHeaders) => void keys.push(headers['Idempotency-Key']!);
    await write(keep);
    await write(keep);
    expect(new Set(keys).size).toBe(2);
  });
});

describe('the revision that a write is made on', () => {
  const from = async () => {
    let revision = '';
    await write(async (headers) => void (revision = headers['Loculus-Revision'] ?? 'none'));
    return revision;
  };

  it('is what the page was shown, or what its own last write led to', async () => {
    stand(1, 40);
    expect(await from()).toBe('40');
    await write(async () => answer(41));
    expect(await from()).toBe('41');
  });

  it('is not what another one’s edit in between led to: that has to be seen first', async () => {
    stand(1, 50);
    await write(async () => answer(52));
    expect(await from()).toBe('50');
  });

  it('is not said for a show that the page has not been shown', async () => {
    stand(1, 60);
    useCurrentShow.getState().set(2);
    expect(await from()).toBe('none');
  });
});
