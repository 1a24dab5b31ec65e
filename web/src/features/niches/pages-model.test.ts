import { describe, expect, it } from 'vitest';
import { placesIn, windows, withFree, type NichePage } from './pages-model';

const page = (name: string, first: number, columns: number, rows: number): NichePage => ({
  of: 'colour',
  name,
  first,
  columns,
  rows,
});

describe('windows', () => {
  it('run up to the highest number, and pages that were set stand behind', () => {
    const all = windows([page('Act two', 101, 6, 2)], 'colour', [1, 45], 40);
    expect(all.map((w) => [w.text, w.first, w.last, w.columns])).toEqual([
      ['1', 1, 40, 0],
      ['2', 41, 80, 0],
      ['Act two', 101, 112, 6],
    ]);
  });

  it('there is one where there is nothing, and none of another kind', () => {
    expect(windows([page('Act two', 101, 6, 2)], 'beam', [], 40)).toHaveLength(1);
  });

  it('each number lies in exactly one run', () => {
    const all = windows([], 'colour', [200], 12);
    for (let n = 1; n <= 200; n++) expect(all.filter((w) => n >= w.first && n <= w.last)).toHaveLength(1);
  });
});

describe('what stands in a window', () => {
  const things = [2, 5].map((number) => ({ number }));

  it('on a run are the free numbers between, and three behind', () => {
    const [run] = windows([], 'colour', [5], 40);
    expect(placesIn(things, run!)).toEqual([1, things[0], 3, 4, things[1], 6, 7, 8]);
  });

  it('on a page is all of the page', () => {
    const set = windows([page('Two', 4, 2, 2)], 'colour', [5], 40).at(-1)!;
    expect(placesIn(things, set)).toEqual([4, things[1], 6, 7]);
  });

  it('never reaches beyond the window', () => {
    const [, second] = windows([], 'colour', [80], 40);
    const places = placesIn([{ number: 80 }], second!);
    expect(places).toHaveLength(40);
  });
});

it('behind each run of numbers is one free niche', () => {
  expect(withFree([1, 2, 5].map((number) => ({ number })))).toEqual([
    { number: 1 },
    { number: 2 },
    3,
    { number: 5 },
    6,
  ]);
  expect(withFree([])).toEqual([1]);
  expect(withFree([{ number: 3 }])).toEqual([1, { number: 3 }, 4]);
});
