import { expect, it } from 'vitest';
import { readParts, type RigPart } from './rig-parts';

const OCTETS = 36;

/** As the server writes a part: little-endian, 36 octets. */
function written(number: number, cell: number, flags: number, colour: number[], floats: number[]) {
  const view = new DataView(new ArrayBuffer(OCTETS));
  view.setUint32(0, number, true);
  view.setUint16(4, cell, true);
  view.setUint8(6, flags);
  colour.forEach((c, i) => view.setUint8(7 + i, c));
  floats.forEach((f, i) => view.setFloat32(12 + 4 * i, f, true));
  return new Uint8Array(view.buffer);
}

const joined = (...parts: Uint8Array[]) => {
  const all = new Uint8Array(parts.reduce((n, p) => n + p.length, 0));
  parts.reduce((at, p) => (all.set(p, at), at + p.length), 0);
  return all.buffer;
};

it('parts are taken out of a feed by number and cell', () => {
  const parts = new Map<string, RigPart>();
  readParts(
    joined(
      written(70_000, 0, 1, [255, 128, 0], [0.5, -90, 12.5, 20, 1, 2]),
      written(7, 3, 6, [1, 2, 3], [1, 0, 0, 0, 0, 0]),
    ),
    parts,
  );
  expect([...parts.keys()]).toEqual(['70000.0', '7.3']);
  expect(parts.get('70000.0')).toEqual({
    number: 70_000,
    cell: 0,
    lands: true,
    dead: false,
    identifies: false,
    red: 255,
    green: 128,
    blue: 0,
    intensity: 0.5,
    pan: -90,
    tilt: 12.5,
    beam: 20,
    x: 1,
    y: 2,
  });
  expect(parts.get('7.3')).toMatchObject({ lands: false, dead: true, identifies: true, intensity: 1 });
});

it('a later frame takes the place of an earlier one, part by part; what is cut off is left', () => {
  const parts = new Map<string, RigPart>();
  readParts(joined(written(1, 0, 0, [], [0.1]), written(2, 0, 0, [], [0.2])), parts);
  readParts(joined(written(2, 0, 0, [], [0.9]), new Uint8Array(20)), parts);
  expect(parts.size).toBe(2);
  expect(parts.get('1.0')!.intensity).toBeCloseTo(0.1);
  expect(parts.get('2.0')!.intensity).toBeCloseTo(0.9);
});
