import { Menu, MenuButton as HeadlessButton, MenuItem, MenuItems } from '@headlessui/react';
import { ChevronDown } from 'lucide-react';
import type { ReactNode } from 'react';

export interface Entry {
  text: string;
  /** Said under it. */
  under?: string;
  /** A file that is kept when it is pressed. */
  href?: string;
  onPress?: () => void;
}

/** Several things that can be done, behind one button. */
export function MenuButton({
  label,
  entries,
  children,
}: {
  label: string;
  entries: Entry[];
  children: ReactNode;
}) {
  const shape = 'block w-full rounded px-2 py-1 text-left data-focus:bg-sunk';
  const words = (e: Entry) => (
    <>
      <span className="block font-semibold">{e.text}</span>
      {e.under && <span className="block text-[12px] text-ink-2">{e.under}</span>}
    </>
  );
  return (
    <Menu>
      <HeadlessButton
        aria-label={label}
        title={label}
        className="inline-flex min-h-7 items-center gap-1 rounded-md border border-line-strong bg-sheet px-2.5 font-semibold hover:bg-sunk"
      >
        {children}
        <ChevronDown size={13} aria-hidden className="text-ink-2" />
      </HeadlessButton>
      <MenuItems
        anchor={{ to: 'bottom end', gap: 3, padding: 8 }}
        modal={false}
        className="z-50 w-72 rounded-md border border-line-strong bg-sheet p-1 text-[13px] text-ink shadow-lg focus:outline-none"
      >
        {entries.map((e) => (
          <MenuItem key={e.text}>
            {e.href ? (
              <a className={shape} href={e.href} download>
                {words(e)}
              </a>
            ) : (
              <button className={shape} onClick={e.onPress}>
                {words(e)}
              </button>
            )}
          </MenuItem>
        ))}
      </MenuItems>
    </Menu>
  );
}
