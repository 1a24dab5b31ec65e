import { describe, expect, it } from 'vitest';
import { stopOf } from './useOneStop';

describe('where Tab stops in a row', () => {
  const none = () => false;

  it('is where the keys were', () => {
    expect(stopOf(['a', 'b', 'c'], 'b', (one) => one === 'c')).toBe('b');
  });

  it('is what is chosen when the keys were nowhere, or on what has gone', () => {
    expect(stopOf(['a', 'b', 'c'], null, (one) => one === 'c')).toBe('c');
    expect(stopOf(['a', 'c'], 'b', (one) => one === 'c')).toBe('c');
  });

  it('is the first otherwise, and nowhere in an empty row', () => {
    expect(stopOf(['a', 'b'], null, none)).toBe('a');
    expect(stopOf([], 'b', none)).toBeUndefined();
  });
});
