import { useNotice } from './notices';

/** The field in which a chapter takes the name of what it records. */
export const RECORD_NAME = 'record-name';

/** Longer than a chapter takes to be there, on a slow machine too. */
const WAIT_MS = 3000;

let unfold: (() => void) | null = null;

/** Says how what holds the field is opened where it is folded away. @returns takes that back */
export function unfoldsBy(open: () => void) {
  unfold = open;
  return () => {
    if (unfold === open) unfold = null;
  };
}

const field = () => document.getElementById(RECORD_NAME) as HTMLInputElement | null;

/** Steps out of the field, after what it named is recorded. */
export const leaveName = () => field()?.blur();

/** Puts text behind what stands in a field, as if it was typed. */
function type(input: HTMLInputElement, text: string) {
  input.focus();
  if (text === '') return;
  Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set?.call(input, input.value + text);
  input.dispatchEvent(new Event('input', { bubbles: true }));
}

let ends: (() => void) | null = null;

/**
 * Goes to the field of the name. What is typed before it is there is a name already, and no key of another kind: it
 * stands in the field as soon as that comes.
 *
 * @param records whether the chapter has such a field at all
 */
export function typeName(records: boolean) {
  const there = field();
  if (there) {
    there.focus();
    return;
  }
  if (!records) {
    useNotice.setState({
      notice: {
        words: 'Nothing is recorded in this chapter: R is for Groups, Palettes and Looks.',
        problems: [],
      },
    });
    return;
  }
  unfold?.();
  ends?.();
  let typed = '';
  const until = performance.now() + WAIT_MS;
  const onKey = (e: KeyboardEvent) => {
    if (e.ctrlKey || e.metaKey || e.altKey) return;
    e.preventDefault();
    e.stopPropagation();
    if (e.key === 'Escape') ends?.();
    else if (e.key === 'Backspace') typed = typed.slice(0, -1);
    else if (e.key.length === 1) typed += e.key;
  };
  const look = () => {
    const now = field();
    if (!now && performance.now() < until) return;
    ends?.();
    if (now) type(now, typed);
    else
      useNotice.setState({
        notice: { words: 'This chapter is not there yet: press R again when it is.', problems: [] },
      });
  };
  const timer = window.setInterval(look, 15);
  window.addEventListener('keydown', onKey, true);
  ends = () => {
    window.clearInterval(timer);
    window.removeEventListener('keydown', onKey, true);
    ends = null;
  };
}
