import { CELLS_HALF, symbolRadius } from './symbols';
import { toStage, type Spot } from './view';

const REACH = 14;
/** Pixels before a press is a drag. */
export const SLIP = 4;

/** What is being dragged over the stage, in pixels. */
export interface Drag {
  x0: number;
  y0: number;
  x1: number;
  y1: number;
  on: Spot | null;
  /** where it has been, for drawing round things */
  trail: { x: number; y: number }[];
}

export const round2 = (metres: number) => Math.round(metres * 100) / 100;
export const distance = (d: Drag) => Math.hypot(d.x1 - d.x0, d.y1 - d.y0);

/** The nearest that way, a little to the side counting twice; the first of all from nowhere. */
export function next(all: Spot[], from: Spot | undefined, dx: number, dy: number): Spot | undefined {
  if (!from) return [...all].sort((a, b) => a.fixture.number - b.fixture.number)[0];
  let best: Spot | undefined = from;
  let least = Infinity;
  for (const s of all) {
    const along = (s.sx - from.sx) * dx + (s.sy - from.sy) * dy;
    const aside = Math.abs((s.sx - from.sx) * dy) + Math.abs((s.sy - from.sy) * dx);
    const away = along + 2 * aside;
    if (s !== from && along > 0.5 && away < least) {
      least = away;
      best = s;
    }
  }
  return best;
}

export function nearest(all: Spot[], x: number, y: number, scale: number): Spot | null {
  /** Divided fixtures are wide. */
  const aside = (s: Spot) =>
    Math.max(
      0,
      Math.abs(s.sx - x) - (s.fixture.cells > 0 ? CELLS_HALF * symbolRadius(s, all.length, scale) : 0),
    );
  const near = all
    .map((spot) => ({ spot, away: Math.hypot(aside(spot), spot.sy - y) }))
    .filter((n) => n.away < REACH)
    .sort((a, b) => a.away - b.away);
  return near[0]?.spot ?? null;
}

/** The cell of a divided fixture at a place across its symbol. */
export function cellAt(spot: Spot, x: number, radius: number): number {
  const share = (x - (spot.sx - CELLS_HALF * radius)) / (2 * CELLS_HALF * radius);
  return Math.max(1, Math.min(spot.fixture.cells, Math.floor(share * spot.fixture.cells) + 1));
}

/** Whether a point lies in what was drawn round: a ray from it crosses the line an odd number of times. */
function within(trail: Drag['trail'], x: number, y: number): boolean {
  let inside = false;
  for (let i = 0, j = trail.length - 1; i < trail.length; j = i++) {
    const [a, b] = [trail[i]!, trail[j]!];
    if (a.y > y !== b.y > y && x < ((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x) inside = !inside;
  }
  return inside;
}

/** Where units are drawn: fixtures, or the cells of divided ones too. @param radius of symbols, when cells are meant */
const units = (all: Spot[], radius?: (s: Spot) => number) =>
  all.flatMap((s) => {
    const { number, cells } = s.fixture;
    if (!radius || cells === 0) return [{ unit: String(number), number, sx: s.sx, sy: s.sy }];
    const half = CELLS_HALF * radius(s);
    return Array.from({ length: cells }, (_, i) => ({
      unit: `${number}.${i + 1}`,
      number,
      sx: s.sx - half + ((i + 0.5) * 2 * half) / cells,
      sy: s.sy,
    }));
  });

/**
 * One fixture under a click, or all in the frame or the lasso, read across and then up as one would count them.
 *
 * @param radius of symbols, when cells are meant
 */
export function picked(all: Spot[], d: Drag, round: boolean, radius?: (s: Spot) => number): string[] {
  const drawn = round && d.trail.length > 3;
  if (distance(d) < SLIP && !drawn) return d.on ? [String(d.on.fixture.number)] : [];
  const inside = units(all, radius).filter((s) =>
    drawn
      ? within(d.trail, s.sx, s.sy)
      : s.sx >= Math.min(d.x0, d.x1) &&
        s.sx <= Math.max(d.x0, d.x1) &&
        s.sy >= Math.min(d.y0, d.y1) &&
        s.sy <= Math.max(d.y0, d.y1),
  );
  const back = d.x1 < d.x0 ? -1 : 1;
  inside.sort((a, b) => back * (a.sx - b.sx) || a.number - b.number);
  return inside.map((s) => s.unit);
}

export function landed(s: Spot, view: Parameters<typeof toStage>[0], d: Drag, z: number) {
  const to = toStage(view, s.sx + d.x1 - d.x0, s.sy + d.y1 - d.y0);
  return {
    number: s.fixture.number,
    x: round2(to.x),
    y: round2(to.y),
    z: s.fixture.placed ? s.fixture.z : z,
  };
}

/** While fixtures are dragged they are drawn under the pointer. */
export function moved(all: Spot[], d: Drag | null, placing: boolean, order: Map<string, number>): Spot[] {
  if (!d?.on || !placing) return all;
  const group = order.has(String(d.on.fixture.number)) && d.on.fixture.placed;
  return all.map((s) => {
    const goes = s === d.on || (group && s.fixture.placed && order.has(String(s.fixture.number)));
    return goes ? { ...s, sx: s.sx + d.x1 - d.x0, sy: s.sy + d.y1 - d.y0 } : s;
  });
}
