/** What one part of a simulated fixture does, as received. Angles in degrees, landing in metres. */
export interface RigPart {
  number: number;
  cell: number;
  lands: boolean;
  dead: boolean;
  /** Whether its device shows itself. */
  identifies: boolean;
  red: number;
  green: number;
  blue: number;
  intensity: number;
  pan: number;
  tilt: number;
  beam: number;
  x: number;
  y: number;
}

const OCTETS = 36;

/** Takes parts out of the octets of a feed. */
export function readParts(frame: ArrayBuffer, parts: Map<string, RigPart>) {
  const view = new DataView(frame);
  for (let at = 0; at + OCTETS <= view.byteLength; at += OCTETS) {
    const flags = view.getUint8(at + 6);
    const part: RigPart = {
      number: view.getUint32(at, true),
      cell: view.getUint16(at + 4, true),
      lands: (flags & 1) !== 0,
      dead: (flags & 2) !== 0,
      identifies: (flags & 4) !== 0,
      red: view.getUint8(at + 7),
      green: view.getUint8(at + 8),
      blue: view.getUint8(at + 9),
      intensity: view.getFloat32(at + 12, true),
      pan: view.getFloat32(at + 16, true),
      tilt: view.getFloat32(at + 20, true),
      beam: view.getFloat32(at + 24, true),
      x: view.getFloat32(at + 28, true),
      y: view.getFloat32(at + 32, true),
    };
    parts.set(`${part.number}.${part.cell}`, part);
  }
}
