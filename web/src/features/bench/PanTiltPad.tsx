import { useRef, useState } from 'react';
import type { ValueRow } from '../../api/client';
import { runLine } from '../../doing/run-line';
import { Button } from '../../ui/Button';
import { addUp, useGesture } from '../../doing/gesture';

const SIDE = 104;
/** Degrees a point of the pad; a tenth when fine. */
const COARSE = 1;
const FINE = 0.1;
const FAR = 10;
/** Where heads selected point within their ranges, and how all of them are moved: dragged, by arrows, flipped, inverted. */
export function PanTiltPad({ rows, disabled }: { rows: ValueRow[]; disabled: boolean }) {
  const [fine, setFine] = useState(false);
  const nudge = useGesture(
    ([x, y]: [number, number]) =>
      x || y ? { type: 'nudge', by: { ...(x && { Pan: x }), ...(y && { Tilt: y }) } } : null,
    addUp,
  );
  const from = useRef<{ x: number; y: number } | null>(null);
  const pan = rows.find((r) => r.attribute === 'Pan');
  const tilt = rows.find((r) => r.attribute === 'Tilt');
  const step = fine ? FINE : COARSE;
  const off = disabled || (!pan && !tilt);
  const onKeyDown = (e: React.KeyboardEvent) => {
    const way = { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[e.key];
    if (!way || off) return;
    e.preventDefault();
    e.stopPropagation();
    const by = step * (e.shiftKey ? FAR : 1);
    void nudge([way[0]! * by, way[1]! * by]);
  };
  const onMove = (e: React.PointerEvent) => {
    if (!from.current) return;
    const [dx, dy] = [e.clientX - from.current.x, e.clientY - from.current.y];
    from.current = { x: e.clientX, y: e.clientY };
    if (dx || dy) void nudge([pan ? dx * step : 0, tilt ? -dy * step : 0]);
  };
  const box = {
    left: ((pan?.low ?? 50) / 100) * SIDE,
    width: (((pan?.high ?? 50) - (pan?.low ?? 50)) / 100) * SIDE,
    top: (1 - (tilt?.high ?? 50) / 100) * SIDE,
    height: (((tilt?.high ?? 50) - (tilt?.low ?? 50)) / 100) * SIDE,
  };
  return (
    <div className="flex shrink-0 flex-col gap-1" style={{ width: SIDE + 2 }}>
      <div
        role="application"
        tabIndex={0}
        aria-label="Pan and tilt: arrows move every head selected from where it is, with Shift further"
        aria-disabled={off}
        className={`relative touch-none rounded-md border border-line-strong bg-paper ${off ? 'opacity-50' : 'cursor-move'}`}
        style={{ width: SIDE + 2, height: SIDE + 2 }}
        onKeyDown={onKeyDown}
        onPointerDown={(e) => {
          if (off) return;
          e.currentTarget.setPointerCapture(e.pointerId);
          from.current = { x: e.clientX, y: e.clientY };
        }}
        onPointerMove={onMove}
        onPointerUp={() => (from.current = null)}
        onPointerCancel={() => (from.current = null)}
      >
        <span className="absolute top-1/2 right-0 left-0 border-t border-dashed border-line" />
        <span className="absolute top-0 bottom-0 left-1/2 border-l border-dashed border-line" />
        {!off && (
          <span
            className="absolute rounded-sm border-2 border-petrol bg-petrol-soft"
            style={{
              left: box.left - 4,
              top: box.top - 4,
              width: Math.max(0, box.width) + 8,
              height: Math.max(0, box.height) + 8,
            }}
          />
        )}
      </div>
      <div className="grid grid-cols-2 gap-0.5">
        <Button pressed={fine} label="A tenth of a degree a point" onClick={() => setFine(!fine)}>
          fine
        </Button>
        <Button
          disabled={off || !pan || !tilt}
          label="flip: the same spot on the other way over"
          onClick={() => void runLine('flip')}
        >
          flip
        </Button>
        <Button
          disabled={off || !pan}
          label="invert pan: to the other side of 0"
          onClick={() => void runLine('invert pan')}
        >
          −pan
        </Button>
        <Button
          disabled={off || !tilt}
          label="invert tilt: to the other side of 0"
          onClick={() => void runLine('invert tilt')}
        >
          −tilt
        </Button>
      </div>
    </div>
  );
}
