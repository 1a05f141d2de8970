import { useSyncExternalStore } from 'react';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

type Theme = 'light' | 'dark';

interface ThemeStore {
  /** Null follows the system. */
  readonly chosen: Theme | null;
  choose(theme: Theme): void;
}

/** The theme, kept in this browser. */
export const useTheme = create<ThemeStore>()(
  persist((set) => ({ chosen: null, choose: (chosen) => set({ chosen }) }), { name: 'usual-drag-theme' }),
);

const system = window.matchMedia('(prefers-color-scheme: dark)');

export const currentTheme = (chosen: Theme | null): Theme => chosen ?? (system.matches ? 'dark' : 'light');

/** Puts the theme on the page, now and whenever it or the system's changes. */
export function applyTheme(): void {
  const apply = (): void => {
    document.documentElement.dataset.theme = currentTheme(useTheme.getState().chosen);
  };
  useTheme.subscribe(apply);
  system.addEventListener('change', apply);
  apply();
}

/** The theme that is shown, followed as it changes. */
export function useShownTheme(): Theme {
  const chosen = useTheme((state) => state.chosen);
  const followed = useSyncExternalStore(followSystem, () => system.matches);
  return chosen ?? (followed ? 'dark' : 'light');
}

function followSystem(changed: () => void): () => void {
  system.addEventListener('change', changed);
  return () => system.removeEventListener('change', changed);
}
