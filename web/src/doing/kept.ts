import { useCallback } from 'react';
import { create } from 'zustand';
import { createJSONStorage, persist, type StateStorage } from 'zustand/middleware';
import { useCurrentShow } from '../api/current-show';

/** What does not fit is kept until the page is loaded anew. */
const sparing: StateStorage = {
  getItem: (name) => window.sessionStorage.getItem(name),
  removeItem: (name) => window.sessionStorage.removeItem(name),
  setItem: (name, value) => {
    try {
      window.sessionStorage.setItem(name, value);
    } catch {
      window.sessionStorage.removeItem(name);
    }
  },
};

/** What was begun and not done yet, by what it is; it outlives the page's parts and a reload. */
const useBegun = create<{ begun: Record<string, unknown> }>()(
  persist(() => ({ begun: {} }), {
    name: 'loculus-begun',
    storage: createJSONStorage(() => sparing),
  }),
);

/**
 * Like useState, for what a person types: still there after leaving the chapter and coming back.
 *
 * @param key names it in the whole application @param ofShow whether each show has its own
 */
export function useKept<T>(
  key: string,
  initial: T,
  ofShow = true,
): [T, (value: T | ((now: T) => T)) => void] {
  const show = useCurrentShow((s) => s.id);
  const full = ofShow ? `${show} ${key}` : key;
  const value = useBegun((s) => (full in s.begun ? s.begun[full] : initial)) as T;
  const set = useCallback(
    (next: T | ((now: T) => T)) =>
      useBegun.setState(({ begun }) => {
        const now = (full in begun ? begun[full] : initial) as T;
        return {
          begun: { ...begun, [full]: typeof next === 'function' ? (next as (now: T) => T)(now) : next },
        };
      }),
    // The first value of a thing does not change.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [full],
  );
  return [value, set];
}

/** Sets what a part of a page keeps, before it is gone to. */
export function keep(key: string, value: unknown) {
  const full = `${useCurrentShow.getState().id} ${key}`;
  useBegun.setState(({ begun }) => ({ begun: { ...begun, [full]: value } }));
}
