import { expect, it } from 'vitest';
import { pairs, shownOf } from './import-model';

const part = (sort: string, label: string) => ({ sort, key: `${sort} 1`, label });

it('what is listed has all of the words, whatever their order', () => {
  const parts = [
    part('palette', 'colour 1 “Deep sea”'),
    part('palette', 'colour 2 “Sea”'),
    part('look', 'look 1 “Sea”'),
  ];
  expect(shownOf(parts, 'palette', 'sea DEEP').map((p) => p.label)).toEqual(['colour 1 “Deep sea”']);
  expect(shownOf(parts, 'palette', '')).toHaveLength(2);
});

it('pairs count once they are whole', () => {
  expect(pairs('13 = 201, 14=202, 15 =')).toEqual([
    { theirs: 13, ours: 201 },
    { theirs: 14, ours: 202 },
  ]);
});
