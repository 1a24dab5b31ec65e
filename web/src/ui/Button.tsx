import type { ReactNode } from 'react';

interface Props {
  children: ReactNode;
  onClick?: () => void;
  kind?: 'plain' | 'main' | 'danger';
  disabled?: boolean;
  label?: string;
  type?: 'button' | 'submit';
  pressed?: boolean;
  /** Whether quick presses are each meant; else a double press does a thing once. */
  repeats?: boolean;
  /** Whether a dialog that opens begins here. */
  first?: boolean;
}

const KINDS = {
  plain: 'border-line-strong bg-sheet text-ink hover:bg-sunk',
  main: 'border-petrol bg-petrol text-on-petrol hover:opacity-90',
  danger: 'border-madder text-madder bg-sheet hover:bg-madder-soft',
};

export function Button({
  children,
  onClick,
  kind = 'plain',
  disabled,
  label,
  type = 'button',
  pressed,
  repeats = false,
  first = false,
}: Props) {
  return (
    <button
      type={type}
      title={label}
      disabled={disabled}
      aria-pressed={pressed}
      data-autofocus={first || undefined}
      autoFocus={first}
      onClick={(e) => (repeats || e.detail < 2) && onClick?.()}
      className={`inline-flex min-h-7 shrink-0 items-center gap-1.5 rounded-md border px-2.5 py-0.5 font-semibold ${KINDS[pressed ? 'main' : kind]}`}
    >
      {children}
    </button>
  );
}
