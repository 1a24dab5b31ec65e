import { useRef } from 'react';

interface Props {
  label: string;
  start: string;
  /** With what was typed, or nothing when it was called off. */
  onDone: (text: string) => void;
}

/** Where a value is typed: a number with or without its unit, a spread, a name. */
export function Writing({ label, start, onDone }: Props) {
  const cancelled = useRef(false);
  return (
    <input
      autoFocus
      aria-label={label}
      placeholder="50 · home · 12 deg · 0xC8 · 20 thru 80 · “name”"
      className="mono h-7 w-full min-w-0 rounded border border-petrol bg-paper px-1 text-[12px]"
      defaultValue={start}
      onBlur={(e) => onDone(cancelled.current ? '' : e.currentTarget.value.trim())}
      onKeyDown={(e) => {
        e.stopPropagation();
        if (e.key === 'Escape') cancelled.current = true;
        if (e.key === 'Enter' || e.key === 'Escape') e.currentTarget.blur();
      }}
    />
  );
}
