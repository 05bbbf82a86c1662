import { useEffect, useRef } from 'react';

/** Keys that finish a step and go on, and that go back; a pedal mostly types one of them. */
const ON = new Set([' ', 'Enter', 'ArrowRight', 'ArrowDown', 'PageDown']);
const BACK = new Set(['ArrowLeft', 'ArrowUp', 'PageUp', 'Backspace']);

const PEDAL = 'woodbine-pedal';
/** The key that her pedal types; none where it was not said. */
export const pedalKey = (): string => localStorage.getItem(PEDAL) ?? '';
export const keepPedal = (key: string): void => localStorage.setItem(PEDAL, key);

/** Whether a key belongs to what has the keyboard: a field that is typed in, a button or something that is open. */
const isTaken = (e: KeyboardEvent): boolean => {
  const at = e.target instanceof Element ? e.target : null;
  if (at?.closest('input, textarea, select, [role=dialog], [role=slider]')) return true;
  return (e.key === ' ' || e.key === 'Enter') && at?.closest('button, a, [role=button]') !== null;
};

/** Space, arrows and a pedal: on, and back. */
export function useHands(on: () => void, back: () => void): void {
  const latest = useRef({ on, back });
  latest.current = { on, back };
  useEffect(() => {
    const keys = (e: KeyboardEvent): void => {
      if (e.defaultPrevented || e.ctrlKey || e.metaKey || e.altKey || e.repeat || isTaken(e)) return;
      const does = ON.has(e.key) || (e.key === pedalKey() && e.key !== '') ? 'on' : BACK.has(e.key) ? 'back' : null;
      if (!does) return;
      e.preventDefault();
      latest.current[does]();
    };
    window.addEventListener('keydown', keys);
    return () => window.removeEventListener('keydown', keys);
  }, []);
}
