import { useRef, useState } from 'react';
import type { EffectView, MovementView } from '../../../api/client';
import { useAnimation } from '../../playing/useAnimation';
import { nearestPhase, number, pathAt, phaseOf, reachOf, turnsNow } from './effects-model';
import { follow } from './follow';
import { StepDot } from './StepDot';
import { addUp, useGesture } from '../../../doing/gesture';
import { useShifting } from './useShifting';

const SIZE = 270;
const MIDDLE = SIZE / 2;
/** What the drawn field may measure across: degrees, or metres around a mark. */
const FIELDS = [1, 2, 4, 8, 15, 30, 60, 120, 240, 540, 1200];
/** A size that is dragged has room to grow. */
const ROOM = 1.3;

interface Props {
  effect: EffectView;
  movement: MovementView;
  /** how the line changes it */
  edit: string;
  at: number;
}

/** The shape that pan and tilt go through, a dot for each step; its edge is dragged for the size, its middle for what it goes around. */
export function EffectPath({ effect, movement: m, edit, at }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const dots = useRef<(SVGGElement | null)[]>([]);
  const change = useGesture((text: string) => text);
  const nudge = useGesture(
    ([pan, tilt]: [number, number]) => (pan || tilt ? `nudge pan by ${pan}, tilt by ${tilt}` : null),
    addUp,
  );
  const shifting = useShifting(effect, edit);
  const [dragged, setDragged] = useState<number | null>(null);
  const size = dragged ?? m.size ?? 20;
  const [held, setHeld] = useState<number | null>(null);
  const field = held ?? FIELDS.find((f) => f >= (m.size ?? 20) * ROOM) ?? 1200;
  const scale = (SIZE - 24) / field;
  const half = (size / 2) * scale;
  const [shift, setShift] = useState({ pan: 0, tilt: 0 });
  const centre = { x: MIDDLE + shift.pan * scale, y: MIDDLE - shift.tilt * scale };
  const px = (v: number) => centre.x + v * half;
  const py = (v: number) => centre.y - v * half;
  const reach = Math.max(...m.path.map(([x]) => x!));
  useAnimation(() => {
    effect.steps.forEach((s, i) => {
      const [x, y] = pathAt(m.path, phaseOf(turnsNow(s, at) + shifting.by));
      const own = dragged === null ? reachOf(s, m) : 1;
      dots.current[i]?.setAttribute('transform', `translate(${px(x * own)},${py(y * own)})`);
    });
  });
  const set = (to: number) => void change(`${edit} size ${number(Math.max(0, to))}`);
  /** Degrees, or metres, under a pointer; from the middle of the drawing. */
  const under = (p: PointerEvent) => {
    const box = svg.current!.getBoundingClientRect();
    const per = box.height / SIZE;
    return {
      pan: (p.clientX - (box.left + box.width / 2)) / per / scale,
      tilt: (box.top + box.height / 2 - p.clientY) / per / scale,
    };
  };
  const drag = (e: React.PointerEvent) => {
    setHeld(field);
    follow(
      e,
      (p) => {
        const to = Math.max(0, (2 * under(p).pan) / Math.max(0.1, reach));
        const next = m.unit === 'm' ? Math.round(to * 10) / 10 : Math.round(to);
        setDragged(next);
        set(next);
      },
      () => {
        setDragged(null);
        setHeld(null);
      },
    );
  };
  /** What lies below is shifted for the selected, when it is let go of. */
  const lower = ({ pan, tilt }: { pan: number; tilt: number }) => {
    void nudge([pan, tilt]);
  };
  const carry = (e: React.PointerEvent) => {
    let latest = { pan: 0, tilt: 0 };
    setHeld(field);
    follow(
      e,
      (p) => {
        const to = under(p);
        latest = { pan: Math.round(to.pan), tilt: Math.round(to.tilt) };
        setShift(latest);
      },
      () => {
        setHeld(null);
        setShift({ pan: 0, tilt: 0 });
        lower(latest);
      },
    );
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
          hint=". Drag along the path to shift them all"
          onPointerDown={(e) =>
            shifting.begin(e, (p) => {
              const { pan, tilt } = under(p);
              return nearestPhase(m.path, (pan * scale) / half, (tilt * scale) / half);
            })
          }
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
          set(size + by * (m.unit === 'm' ? 0.1 : 1));
        }}
      >
        <title>Its size: drag, or arrow keys</title>
        <circle cx={px(reach)} cy={centre.y} r="13" fill="transparent" />
        <circle
          cx={px(reach)}
          cy={centre.y}
          r="6.5"
          fill="var(--sheet)"
          stroke="var(--ochre)"
          strokeWidth="2.5"
        />
      </g>
      {m.unit === '°' && effect.able > 0 && (
        <g
          role="slider"
          tabIndex={0}
          aria-label="What the selected stand at below it"
          aria-valuenow={0}
          aria-valuetext="pan and tilt"
          className="cursor-move"
          onPointerDown={carry}
          onKeyDown={(e) => {
            const by = {
              ArrowUp: { pan: 0, tilt: 1 },
              ArrowDown: { pan: 0, tilt: -1 },
              ArrowRight: { pan: 1, tilt: 0 },
              ArrowLeft: { pan: -1, tilt: 0 },
            }[e.key];
            if (!by) return;
            e.preventDefault();
            e.stopPropagation();
            lower(by);
          }}
        >
          <title>What the selected stand at below it: drag, or arrow keys</title>
          <rect x={centre.x - 13} y={centre.y - 13} width="26" height="26" fill="transparent" />
          <rect
            x={centre.x - 6}
            y={centre.y - 6}
            width="12"
            height="12"
            fill="var(--sheet)"
            stroke="var(--ochre)"
            strokeWidth="2.5"
          />
        </g>
      )}
      <text x={MIDDLE} y={SIZE - 4} textAnchor="middle" fontSize="12" className="mono" fill="var(--ink-2)">
        {`${number(size)} ${m.unit} across`}
      </text>
    </svg>
  );
}
