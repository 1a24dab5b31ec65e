import type { RigPart } from '../api/live';
import type { FixtureView } from '../api/client';
import { STRIP, toScreen, type Side, type Spot, type View } from './view';

interface Colours {
  stage: string;
  line: string;
  ink: string;
  held: string;
  wrong: string;
  ready: string;
  eye: string;
}

export function colours(element: HTMLElement): Colours {
  const style = getComputedStyle(element);
  const of = (name: string) => style.getPropertyValue(name).trim();
  return {
    stage: of('--stage'),
    line: of('--stage-line'),
    ink: of('--stage-ink'),
    held: of('--stage-held'),
    wrong: of('--stage-wrong'),
    ready: of('--stage-ready'),
    eye: of('--stage-eye'),
  };
}

export interface Scene {
  width: number;
  height: number;
  view: View;
  spots: Spot[];
  parts: Map<string, RigPart>;
  /** order of each held unit, from 1 */
  order: Map<string, number>;
  waiting: number;
  side: Side;
  /** whether the way through what is in hand is drawn */
  path: boolean;
  /** numbers of fixtures that would be chosen */
  foreseen: Set<string> | null;
  /** number of the fixture that is being brought up */
  pointed?: number;
}

const NOBODY = new Map<string, number>();

/** Everything that does not depend on what is in hand; kept as a picture, since that is what changes most often. */
export function drawBelow(c: CanvasRenderingContext2D, whole: Scene, k: Colours) {
  const scene = { ...whole, order: NOBODY };
  c.fillStyle = k.stage;
  c.fillRect(0, 0, scene.width, scene.height);
  ground(c, scene, k);
  positions(c, scene, k);
  c.globalCompositeOperation = 'lighter';
  for (const spot of scene.spots) light(c, scene, spot);
  c.globalCompositeOperation = 'source-over';
  symbols(c, scene, k);
}

/** What is in hand, its order, and who would be chosen. */
export function drawAbove(c: CanvasRenderingContext2D, scene: Scene, k: Colours) {
  for (const spot of scene.spots) if (scene.order.has(String(spot.fixture.number))) symbol(c, scene, spot, k);
  if (scene.path) way(c, scene, k);
  if (scene.foreseen) outlines(c, scene, scene.foreseen, k);
}

/** Lines through what is in hand, step by step: where steps hold several units, through both ends of them. */
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

