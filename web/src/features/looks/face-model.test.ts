import { describe, expect, it } from 'vitest';
import type { RigPart } from '../../api/rig-parts';
import { stripes } from './face-model';

const part = (red: number, green: number, blue: number, intensity: number): RigPart => ({
  number: 1,
  cell: 0,
  lands: false,
  dead: false,
  identifies: false,
  red,
  green,
  blue,
  intensity,
  pan: 0,
  tilt: 0,
  beam: 0,
  x: 0,
  y: 0,
});

describe('the face of a look', () => {
  it('has nothing for a look in which all is dark', () => {
    expect(stripes([part(255, 0, 0, 0)])).toEqual([]);
  });
  it('has a stripe for each colour, as wide as many have it and as high as they are lit', () => {
    const [red, blue] = stripes([part(250, 0, 0, 1), part(255, 5, 0, 0.5), part(0, 0, 255, 0.2)]);
    expect(red).toEqual({ colour: 'rgb(253 3 0)', level: 75, share: 2 / 3 });
    expect(blue).toEqual({ colour: 'rgb(0 0 255)', level: 20, share: 1 / 3 });
  });
  it('draws the four that most have, and they fill it', () => {
    const many = [0, 50, 100, 150, 200, 250].flatMap((v, i) =>
      Array.from({ length: 6 - i }, () => part(v, 0, 255 - v, 1)),
    );
    const drawn = stripes(many);
    expect(drawn).toHaveLength(4);
    expect(drawn.reduce((sum, s) => sum + s.share, 0)).toBeCloseTo(1);
    expect(drawn[0]!.share).toBeGreaterThan(drawn[3]!.share);
  });
});
