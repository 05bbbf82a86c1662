import { useSyncExternalStore } from 'react';

const onResize = (done: () => void): (() => void) => {
  window.addEventListener('resize', done);
  return () => window.removeEventListener('resize', done);
};

/** Below this width answers lie under the drawing, which takes no more than this share of the height. */
const NARROW = 1024;
const SHARE = 0.46;

const tallOf = (): number => window.innerHeight * (window.innerWidth < NARROW ? -1 : 1);

/**
 * The height a drawing may take so that it is seen whole beside its answers, px: what the screen leaves of `but`, at least `least`.
 * On small screens it is seen whole in its own part of the screen, above the answers.
 */
export function useTall(but: number, least: number): number {
  const screen = useSyncExternalStore(onResize, tallOf);
  return screen < 0 ? Math.max(180, -screen * SHARE - 90) : Math.max(least, screen - but);
}
