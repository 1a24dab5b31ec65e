import { useEffect, useRef, useState } from 'react';
import { line } from '../../api/commands';
import { attempt } from '../../app/notices';

const WIDTH = 104;
const HEIGHT = 118;
/** The part of CIE 1976 u′v′ that lamps can show. */
const U = { from: 0.02, to: 0.56 };
const V = { from: 0.06, to: 0.6 };

const uvAt = (px: number, py: number) => ({
  u: U.from + (px / WIDTH) * (U.to - U.from),
  v: V.to - (py / HEIGHT) * (V.to - V.from),
});

const xyOf = (u: number, v: number) => {
  const divisor = 6 * u - 16 * v + 12;
  return { x: (9 * u) / divisor, y: (4 * v) / divisor };
};

const coded = (linear: number) =>
  Math.round(255 * (linear <= 0.0031308 ? 12.92 * linear : 1.055 * linear ** (1 / 2.4) - 0.055));

/** What a screen shows of a chromaticity: at its brightest, clipped to the screen's own colours. */
function screen(x: number, y: number): [number, number, number] {
  const X = x / y;
  const Z = (1 - x - y) / y;
  const linear = [
    3.2404542 * X - 1.5371385 - 0.4985314 * Z,
    -0.969266 * X + 1.8760108 + 0.041556 * Z,
    0.0556434 * X - 0.2040259 + 1.0572252 * Z,
  ];
  const most = Math.max(...linear);
  return linear.map((c) => coded(Math.max(0, c) / most)) as [number, number, number];
}

function paint(canvas: HTMLCanvasElement) {
  const context = canvas.getContext('2d')!;
  const image = context.createImageData(WIDTH, HEIGHT);
  for (let py = 0; py < HEIGHT; py++) {
    for (let px = 0; px < WIDTH; px++) {
      const { u, v } = uvAt(px, py);
      const { x, y } = xyOf(u, v);
      const [r, g, b] = x + y <= 1 && y > 0 ? screen(x, y) : [90, 90, 90];
      image.data.set([r, g, b, 255], (py * WIDTH + px) * 4);
    }
  }
  context.putImageData(image, 0, 0);
}

const WHITES = [2700, 3200, 4000, 5600, 6500];

/** Every colour by its place in u′v′; the server works out how each fixture gets there. */
export function ColourPicker({
  disabled,
  onPick,
}: {
  disabled: boolean;
  onPick: (x: string, y: string) => void;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [at, setAt] = useState<{ px: number; py: number } | null>(null);
  useEffect(() => paint(canvas.current!), []);
  const pick = (e: React.PointerEvent<HTMLDivElement>) => {
    const box = e.currentTarget.getBoundingClientRect();
    const px = Math.max(0, Math.min(WIDTH - 1, e.clientX - box.left));
    const py = Math.max(0, Math.min(HEIGHT - 1, e.clientY - box.top));
    const { u, v } = uvAt(px, py);
    const { x, y } = xyOf(u, v);
    if (disabled || x + y > 1) return;
    setAt({ px, py });
    onPick(x.toFixed(4), y.toFixed(4));
  };
  return (
    <div className="flex shrink-0 flex-col gap-1">
      <div
        data-testid="colour-picker"
        role="application"
        aria-label="Colour by u′ v′. With the keyboard, type “colour xy 0.25, 0.39” in the line."
        className={`relative touch-none overflow-hidden rounded-t-[52px] rounded-b ${disabled ? 'opacity-40' : 'cursor-crosshair'}`}
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId);
          pick(e);
        }}
        onPointerMove={(e) => e.buttons === 1 && pick(e)}
      >
        <canvas ref={canvas} width={WIDTH} height={HEIGHT} className="block" />
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
            onClick={() => void attempt(() => line(`white at ${k} k`))}
          >
            {k / 1000}k
          </button>
        ))}
      </div>
    </div>
  );
}
