import type { SceneryView } from '../api/client';
import type { Side } from './view';

interface Point {
  x: number;
  y: number;
}

/** What of a piece is seen at its edge from above or from the audience: corners in order, metres; one for a point. */
export function edgeOf(piece: SceneryView, side: Side): Point[] {
  const points = piece.corners
    .map((c) => ({ x: c.x, y: side === 'plan' ? c.y : c.z }))
    .sort((a, b) => a.x - b.x || a.y - b.y);
  const lower = half(points);
  const upper = half([...points].reverse());
  const edge = [...lower.slice(0, -1), ...upper.slice(0, -1)];
  return edge.length > 0 ? edge : points.slice(0, 1);
}

/** What stands at a place, the smallest of it, in words; empty for nothing. */
export function sceneryAt(scenery: SceneryView[], at: Point, side: Side): string {
  let smallest = Infinity;
  let words = '';
  for (const piece of scenery) {
    const edge = edgeOf(piece, side);
    const inside = edge.length > 2 && edge.every((p, i) => turn(p, edge[(i + 1) % edge.length]!, at) >= 0);
    const size = inside ? area(edge) : Infinity;
    if (size < smallest) {
      smallest = size;
      words = `${piece.name || 'unnamed'} · ${piece.kind}`;
    }
  }
  return words;
}

const area = (edge: Point[]) =>
  edge.reduce((sum, p, i) => {
    const q = edge[(i + 1) % edge.length]!;
    return sum + (p.x * q.y - q.x * p.y) / 2;
  }, 0);

/** One side of the hull of points that are in order. */
function half(points: Point[]): Point[] {
  const hull: Point[] = [];
  for (const p of points) {
    while (hull.length > 1 && turn(hull[hull.length - 2]!, hull[hull.length - 1]!, p) <= 0) hull.pop();
    hull.push(p);
  }
  return hull;
}

const turn = (a: Point, b: Point, c: Point) => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);
