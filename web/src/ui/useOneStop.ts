import { useEffect, useLayoutEffect, useRef } from 'react';

const BUTTONS = 'button:not(:disabled)';

/** Of those in a row the one that Tab comes to: where it was, what is chosen, or the first. */
export function stopOf<T>(all: readonly T[], before: T | null, chosen: (one: T) => boolean): T | undefined {
  if (before !== null && all.includes(before)) return before;
  return all.find(chosen) ?? all[0];
}

/**
 * One stop of Tab for all that stands in a row; arrow keys go from one to the next, Home and End to the ends.
 *
 * @param selector what of it is stopped at
 * @param own whether its parts go on by arrow keys of their own
 * @returns goes on the element around them
 */
export function useOneStop<T extends HTMLElement>({ selector = BUTTONS, own = false } = {}) {
  const around = useRef<T>(null);
  const before = useRef<HTMLElement | null>(null);
  const settle = () => {
    const all = [...(around.current?.querySelectorAll<HTMLElement>(selector) ?? [])];
    const stop = stopOf(all, before.current, (one) => one.hasAttribute('aria-current'));
    for (const one of all) {
      const index = one === stop ? 0 : -1;
      if (one.tabIndex !== index) one.tabIndex = index;
    }
  };
  useLayoutEffect(settle);
  useEffect(() => {
    const element = around.current;
    if (!element) return undefined;
    const onFocus = (e: FocusEvent) => {
      // A field that stands among them is no stop of its own.
      before.current = (e.target as HTMLElement).closest<HTMLElement>(selector) ?? before.current;
      settle();
    };
    const onKey = (e: KeyboardEvent) => {
      if (own || e.altKey || e.ctrlKey || e.metaKey || e.defaultPrevented) return;
      const all = [...element.querySelectorAll<HTMLElement>(selector)];
      const here = all.indexOf(e.target as HTMLElement);
      if (here < 0) return;
      const to = { ArrowRight: here + 1, ArrowLeft: here - 1, Home: 0, End: all.length - 1 }[e.key];
      if (to === undefined) return;
      e.preventDefault();
      all[to]?.focus();
    };
    element.addEventListener('focusin', onFocus);
    element.addEventListener('keydown', onKey);
    return () => {
      element.removeEventListener('focusin', onFocus);
      element.removeEventListener('keydown', onKey);
    };
  });
  return around;
}
