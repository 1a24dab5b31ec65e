import { create } from 'zustand';

type Theme = 'workroom' | 'night';
const KEY = 'loculus-theme';

function stored(): Theme {
  return window.localStorage.getItem(KEY) === 'night' ? 'night' : 'workroom';
}

export const useTheme = create<{ theme: Theme; toggle: () => void }>((set, get) => ({
  theme: stored(),
  toggle: () => {
    const theme: Theme = get().theme === 'night' ? 'workroom' : 'night';
    window.localStorage.setItem(KEY, theme);
    set({ theme });
    applyTheme();
  },
}));

export function applyTheme() {
  document.documentElement.dataset.theme = useTheme.getState().theme;
}
