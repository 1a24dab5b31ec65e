import { useRef } from 'react';

const KEYED_MS = 900;

/** Where keys have a level, while they go on quicker than it comes back. @param percent where it is, 0 to 100 */
export function useKeyedLevel(percent: () => number) {
  const keyed = useRef({ percent: 0, at: -Infinity });
  /** The level that is that much higher now, 0 to 100. */
  return (by: number) => {
    const now = performance.now();
    const from = now - keyed.current.at < KEYED_MS ? keyed.current.percent : percent();
    keyed.current = { percent: Math.max(0, Math.min(100, Math.round(from) + by)), at: now };
    return keyed.current.percent;
  };
}
