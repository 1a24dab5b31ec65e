interface Props {
  label: string;
  low: number;
  high: number;
  onChange: (percent: number) => void;
}

/** A level from 0 to 100 percent on the platform's own slider; a spread shows as the span between its ends. */
export function Fader({ label, low, high, onChange }: Props) {
  return (
    <input
      type="range"
      min={0}
      max={100}
      step={1}
      aria-label={label}
      aria-valuetext={
        Math.round(low) === Math.round(high)
          ? `${Math.round(high)} %`
          : `${Math.round(low)} to ${Math.round(high)} %`
      }
      value={Math.round(high)}
      className="fader h-7 min-w-[120px] flex-1"
      style={{ '--low': `${low}%`, '--high': `${high}%` } as React.CSSProperties}
      onChange={(e) => onChange(Number(e.target.value))}
    />
  );
}
