import { useEffect, useRef } from 'react';

/** Calls it once a frame as long as the part is there. @param moving whether anything moves; else it is never called */
export function useAnimation(draw: () => void, moving = true) {
  const latest = useRef(draw);
  useEffect(() => {
    latest.current = draw;
  });
  useEffect(() => {
    if (!moving) return;
    let frame = 0;
    const next = () => {
      latest.current();
      frame = requestAnimationFrame(next);
    };
    next();
    return () => cancelAnimationFrame(frame);
  }, [moving]);
}
