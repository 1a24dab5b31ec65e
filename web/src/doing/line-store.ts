import { create } from 'zustand';
import type { LineResponse, ProblemView } from '../api/client';

interface LineState {
  text: string;
  reading: LineResponse | null;
  problems: ProblemView[];
  done: string;
  history: string[];
  set: (part: Partial<LineState>) => void;
  remember: (text: string) => void;
}

/** What stands in the line, and what the server read of it. */
export const useLine = create<LineState>((set, get) => ({
  text: '',
  reading: null,
  problems: [],
  done: '',
  history: [],
  set: (part) => set(part),
  remember: (text) => set({ history: [text, ...get().history.filter((t) => t !== text)].slice(0, 200) }),
}));

export function focusLine(typed = '') {
  const input = document.getElementById('line') as HTMLInputElement | null;
  if (!input) return;
  input.focus();
  if (typed) useLine.getState().set({ text: useLine.getState().text + typed, done: '' });
}
