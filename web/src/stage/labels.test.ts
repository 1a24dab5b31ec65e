import { describe, expect, it } from 'vitest';
import { placed, type Box, type Wanted } from './labels';

const window = { x: 0, y: 0, width: 300, height: 200 };
const name = (text: string, ...places: [number, number][]): Wanted => ({
  text,
  width: 40,
  height: 12,
  places: places.map(([x, y]) => ({ x, y })),
});

describe('names on the plan', () => {
  it('take the best place that is free', () => {
    const [a] = placed([name('Bridge 1', [10, 10], [60, 10])], [], window);
    expect(a).toMatchObject({ x: 10, y: 10 });
  });
  it('go elsewhere where a symbol or another name is', () => {
    const symbol = { x: 12, y: 12, width: 8, height: 8 };
    const [a, b] = placed(
      [name('Bridge 1', [10, 10], [60, 10]), name('Bridge 2', [65, 12], [60, 40])],
      [symbol],
      window,
    );
    expect(a).toMatchObject({ x: 60, y: 10 });
    expect(b).toMatchObject({ x: 60, y: 40 });
  });
  it('are left out where there is no place, and beyond the window is none', () => {
    expect(placed([name('Bridge 1', [280, 10], [-5, 10], [10, 195])], [], window)).toEqual([]);
  });
  it('never meet each other or what is drawn, over many rigs', () => {
    let state = 7;
    const random = (n: number) => (state = (state * 48271) % 2147483647) % n;
    for (let round = 0; round < 200; round++) {
      const taken: Box[] = Array.from({ length: 30 }, () => ({
        x: random(290),
        y: random(190),
        width: 10,
        height: 10,
      }));
      const wanted = Array.from({ length: 20 }, (_, i) =>
        name(`P${i}`, [random(300), random(200)], [random(300), random(200)], [random(300), random(200)]),
      );
      const labels = placed(wanted, taken, window);
      labels.forEach((a, i) => {
        const apart = (b: Box) =>
          a.x + a.width <= b.x || b.x + b.width <= a.x || a.y + a.height <= b.y || b.y + b.height <= a.y;
        expect(taken.every(apart)).toBe(true);
        expect(labels.slice(i + 1).every(apart)).toBe(true);
      });
    }
  });
});
