import { describe, expect, it } from 'vitest';
import { fixture } from '../../testing/views';
import { filtered, grouped, runs, tones } from './patch-model';

const RIG = [
  fixture({ number: 1, name: 'Wash 1', profile: 'Skiff Wash', position: 'Bridge 1', purpose: 'Front' }),
  fixture({ number: 2, name: 'Wash 2', profile: 'Skiff Wash', position: 'Bridge 1', clash: true }),
  fixture({ number: 3, name: 'Par', profile: 'Ember Par', answer: 'dead', claims: [], address: '' }),
  fixture({ number: 4, name: 'Par', profile: 'Ember Par', answer: 'answered', shared: true }),
];
const numbers = (fixtures: { number: number }[]) => fixtures.map((f) => f.number);

describe('what the table shows', () => {
  it.each([
    ['all', [1, 2, 3, 4]],
    ['clashes', [2]],
    ['shared', [4]],
    ['unpatched', [3]],
    ['marked', [3]],
  ] as const)('%s', (filter, wanted) => {
    expect(numbers(filtered(RIG, filter, ''))).toEqual(wanted);
  });

  it('is found by any word that is in a row, whatever its letters', () => {
    expect(numbers(filtered(RIG, 'all', '  BRIDGE '))).toEqual([1, 2]);
    expect(numbers(filtered(RIG, 'clashes', 'par'))).toEqual([]);
    expect(numbers(filtered(RIG, 'all', 'front'))).toEqual([1]);
  });

  it('stands under heads that say how many there are, in order of first use', () => {
    const lines = grouped(RIG, 'position');
    expect(lines.filter((l) => l.kind === 'head').map((l) => l.text)).toEqual([
      'Bridge 1 — 2 fixtures',
      'No position — 2 fixtures',
    ]);
    expect(grouped(RIG, 'universe').filter((l) => l.kind === 'head')).toHaveLength(2);
    expect(grouped(RIG, 'none')).toHaveLength(4);
  });

  it('loses nobody and doubles nobody under any heads', () => {
    for (const by of ['position', 'type', 'universe', 'purpose', 'none'] as const) {
      const rows = grouped(RIG, by).flatMap((l) => (l.kind === 'row' ? [l.fixture.number] : []));
      expect(rows.sort()).toEqual([1, 2, 3, 4]);
    }
  });
});

describe('numbers as the line writes them', () => {
  it.each([
    [[], ''],
    [[7], '7'],
    [[1, 2, 3], '1 thru 3'],
    [[1, 2, 5, 6, 9], '1 thru 2 + 5 thru 6 + 9'],
    [[3, 2, 1], '3 + 2 + 1'],
  ])('%j', (all, wanted) => expect(runs(all as number[])).toBe(wanted));

  it('say each number once again, over random ones', () => {
    for (let seed = 1; seed < 200; seed++) {
      const all = Array.from({ length: 40 }, (_, i) => i + 1).filter((n) => (n * seed * 7919) % 13 < 6);
      const read = runs(all)
        .split(' + ')
        .filter(Boolean)
        .flatMap((part) => {
          const [from, to] = part.split(' thru ').map(Number);
          return Array.from({ length: (to ?? from!) - from! + 1 }, (_, i) => from! + i);
        });
      expect(read).toEqual(all);
    }
  });
});

it('types have tones of their own, and the seventh that of the first', () => {
  const many = Array.from({ length: 8 }, (_, i) => fixture({ number: i, profile: `Type ${i}` }));
  const found = tones([...many, many[0]!]);
  expect([...found.values()]).toEqual([1, 2, 3, 4, 5, 6, 1, 2]);
});
