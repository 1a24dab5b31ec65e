import { useEffect } from 'react';

/** Niches and rows: where the keys go on when what they were on has gone. */
const PLACES = '[data-niche], [role="option"][tabindex]';
/** A dialog that closes gives the focus back itself. */
const PAUSE_MS = 80;

const places = () => [...document.querySelectorAll<HTMLElement>(PLACES)];

let place: HTMLElement | null = null;

/** Gives the focus back to where it was before something was typed. */
export function focusPlace() {
  if (place?.isConnected) place.focus({ preventScroll: true });
}

/**
 * When what had the focus is taken away (deleted, closed), the place that was left last has it again; when that is gone
 * too, the one that stands there now.
 */
export function useFocusNear() {
  useEffect(() => {
    let focused: HTMLElement | null = null;
    let index = 0;
    let timer = 0;
    const onFocus = (e: FocusEvent) => {
      focused = e.target as HTMLElement;
      const at = focused.closest<HTMLElement>(PLACES);
      if (!at) return;
      place = at;
      index = places().indexOf(at);
    };
    const goOn = () => {
      const lost = focused !== null && !focused.isConnected && document.activeElement === document.body;
      if (!lost || !place || document.querySelector('[role="dialog"]')) return;
      const all = places();
      const next = place.isConnected ? place : all[Math.min(index, all.length - 1)];
      next?.focus({ preventScroll: true });
    };
    const seen = new MutationObserver(() => {
      if (focused === null || focused.isConnected) return;
      window.clearTimeout(timer);
      timer = window.setTimeout(goOn, PAUSE_MS);
    });
    document.addEventListener('focusin', onFocus);
    seen.observe(document.body, { childList: true, subtree: true });
    return () => {
      document.removeEventListener('focusin', onFocus);
      seen.disconnect();
      window.clearTimeout(timer);
    };
  }, []);
}
