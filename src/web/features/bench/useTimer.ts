import { useCallback, useEffect, useRef, useState } from 'react';

/** A stretch longer than this between two looks at the clock was no sewing: the tablet slept. Seconds. */
const ASLEEP = 5;

interface Kept {
  step: string;
  seconds: number;
}

const keyOf = (project: string): string => `woodbine-timer-${project}`;

function read(project: string): Kept | null {
  try {
    const kept = JSON.parse(localStorage.getItem(keyOf(project)) ?? 'null') as Kept | null;
    return typeof kept?.step === 'string' && Number.isFinite(kept.seconds) ? kept : null;
  } catch {
    return null;
  }
}

/**
 * How long a step has been sewn, seconds: it counts only while it runs and the page is seen, by a clock that neither a change of the
 * time nor of the zone moves. What it came to stays where the page is closed.
 */
export function useTimer(project: string, step: string) {
  const [running, setRunning] = useState(false);
  const [seconds, setSeconds] = useState(0);
  const last = useRef(0);
  useEffect(() => {
    const kept = read(project);
    setSeconds(kept?.step === step ? kept.seconds : 0);
  }, [project, step]);
  useEffect(() => {
    if (!running) return;
    last.current = performance.now();
    const tick = setInterval(() => {
      const now = performance.now();
      const gone = (now - last.current) / 1000;
      last.current = now;
      if (document.hidden || gone > ASLEEP) return;
      setSeconds((s) => {
        const next = s + gone;
        localStorage.setItem(keyOf(project), JSON.stringify({ step, seconds: next }));
        return next;
      });
    }, 1000);
    return () => clearInterval(tick);
  }, [running, project, step]);
  const set = useCallback(
    (s: number): void => {
      setSeconds(s);
      localStorage.setItem(keyOf(project), JSON.stringify({ step, seconds: s }));
    },
    [project, step],
  );
  const turn = useCallback(() => setRunning((r) => !r), []);
  return { running, seconds, turn, set };
}
