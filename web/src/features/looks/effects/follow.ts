/** Follows a pointer from the press on, wherever it goes, until it is let go of. */
export function follow(e: React.PointerEvent, read: (e: PointerEvent) => void, end: () => void) {
  const target = e.currentTarget;
  target.setPointerCapture(e.pointerId);
  e.stopPropagation();
  const move = (p: Event) => read(p as PointerEvent);
  target.addEventListener('pointermove', move);
  const stop = () => {
    target.removeEventListener('pointermove', move);
    target.removeEventListener('pointerup', stop);
    target.removeEventListener('pointercancel', stop);
    end();
  };
  target.addEventListener('pointerup', stop);
  target.addEventListener('pointercancel', stop);
}
