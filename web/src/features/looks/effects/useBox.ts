import { useLayoutEffect, useRef, useState } from 'react';

/** The size of a part in points, as wide and high as the page lets it be. */
export function useBox(width: number, height: number) {
  const ref = useRef<HTMLDivElement>(null);
  const [box, setBox] = useState({ width, height });
  useLayoutEffect(() => {
    const seen = new ResizeObserver(([e]) =>
      setBox({
        width: Math.max(300, Math.round(e!.contentRect.width)),
        height: Math.max(140, Math.round(e!.contentRect.height)),
      }),
    );
    seen.observe(ref.current!);
    return () => seen.disconnect();
  }, []);
  return { ref, ...box };
}
