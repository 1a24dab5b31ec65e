import { useRef } from 'react';
import type { Edit } from '../../api/commands';
import type { ValueRow } from '../../api/client';

const SIDE = 132;
/** As large as it stands beside its rows. */
const SHOWN = 116;
const R = 50;
const MIDDLE = SIDE / 2;
/** A blade all the way in reaches the other side. */
const DEPTH = 2 * R;
const NUMBER = /^Blade(\d+)([AB])$/;

/** Inward and along of each side, the first at the top, then as the clock goes; its A end comes first that way. */
const SIDES = [
  { in: [0, 1], along: [1, 0] },
  { in: [-1, 0], along: [0, 1] },
  { in: [0, -1], along: [-1, 0] },
  { in: [1, 0], along: [0, -1] },
] as const;

const percent = (row?: ValueRow) => (row ? (row.low + row.high) / 2 : 0);
/** Degrees as the row tells them; 0 for a range. */
const degrees = (row?: ValueRow) => (row && /^-?[\d.]+°$/.test(row.physical) ? parseFloat(row.physical) : 0);

export const hasBlades = (rows: ValueRow[]) => rows.some((r) => NUMBER.test(r.attribute));

/** The aperture with its blades: an end of a blade is dragged in and out, or moved by arrow keys. */
export function Blades({ rows, onChange }: { rows: ValueRow[]; onChange: (what: Edit) => void }) {
  const svg = useRef<SVGSVGElement>(null);
  const of = (attribute: string) => rows.find((r) => r.attribute === attribute);
  const turn = degrees(of('ShaperRot'));
  const numbers = [...new Set(rows.flatMap((r) => NUMBER.exec(r.attribute)?.[1] ?? []))].map(Number);
  /** A point of the picture in the frame of the blades. */
  const inFrame = (e: React.PointerEvent) => {
    const box = svg.current!.getBoundingClientRect();
    const [px, py] = [
      ((e.clientX - box.left) / box.width) * SIDE - MIDDLE,
      ((e.clientY - box.top) / box.height) * SIDE - MIDDLE,
    ];
    const a = (-turn * Math.PI) / 180;
    return [px * Math.cos(a) - py * Math.sin(a), px * Math.sin(a) + py * Math.cos(a)] as const;
  };
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${SIDE} ${SIDE}`}
      className="shrink-0 touch-none self-start rounded-md bg-stage"
      style={{ width: SHOWN, height: SHOWN }}
      role="group"
      aria-label="Blades"
    >
      <defs>
        <clipPath id="aperture">
          <circle cx={MIDDLE} cy={MIDDLE} r={R} />
        </clipPath>
      </defs>
      <circle cx={MIDDLE} cy={MIDDLE} r={R} className="fill-stage-ink" />
      <g transform={`rotate(${turn} ${MIDDLE} ${MIDDLE})`}>
        {numbers.map((n) => {
          const side = SIDES[(n - 1) % SIDES.length]!;
          const rot = (degrees(of(`Blade${n}Rot`)) * Math.PI) / 180;
          const a = of(`Blade${n}A`);
          const b = of(`Blade${n}B`);
          const tilted = Math.tan(rot) * R;
          const depth = [(percent(a) / 100) * DEPTH, (percent(b ?? a) / 100) * DEPTH];
          const at = (end: 0 | 1, d: number) => {
            const along = end === 0 ? -R : R;
            return [
              MIDDLE + side.along[0] * along + side.in[0] * (d - R),
              MIDDLE + side.along[1] * along + side.in[1] * (d - R),
            ] as const;
          };
          const [edgeA, edgeB] = b
            ? [at(0, depth[0]!), at(1, depth[1]!)]
            : [at(0, depth[0]! - tilted), at(1, depth[0]! + tilted)];
          const outer = [at(0, -R), at(1, -R)];
          const handle = (row: ValueRow | undefined, end: 0 | 1) => {
            if (!row) return null;
            const value = percent(row);
            const set = (to: number) =>
              onChange({
                type: 'set',
                attribute: row.attribute,
                points: [Math.round(Math.min(100, Math.max(0, to)))],
              });
            const place = end === 0 ? edgeA : edgeB;
            // Handles of neighbouring blades meet in the corners, so they stand a third of the way in.
            const other = end === 0 ? edgeB : edgeA;
            const [hx, hy] = [place[0] + (other[0] - place[0]) * 0.3, place[1] + (other[1] - place[1]) * 0.3];
            return (
              <circle
                cx={hx}
                cy={hy}
                r={6}
                role="slider"
                tabIndex={0}
                aria-label={`${row.label} in the picture`}
                aria-valuemin={0}
                aria-valuemax={100}
                aria-valuenow={Math.round(value)}
                className="cursor-move fill-sheet stroke-petrol"
                strokeWidth={2.5}
                onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
                onPointerMove={(e) => {
                  if (!e.currentTarget.hasPointerCapture(e.pointerId)) return;
                  const [x, y] = inFrame(e);
                  set(((x * side.in[0] + y * side.in[1] + R) / DEPTH) * 100);
                }}
                onKeyDown={(e) => {
                  const by = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 }[e.key];
                  if (!by) return;
                  e.preventDefault();
                  e.stopPropagation();
                  set(value + by * (e.shiftKey ? 10 : 1));
                }}
              >
                <title>{`${row.label}: ${row.text}`}</title>
              </circle>
            );
          };
          return (
            <g key={n}>
              <polygon
                clipPath="url(#aperture)"
                points={[outer[0]!, outer[1]!, edgeB, edgeA].map((p) => p.join(',')).join(' ')}
                className="fill-stage-line stroke-stage"
                strokeWidth={1}
              />
              {handle(a, 0)}
              {handle(b, 1)}
            </g>
          );
        })}
      </g>
    </svg>
  );
}
