import { placed, type Label } from '../../stage/labels';

/** Units of the drawing a metre. */
const METRE = 60;
/** Metres of air around the outermost symbols. */
const AROUND = 1.5;
/** Half of a symbol, and the height of a number. */
export const SYMBOL = 9.5;
export const DIGITS = 15;
/** A digit is this much of its height wide; the numerals of the face stand this much above their line. */
const WIDE = 0.6;
const TALL = 0.72;
const GAP = 4;

interface Dot {
  number: number;
  x: number;
  y: number;
}

/** A plan as it is drawn, with upstage at the top: symbols, and where their numbers stand without touching anything. */
export function numbered(dots: Dot[]) {
  const xs = dots.map((d) => d.x);
  const ys = dots.map((d) => d.y);
  const x = (Math.min(...xs) - AROUND) * METRE;
  const y = (-Math.max(...ys) - AROUND) * METRE;
  const width = (Math.max(...xs) + AROUND) * METRE - x;
  const height = (-Math.min(...ys) + AROUND) * METRE - y;
  const symbols = dots.map((d) => ({ number: d.number, x: d.x * METRE, y: -d.y * METRE }));
  const taken = symbols.map((s) => ({
    x: s.x - SYMBOL,
    y: s.y - SYMBOL,
    width: 2 * SYMBOL,
    height: 2 * SYMBOL,
  }));
  const wanted = symbols.map((s) => {
    const text = String(s.number);
    const size = { width: text.length * DIGITS * WIDE, height: DIGITS * TALL };
    const [across, down] = [s.x - size.width / 2, s.y - size.height / 2];
    const [side, rise] = [SYMBOL + GAP, SYMBOL + GAP];
    const places = [
      { x: across, y: s.y + rise },
      { x: across, y: s.y - rise - size.height },
      { x: s.x + side, y: down },
      { x: s.x - side - size.width, y: down },
    ];
    return { text, ...size, places };
  });
  const labels: Label[] = placed(wanted, taken, { x, y, width, height });
  return { x, y, width, height, symbols, labels };
}
