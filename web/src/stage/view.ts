import type { FixtureView } from '../api/client';

/** Metres of the stage to pixels of the window: x to the right, y upstage is up the screen. */
export interface View {
  scale: number;
  left: number;
  bottom: number;
}

/** Where the stage is looked at from: above, or the audience. */
export type Side = 'plan' | 'front';

/** What runs up the window, in metres: upstage seen from above, from the floor seen from the audience. */
export const upward = (f: FixtureView, side: Side) => (side === 'plan' ? f.y : f.z);

export interface Spot {
  fixture: FixtureView;
  sx: number;
  sy: number;
}

const MARGIN_METRES = 1.6;
export const STRIP = 34;

/** A view that shows everything placed, and the middle of the stage. */
export function fit(fixtures: FixtureView[], width: number, height: number, side: Side): View {
  const placed = fixtures.filter((f) => f.placed);
  const xs = [-6, 6, ...placed.map((f) => f.x)];
  const ys = side === 'plan' ? [-3, 6] : [0, 6];
  placed.forEach((f) => ys.push(upward(f, side)));
  const minX = Math.min(...xs) - MARGIN_METRES;
  const maxX = Math.max(...xs) + MARGIN_METRES;
  const minY = Math.min(...ys) - MARGIN_METRES;
  const maxY = Math.max(...ys) + MARGIN_METRES;
  const strip = placed.length < fixtures.length ? STRIP : 0;
  const usable = height - strip - 30;
  const scale = Math.min(width / (maxX - minX), usable / (maxY - minY));
  return {
    scale,
    left: width / 2 - ((minX + maxX) / 2) * scale,
    bottom: 26 + usable / 2 + ((minY + maxY) / 2) * scale,
  };
}

/** How much nearer than the whole stage anything is looked at. */
export const CLOSEST = 12;
/** Metres around a selection that is looked at from near. */
const AROUND = 1.2;

/** The enlargement of a whole view in which these fixtures fill the window. */
export function nearTo(
  fixtures: FixtureView[],
  whole: View,
  { width, height }: { width: number; height: number },
  side: Side,
) {
  const range = (values: number[]) => [Math.min(...values) - AROUND, Math.max(...values) + AROUND] as const;
  const [minX, maxX] = range(fixtures.map((f) => f.x));
  const [minY, maxY] = range(fixtures.map((f) => upward(f, side)));
  const scale = Math.min(width / (maxX - minX), (height - 40) / (maxY - minY));
  const factor = Math.max(1, Math.min(CLOSEST, scale / whole.scale));
  const at = whole.scale * factor;
  return {
    factor,
    dx: width / 2 - ((minX + maxX) / 2) * at - whole.left * factor,
    dy: height / 2 + ((minY + maxY) / 2) * at - whole.bottom * factor,
  };
}

export const toScreen = (v: View, x: number, y: number) => ({
  sx: v.left + x * v.scale,
  sy: v.bottom - y * v.scale,
});
export const toStage = (v: View, sx: number, sy: number) => ({
  x: (sx - v.left) / v.scale,
  y: (v.bottom - sy) / v.scale,
});

/** Where every fixture is drawn; those without a place wait in a strip at the foot. */
export function spots(
  fixtures: FixtureView[],
  view: View,
  width: number,
  height: number,
  side: Side,
): Spot[] {
  let waiting = 0;
  const count = fixtures.filter((f) => !f.placed).length;
  const step = Math.min(18, (width - 110) / Math.max(1, count));
  return fixtures.map((fixture) => {
    if (fixture.placed) return { fixture, ...toScreen(view, fixture.x, upward(fixture, side)) };
    return { fixture, sx: 96 + step * waiting++, sy: height - STRIP / 2 };
  });
}

/** Where a mark is drawn, and its foot on the floor. */
export const markAt = (v: View, m: { x: number; y: number; z: number }, side: Side) => ({
  ...toScreen(v, m.x, side === 'plan' ? m.y : m.z),
  foot: toScreen(v, m.x, side === 'plan' ? m.y : 0).sy,
});
