import { describe, expect, it } from 'vitest';
import type { FateView } from '../../api/rig-move';
import { counted, worstFirst } from './fates-model';

const fate = (label: string, worst: string): FateView => ({
  sort: 'look',
  label,
  worst,
  units: 1,
  counts: {},
  lines: [],
});

describe('fates', () => {
  it('are counted by their worst, and the worst stand first', () => {
    const fates = [fate('a', 'carries'), fate('b', 'lost'), fate('c', 'anew'), fate('d', 'lost')];
    expect(counted(fates)).toEqual({ carries: 1, anew: 1, nearest: 0, lost: 2 });
    expect(worstFirst(fates).map((f) => f.label)).toEqual(['b', 'd', 'c', 'a']);
  });
});
