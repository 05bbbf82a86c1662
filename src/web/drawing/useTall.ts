import { useSyncExternalStore } from 'react';

const onResize = (done: () => void): (() => void) => {
  window.addEventListener('resize', done);
  return () => window.removeEventListener('resize', done);
};

/** The height a drawing may take so that it is seen whole beside its answers, px: what the screen leaves of `but`, at least `least`. */
export function useTall(but: number, least: number): number {
  const screen = useSyncExternalStore(onResize, () => window.innerHeight);
  return Math.max(least, screen - but);
}
