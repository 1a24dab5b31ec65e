import { describe, expect, it } from 'vitest';
import { freeRun, meant, NEXT_GAP, written, type Draft } from './add-model';

const draft = (of: Partial<Draft> = {}): Draft => ({
  type: 'Northlamp Skiff Wash / extended',
  first: '',
  count: '',
  start: '',
  gap: '0',
  layout: '',
  position: '',
  ...of,
});

describe('numbers', () => {
  it.each([
    ['300 thru 308', '', 300, 9],
    ['300-308', '', 300, 9],
    [' 300 – 300 ', '5', 300, 1],
    ['300', '4', 300, 4],
    ['300', '', 300, 1],
    ['', '12', 17, 12],
    ['', '', 17, 1],
  ])('“%s” and “%s” are %d and %d behind it', (first, count, from, many) =>
    expect(meant(draft({ first, count }), 17)).toEqual({ first: from, count: many }),
  );
  it('begin where so many are free', () => {
    expect(freeRun(new Set([17, 19]), 17, 2)).toBe(20);
    expect(freeRun(new Set(), 17, 5)).toBe(17);
  });
});

describe('the form as a line', () => {
  it('patches a range, or one', () => {
    expect(written(draft({ first: '300 thru 308', start: '3.1' }), 17, true)).toBe(
      'patch 300 thru 308 as "Northlamp Skiff Wash / extended" at 3.1',
    );
    expect(written(draft({ start: '3.1', gap: '2' }), 17, true)).toBe(
      'patch 17 as "Northlamp Skiff Wash / extended" at 3.1 gap 2',
    );
  });
  it('hangs them, gives next gaps out, adds without address', () => {
    expect(written(draft({ count: '2', layout: NEXT_GAP, position: 'Bridge 1' }), 17, true)).toBe(
      'patch 17 thru 18 as "Northlamp Skiff Wash / extended" at next gap\nhang 17 thru 18 on "Bridge 1"',
    );
    expect(written(draft(), 17, false)).toBe('add 17 as "Northlamp Skiff Wash / extended"');
  });
  it('is nothing without a type, without an address, or with what is no number', () => {
    expect(written(draft({ type: '' }), 17, true)).toBe('');
    expect(written(draft(), 17, true)).toBe('');
    expect(written(draft({ first: 'x', start: '1.1' }), 17, true)).toBe('');
  });
});
