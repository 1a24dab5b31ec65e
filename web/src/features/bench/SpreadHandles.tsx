import { useEffect, useLayoutEffect, useRef, useState } from 'react';

const HEIGHT = 56;
const INSET = 7;
const MOST_HANDLES = 9;
const OWN_MS = 1500;

interface Props {
  label: string;
  /** What was spread along the steps, in percent: as it was set, ends, middle and order. */
  set: number[];
  /** How many steps are selected. */
  steps: number;
  onChange: (points: number[]) => void;
}

const clamp = (v: number) => Math.round(Math.min(100, Math.max(0, v)));
const y = (percent: number) => HEIGHT - INSET - (percent / 100) * (HEIGHT - 2 * INSET);

/** The value along the steps selected as a line through handles: dragged up and down, or by arrow keys. */
export function SpreadHandles({ label, set: asSet, steps, onChange }: Props) {
  const [points, setPoints] = useState(asSet);
  const svg = useRef<SVGSVGElement>(null);
  /** In points, as wide as the panel lets it be. */
  const [width, setWidth] = useState(160);
  useLayoutEffect(() => {
    const seen = new ResizeObserver(([e]) => setWidth(Math.max(60, Math.round(e!.contentRect.width))));
    seen.observe(svg.current!);
    return () => seen.disconnect();
  }, []);
  const x = (share: number) => INSET + share * (width - 2 * INSET);
  const last = points.length - 1;
  /** When a handle was moved last: what comes back of that is no news, what is there when it rests is. */
  const moved = useRef(-OWN_MS);
  useEffect(() => {
    let waits: ReturnType<typeof setTimeout>;
    const take = () => {
      const left = OWN_MS - (performance.now() - moved.current);
      if (left > 0) waits = setTimeout(take, left);
      else setPoints(asSet);
    };
    take();
    return () => clearTimeout(waits);
  }, [asSet]);
  const set = (next: number[], stamp: number) => {
    moved.current = stamp;
    setPoints(next);
    onChange(next);
  };
  const put = (at: number, to: number, stamp: number) =>
    set(
      points.map((p, i) => (i === at ? clamp(to) : p)),
      stamp,
    );
  const drag = (at: number) => (e: React.PointerEvent<SVGCircleElement>) => {
    if (!e.currentTarget.hasPointerCapture(e.pointerId)) return;
    const box = svg.current!.getBoundingClientRect();
    const py = ((e.clientY - box.top) / box.height) * HEIGHT;
    const to = clamp(((HEIGHT - INSET - py) / (HEIGHT - 2 * INSET)) * 100);
    if (to !== points[at]) put(at, to, e.timeStamp);
  };
  const key = (at: number) => (e: React.KeyboardEvent) => {
    const by = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1, PageUp: 10, PageDown: -10 }[e.key];
    if (!by) return;
    e.preventDefault();
    e.stopPropagation();
    put(at, Math.round(points[at]!) + by * (e.shiftKey ? 10 : 1), e.timeStamp);
  };
  /** The value of a step, as the polyline has it. */
  const valueAt = (step: number) => {
    const along = steps <= 1 ? 0 : (step / (steps - 1)) * last;
    const left = Math.min(Math.floor(along), last - 1);
    return points[left]! + (along - left) * (points[left + 1]! - points[left]!);
  };
  return (
    <div className="flex items-center gap-1.5" role="group" aria-label={`Spread of ${label}`}>
      <svg
        ref={svg}
        viewBox={`0 0 ${width} ${HEIGHT}`}
        className="h-14 min-w-0 flex-1 touch-none rounded border border-line bg-paper"
      >
        <polyline
          points={points.map((p, i) => `${x(i / last)},${y(p)}`).join(' ')}
          className="fill-none stroke-petrol"
          strokeWidth={1.5}
        />
        {steps <= 60 &&
          Array.from({ length: steps }, (_, i) => (
            <circle
              key={i}
              cx={x(steps <= 1 ? 0 : i / (steps - 1))}
              cy={y(valueAt(i))}
              r={2}
              className="fill-ink-2"
            />
          ))}
        {points.map((p, i) => (
          <circle
            key={i}
            cx={x(i / last)}
            cy={y(p)}
            r={5.5}
            role="slider"
            tabIndex={0}
            aria-label={`${label}, handle ${i + 1} of ${points.length}`}
            aria-valuemin={0}
            aria-valuemax={100}
            aria-valuenow={Math.round(p)}
            className="cursor-ns-resize fill-sheet stroke-petrol"
            strokeWidth={2.5}
            onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
            onPointerMove={drag(i)}
            onKeyDown={key(i)}
          />
        ))}
      </svg>
      <span className="mono w-20 shrink-0 text-[12px]">{points.map((p) => Math.round(p)).join(' → ')}</span>
      <span className="flex flex-col">
        <button
          aria-label="One handle more"
          title="One handle more"
          disabled={points.length >= MOST_HANDLES}
          className="min-h-7 min-w-7 rounded border border-line-strong disabled:text-ink-label"
          onClick={() => setPoints([...points, points[last]!])}
        >
          +
        </button>
        <button
          aria-label="One handle less"
          title="One handle less"
          disabled={points.length <= 2}
          className="min-h-7 min-w-7 rounded border border-line-strong disabled:text-ink-label"
          onClick={(e) => set(points.slice(0, -1), e.timeStamp)}
        >
          −
        </button>
      </span>
    </div>
  );
}
