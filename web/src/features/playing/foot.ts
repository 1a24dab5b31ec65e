import { useEffect } from 'react';
import { create } from 'zustand';

/** How many benches there are: the strip of what runs lies above the bench where there is one. */
export const useBenches = create(() => ({ count: 0 }));

export function useBench() {
  useEffect(() => {
    useBenches.setState((s) => ({ count: s.count + 1 }));
    return () => useBenches.setState((s) => ({ count: s.count - 1 }));
  }, []);
}
