import { describe, expect, it } from 'vitest';
import { day } from './day';

describe('a day', () => {
  it('is short', () => {
    expect(day('2026-11-27')).toBe('27 Nov');
    expect(day('')).toBe('');
  });
});
