import type { FixtureView } from '../api/client';
import type { RigPart } from '../api/rig-parts';
import type { Colours, Scene } from './scene';
import type { Spot } from './view';

/** How much smaller and fainter things are drawn where many share the window: 1 for a hundred, a third for a thousand. */
const crowdOf = (count: number, scale: number) =>
  Math.min(1, Math.max(0.3, (Math.sqrt(110 / Math.max(1, count)) * scale) / 28));
export const crowd = (scene: Scene) => crowdOf(scene.spots.length, scene.view.scale);

export const radius = (f: FixtureView, scene: Scene) => (f.form === 'head' ? 6 : 5) * crowd(scene);

/** Half the width of the cells of a divided fixture, in radii of its symbol. */
export const CELLS_HALF = 3.4;

/** The radius of a divided fixture's symbol where so many share the window. */
export const symbolRadius = (spot: Spot, count: number, scale: number) =>
  (spot.fixture.form === 'head' ? 6 : 5) * crowdOf(count, scale);

/** More order numbers than this cannot be read. */
const MOST_NUMBERS = 60;

export function parts(scene: Scene, f: FixtureView): RigPart[] {
  if (f.cells === 0) return [scene.parts.get(`${f.number}.0`)].filter((p) => p !== undefined);
  const cells: RigPart[] = [];
  for (let cell = 1; cell <= f.cells; cell++) {
    const part = scene.parts.get(`${f.number}.${cell}`);
    if (part) cells.push(part);
  }
  return cells;
}

export const rgba = (p: RigPart, alpha: number) => `rgba(${p.red},${p.green},${p.blue},${alpha})`;

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
  parts(scene, f).every((p) => p.intensity <= 0.004 && !p.dead && !p.identifies);

/** Whatever many share, drawn once for as long as its size and colours stay: stamping is many times quicker than drawing. */
const stamps = new Map<string, HTMLCanvasElement>();
/** Pixels of a stamp for one of the window, so that it is as sharp. */
const FINE = 2;

/** @param half half of its side */
function stamp(key: string, half: number, draw: (c: CanvasRenderingContext2D, middle: number) => void) {
  const known = stamps.get(key);
  if (known) return known;
  const element = document.createElement('canvas');
  element.width = element.height = 2 * half * FINE;
  const c = element.getContext('2d')!;
  c.scale(FINE, FINE);
  draw(c, half);
  // A few sizes are in use at a time; enlarging step by step would gather more and more of them.
  if (stamps.size > 60) stamps.clear();
  stamps.set(key, element);
  return element;
}

function press(c: CanvasRenderingContext2D, image: HTMLCanvasElement, { sx, sy }: Spot) {
  const side = image.width / FINE;
  c.drawImage(image, sx - side / 2, sy - side / 2, side, side);
}

/** A symbol of which nothing is to be said but whether it is selected. */
function plainStamp(form: string, r: number, scene: Scene, k: Colours, held: boolean) {
  const width = (held ? 2.4 : 1.2) * Math.max(0.5, crowd(scene));
  const half = Math.ceil((form === 'cells' ? CELLS_HALF + 0.2 : 1) * r + 3);
  return stamp(`${form} ${r} ${width} ${k.stage} ${held ? k.held : k.ink}`, half, (c, middle) => {
    c.beginPath();
    outline(c, form, middle, middle, r);
    c.fillStyle = k.stage;
    c.fill();
    c.lineWidth = width;
    c.strokeStyle = held ? k.held : k.ink;
    c.globalAlpha = held ? 1 : 0.6;
    c.stroke();
  });
}

/** Most of a large rig is dark: those are stamped; the others are drawn one by one above them. */
export function symbols(c: CanvasRenderingContext2D, scene: Scene, k: Colours) {
  const others: Spot[] = [];
  for (const spot of scene.spots) {
    if (plain(scene, spot.fixture))
      press(c, plainStamp(spot.fixture.form, radius(spot.fixture, scene), scene, k, false), spot);
    else others.push(spot);
  }
  for (const spot of others) symbol(c, scene, spot, k);
}

/** The selected, above all others. */
export function heldSymbols(c: CanvasRenderingContext2D, scene: Scene, k: Colours) {
  for (const spot of scene.spots) {
    const order = scene.order.get(String(spot.fixture.number));
    if (order === undefined) continue;
    if (plain(scene, spot.fixture)) {
      const r = radius(spot.fixture, scene);
      press(c, plainStamp(spot.fixture.form, r, scene, k, true), spot);
      numbered(c, scene, spot, order, r, k);
    } else symbol(c, scene, spot, k);
  }
}

/** A dashed ring around those that would be chosen. */
export function rings(c: CanvasRenderingContext2D, scene: Scene, foreseen: Set<string>, k: Colours) {
  for (const spot of scene.spots) {
    if (!foreseen.has(String(spot.fixture.number))) continue;
    const r = radius(spot.fixture, scene) + 4;
    const ring = stamp(`ring ${r} ${k.eye}`, Math.ceil(r + 2), (t, middle) => {
      t.strokeStyle = k.eye;
      t.lineWidth = 1.5;
      t.setLineDash([3, 2]);
      t.beginPath();
      t.arc(middle, middle, r, 0, Math.PI * 2);
      t.stroke();
    });
    press(c, ring, spot);
  }
}

function numbered(
  c: CanvasRenderingContext2D,
  scene: Scene,
  { sx, sy }: Spot,
  order: number,
  r: number,
  k: Colours,
) {
  if (scene.order.size > MOST_NUMBERS * Math.max(1, scene.view.scale / 28)) return;
  c.fillStyle = k.held;
  c.textAlign = 'center';
  c.font = '700 11px "Atkinson Hyperlegible Mono Variable", monospace';
  c.fillText(String(order), sx, sy - r - 4);
  c.font = '11px "Atkinson Hyperlegible Next Variable", sans-serif';
}

export function symbol(c: CanvasRenderingContext2D, scene: Scene, { fixture, sx, sy }: Spot, k: Colours) {
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
  if (all[0]?.identifies) shown(c, sx, sy, r, k);
  answered(c, fixture, sx - r - 4, sy + r + 3, k);
  if (fixture.number === scene.pointed) {
    c.strokeStyle = k.eye;
    c.lineWidth = 2;
    c.beginPath();
    c.arc(sx, sy, r + 6, 0, Math.PI * 2);
    c.stroke();
  }
  if (order !== undefined) numbered(c, scene, { fixture, sx, sy }, order, r, k);
}

/** Four corners around it: its device shows itself. */
function shown(c: CanvasRenderingContext2D, x: number, y: number, r: number, k: Colours) {
  const half = r + 7;
  const arm = half * 0.55;
  c.strokeStyle = k.eye;
  c.lineWidth = 3;
  c.beginPath();
  for (const [h, v] of [
    [-1, -1],
    [1, -1],
    [1, 1],
    [-1, 1],
  ] as const) {
    c.moveTo(x + h * half, y + v * (half - arm));
    c.lineTo(x + h * half, y + v * half);
    c.lineTo(x + h * (half - arm), y + v * half);
  }
  c.stroke();
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
