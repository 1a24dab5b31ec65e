import type { MarkView, SceneryView } from '../api/client';
import type { RigPart } from '../api/rig-parts';
import { rows } from './rows';
import type { Colours, Scene } from './scene';
import { placed, type Box, type Label, type Wanted } from './labels';
import { CELLS_HALF, crowd, heldSymbols, parts, radius, rgba, rings, symbols } from './symbols';
import { edgeOf } from './scenery';
import { markAt, STRIP, toScreen, type Spot } from './view';

const NOBODY = new Map<string, number>();

/** Everything that does not depend on the selection; kept as a picture, since that is what changes most often. */
export function drawBelow(c: CanvasRenderingContext2D, whole: Scene, k: Colours) {
  const scene = { ...whole, order: NOBODY };
  c.fillStyle = k.stage;
  c.fillRect(0, 0, scene.width, scene.height);
  ground(c, scene, k);
  scene.scenery.forEach((s) => outline(c, scene, s, k));
  bars(c, scene, k);
  c.globalCompositeOperation = 'lighter';
  for (const spot of scene.spots) light(c, scene, spot);
  c.globalCompositeOperation = 'source-over';
  symbols(c, scene, k);
  scene.marks.forEach((m) => cairn(c, scene, m, k));
  c.textAlign = 'left';
  c.textBaseline = 'top';
  c.font = FONT;
  c.fillStyle = k.ink;
  c.globalAlpha = 0.85;
  for (const { text, x, y } of names(c, scene)) c.fillText(text, x, y + 1);
  c.globalAlpha = 1;
  c.textBaseline = 'alphabetic';
}

/** What stands or hangs there and gives no light: the edge of it, or a cross where only its place is known. */
function outline(c: CanvasRenderingContext2D, { view, side }: Scene, piece: SceneryView, k: Colours) {
  const edge = edgeOf(piece, side).map((p) => toScreen(view, p.x, p.y));
  c.strokeStyle = k.ink;
  c.globalAlpha = piece.kind === 'truss' || piece.kind === 'support' ? 0.5 : 0.3;
  c.lineWidth = 1;
  c.beginPath();
  if (edge.length === 1) {
    const { sx, sy } = edge[0]!;
    c.moveTo(sx - 3, sy);
    c.lineTo(sx + 3, sy);
    c.moveTo(sx, sy - 3);
    c.lineTo(sx, sy + 3);
  } else {
    edge.forEach(({ sx, sy }, i) => (i === 0 ? c.moveTo(sx, sy) : c.lineTo(sx, sy)));
    c.closePath();
  }
  c.stroke();
  c.globalAlpha = 1;
}

/** A mark: three stones, its height as a stalk. */
function cairn(c: CanvasRenderingContext2D, { view, side }: Scene, m: MarkView, k: Colours) {
  const { sx, sy, foot } = markAt(view, m, side);
  c.strokeStyle = k.eye;
  c.fillStyle = k.eye;
  c.lineWidth = 1.2;
  if (side === 'front' && foot - sy > 4) {
    c.beginPath();
    c.moveTo(sx, foot);
    c.lineTo(sx, sy);
    c.stroke();
  }
  c.beginPath();
  for (const [up, wide] of [
    [0, 6],
    [-4, 4],
    [-7, 2.5],
  ] as const) {
    c.moveTo(sx + wide, sy + up);
    c.ellipse(sx, sy + up, wide, 2, 0, 0, Math.PI * 2);
  }
  c.fill();
}

/** The selection, its order, and who would be chosen. */
export function drawAbove(c: CanvasRenderingContext2D, scene: Scene, k: Colours) {
  heldSymbols(c, scene, k);
  if (scene.path) way(c, scene, k);
  if (scene.foreseen) rings(c, scene, scene.foreseen, k);
}

/** Lines through the selection, step by step: where steps hold several units, through both ends of them. */
function way(c: CanvasRenderingContext2D, scene: Scene, k: Colours) {
  const steps: { first: Spot; last: Spot }[] = [];
  for (const s of scene.spots) {
    const order = scene.order.get(String(s.fixture.number));
    if (order === undefined) continue;
    const at = steps[order] ?? { first: s, last: s };
    steps[order] = { first: s.sx < at.first.sx ? s : at.first, last: s.sx > at.last.sx ? s : at.last };
  }
  const there = steps.filter(Boolean);
  c.strokeStyle = k.held;
  c.lineWidth = 1.2;
  c.setLineDash([2, 4]);
  c.beginPath();
  there.forEach(({ first }, i) => (i === 0 ? c.moveTo(first.sx, first.sy) : c.lineTo(first.sx, first.sy)));
  if (there.some(({ first, last }) => first !== last))
    there.forEach(({ last }, i) => (i === 0 ? c.moveTo(last.sx, last.sy) : c.lineTo(last.sx, last.sy)));
  c.stroke();
  c.setLineDash([]);
}

