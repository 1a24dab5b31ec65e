import { useEffect, useRef, useState } from 'react';
import { edit } from '../../api/commands';
import type { Schemas } from '../../api/client';
import { useColourPlane } from '../../api/queries';
import { attempt } from '../../doing/notices';

const WIDTH = 104;
const HEIGHT = 118;

/** Puts the picture that the application sends on a canvas of the same size in points. */
function paint(canvas: HTMLCanvasElement, width: number, height: number, rgb: string) {
  const context = canvas.getContext('2d')!;
  const image = context.createImageData(width, height);
  const octets = atob(rgb);
  for (let i = 0; i < width * height; i++)
    image.data.set(
      [octets.charCodeAt(3 * i), octets.charCodeAt(3 * i + 1), octets.charCodeAt(3 * i + 2), 255],
      4 * i,
    );
  context.putImageData(image, 0, 0);
}

/** Types are told apart by the dash of their outlines. */
const DASHES = ['', '4 2', '1.5 2', '6 2 1 2'];

const WHITES = [2700, 3200, 4000, 5600, 6500];

/** Every colour by its place in u′v′; the server works out how each fixture gets there. */
export function ColourPicker({
  disabled,
  reach,
  onPick,
}: {
  disabled: boolean;
  /** What the types selected can make, drawn into the plane. */
  reach: Schemas['GamutView'][];
  onPick: (u: number, v: number) => void;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [at, setAt] = useState<{ px: number; py: number } | null>(null);
  const plane = useColourPlane().data;
  useEffect(() => {
    if (plane) paint(canvas.current!, plane.width, plane.height, plane.rgb);
  }, [plane]);
  const of = (px: number, py: number) => ({
    u: plane ? plane.uFrom + (px / WIDTH) * (plane.uTo - plane.uFrom) : 0,
    v: plane ? plane.vTo - (py / HEIGHT) * (plane.vTo - plane.vFrom) : 0,
  });
  const place = ({ u, v }: { u: number; v: number }): [number, number] =>
    plane
      ? [
          ((u - plane.uFrom) / (plane.uTo - plane.uFrom)) * WIDTH,
          ((plane.vTo - v) / (plane.vTo - plane.vFrom)) * HEIGHT,
        ]
      : [0, 0];
  const pickAt = (px: number, py: number) => {
    if (disabled || !plane) return;
    setAt({ px, py });
    const { u, v } = of(px, py);
    onPick(u, v);
  };
  /** Arrows go a point further, with Shift ten; from the middle at first. */
  const onKeyDown = (e: React.KeyboardEvent) => {
    const way = { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowDown: [0, 1], ArrowUp: [0, -1] }[e.key];
    if (!way || e.altKey) return;
    e.preventDefault();
    e.stopPropagation();
    const by = e.shiftKey ? 10 : 1;
    const from = at ?? { px: WIDTH / 2, py: HEIGHT / 2 };
    pickAt(
      Math.max(0, Math.min(WIDTH - 1, from.px + way[0]! * by)),
      Math.max(0, Math.min(HEIGHT - 1, from.py + way[1]! * by)),
    );
  };
  const said = at ? of(at.px, at.py) : null;
  const pick = (e: React.PointerEvent<HTMLDivElement>) => {
    const box = e.currentTarget.getBoundingClientRect();
    const px = Math.max(0, Math.min(WIDTH - 1, e.clientX - box.left));
    const py = Math.max(0, Math.min(HEIGHT - 1, e.clientY - box.top));
    pickAt(px, py);
  };
  return (
    <div className="flex shrink-0 flex-col gap-1">
      <div
        data-testid="colour-picker"
        title={
          reach.length > 0 ? `Drawn in: what ${reach.map((r) => r.type).join(', ')} can make` : undefined
        }
        role="application"
        tabIndex={disabled ? -1 : 0}
        aria-disabled={disabled}
        aria-label={`Colour${said ? ` at u′ ${said.u.toFixed(3)}, v′ ${said.v.toFixed(3)}` : ''}; arrows move, with Shift further`}
        onKeyDown={onKeyDown}
        className={`relative touch-none overflow-hidden rounded-t-[52px] rounded-b ${disabled ? 'opacity-40' : 'cursor-crosshair'}`}
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId);
          pick(e);
        }}
        onPointerMove={(e) => e.buttons === 1 && pick(e)}
      >
        <canvas
          ref={canvas}
          width={plane?.width ?? 1}
          height={plane?.height ?? 1}
          style={{ width: WIDTH, height: HEIGHT }}
          className="block"
        />
        {plane && (
          <svg className="pointer-events-none absolute inset-0" width={WIDTH} height={HEIGHT} aria-hidden>
            {reach.map((r, i) => (
              <g key={i} fill="none" strokeLinejoin="round">
                {r.outlines.map((o, j) => {
                  const points = o.map((c) => place(c).join(',')).join(' ');
                  return (
                    <g key={j}>
                      <polygon points={points} stroke="#fff" strokeWidth={2.5} />
                      <polygon
                        points={points}
                        stroke="#000"
                        strokeWidth={1}
                        strokeDasharray={DASHES[i % DASHES.length]}
                      />
                    </g>
                  );
                })}
                {r.slots.map((c, j) => {
                  const [cx, cy] = place(c);
                  return <circle key={j} cx={cx} cy={cy} r={2} fill="#000" stroke="#fff" />;
                })}
              </g>
            ))}
          </svg>
        )}
        {at && (
          <span
            className="pointer-events-none absolute h-3 w-3 -translate-x-1/2 -translate-y-1/2 rounded-full border-2 border-sheet outline outline-ink"
            style={{ left: at.px, top: at.py }}
          />
        )}
      </div>
      <div className="flex flex-wrap gap-0.5" style={{ width: WIDTH }}>
        {WHITES.map((k) => (
          <button
            key={k}
            disabled={disabled}
            title={`White at ${k} K`}
            className="mono min-h-7 rounded border border-line px-0.5 text-[10px] hover:bg-sunk"
            onClick={() => void attempt(() => edit({ type: 'white', kelvin: k }))}
          >
            {k / 1000}k
          </button>
        ))}
      </div>
    </div>
  );
}
