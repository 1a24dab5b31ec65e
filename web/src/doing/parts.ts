/** What arrow keys work on within a part: the keys go there first. What stands before it is reached by Shift Tab. */
const WORKED = '[data-niche], [role="option"][tabindex], [role="grid"], [role="application"]';
const TAKES_KEYS =
  'button:not(:disabled), a[href], input:not(:disabled), textarea:not(:disabled), summary, [tabindex="0"]';
const LEAF = '[data-part], [data-panel]:not(:has([data-panel], [data-part]))';

/** Where the keys were last in each part. */
const left = new WeakMap<Element, HTMLElement>();

/** The panes of a page, and the sections that are in none, from top to bottom. */
export function parts(): HTMLElement[] {
  const inNone = [...document.querySelectorAll<HTMLElement>('main section[aria-label]')].filter(
    (s) =>
      !s.closest(LEAF) &&
      !s.querySelector('[data-panel], [data-part]') &&
      !s.parentElement?.closest('main section'),
  );
  return [...document.querySelectorAll<HTMLElement>(LEAF), ...inNone]
    .filter((part) => part.getClientRects().length > 0 && entry(part) !== undefined)
    .sort((a, b) => (a.compareDocumentPosition(b) & Node.DOCUMENT_POSITION_FOLLOWING ? -1 : 1));
}

const seen = (element: HTMLElement) => element.getClientRects().length > 0 && element.tabIndex >= 0;

/** Where the keys go in a part: where they were, what is looked at, what it is worked in, or what comes first. */
function entry(part: HTMLElement): HTMLElement | undefined {
  const before = left.get(part);
  if (before?.isConnected && part.contains(before) && seen(before)) return before;
  const first = (selector: string) => [...part.querySelectorAll<HTMLElement>(selector)].find(seen);
  return first('[data-niche][aria-current]') ?? first(WORKED) ?? first(TAKES_KEYS);
}

/** The place that follows, around and around: the line is one of them. */
export const follows = (at: number, count: number, back: boolean) => (at + (back ? -1 : 1) + count) % count;

/** Gives the keys to the part of the page that follows, or the one before it. */
export function goOn(back: boolean) {
  const all = [document.getElementById('line'), ...parts()].filter((p) => p !== null);
  const focused = document.activeElement;
  const at = all.findIndex((part) => part.contains(focused));
  // From nowhere the first pane comes first, not the line, which has a key of its own.
  const to =
    all[at < 0 ? (back ? all.length - 1 : Math.min(1, all.length - 1)) : follows(at, all.length, back)];
  if (to) (to.id === 'line' ? to : entry(to))?.focus();
}

/** Remembers where the keys were in each part. @returns stops it */
export function rememberParts() {
  const onFocus = (e: FocusEvent) => {
    const element = e.target as HTMLElement;
    const part = element.closest?.(`:is(${LEAF}), main section[aria-label]`);
    if (part) left.set(part, element);
  };
  document.addEventListener('focusin', onFocus);
  return () => document.removeEventListener('focusin', onFocus);
}
