import { Combobox, ComboboxButton, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/react';
import { ChevronDown } from 'lucide-react';
import { useMemo, useState, type ReactNode } from 'react';

export interface Found {
  value: string;
  text: string;
  /** Said under it. */
  under: string;
  note?: string;
  face?: ReactNode;
  /** All it is found by, in small letters. */
  words: string;
}

interface Props {
  label: string;
  /** Empty while nothing is chosen. */
  value: string;
  options: Found[];
  onChange: (value: string) => void;
  /** What stands there while nothing is chosen; it can be chosen again where that means something. */
  empty?: string;
  clears?: boolean;
  className?: string;
  autoFocus?: boolean;
}

/** Every word that is typed must be found somewhere. */
export const foundBy = (options: Found[], typed: string): Found[] => {
  const asked = typed.toLowerCase().split(/\s+/).filter(Boolean);
  return asked.length === 0 ? options : options.filter((o) => asked.every((w) => o.words.includes(w)));
};

/** One of very many: type any words of it. Only what is in sight is drawn. */
export function Finder({
  label,
  value,
  options,
  onChange,
  empty = 'choose…',
  clears,
  className = '',
  autoFocus,
}: Props) {
  const [typed, setTyped] = useState('');
  const chosen = useMemo(() => options.find((o) => o.value === value) ?? null, [options, value]);
  const all = useMemo<Found[]>(
    () => (clears ? [{ value: '', text: empty, under: '', words: '' }, ...options] : options),
    [options, clears, empty],
  );
  // At once, so that Enter right behind the last letter takes what fits and not what was there before.
  const fitting = useMemo(() => foundBy(all, typed), [all, typed]);
  return (
    <Combobox
      immediate={!autoFocus}
      value={chosen}
      by="value"
      virtual={{ options: fitting }}
      onChange={(o: Found | null) => o && onChange(o.value)}
      onClose={() => setTyped('')}
    >
      <div
        className={`flex h-8 w-full min-w-0 items-center gap-1.5 rounded-md border border-line-strong bg-paper px-2 text-[13px] text-ink focus-within:border-petrol ${className}`}
      >
        {chosen?.face}
        <ComboboxInput
          aria-label={label}
          autoFocus={autoFocus}
          autoComplete="off"
          placeholder={empty}
          title={chosen ? `${chosen.under} ${chosen.text}` : undefined}
          className="h-full w-full min-w-0 flex-1 bg-transparent outline-none placeholder:text-ink-label"
          displayValue={(o: Found | null) => o?.text ?? ''}
          onFocus={(e) => e.target.select()}
          onChange={(e) => setTyped(e.target.value)}
        />
        <ComboboxButton aria-label={`All of ${label}`} className="shrink-0 text-ink-2">
          <ChevronDown size={13} aria-hidden />
        </ComboboxButton>
      </div>
      <ComboboxOptions
        anchor={{ to: 'bottom start', gap: 3, padding: 8 }}
        modal={false}
        className="z-50 max-h-80! w-96 overflow-auto rounded-md border border-line-strong bg-sheet p-1 text-[13px] text-ink shadow-lg empty:invisible"
      >
        {({ option }: { option: Found }) => (
          <ComboboxOption
            value={option}
            className="flex h-10 w-full cursor-pointer items-center gap-2 rounded px-2 data-focus:bg-sunk data-selected:bg-petrol-soft"
          >
            {option.face}
            <span className="min-w-0 flex-1 leading-4">
              <span className="block truncate font-semibold">{option.text}</span>
              {option.under && <span className="block truncate text-[12px] text-ink-2">{option.under}</span>}
            </span>
            {option.note && <span className="mono shrink-0 text-[12px] text-ink-2">{option.note}</span>}
          </ComboboxOption>
        )}
      </ComboboxOptions>
    </Combobox>
  );
}
