import { describe, expect, it } from 'vitest';
import { seen, STEPS, type Seen } from './steps';

const nothing: Seen = {
  fixtures: 9,
  groups: 2,
  fromPalette: 0,
  palettes: 3,
  cues: 1,
  mended: 0,
  versions: 0,
};

describe('the round', () => {
  it('has seven steps, in the order of work', () => {
    expect(STEPS.map((s) => s.chapter)).toEqual([
      'Patch',
      'Groups',
      'Palettes',
      'Palettes',
      'Looks',
      'Check',
      'Show',
    ]);
  });
  it('goes on when there is more than when the step began', () => {
    const begun = seen({ at: 0, from: null }, nothing);
    expect(begun).toEqual({ at: 0, from: 9 });
    expect(seen(begun, nothing)).toBe(begun);
    expect(seen(begun, { ...nothing, fixtures: 13 })).toEqual({ at: 1, from: null });
  });
  it('is not led on by what was there before, nor held up by what was taken away', () => {
    const begun = { at: 3, from: 3 };
    expect(seen(begun, { ...nothing, palettes: 2 })).toEqual({ at: 3, from: 2 });
    expect(seen({ at: 3, from: 2 }, { ...nothing, palettes: 3 })).toEqual({ at: 4, from: null });
  });
  it('ends behind the last step', () => {
    const done = { at: STEPS.length, from: null };
    expect(seen(done, { ...nothing, versions: 5 })).toBe(done);
  });
});