function outlines(c: CanvasRenderingContext2D, scene: Scene, foreseen: Set<string>, k: Colours) {
  c.strokeStyle = k.eye;
  c.lineWidth = 1.5;
  c.setLineDash([3, 2]);
  c.beginPath();
  for (const { fixture, sx, sy } of scene.spots) {
    if (!foreseen.has(String(fixture.number))) continue;
    const r = radius(fixture, scene) + 4;
    c.moveTo(sx + r, sy);
    c.arc(sx, sy, r, 0, Math.PI * 2);
  }
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

/** Longer names of positions run into their neighbours'; the Patch table has them whole. */
const LONGEST_LABEL = 22;
const cut = (name: string) => (name.length > LONGEST_LABEL ? `${name.slice(0, LONGEST_LABEL - 1)}…` : name);

interface Row {
  name: string;
  left: number;
  right: number;
  top: number;
  low: number;
  several: boolean;
}

/** Worked out once for as long as nothing moves. */
const rowsOf = new WeakMap<Spot[], Row[]>();

function rows(spots: Spot[]): Row[] {
  const known = rowsOf.get(spots);
  if (known) return known;
  const found = new Map<string, Row>();
  for (const { fixture, sx, sy } of spots) {
    if (!fixture.placed || !fixture.position) continue;
    const row = found.get(fixture.position);
    if (!row) {
      found.set(fixture.position, {
        name: fixture.position,
        left: sx,
        right: sx,
        top: sy,
        low: sy,
        several: false,
      });
      continue;
    }
    row.left = Math.min(row.left, sx);
    row.right = Math.max(row.right, sx);
    row.top = Math.min(row.top, sy);
    row.low = Math.max(row.low, sy);
    row.several = true;
  }
  const all = [...found.values()];
  rowsOf.set(spots, all);
  return all;
}

/** A bar and a name through fixtures that hang at one position, where they hang in a row. */
function positions(c: CanvasRenderingContext2D, { spots, width }: Scene, k: Colours) {
  c.textAlign = 'left';
  const labels: { x: number; y: number }[] = [];
  for (const { name, left, right, top, low, several } of rows(spots)) {
    if (low - top < 30 && several) {
      c.fillStyle = k.line;
      c.fillRect(left - 10, (top + low) / 2 - 2, right - left + 20, 4);
    }
    const x = Math.max(6, Math.min(left - 10, width - 80));
    // A name that would stand on another one goes above it; where many rows lie close, some go without.
    const y = [top - 22, top - 34, top - 46].find((at) =>
      labels.every((l) => Math.abs(l.y - at) >= 11 || Math.abs(l.x - x) >= 70),
    );
    if (y === undefined) continue;
    labels.push({ x, y });
    c.fillStyle = k.ink;
    c.globalAlpha = 0.7;
    c.fillText(cut(name), x, y);
    c.globalAlpha = 1;
  }
}

/** How much smaller and fainter things are drawn where many share the window: 1 for a hundred, a third for a thousand. */
const crowdOf = (count: number, scale: number) =>
  Math.min(1, Math.max(0.3, (Math.sqrt(110 / Math.max(1, count)) * scale) / 28));
const crowd = (scene: Scene) => crowdOf(scene.spots.length, scene.view.scale);

const radius = (f: FixtureView, scene: Scene) => (f.form === 'head' ? 6 : 5) * crowd(scene);

/** Half the width of the cells of a divided fixture, in radii of its symbol. */
export const CELLS_HALF = 3.4;

/** The radius of a divided fixture's symbol where so many share the window. */
export const symbolRadius = (spot: Spot, count: number, scale: number) =>
  (spot.fixture.form === 'head' ? 6 : 5) * crowdOf(count, scale);

/** More order numbers than this cannot be read. */
const MOST_NUMBERS = 60;

function parts(scene: Scene, f: FixtureView): RigPart[] {
  if (f.cells === 0) return [scene.parts.get(`${f.number}.0`)].filter((p) => p !== undefined);
  const cells: RigPart[] = [];
  for (let cell = 1; cell <= f.cells; cell++) {
    const part = scene.parts.get(`${f.number}.${cell}`);
    if (part) cells.push(part);
  }
  return cells;
}

const rgba = (p: RigPart, alpha: number) => `rgba(${p.red},${p.green},${p.blue},${alpha})`;

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

function outline(c: CanvasRenderingContext2D, form: string, x: number, y: number, r: number) {
  if (form === 'head') {
    c.moveTo(x + r, y);
    c.arc(x, y, r, 0, Math.PI * 2);
  } else if (form === 'lamp') c.roundRect(x - r, y - r, 2 * r, 2 * r, 2);
  else if (form === 'cells') c.roundRect(x - 3.6 * r, y - 0.8 * r, 7.2 * r, 1.6 * r, 2);
  else if (form === 'dimmer') {
    c.moveTo(x, y - r);
    c.lineTo(x + r, y + r);
    c.lineTo(x - r, y + r);
    c.closePath();
  } else {
    c.moveTo(x, y - r);
    c.lineTo(x + r, y);
    c.lineTo(x, y + r);
    c.lineTo(x - r, y);
    c.closePath();
  }
}

/** Whether nothing is to be said of a fixture but where it is. */
const plain = (scene: Scene, f: FixtureView) =>
  !f.clash &&
  f.answer === 'not tried' &&
  f.number !== scene.pointed &&
  parts(scene, f).every((p) => p.intensity <= 0.004 && !p.dead);

/** A plain symbol, drawn once for as long as its size and colours stay. */
const stamps = new Map<string, HTMLCanvasElement>();
/** Pixels of a stamp for one of the window, so that it is as sharp. */
const FINE = 2;

function stamp(form: string, r: number, width: number, k: Colours): HTMLCanvasElement {
  const key = `${form} ${r} ${width} ${k.stage} ${k.ink}`;
  const known = stamps.get(key);
  if (known) return known;
  const half = Math.ceil(CELLS_HALF * r + 3);
  const element = document.createElement('canvas');
  element.width = element.height = 2 * half * FINE;
  const c = element.getContext('2d')!;
  c.scale(FINE, FINE);
  c.beginPath();
  outline(c, form, half, half, r);
  c.fillStyle = k.stage;
  c.fill();
  c.lineWidth = width;
  c.strokeStyle = k.ink;
  c.globalAlpha = 0.6;
  c.stroke();
  // A few sizes are in use at a time; enlarging step by step would gather more and more of them.
  if (stamps.size > 60) stamps.clear();
  stamps.set(key, element);
  return element;
}

/** Most of a large rig is dark: those are stamped; the others are drawn one by one above them. */
function symbols(c: CanvasRenderingContext2D, scene: Scene, k: Colours) {
  const others: Spot[] = [];
  const width = 1.2 * Math.max(0.5, crowd(scene));
  for (const spot of scene.spots) {
    if (!plain(scene, spot.fixture)) {
      others.push(spot);
      continue;
    }
    const image = stamp(spot.fixture.form, radius(spot.fixture, scene), width, k);
    const side = image.width / FINE;
    c.drawImage(image, spot.sx - side / 2, spot.sy - side / 2, side, side);
  }
  for (const spot of others) symbol(c, scene, spot, k);
}

function symbol(c: CanvasRenderingContext2D, scene: Scene, { fixture, sx, sy }: Spot, k: Colours) {
  const all = parts(scene, fixture);
  const order = scene.order.get(String(fixture.number));
  const r = radius(fixture, scene);
  c.beginPath();
  outline(c, fixture.form, sx, sy, r);
  c.fillStyle = k.stage;
  c.fill();
  if (fixture.cells > 0) cells(c, all, sx, sy, r);
  else if (all[0] && all[0].intensity > 0.004) {
    c.fillStyle = rgba(all[0], 0.3 + 0.7 * all[0].intensity);
    c.fill();
  }
  c.beginPath();
  outline(c, fixture.form, sx, sy, r);
  c.lineWidth = (order === undefined ? 1.2 : 2.4) * Math.max(0.5, crowd(scene));
  c.strokeStyle = order === undefined ? k.ink : k.held;
  c.globalAlpha = order === undefined ? 0.6 : 1;
  c.stroke();
  c.globalAlpha = 1;
  if (all[0]?.dead || fixture.clash) {
    c.fillStyle = k.wrong;
    c.fillRect(sx + r - 1, sy - r - 3, 5, 5);
  }
  answered(c, fixture, sx - r - 4, sy + r + 3, k);
  if (fixture.number === scene.pointed) {
    c.strokeStyle = k.eye;
    c.lineWidth = 2;
    c.beginPath();
    c.arc(sx, sy, r + 6, 0, Math.PI * 2);
    c.stroke();
  }
  if (order !== undefined && scene.order.size <= MOST_NUMBERS * Math.max(1, scene.view.scale / 28)) {
    c.fillStyle = k.held;
    c.textAlign = 'center';
    c.font = '700 11px "Atkinson Hyperlegible Mono Variable", monospace';
    c.fillText(String(order), sx, sy - r - 4);
    c.font = '11px "Atkinson Hyperlegible Next Variable", sans-serif';
  }
}

/** How it answered when it was brought up: a disc, a triangle or a square beside it. */
function answered(c: CanvasRenderingContext2D, f: FixtureView, x: number, y: number, k: Colours) {
  if (f.answer === 'not tried') return;
  c.fillStyle = f.answer === 'answered' ? k.ready : f.answer === 'wrong' ? k.eye : k.wrong;
  c.beginPath();
  if (f.answer === 'answered') c.arc(x, y, 2.2, 0, Math.PI * 2);
  else if (f.answer === 'wrong') {
    c.moveTo(x, y - 4);
    c.lineTo(x + 4, y + 3);
    c.lineTo(x - 4, y + 3);
  } else c.rect(x - 3, y - 3, 6, 6);
  c.fill();
}

function cells(c: CanvasRenderingContext2D, all: RigPart[], sx: number, sy: number, r: number) {
  const width = (2 * CELLS_HALF * r) / Math.max(1, all.length);
  all.forEach((part, i) => {
    c.fillStyle = rgba(part, part.intensity < 0.004 ? 0 : 0.3 + 0.7 * part.intensity);
    c.fillRect(sx - CELLS_HALF * r + i * width, sy - 0.6 * r, width - 0.5, 1.2 * r);
  });
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
