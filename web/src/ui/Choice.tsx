import { Listbox, ListboxButton, ListboxOption, ListboxOptions } from '@headlessui/react';
import { ChevronDown } from 'lucide-react';
import type { ReactNode } from 'react';

export interface Option<T extends string = string> {
  value: T;
  text: string;
  /** Said behind it, fainter. */
  note?: string;
  /** Drawn in front of it: a swatch, a picture. */
  face?: ReactNode;
  /** Seen but not to be chosen. */
  off?: boolean;
}

/** How it stands among what is around it: a field of a form, a button of a row, a cell of a table, a word of a sentence. */
type Shape = 'field' | 'button' | 'cell' | 'word';

interface Props<T extends string> {
  label: string;
  /** Empty, or none of the options, while nothing is chosen. */
  value: T | '';
  options: readonly (T | Readonly<Option<T>>)[];
  onChange: (value: T) => void;
  /** What stands there while nothing is chosen. */
  empty?: string;
  shape?: Shape;
  className?: string;
  title?: string;
  autoFocus?: boolean;
  onFocus?: () => void;
}

const SHAPES: Record<Shape, string> = {
  field: 'h-8 w-full border border-line-strong bg-paper px-2 text-[13px]',
  button: 'min-h-7 border border-line-strong bg-sheet px-2 hover:bg-sunk',
  cell: 'h-7 border border-line bg-paper px-1 text-[12px]',
  word: 'min-h-7 border border-line-strong bg-paper px-1 font-semibold text-petrol',
};

const asOption = <T extends string>(o: T | Readonly<Option<T>>): Readonly<Option<T>> =>
  typeof o === 'string' ? { value: o, text: o } : o;

/** One of several; letters go to the first that begins with them. */
export function Choice<T extends string>({
  label,
  value,
  options,
  onChange,
  empty = 'choose…',
  shape = 'button',
  className = '',
  title,
  autoFocus,
  onFocus,
}: Props<T>) {
  const all = options.map(asOption);
  const chosen = all.find((o) => o.value === value);
  return (
    <Listbox value={value} onChange={(v) => onChange(v as T)}>
      <ListboxButton
        aria-label={`${label}: ${chosen?.text ?? empty}`}
        title={title ?? chosen?.text}
        autoFocus={autoFocus}
        onFocus={onFocus}
        className={`inline-flex max-w-full min-w-0 items-center justify-between gap-1.5 rounded-md text-left text-ink focus-visible:outline-2 focus-visible:outline-petrol ${SHAPES[shape]} ${className}`}
      >
        <span className="flex min-w-0 items-center gap-1.5">
          {chosen?.face}
          <span className={`truncate ${chosen ? '' : 'text-ink-label'}`}>{chosen?.text ?? empty}</span>
        </span>
        <ChevronDown size={13} aria-hidden className="shrink-0 text-ink-2" />
      </ListboxButton>
      <ListboxOptions
        anchor={{ to: 'bottom start', gap: 3, padding: 8 }}
        modal={false}
        className="z-50 max-h-80! min-w-(--button-width) overflow-auto rounded-md border border-line-strong bg-sheet p-1 text-[13px] text-ink shadow-lg focus:outline-none"
      >
        {all.map((o) => (
          <ListboxOption
            key={o.value}
            value={o.value}
            disabled={o.off}
            className="flex min-h-7 cursor-pointer items-center gap-2 rounded px-2 py-0.5 data-disabled:text-ink-label data-focus:bg-sunk data-selected:bg-petrol-soft data-selected:font-semibold"
          >
            {o.face}
            <span className="min-w-0 flex-1">{o.text}</span>
            {o.note && <span className="shrink-0 text-[12px] text-ink-label">{o.note}</span>}
          </ListboxOption>
        ))}
      </ListboxOptions>
    </Listbox>
  );
}
