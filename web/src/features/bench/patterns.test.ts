import { expect, it } from 'vitest';
import { COMMON, nameOf, ORDERS, PATTERNS } from './patterns';

it('what is offered first is among all, and every pattern has a short name of its own', () => {
  expect(PATTERNS).toEqual(expect.arrayContaining(COMMON));
  expect(new Set(PATTERNS.map(nameOf)).size).toBe(PATTERNS.length);
  for (const pattern of PATTERNS) expect(nameOf(pattern)).toMatch(/^[A-Z][a-z]+( \d)?$/);
  expect(nameOf('every 5 from 2')).toBe('every 5 from 2');
  expect(ORDERS).toContain('across');
});
