import { describe, expect, it } from 'vitest';
import { fixture } from '../testing/views';
import { cellAt, landed, moved, nearest, next, picked, round2, type Drag } from './picking';
import { fit, type Spot } from './view';

const spot = (number: number, sx: number, sy: number, cells = 0): Spot => ({
  fixture: fixture({ number, cells }),
  sx,
  sy,
});
/** Three in a row, one behind them. */
const ALL = [spot(1, 100, 100), spot(2, 200, 100), spot(3, 300, 100), spot(9, 200, 40)];
const drag = (of: Partial<Drag>): Drag => ({ x0: 0, y0: 0, x1: 0, y1: 0, on: null, trail: [], ...of });

describe('keys go from one to the next', () => {
  it.each([
    ['right', 1, 1, 0, 2],
    ['left', 2, -1, 0, 1],
    ['up', 2, 0, -1, 9],
    ['down', 9, 0, 1, 2],
    ['nowhere when there is none', 3, 1, 0, 3],
  ] as const)('%s', (_, from, dx, dy, to) => {
    const at = ALL.find((s) => s.fixture.number === from)!;
    expect(next(ALL, at, dx, dy)!.fixture.number).toBe(to);
  });

  it('from nowhere to the lowest number', () =>
    expect(next([...ALL].reverse(), undefined, 1, 0)).toBe(ALL[0]));

  it('and everybody is reached from everybody', () => {
    const many = Array.from({ length: 25 }, (_, i) => spot(i + 1, (i % 5) * 40, Math.floor(i / 5) * 40));
    const seen = new Set([many[0]!]);
    for (const s of seen)
      for (const [dx, dy] of [
        [1, 0],
        [-1, 0],
        [0, 1],
        [0, -1],
      ] as const)
        seen.add(next(many, s, dx, dy)!);
    expect(seen.size).toBe(25);
  });
});

describe('under the pointer', () => {
  it('is the nearest within reach', () => {
    expect(nearest(ALL, 104, 103, 40)).toBe(ALL[0]);
    expect(nearest(ALL, 150, 100, 40)).toBeNull();
  });

  it('a divided one is wide, and says which cell', () => {
    const batten = spot(5, 200, 200, 4);
    const cells = [180, 195, 205, 220].map((x) => cellAt(batten, x, 10));
    expect(cells.every((c, i) => c >= 1 && c <= 4 && (i === 0 || c >= cells[i - 1]!))).toBe(true);
    expect(cellAt(batten, -999, 10)).toBe(1);
    expect(cellAt(batten, 999, 10)).toBe(4);
  });
});

describe('what is picked', () => {
  it('by a click is what lies under it, or nothing', () => {
    expect(picked(ALL, drag({ on: ALL[1]! }), false)).toEqual(['2']);
    expect(picked(ALL, drag({}), false)).toEqual([]);
  });

  it('by a frame is what lies in it, counted the way it was drawn', () => {
    expect(picked(ALL, drag({ x0: 90, y0: 90, x1: 310, y1: 110 }), false)).toEqual(['1', '2', '3']);
    expect(picked(ALL, drag({ x0: 310, y0: 110, x1: 90, y1: 90 }), false)).toEqual(['3', '2', '1']);
  });

  it('by a lasso is what lies in what was drawn round', () => {
    const trail = [
      { x: 150, y: 20 },
      { x: 350, y: 20 },
      { x: 350, y: 120 },
      { x: 250, y: 120 },
      { x: 250, y: 60 },
      { x: 150, y: 60 },
    ];
    expect(picked(ALL, drag({ x0: 150, y0: 20, x1: 150, y1: 60, trail }), true)).toEqual(['9', '3']);
  });

  it('of a divided one are its cells where cells are meant', () => {
    const batten = spot(5, 200, 200, 3);
    const frame = drag({ x0: 0, y0: 0, x1: 400, y1: 400 });
    expect(picked([batten], frame, false, () => 10)).toEqual(['5.1', '5.2', '5.3']);
    expect(picked([batten], frame, false)).toEqual(['5']);
  });
});

describe('what is dragged', () => {
  it('lands where it is let go of, in centimetres', () => {
    const view = fit([], 600, 400, 'plan');
    const at = landed(ALL[0]!, view, drag({ x0: 100, y0: 100, x1: 100 + view.scale, y1: 100 }), 3);
    const from = landed(ALL[0]!, view, drag({}), 3);
    expect(at.x - from.x).toBeCloseTo(1, 2);
    expect(at.y).toBe(from.y);
    expect(round2(at.x)).toBe(at.x);
  });

  it('takes along the selection with it', () => {
    const held = new Map([
      ['1', 1],
      ['2', 2],
    ]);
    const by = drag({ on: ALL[0]!, x1: 10, y1: -5 });
    const goes = (order: Map<string, number>) =>
      moved(ALL, by, true, order).flatMap((s, i) => (s === ALL[i] ? [] : [s.fixture.number]));
    expect(goes(held)).toEqual([1, 2]);
    expect(goes(new Map())).toEqual([1]);
    expect(moved(ALL, by, false, held)).toBe(ALL);
  });
});
