import { useEffect, useRef, useState } from 'react';
import type { EffectView, MovementView } from '../../../api/client';
import { queryClient } from '../../../api/queries';
import { useAnimation } from '../../playing/useAnimation';
import { chanceAt, curveAt, endsLine, number, phaseOf, reachOf, turnsNow } from './effects-model';
import { follow } from './follow';
import { StepDot } from './StepDot';
import { useBox } from './useBox';
import { useGesture } from '../../../doing/gesture';
import { useShifting } from './useShifting';

const LEFT = 56;
const TOP = 20;

type Grip = 'high' | 'low' | 'middle';

interface Props {
  effect: EffectView;
  movement: MovementView;
  /** how the line changes it */
  edit: string;
  /** when its turns were told */
  at: number;
}

/** One cycle of a wave across the page, a dot for each step at its phase; ends, middle and dots are dragged. */
export function EffectCurve({ effect, movement: m, edit, at }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const { ref, width: wide, height: high } = useBox(700, 220);
  const right = wide - 30;
  const foot = high - 34;
  const dots = useRef<(SVGGElement | null)[]>([]);
  const change = useGesture((text: string) => text);
  const nudge = useGesture(
    (by: number) => (by ? `nudge ${m.word} by ${number(by)}` : null),
    (a, b) => a + b,
  );
  const [ends, setEnds] = useState<{ low: number; high: number } | null>(null);
  const shifting = useShifting(effect, edit);
  const relative = !m.between;
  const half = (m.size ?? 100) / 2;
  const told = relative ? { low: -half, high: half } : { low: m.low ?? 0, high: m.high ?? 100 };
  const now = ends ?? told;
  // Percent keep their whole range in sight, degrees what they go through with a margin.
  const margin = Math.max(10, Math.abs(told.high - told.low) * 0.25);
  const bottom = m.unit === '%' && !relative ? 0 : Math.min(told.low, told.high) - margin;
  const top = m.unit === '%' && !relative ? 100 : Math.max(told.low, told.high) + margin;
  const y = (value: number) => foot - ((value - bottom) / (top - bottom)) * (foot - TOP);
  const x = (phase: number) => LEFT + phase * (right - LEFT);
  const middle = (now.low + now.high) / 2;
  const valueOf = (w: number) => middle + ((now.high - now.low) / 2) * w;
  // By chance every unit has a value of its own each round, which it keeps: no curve tells it, its dot does.
  const chance = m.form === 'random';
  const stands = effect.steps;
  useAnimation(() => {
    stands.forEach((s, i) => {
      const phase = phaseOf(turnsNow(s, at) + shifting.by);
      const w = chance ? chanceAt(s, m.chances[i], at) : curveAt(m.curve, phase);
      const reached = middle + ((now.high - now.low) / 2) * (ends ? 1 : reachOf(s, m)) * (w ?? 0);
      dots.current[i]?.setAttribute('opacity', w === null ? '0' : '1');
      dots.current[i]?.setAttribute(
        'transform',
        `translate(${x(phase)},${y(Math.max(bottom, Math.min(top, reached)))})`,
      );
    });
  });
  useEffect(() => {
    const fastest = Math.max(0, ...stands.map((s) => s.rate));
    if (!chance || fastest === 0 || stands.length === 0) return;
    // Told anew before the last round that is known.
    const again = setTimeout(
      () => void queryClient.invalidateQueries({ predicate: (q) => q.queryKey[2] === 'effects' }),
      ((m.chances[0]!.length - 2) / fastest) * 60_000,
    );
    return () => clearTimeout(again);
  }, [chance, stands, m.chances]);
  const fixed = m.palettes.length > 0;
  const write = (low: number, high: number) =>
    relative ? `${edit} size ${number(Math.abs(high - low))}` : `${edit} ${endsLine(m, low, high)}`;
  /** What lies below is shifted for the selected, when it is let go of. */
  const lower = (by: number) => void nudge(by);
  const clamp = (v: number) => (m.unit === '%' && !relative ? Math.max(0, Math.min(100, v)) : v);
  const moved = (grip: Grip, value: number) => {
    const to = Math.round(value);
    if (relative) {
      const size = Math.max(0, Math.abs(to));
      return { low: -size, high: size };
    }
    if (grip === 'low') return { low: clamp(to), high: now.high };
    if (grip === 'high') return { low: now.low, high: clamp(to) };
    const by = to - Math.round(middle);
    const [low, high] = [now.low + by, now.high + by];
    return clamp(low) === low && clamp(high) === high ? { low, high } : now;
  };
  const below = (grip: Grip) => relative && grip === 'middle';
  const drag = (grip: Grip) => (e: React.PointerEvent) => {
    const box = svg.current!.getBoundingClientRect();
    let latest = now;
    follow(
      e,
      (p) => {
        const py = ((p.clientY - box.top) / box.height) * high;
        const to = bottom + ((foot - py) / (foot - TOP)) * (top - bottom);
        latest = below(grip) ? { low: Math.round(to) - half, high: Math.round(to) + half } : moved(grip, to);
        setEnds(latest);
        if (!below(grip)) void change(write(latest.low, latest.high));
      },
      () => {
        setEnds(null);
        if (below(grip) && latest !== now) lower((latest.low + latest.high) / 2);
      },
    );
  };
  const dragDot = (e: React.PointerEvent) =>
    shifting.begin(e, (p) => {
      const box = svg.current!.getBoundingClientRect();
      return ((p.clientX - box.left) / box.width) * (wide / (right - LEFT));
    });
  const key = (grip: Grip) => (e: React.KeyboardEvent) => {
    const by = { ArrowUp: 1, ArrowDown: -1, PageUp: 10, PageDown: -10 }[e.key];
    if (!by) return;
    e.preventDefault();
    e.stopPropagation();
    if (below(grip)) return lower(by);
    const next = moved(grip, { high: now.high, low: now.low, middle }[grip] + by);
    void change(write(next.low, next.high));
  };
  const grip = (which: Grip, value: number, words: string) => (
    <g
      role="slider"
      tabIndex={0}
      aria-label={words}
      aria-valuenow={Math.round(value)}
      aria-valuetext={`${number(value)} ${m.unit}`}
      className="cursor-ns-resize"
      onPointerDown={drag(which)}
      onKeyDown={key(which)}
    >
      <title>{`${words}: drag, or arrow keys`}</title>
      <circle cx={right} cy={y(value)} r="13" fill="transparent" />
      {which === 'middle' ? (
        <rect
          x={right - 6}
          y={y(value) - 6}
          width="12"
          height="12"
          fill="var(--sheet)"
          stroke="var(--ochre)"
          strokeWidth="2.5"
        />
      ) : (
        <circle
          cx={right}
          cy={y(value)}
          r="6.5"
          fill="var(--sheet)"
          stroke="var(--ochre)"
          strokeWidth="2.5"
        />
      )}
    </g>
  );
  const label = (value: number, words: string) => (
    <text x={LEFT - 8} y={y(value) + 4} textAnchor="end" fontSize="12" className="mono" fill="var(--ink-2)">
      {words}
    </text>
  );
  const name = (which: 0 | 1) => (m.palettes[which] ? `${m.palettes[which].number}` : '');
  return (
    <div ref={ref} className="h-full w-full">
      <svg
        ref={svg}
        viewBox={`0 0 ${wide} ${high}`}
        width={wide}
        height={high}
        className="touch-none select-none"
        role="group"
        aria-label={`One cycle of ${m.words}`}
      >
        <rect
          x={LEFT}
          y={Math.min(y(now.high), y(now.low))}
          width={right - LEFT}
          height={Math.abs(y(now.low) - y(now.high))}
          fill="var(--petrol-soft)"
          opacity=".55"
        />
        <line
          x1={LEFT}
          x2={right}
          y1={y(middle)}
          y2={y(middle)}
          stroke="var(--line-strong)"
          strokeDasharray="5 4"
        />
        {!chance && (
          <polyline
            points={m.curve.map((w, i) => `${x(i / (m.curve.length - 1))},${y(valueOf(w))}`).join(' ')}
            fill="none"
            stroke="var(--petrol)"
            strokeWidth="2"
          />
        )}
        {fixed ? (
          <>
            {label(now.low, name(0))}
            {label(now.high, name(1))}
          </>
        ) : (
          <>
            {label(
              now.low,
              `${relative ? (now.low > 0 ? '+' : '−') : ''}${number(relative ? Math.abs(now.low) : now.low)}${m.unit === '°' ? '°' : ''}`,
            )}
            {label(now.high, `${relative ? '+' : ''}${number(now.high)}${m.unit === '°' ? '°' : ''}`)}
            {Math.abs(y(now.high) - y(now.low)) > 44 && label(middle, relative ? 'below' : number(middle))}
          </>
        )}
        {stands.map((s, i) => (
          <StepDot
            key={s.units.join(' ')}
            step={s}
            index={i}
            of={stands.length}
            ref={(g) => {
              dots.current[i] = g;
            }}
            hint=". Drag along the curve to shift them all"
            onPointerDown={dragDot}
          />
        ))}
        {!fixed && grip('high', now.high, relative ? 'How far it goes' : 'Its higher end')}
        {!fixed && !relative && grip('middle', middle, 'Its middle')}
        {relative && effect.able > 0 && grip('middle', middle, 'What the selected stand at below it')}
        {!fixed && !relative && grip('low', now.low, 'Its lower end')}
        <text x={LEFT} y={high - 12} fontSize="12" className="mono" fill="var(--ink-2)">
          0
        </text>
        <text
          x={(LEFT + right) / 2}
          y={high - 12}
          textAnchor="middle"
          fontSize="12"
          className="mono"
          fill="var(--ink-2)"
        >
          {chance ? 'one random value a cycle for each unit' : 'half'}
        </text>
        <text x={right} y={high - 12} textAnchor="end" fontSize="12" className="mono" fill="var(--ink-2)">
          one cycle
        </text>
      </svg>
    </div>
  );
}
