import { describe, expect, it } from 'vitest';
import { placeOf, taken, useDropped } from './dropped';

describe('a dropped file', () => {
  it.each([
    ['Night ferry.loculus', '/show'],
    ['parcel.ZIP', '/show'],
    ['hookup.csv', '/patch'],
    ['hookup.xlsx', '/patch'],
    ['spot.gdtf', '/profiles'],
    ['Bridge.MVR', '/scene'],
    ['plan.pdf', null],
  ])('%s goes to %s', (name, place) => expect(placeOf(name)).toBe(place));

  it('is taken once, by the page it belongs to', () => {
    const file = new File(['x'], 'hookup.csv');
    useDropped.setState({ files: [file] });
    expect(taken('/show')).toEqual([]);
    expect(taken('/patch')).toEqual([file]);
    expect(taken('/patch')).toEqual([]);
  });
});
