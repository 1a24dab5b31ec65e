import { useRef } from 'react';
import type { EffectView, MovementView } from '../../../api/client';
import { useAnimation } from '../../playing/useAnimation';
import { phaseOf, turnsNow } from './effects-model';
import { StepDot } from './StepDot';
import { useBox } from './useBox';
import { useShifting } from './useShifting';

const LEFT = 20;
const TOP = 30;

interface Props {
  effect: EffectView;
  movement: MovementView;
  /** how the line changes it */
  edit: string;
  at: number;
}

/** A run through palettes as one band: how long each stays, where the next comes in, and where every step is. */
export function EffectBand({ effect, movement: m, edit, at }: Props) {
  const dots = useRef<(SVGGElement | null)[]>([]);
  const { ref, width, height } = useBox(700, 220);
  const right = width - 20;
  const high = height - 120;
  const shifting = useShifting(effect, edit);
  const n = m.palettes.length;
  const wide = (right - LEFT) / Math.max(1, n);
  useAnimation(() => {
    effect.steps.forEach((s, i) => {
      const phase = phaseOf(turnsNow(s, at) + shifting.by);
      dots.current[i]?.setAttribute(
        'transform',
        `translate(${LEFT + phase * (right - LEFT)},${TOP + high + 24 + (i % 3) * 20})`,
      );
    });
  });
  return (
    <div ref={ref} className="h-full w-full">
      <svg width={width} height={height} role="group" aria-label={m.words}>
        <defs>
          {m.palettes.map((p, i) => {
            const next = m.palettes[(i + 1) % n]!;
            return (
              <linearGradient key={i} id={`stay-${effect.id}-${i}`}>
                <stop offset={`${100 - m.crossfade}%`} stopColor={p.swatch || 'var(--sunk)'} />
                <stop offset="100%" stopColor={next.swatch || 'var(--sunk)'} />
              </linearGradient>
            );
          })}
        </defs>
        {m.palettes.map((p, i) => (
          <g key={i}>
            <rect
              x={LEFT + i * wide}
              y={TOP}
              width={wide}
              height={high}
              fill={m.crossfade > 0 ? `url(#stay-${effect.id}-${i})` : p.swatch || 'var(--sunk)'}
              stroke="var(--line-strong)"
            />
            <text
              x={LEFT + i * wide + wide / 2}
              y={TOP - 10}
              textAnchor="middle"
              fontSize="12"
              fill="var(--ink)"
            >
              {`${p.number} ${p.name}`.slice(0, Math.max(4, Math.floor(wide / 7)))}
            </text>
          </g>
        ))}
        {effect.steps.map((s, i) => (
          <StepDot
            key={s.units.join(' ')}
            step={s}
            index={i}
            of={effect.steps.length}
            ref={(g) => {
              dots.current[i] = g;
            }}
            hint=". Drag along the band to shift them all"
            onPointerDown={(e) => shifting.begin(e, (p) => p.clientX / (right - LEFT))}
          />
        ))}
      </svg>
    </div>
  );
}
