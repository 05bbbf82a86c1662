import { useEffect, useRef } from 'react';

/** Does something again whenever what it hangs on is another; not the first time. */
export function useAgain(on: unknown, does: () => void): void {
  const latest = useRef(does);
  latest.current = does;
  const first = useRef(true);
  // biome-ignore lint/correctness/useExhaustiveDependencies: only what it hangs on calls for it.
  useEffect(() => {
    if (!first.current) latest.current();
    first.current = false;
  }, [on]);
}
