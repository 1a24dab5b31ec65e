import { describe, expect, it } from 'vitest';
import { edgeOf, sceneryAt } from './scenery';

const corner = (x: number, y: number, z: number) => ({ x, y, z });
const box = (x: number, y: number, z: number) => ({
  kind: 'truss',
  name: 'T',
  corners: [0, z].flatMap((up) => [corner(0, 0, up), corner(x, 0, up), corner(x, y, up), corner(0, y, up)]),
});

describe('the edge of scenery', () => {
  it('is its outline from above, each corner once', () => {
    expect(edgeOf(box(4, 1, 2), 'plan')).toEqual([
      { x: 0, y: 0 },
      { x: 4, y: 0 },
      { x: 4, y: 1 },
      { x: 0, y: 1 },
    ]);
  });

  it('is as high as it is from the audience', () => {
    expect(edgeOf(box(4, 1, 2), 'front').map((p) => p.y)).toEqual([0, 0, 2, 2]);
  });

  it('is a point where only the place is known, and a line where it is flat', () => {
    expect(edgeOf({ kind: 'object', name: 'O', corners: [corner(1, 2, 3)] }, 'plan')).toEqual([
      { x: 1, y: 2 },
    ]);
    expect(edgeOf(box(4, 0, 0), 'plan')).toEqual([
      { x: 0, y: 0 },
      { x: 4, y: 0 },
    ]);
  });
});

describe('what stands at a place', () => {
  const small = { ...box(1, 1, 1), name: 'Chest', kind: 'object' };

  it('is the smallest that lies there', () => {
    expect(sceneryAt([box(4, 4, 1), small], { x: 0.5, y: 0.5 }, 'plan')).toBe('Chest · object');
    expect(sceneryAt([box(4, 4, 1), small], { x: 3, y: 0.5 }, 'plan')).toBe('T · truss');
    expect(sceneryAt([box(4, 4, 1), small], { x: 5, y: 0.5 }, 'plan')).toBe('');
  });
});
