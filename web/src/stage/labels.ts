/** A piece of the window, in pixels. */
export interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** A name that looks for a place. */
export interface Wanted {
  text: string;
  width: number;
  height: number;
  /** Upper left corners it may have, the best first. */
  places: { x: number; y: number }[];
}

export interface Label extends Box {
  text: string;
}

/** Pixels of air around a name. */
const AIR = 2;

const meet = (a: Box, b: Box) =>
  a.x < b.x + b.width + AIR &&
  b.x < a.x + a.width + AIR &&
  a.y < b.y + b.height + AIR &&
  b.y < a.y + a.height + AIR;

/**
 * Where names stand: each at the first of its places that is within the window and meets neither what is drawn nor a name
 * before it. A name for which there is no place is left out; pointing at what it names tells it.
 */
export function placed(wanted: Wanted[], taken: Box[], window: Box): Label[] {
  const labels: Label[] = [];
  for (const { text, width, height, places } of wanted) {
    const free = places
      .map(({ x, y }) => ({ x, y, width, height, text }))
      .find(
        (box) =>
          box.x >= window.x &&
          box.y >= window.y &&
          box.x + width <= window.x + window.width &&
          box.y + height <= window.y + window.height &&
          !labels.some((l) => meet(l, box)) &&
          !taken.some((t) => meet(t, box)),
      );
    if (free) labels.push(free);
  }
  return labels;
}
