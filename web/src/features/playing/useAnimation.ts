import { useEffect, useRef } from 'react';

/** Calls it once a frame as long as the part is there. */
export function useAnimation(draw: () => void) {
  const latest = useRef(draw);
  useEffect(() => {
    latest.current = draw;
  });
  useEffect(() => {
    let frame = 0;
    const next = () => {
      latest.current();
      frame = requestAnimationFrame(next);
    };
    next();
    return () => cancelAnimationFrame(frame);
  }, []);
}
