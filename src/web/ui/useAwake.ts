import { useEffect, useState } from 'react';

export type Awake = 'held' | 'none' | 'refused';

/** Keeps the screen on while the bench is open; says where the browser has no way to, or refuses. */
export function useAwake(): Awake {
  const [state, setState] = useState<Awake>('wakeLock' in navigator ? 'held' : 'none');
  useEffect(() => {
    if (!('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let gone = false;
    const hold = async (): Promise<void> => {
      if (document.hidden || gone) return;
      try {
        lock = await navigator.wakeLock.request('screen');
        if (gone) await lock.release();
        else setState('held');
      } catch {
        // A flat battery, or a frame that may not.
        setState('refused');
      }
    };
    void hold();
    // It is let go when the page is hidden, and has to be asked for anew.
    document.addEventListener('visibilitychange', hold);
    return () => {
      gone = true;
      document.removeEventListener('visibilitychange', hold);
      void lock?.release().catch(() => undefined);
    };
  }, []);
  return state;
}
