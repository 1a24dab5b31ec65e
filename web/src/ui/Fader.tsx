interface Props {
  label: string;
  low: number;
  high: number;
  onChange: (percent: number) => void;
}

/** A level from 0 to 100 percent; a spread shows as the span between its ends. */
export function Fader({ label, low, high, onChange }: Props) {
  const set = (e: React.PointerEvent<HTMLDivElement>) => {
    const box = e.currentTarget.getBoundingClientRect();
    const share = (e.clientX - box.left) / box.width;
    onChange(Math.round(Math.max(0, Math.min(1, share)) * 100));
  };
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuemin={0}
      aria-valuemax={100}
      aria-valuenow={Math.round(high)}
      className="relative flex h-7 min-w-16 flex-1 cursor-ew-resize touch-none items-center"
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        set(e);
      }}
      onPointerMove={(e) => e.buttons === 1 && set(e)}
      onKeyDown={(e) => {
        const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1, PageUp: 10, PageDown: -10 }[
          e.key
        ];
        if (by === undefined) return;
        e.preventDefault();
        onChange(Math.max(0, Math.min(100, Math.round(high) + by)));
      }}
    >
      <div className="h-2 w-full overflow-hidden rounded-full bg-sunk">
        <div className="h-full bg-petrol/40" style={{ width: `${high}%` }}>
          <div className="h-full bg-petrol" style={{ width: high > 0 ? `${(low / high) * 100}%` : 0 }} />
        </div>
      </div>
    </div>
  );
}
