import { Listbox, ListboxButton, ListboxOption, ListboxOptions } from '@headlessui/react';
import { ChevronDown } from 'lucide-react';

interface Props {
  label: string;
  /** Empty while nothing is chosen. */
  value: string;
  options: string[];
  onChange: (value: string) => void;
  /** What stands there while nothing is chosen. */
  empty?: string;
}

/** One of several, by its name. */
export function Choice({ label, value, options, onChange, empty = 'choose' }: Props) {
  return (
    <Listbox value={value} onChange={onChange}>
      <ListboxButton
        aria-label={`${label}: ${value || empty}`}
        className="inline-flex min-h-8 max-w-full items-center gap-2 rounded-md border border-line-strong bg-sheet px-2.5 hover:bg-sunk focus-visible:outline-2 focus-visible:outline-petrol"
      >
        <span className={`truncate ${value ? '' : 'text-ink-label'}`}>{value || empty}</span>
        <ChevronDown size={14} aria-hidden className="shrink-0 text-ink-2" />
      </ListboxButton>
      <ListboxOptions
        anchor="bottom start"
        className="z-50 max-h-72 overflow-auto rounded-md border border-line-strong bg-sheet p-1 shadow-lg focus:outline-none"
      >
        {options.map((o) => (
          <ListboxOption
            key={o}
            value={o}
            className="cursor-pointer rounded px-2 py-1 data-focus:bg-sunk data-selected:font-semibold"
          >
            {o}
          </ListboxOption>
        ))}
      </ListboxOptions>
    </Listbox>
  );
}
