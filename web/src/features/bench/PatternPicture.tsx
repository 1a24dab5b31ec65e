const HIGH = 11;
const LOW = 3;

/** Bars for units in order: those that would be left are low and faint, steps rise from the first to the last. */
export function PatternPicture({ taken }: { taken: number[] }) {
  const last = Math.max(1, ...taken);
  const width = 44 / Math.max(1, taken.length);
  return (
    <svg viewBox="0 0 44 13" preserveAspectRatio="none" className="h-[13px] w-full px-1" aria-hidden="true">
      {taken.map((step, i) => {
        const height = step === 0 ? LOW : LOW + 1 + ((HIGH - LOW) * step) / last;
        return (
          <rect
            key={i}
            x={i * width}
            y={13 - height}
            width={Math.max(1, width - 1)}
            height={height}
            rx="0.5"
            fill={step === 0 ? 'var(--line-strong)' : 'var(--petrol)'}
          />
        );
      })}
    </svg>
  );
}