function ground(c: CanvasRenderingContext2D, { view, width, height, waiting, side }: Scene, k: Colours) {
  c.strokeStyle = k.line;
  c.lineWidth = 1;
  c.setLineDash([2, 6]);
  c.beginPath();
  for (let metres = -40; metres <= 40; metres += 2) {
    const { sx, sy } = toScreen(view, metres, metres);
    if (sx > 0 && sx < width) {
      c.moveTo(sx, 30);
      c.lineTo(sx, height - 20);
    }
    if (sy > 30 && sy < height - 20) {
      c.moveTo(0, sy);
      c.lineTo(width, sy);
    }
  }
  c.stroke();
  c.setLineDash([]);
  c.fillStyle = k.ink;
  c.font = '11px "Atkinson Hyperlegible Next Variable", sans-serif';
  c.textAlign = 'center';
  const foot = waiting > 0 ? height - STRIP - 6 : height - 8;
  c.globalAlpha = 0.75;
  c.fillText(side === 'plan' ? 'audience' : 'floor', width / 2, foot);
  if (waiting > 0) {
    c.strokeRect(4.5, height - STRIP + 0.5, width - 9, STRIP - 5);
    c.textAlign = 'left';
    c.fillText(`${waiting} not placed`, 10, height - STRIP / 2 + 4);
  }
  c.globalAlpha = 1;
}

/** Longer names find no place; pointing at them tells the whole. */
const LONGEST_LABEL = 22;
const cut = (name: string) => (name.length > LONGEST_LABEL ? `${name.slice(0, LONGEST_LABEL - 1)}…` : name);

/** A bar through fixtures that hang at one position, where they hang in a row. */
function bars(c: CanvasRenderingContext2D, scene: Scene, k: Colours) {
  c.fillStyle = k.line;
  for (const { left, right, top, low, several } of rows(scene))
    if (low - top < LEVEL && several) c.fillRect(left - 10, (top + low) / 2 - 2, right - left + 20, 4);
}

/** Pixels within which fixtures of a position hang in one row. */
const LEVEL = 30;
const FONT = '11px "Atkinson Hyperlegible Next Variable", sans-serif';
const LINE = 13;
/** More names than this are none. */
const MOST_NAMES = 60;

/** Worked out once for as long as nothing moves. */
const namesOf = new WeakMap<Spot[], { marks: MarkView[]; width: number; height: number; labels: Label[] }>();

/** Names of positions and marks, each where it meets neither a symbol, nor a mark, nor another name. */
function names(c: CanvasRenderingContext2D, scene: Scene): Label[] {
  const { spots, marks, width, height, view, side } = scene;
  const known = namesOf.get(spots);
  if (known && known.marks === marks && known.width === width && known.height === height) return known.labels;
  c.font = FONT;
  const wide = (text: string) => c.measureText(text).width;
  const taken: Box[] = spots.map(({ fixture, sx, sy }) => {
    const r = radius(fixture, scene);
    const half = fixture.cells > 0 ? CELLS_HALF * r : r;
    return { x: sx - half, y: sy - r, width: 2 * half, height: 2 * r };
  });
  const wanted: Wanted[] = [];
  for (const m of marks) {
    const { sx, sy } = markAt(view, m, side);
    taken.push({ x: sx - 6, y: sy - 9, width: 12, height: 11 });
    const text = cut(m.name) + (side === 'plan' && m.z !== 0 ? ` ↑${m.z}` : '');
    const w = wide(text);
    wanted.push({
      text,
      width: w,
      height: LINE,
      places: [
        { x: sx + 9, y: sy - 9 },
        { x: sx - 9 - w, y: sy - 9 },
        { x: sx - w / 2, y: sy - 24 },
        { x: sx - w / 2, y: sy + 5 },
      ],
    });
  }
  for (const { name, left, right, top, low } of rows(scene)) {
    const text = cut(name);
    const w = wide(text);
    const middle = (top + low) / 2 - LINE / 2;
    wanted.push({
      text,
      width: w,
      height: LINE,
      places: [
        { x: left - 10, y: top - 26 },
        { x: left - 16 - w, y: middle },
        { x: right + 16, y: middle },
        { x: left - 10, y: low + 11 },
        { x: right + 10 - w, y: top - 26 },
        { x: left - 10, y: top - 40 },
        { x: right + 10 - w, y: low + 11 },
        { x: (left + right - w) / 2, y: top - 40 },
      ],
    });
  }
  // The order of what is selected stands above its symbols, and "audience" at the foot.
  const labels = placed(wanted.slice(0, MOST_NAMES), taken, {
    x: 2,
    y: 0,
    width: width - 4,
    height: height - 22,
  });
  namesOf.set(spots, { marks, width, height, labels });
  return labels;
}

