import { useRef } from 'react';

/** Does a thing once, however often it is asked for while it is under way: Enter twice, a double press. */
export function useOnce<A extends unknown[]>(work: (...args: A) => Promise<unknown>) {
  const busy = useRef(false);
  return async (...args: A) => {
    if (busy.current) return;
    busy.current = true;
    try {
      await work(...args);
    } finally {
      busy.current = false;
    }
  };
}
