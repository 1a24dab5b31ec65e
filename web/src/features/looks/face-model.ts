import type { RigPart } from '../../api/rig-parts';

/** A colour of what a look lights. */
export interface Stripe {
  colour: string;
  /** Percent of full, of those that have the colour. */
  level: number;
  /** Its part of all that is lit, 0 to 1. */
  share: number;
}

/** Stripes that can be told apart in a niche. */
const MOST = 4;
/** Steps of a colour that look alike so small. */
const COARSE = 48;
const LIT = 0.004;

/** The colours of what is lit, most of them first, each with the level of those that have it; nothing for a dark look. */
export function stripes(parts: Iterable<RigPart>): Stripe[] {
  const found = new Map<string, { red: number; green: number; blue: number; level: number; count: number }>();
  let all = 0;
  for (const p of parts) {
    if (p.intensity <= LIT) continue;
    const near = [p.red, p.green, p.blue].map((v) => Math.round(v / COARSE)).join(' ');
    const at = found.get(near) ?? { red: 0, green: 0, blue: 0, level: 0, count: 0 };
    at.red += p.red;
    at.green += p.green;
    at.blue += p.blue;
    at.level += p.intensity;
    at.count++;
    all++;
    found.set(near, at);
  }
  const most = [...found.values()].sort((a, b) => b.count - a.count).slice(0, MOST);
  const drawn = most.reduce((sum, m) => sum + m.count, 0);
  return most.map((m) => ({
    colour: `rgb(${[m.red, m.green, m.blue].map((v) => Math.round(v / m.count)).join(' ')})`,
    level: (100 * m.level) / m.count,
    share: all === 0 ? 0 : m.count / drawn,
  }));
}
