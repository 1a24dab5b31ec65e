import type { Schemas } from '../../../api/client';

/** More steps than these have dots without numbers. */
const MOST_NUMBERED = 40;

interface Props {
  step: Schemas['StepView'];
  /** its place among so many */
  index: number;
  of: number;
  ref: React.Ref<SVGGElement>;
  /** what can be done with it, behind who it is */
  hint?: string;
  onPointerDown?: (e: React.PointerEvent) => void;
}

/** One step of an effect; whoever draws it moves it to where it is in the round. */
export function StepDot({ step, index, of, ref, hint = '', onPointerDown }: Props) {
  return (
    <g ref={ref} className={onPointerDown ? 'cursor-ew-resize' : undefined} onPointerDown={onPointerDown}>
      <title>{`step ${index + 1}: ${step.units.slice(0, 8).join(', ')}${hint}`}</title>
      <circle r={of > MOST_NUMBERED ? 4 : 10} fill="var(--petrol)" />
      {of <= MOST_NUMBERED && (
        <text
          y="4"
          textAnchor="middle"
          fontSize="11"
          fontWeight="700"
          className="mono"
          fill="var(--on-petrol)"
        >
          {index + 1}
        </text>
      )}
    </g>
  );
}
