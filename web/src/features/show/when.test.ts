import { expect, it } from 'vitest';
import { size, when } from './when';

it('a moment is written so that nobody can misread it', () => {
  expect(when('2026-11-05T08:04:00')).toBe('5 Nov 2026, 08:04');
  expect(when('2026-01-31T23:59:59')).toBe('31 Jan 2026, 23:59');
});

it.each([
  [0, '0 octets'],
  [1023, '1023 octets'],
  [1024, '1.0 kB'],
  [10 * 1024, '10 kB'],
  [0.8 * 1024 ** 2, '819 kB'],
  [1.25 * 1024 ** 2, '1.3 MB'],
  [78 * 1024 ** 3, '78 GB'],
  [5000 * 1024 ** 4, '5000 TB'],
])('%d octets read %s', (octets, words) => expect(size(octets)).toBe(words));
