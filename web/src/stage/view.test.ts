import { describe, expect, it } from 'vitest';
import { fixture } from '../testing/views';
import { fit, markAt, spots, toScreen, toStage } from './view';

const placed = (number: number, x: number, y: number, z = 5) => fixture({ number, x, y, z });
const RIGS = [
  [],
  [placed(1, 0, 0)],
  [placed(1, -20, -4), placed(2, 14, 30)],
  [placed(1, -6, 2), fixture({ number: 2, placed: false })],
];

describe.each(['plan', 'front'] as const)('the stage seen from the %s side', (side) => {
  it.each(RIGS.map((rig) => [rig.length, rig] as const))('shows all %i of a rig', (_, rig) => {
    for (const [width, height] of [
      [400, 300],
      [1200, 200],
      [150, 700],
    ] as const) {
      const all = spots(rig, fit(rig, width, height, side), width, height, side);
      expect(all).toHaveLength(rig.length);
      for (const s of all) {
        expect(s.sx).toBeGreaterThanOrEqual(0);
        expect(s.sx).toBeLessThanOrEqual(width);
        expect(s.sy).toBeGreaterThanOrEqual(0);
        expect(s.sy).toBeLessThanOrEqual(height);
      }
    }
  });
});

it('a place goes to the window and back', () => {
  const view = fit([placed(1, 3, 4)], 640, 480, 'plan');
  for (let i = 0; i < 50; i++) {
    const [x, y] = [Math.sin(i) * 12, Math.cos(3 * i) * 9];
    const at = toScreen(view, x, y);
    const back = toStage(view, at.sx, at.sy);
    expect(back.x).toBeCloseTo(x, 9);
    expect(back.y).toBeCloseTo(y, 9);
  }
});

it('upstage is up on the plan, high is up from the front', () => {
  const view = fit([], 600, 400, 'plan');
  expect(toScreen(view, 0, 5).sy).toBeLessThan(toScreen(view, 0, -1).sy);
  const [low, high] = spots([placed(1, 0, 9, 1), placed(2, 0, 0, 6)], view, 600, 400, 'front');
  expect(high!.sy).toBeLessThan(low!.sy);
});

it('those without a place wait side by side at the foot', () => {
  const rig = Array.from({ length: 30 }, (_, i) => fixture({ number: i + 1, placed: false }));
  const all = spots(rig, fit(rig, 500, 400, 'plan'), 500, 400, 'plan');
  expect(new Set(all.map((s) => s.sy)).size).toBe(1);
  expect(all.every((s, i) => i === 0 || s.sx > all[i - 1]!.sx)).toBe(true);
  expect(all.at(-1)!.sx).toBeLessThan(500);
});

it('a mark stands over its foot from the front, and on it in the plan', () => {
  const view = fit([], 600, 400, 'plan');
  const mark = { x: 1, y: 2, z: 1.7 };
  expect(markAt(view, mark, 'front').sy).toBeLessThan(markAt(view, mark, 'front').foot);
  expect(markAt(view, mark, 'plan').sy).toBe(markAt(view, mark, 'plan').foot);
});
