import { describe, expect, it } from 'vitest';
import { DIGITS, numbered, SYMBOL } from './numbered';

const row = (from: number, y: number, apart: number, count = 8) =>
  Array.from({ length: count }, (_, i) => ({ number: from + i, x: i * apart, y }));

const meets = (a: { x: number; y: number; width: number; height: number }, b: typeof a) =>
  a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;

describe('numbers on a plan', () => {
  it('touch neither a symbol nor one another, whatever stands behind what', () => {
    for (const apart of [0.35, 0.6, 1, 2.1]) {
      const plan = numbered([...row(101, 4, apart), ...row(401, 3.6, apart), ...row(1, -5, apart)]);
      const boxes = plan.symbols.map((s) => ({
        x: s.x - SYMBOL,
        y: s.y - SYMBOL,
        width: 2 * SYMBOL,
        height: 2 * SYMBOL,
      }));
      for (const label of plan.labels) {
        expect(boxes.filter((b) => meets(b, label))).toEqual([]);
        expect(plan.labels.filter((l) => l !== label && meets(l, label))).toEqual([]);
        expect(label.height).toBeLessThan(DIGITS);
      }
    }
  });

  it('are all there where there is room', () => {
    expect(numbered([...row(101, 4, 1.5), ...row(401, 2, 1.5)]).labels.map((l) => l.text)).toHaveLength(16);
  });

  it('stand the way the stage does: upstage above, left on the left', () => {
    const { symbols, y, height } = numbered([
      { number: 1, x: -2, y: 5 },
      { number: 2, x: 3, y: -1 },
    ]);
    expect(symbols[0]!.y).toBeLessThan(symbols[1]!.y);
    expect(symbols[0]!.x).toBeLessThan(symbols[1]!.x);
    expect(symbols.every((s) => s.y > y && s.y < y + height)).toBe(true);
  });
});
