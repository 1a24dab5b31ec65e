import { describe, expect, it } from 'vitest';
import { BETWEEN, BLANK, formsOf, lineOf, moving, POSITION, THROUGH } from './new-effect';

describe('a new effect', () => {
  it('moves any attribute between two ends', () => {
    expect(lineOf({ ...BLANK, what: 'Zoom', form: 'ramp', from: '10', to: '60' })).toBe(
      'ramp of Zoom at 10 thru 60 rate 20 offset round',
    );
  });
  it('draws a figure with pan and tilt', () => {
    expect(lineOf({ ...moving(BLANK, POSITION), form: 'eight', size: '15', offset: 'offset 0' })).toBe(
      'eight of position size 15 rate 20 offset 0',
    );
  });
  it('goes from palette to palette, and through a row of them', () => {
    const palettes = ['colour 3', 'colour 7'];
    expect(lineOf({ ...BLANK, what: BETWEEN, palettes })).toBe(
      'sine of colour at colour 3 thru colour 7 rate 20 offset round',
    );
    expect(lineOf({ ...BLANK, what: THROUGH, palettes: [...palettes, 'colour 12'] })).toBe(
      'run colour 3 + 7 + 12 rate 20 offset round',
    );
  });
  it('is nothing as long as something is missing or does not fit together', () => {
    expect(lineOf({ ...BLANK, from: ' ' })).toBe('');
    expect(lineOf({ ...BLANK, what: BETWEEN })).toBe('');
    expect(lineOf({ ...BLANK, what: THROUGH, palettes: ['colour 3', ''] })).toBe('');
    expect(lineOf({ ...BLANK, what: THROUGH, palettes: ['colour 3', 'beam 1'] })).toBe('');
  });
  it('keeps its form where it can', () => {
    expect(moving({ ...BLANK, form: 'square' }, POSITION).form).toBe('square');
    expect(moving({ ...BLANK, form: 'sine' }, POSITION).form).toBe('circle');
    expect(formsOf(THROUGH)).toEqual([]);
  });
});
