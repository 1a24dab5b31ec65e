import { Radio, RadioGroup } from '@headlessui/react';

interface Props<T extends string> {
  label: string;
  /** `said` names an option that shows a sign. */
  options: { value: T; text: string; said?: string; count?: string; alarm?: boolean }[];
  value: T;
  onChange: (value: T) => void;
  tight?: boolean;
  /** Whether it goes on in a second row where there is no room. */
  wraps?: boolean;
}

/** A choice of one, all options in sight; arrow keys go from one to the next. */
export function Segmented<T extends string>({ label, options, value, onChange, tight, wraps }: Props<T>) {
  return (
    <RadioGroup
      value={value}
      onChange={onChange}
      aria-label={label}
      className={`inline-flex overflow-hidden rounded-md border border-line-strong bg-sheet ${wraps ? 'max-w-full flex-wrap' : 'shrink-0'}`}
    >
      {options.map((o) => (
        <Radio
          key={o.value}
          value={o.value}
          aria-label={o.said}
          title={o.said}
          className={`flex min-h-7 cursor-pointer items-center border-r border-line ${tight ? 'px-1.5' : 'px-2.5'} last:border-r-0 focus-visible:outline-2 focus-visible:-outline-offset-2 focus-visible:outline-petrol ${o.value === value ? 'bg-petrol text-on-petrol focus-visible:outline-on-petrol' : 'hover:bg-sunk'}`}
        >
          {o.text}
          {o.count !== undefined && (
            <span className={`mono ml-1.5 font-bold ${o.alarm && o.value !== value ? 'text-madder' : ''}`}>
              {o.count}
            </span>
          )}
        </Radio>
      ))}
    </RadioGroup>
  );
}
