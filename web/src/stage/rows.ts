import type { SceneryView } from '../api/client';
import type { Scene } from './scene';
import { edgeOf } from './scenery';
import { toScreen, type Spot } from './view';

/** Where fixtures of one hanging position are, in pixels. */
export interface Row {
  name: string;
  left: number;
  right: number;
  top: number;
  low: number;
  several: boolean;
}

/** Worked out once for as long as nothing moves. */
const known = new WeakMap<Spot[], { scenery: SceneryView[]; rows: Row[] }>();

const same = (one: string, other: string) => one.trim().toLowerCase() === other.trim().toLowerCase();

/** Hanging positions as their fixtures lie; where a truss of that name is drawn, from its one end to the other. */
export function rows({ spots, scenery, view, side }: Scene): Row[] {
  const before = known.get(spots);
  if (before?.scenery === scenery) return before.rows;
  const found = new Map<string, Row>();
  for (const { fixture, sx, sy } of spots) {
    if (!fixture.placed || !fixture.position) continue;
    const row = found.get(fixture.position);
    if (!row) {
      const { position: name } = fixture;
      found.set(name, { name, left: sx, right: sx, top: sy, low: sy, several: false });
      continue;
    }
    row.left = Math.min(row.left, sx);
    row.right = Math.max(row.right, sx);
    row.top = Math.min(row.top, sy);
    row.low = Math.max(row.low, sy);
    row.several = true;
  }
  const hung = scenery.filter((s) => s.kind === 'truss' || s.kind === 'support');
  for (const row of found.values()) {
    for (const piece of hung.filter((s) => same(s.name, row.name))) {
      for (const p of edgeOf(piece, side)) {
        const { sx } = toScreen(view, p.x, p.y);
        row.left = Math.min(row.left, sx);
        row.right = Math.max(row.right, sx);
      }
      row.several = true;
    }
  }
  const all = [...found.values()];
  known.set(spots, { scenery, rows: all });
  return all;
}