function light(c: CanvasRenderingContext2D, scene: Scene, { fixture, sx, sy }: Spot) {
  const all = parts(scene, fixture);
  const first = all[0];
  if (!first) return;
  const brightest = all.reduce((a, b) => (b.intensity > a.intensity ? b : a), first);
  if (brightest.intensity < 0.004) return;
  const at = first.lands ? toScreen(scene.view, first.x, scene.side === 'plan' ? first.y : 0) : { sx, sy };
  const throwMetres = fixture.placed ? Math.max(1, fixture.z) : 1;
  const spread = Math.tan(((first.beam || 36) * Math.PI) / 360) * throwMetres * scene.view.scale;
  const size = Math.max(10, Math.min(90, spread)) * Math.max(0.5, crowd(scene));
  const strength = 0.5 * Math.sqrt(brightest.intensity) * crowd(scene) ** 1.5;
  if (Math.hypot(at.sx - sx, at.sy - sy) > size * 0.6)
    beam(c, { sx, sy }, at, size * 0.8, brightest, strength);
  // Seen from the audience what lands on the floor is seen edge on, many behind each other.
  const flat = scene.side === 'front' && first.lands;
  const glow = c.createRadialGradient(0, 0, 0, 0, 0, size);
  const shine = flat ? strength * 0.35 : strength;
  glow.addColorStop(0, rgba(brightest, shine));
  glow.addColorStop(0.55, rgba(brightest, shine * 0.45));
  glow.addColorStop(1, rgba(brightest, 0));
  c.fillStyle = glow;
  c.save();
  c.translate(at.sx, at.sy);
  if (flat) c.scale(1, 0.18);
  c.beginPath();
  c.arc(0, 0, size, 0, Math.PI * 2);
  c.fill();
  c.restore();
}

interface Point {
  sx: number;
  sy: number;
}

function beam(
  c: CanvasRenderingContext2D,
  from: Point,
  to: Point,
  half: number,
  part: RigPart,
  strength: number,
) {
  const angle = Math.atan2(to.sy - from.sy, to.sx - from.sx) + Math.PI / 2;
  const dx = Math.cos(angle) * half;
  const dy = Math.sin(angle) * half;
  const shade = c.createLinearGradient(from.sx, from.sy, to.sx, to.sy);
  shade.addColorStop(0, rgba(part, strength * 0.55));
  shade.addColorStop(1, rgba(part, strength * 0.08));
  c.fillStyle = shade;
  c.beginPath();
  c.moveTo(from.sx, from.sy);
  c.lineTo(to.sx + dx, to.sy + dy);
  c.lineTo(to.sx - dx, to.sy - dy);
  c.fill();
}

/** What is being drawn round, closed. */
export function lasso(c: CanvasRenderingContext2D, points: { x: number; y: number }[], k: Colours) {
  c.strokeStyle = k.held;
  c.lineWidth = 1.5;
  c.setLineDash([4, 3]);
  c.beginPath();
  points.forEach((p, i) => (i === 0 ? c.moveTo(p.x, p.y) : c.lineTo(p.x, p.y)));
  c.closePath();
  c.stroke();
  c.setLineDash([]);
}

export interface Frame {
  x0: number;
  y0: number;
  x1: number;
  y1: number;
  line: boolean;
}

/** What is dragged over the plan, on a window of its own, so that the plan need not be drawn again. */
export function frame(c: CanvasRenderingContext2D, f: Frame, k: Colours) {
  c.strokeStyle = k.held;
  c.lineWidth = 1.5;
  c.setLineDash([4, 3]);
  c.beginPath();
  if (f.line) {
    c.moveTo(f.x0, f.y0);
    c.lineTo(f.x1, f.y1);
  } else c.rect(f.x0, f.y0, f.x1 - f.x0, f.y1 - f.y0);
  c.stroke();
  c.setLineDash([]);
}
