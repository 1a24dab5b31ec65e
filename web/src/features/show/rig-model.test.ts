import { describe, expect, it } from 'vitest';
import type { PairView } from '../../api/rig-move';
import { numbers, rowsOf, saying } from './rig-model';

const fixture = (number: number) => ({ number, name: '', type: 'Wash', position: '', purpose: '' });
const pair = (was: number, is: number): PairView => ({
  was: fixture(was),
  is: fixture(is),
  by: 'same number',
  sure: true,
});
describe('pairs', () => {
  it('stand in one row where several do what one did', () => {
    const rows = rowsOf([pair(2, 20), pair(1, 10), pair(1, 11)], [fixture(3)]);
    expect(rows.map((r) => [r.was.number, r.is.map((i) => i.number)])).toEqual([
      [1, [10, 11]],
      [2, [20]],
      [3, []],
    ]);
    expect(rows[2]!.sure).toBe(false);
  });

  it('are said by numbers as the line has them', () => {
    expect(numbers('101 thru 104 + 107')).toEqual([101, 102, 103, 104, 107]);
    expect(numbers('104-102, 9')).toEqual([104, 103, 102, 9]);
    expect(numbers('')).toEqual([]);
    expect(numbers('101 thr')).toBeNull();
  });

  it('what is said last of a fixture counts', () => {
    const said = saying([{ was: [1, 2], is: [10] }], { was: [2], is: [] });
    expect(said).toEqual([
      { was: [1], is: [10] },
      { was: [2], is: [] },
    ]);
    expect(saying(said, { was: [1], is: [4] })).toHaveLength(2);
  });
});
