import { useEffect, useMemo, useRef } from 'react';
import type { FixtureView } from '../../api/client';
import { useTheme } from '../../doing/theme';

const SIDE = 72;
const RATIO = 2;

export interface Places {
  /** Where each fixture is drawn, by its number. */
  at: Map<string, { x: number; y: number }>;
  /** Everything placed, drawn once for all groups. */
  ground: HTMLCanvasElement;
}

function dot(c: CanvasRenderingContext2D, x: number, y: number, r: number) {
  c.moveTo(x + r, y);
  c.arc(x, y, r, 0, Math.PI * 2);
}

/** The plan that all groups of a show are drawn on. */
export function usePlaces(fixtures: FixtureView[]): Places | null {
  const theme = useTheme((s) => s.theme);
  return useMemo(() => {
    const placed = fixtures.filter((f) => f.placed);
    if (placed.length === 0) return null;
    let [minX, maxX, minY, maxY] = [Infinity, -Infinity, Infinity, -Infinity];
    for (const f of placed) {
      minX = Math.min(minX, f.x);
      maxX = Math.max(maxX, f.x);
      minY = Math.min(minY, f.y);
      maxY = Math.max(maxY, f.y);
    }
    const at = new Map(
      placed.map((f) => [
        String(f.number),
        {
          x: 14 + (44 * (f.x - minX)) / Math.max(0.1, maxX - minX),
          y: 50 - (34 * (f.y - minY)) / Math.max(0.1, maxY - minY),
        },
      ]),
    );
    const ground = document.createElement('canvas');
    ground.width = ground.height = SIDE * RATIO;
    const c = ground.getContext('2d')!;
    c.scale(RATIO, RATIO);
    c.beginPath();
    at.forEach(({ x, y }) => dot(c, x, y, 1.3));
    c.fillStyle = ink(theme, '--line-strong');
    c.fill();
    return { at, ground };
  }, [fixtures, theme]);
}

/** Read anew for each theme. */
const ink = (_theme: string, role: string) =>
  getComputedStyle(document.documentElement).getPropertyValue(role).trim();

/** Where the group's fixtures are among all that are placed. */
export function TinyPlan({ group, places }: { group: { units: string[] }; places: Places | null }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const theme = useTheme((s) => s.theme);
  const { units } = group;
  useEffect(() => {
    if (!places) return;
    const c = canvas.current!.getContext('2d')!;
    c.setTransform(1, 0, 0, 1, 0, 0);
    c.clearRect(0, 0, SIDE * RATIO, SIDE * RATIO);
    c.drawImage(places.ground, 0, 0);
    c.scale(RATIO, RATIO);
    c.beginPath();
    for (const unit of units) {
      const at = places.at.get(unit.split('.')[0]!);
      if (at) dot(c, at.x, at.y, 2.1);
    }
    c.fillStyle = ink(theme, '--petrol');
    c.fill();
  }, [places, units, theme]);
  if (!places) return null;
  return (
    <canvas
      ref={canvas}
      width={SIDE * RATIO}
      height={SIDE * RATIO}
      aria-hidden="true"
      className="absolute inset-0 h-full w-full"
    />
  );
}
