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
}
