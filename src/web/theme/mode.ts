import { useSyncExternalStore } from 'react';

const KEY = 'woodbine-light';

export type Mode = 'light' | 'dark';

/** The chosen scheme, else the system's. */
export function currentMode(): Mode {
  const saved = localStorage.getItem(KEY);
  if (saved === 'light' || saved === 'dark') return saved;
  return matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light';
}

export function showMode(mode: Mode): void {
  document.documentElement.classList.remove('light', 'dark');
  document.documentElement.classList.add(mode);
  document.documentElement.style.colorScheme = mode;
}

export function chooseMode(mode: Mode): void {
  localStorage.setItem(KEY, mode);
  showMode(mode);
  for (const hear of heard) hear();
}

const heard = new Set<() => void>();
const listen = (hear: () => void): (() => void) => {
  heard.add(hear);
  return () => heard.delete(hear);
};

/** The scheme that is shown, wherever it is chosen. */
export const useMode = (): Mode => useSyncExternalStore(listen, currentMode);
