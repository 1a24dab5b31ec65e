interface Props<T extends string> {
  label: string;
  options: { value: T; text: string; count?: string; alarm?: boolean }[];
  value: T;
  onChange: (value: T) => void;
  tight?: boolean;
}

/** A choice of one, all options in sight. */
export function Segmented<T extends string>({ label, options, value, onChange, tight }: Props<T>) {
  return (
    <div
      role="radiogroup"
      aria-label={label}
      className="inline-flex shrink-0 overflow-hidden rounded-md border border-line-strong bg-sheet"
    >
      {options.map((o) => (
        <button
          key={o.value}
          type="button"
          role="radio"
          aria-checked={o.value === value}
          onClick={() => onChange(o.value)}
          className={`min-h-7 border-r border-line ${tight ? 'px-1.5' : 'px-2.5'} last:border-r-0 ${o.value === value ? 'bg-petrol text-on-petrol' : 'hover:bg-sunk'}`}
        >
          {o.text}
          {o.count !== undefined && (
            <span className={`mono ml-1.5 font-bold ${o.alarm && o.value !== value ? 'text-madder' : ''}`}>
              {o.count}
            </span>
          )}
        </button>
      ))}
    </div>
  );
}
