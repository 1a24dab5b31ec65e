import { useRef, useState } from 'react';
import type { EffectView, MovementView } from '../../api/client';
import { useAnimation } from '../playing/useAnimation';
import { editLine, number, pathAt, phaseOf, turnsNow } from './effects-model';
import { StepDot } from './StepDot';
import { useChanging } from './useChanging';

const SIZE = 270;
const MIDDLE = SIZE / 2;
/** What the drawn field may measure across: degrees, or metres around a mark. */
const FIELDS = [1, 2, 4, 8, 15, 30, 60, 120, 240, 540, 1200];
/** A size that is dragged has room to grow. */
const ROOM = 1.3;

interface Props {
  effect: EffectView;
  movement: MovementView;
  at: number;
}

/** The shape that pan and tilt go through, a dot for each step; its edge is dragged for the size. */
export function EffectPath({ effect, movement: m, at }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const dots = useRef<(SVGGElement | null)[]>([]);
  const changing = useChanging();
  const [dragged, setDragged] = useState<number | null>(null);
  const size = dragged ?? m.size ?? 20;
  const [held, setHeld] = useState<number | null>(null);
  const field = held ?? FIELDS.find((f) => f >= (m.size ?? 20) * ROOM) ?? 1200;
  const scale = (SIZE - 24) / field;
  const half = (size / 2) * scale;
  const px = (v: number) => MIDDLE + v * half;
  const py = (v: number) => MIDDLE - v * half;
  const reach = Math.max(...m.path.map(([x]) => x!));
  useAnimation(() => {
    const turns = turnsNow(effect, at);
    effect.steps.forEach((s, i) => {
      const [x, y] = pathAt(m.path, phaseOf(turns + s.offset));
      dots.current[i]?.setAttribute('transform', `translate(${px(x)},${py(y)})`);
    });
  });
  const set = (to: number) => changing.send(`${editLine(effect)} size ${number(Math.max(0, to))}`);
  const drag = (e: React.PointerEvent) => {
    const target = e.currentTarget;
    const box = svg.current!.getBoundingClientRect();
    target.setPointerCapture(e.pointerId);
    changing.begin();
    setHeld(field);
    const move = (p: Event) => {
      const along = ((p as PointerEvent).clientX - box.left) / (box.width / SIZE) - MIDDLE;
      const to = Math.max(0, (2 * along) / scale / Math.max(0.1, reach));
      const next = m.unit === 'm' ? Math.round(to * 10) / 10 : Math.round(to);
      setDragged(next);
      set(next);
    };
    target.addEventListener('pointermove', move);
    const stop = () => {
      target.removeEventListener('pointermove', move);
      setDragged(null);
      setHeld(null);
    };
    target.addEventListener('pointerup', stop, { once: true });
    target.addEventListener('pointercancel', stop, { once: true });
  };
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${SIZE} ${SIZE}`}
      className="h-full max-h-[300px] w-full touch-none select-none"
      role="group"
      aria-label={m.words}
    >
      <line x1="12" x2={SIZE - 12} y1={MIDDLE} y2={MIDDLE} stroke="var(--line)" />
      <line y1="12" y2={SIZE - 12} x1={MIDDLE} x2={MIDDLE} stroke="var(--line)" />
      <text x={SIZE - 14} y={MIDDLE - 6} textAnchor="end" fontSize="11" fill="var(--ink-2)">
        {m.unit === 'm' ? 'across' : 'pan'}
      </text>
      <text x={MIDDLE + 6} y="20" fontSize="11" fill="var(--ink-2)">
        {m.unit === 'm' ? 'upstage' : 'tilt'}
      </text>
      <polyline
        points={m.path.map(([x, y]) => `${px(x!)},${py(y!)}`).join(' ')}
        fill="none"
        stroke="var(--petrol)"
        strokeWidth="2"
      />
      {effect.steps.map((s, i) => (
        <StepDot
          key={s.units.join(' ')}
          step={s}
          index={i}
          of={effect.steps.length}
          ref={(g) => {
            dots.current[i] = g;
          }}
        />
      ))}
      <g
        role="slider"
        tabIndex={0}
        aria-label="Its size"
        aria-valuenow={size}
        aria-valuetext={`${number(size)} ${m.unit}`}
        className="cursor-ew-resize"
        onPointerDown={drag}
        onKeyDown={(e) => {
          const by = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1, PageUp: 10, PageDown: -10 }[
            e.key
          ];
          if (!by) return;
          e.preventDefault();
          e.stopPropagation();
          changing.begin();
          set(size + by * (m.unit === 'm' ? 0.1 : 1));
        }}
      >
        <title>Its size: drag, or arrow keys</title>
        <circle cx={px(reach)} cy={MIDDLE} r="13" fill="transparent" />
        <circle
          cx={px(reach)}
          cy={MIDDLE}
          r="6.5"
          fill="var(--sheet)"
          stroke="var(--ochre)"
          strokeWidth="2.5"
        />
      </g>
      <text x={MIDDLE} y={SIZE - 4} textAnchor="middle" fontSize="12" className="mono" fill="var(--ink-2)">
        {`${number(size)} ${m.unit} across`}
      </text>
    </svg>
  );
}
