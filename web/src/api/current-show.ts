import { create } from 'zustand';

/** Which show this page works on: the live one. */
export const useCurrentShow = create<{ id: number | null; set: (id: number | null) => void }>((set) => ({
  id: null,
  set: (id) => set({ id }),
}));
