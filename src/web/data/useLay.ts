import { useCallback, useEffect, useRef, useState } from 'react';
import { type Answered, type Asked } from '../workers/lay.ts';

/** Begins to lay pieces aside; the worker is ended by who began it. */
export function layAside(asked: Asked, onBest: (a: Answered) => void, onFault: () => void): Worker {
  const w = new Worker(new URL('../workers/lay.ts', import.meta.url), { type: 'module', name: 'lay' });
  w.onmessage = ({ data }: MessageEvent<Answered>) => onBest(data);
  w.onerror = onFault;
  w.postMessage(asked);
  return w;
}

/** A search for a lay: the best so far, and whether it goes on. */
export interface Search {
  best: Answered | null;
  running: boolean;
  /** Why it ended without one. */
  failed: boolean;
  start: (asked: Asked) => void;
  /** Ends it, with the best so far. */
  stop: () => void;
  /** Forgets what was found. */
  forget: () => void;
}

/** Looks for a lay aside, until it is stopped or time is up. */
export function useLay(): Search {
  const worker = useRef<Worker | null>(null);
  const [best, setBest] = useState<Answered | null>(null);
  const [running, setRunning] = useState(false);
  const [failed, setFailed] = useState(false);
  const stop = useCallback((): void => {
    worker.current?.terminate();
    worker.current = null;
    setRunning(false);
  }, []);
  const start = (asked: Asked): void => {
    stop();
    setBest(null);
    setFailed(false);
    setRunning(true);
    const best = (a: Answered): void => {
      setBest(a);
      if (a.done) stop();
    };
    worker.current = layAside(asked, best, () => {
      stop();
      setFailed(true);
    });
  };
  const forget = useCallback((): void => setBest(null), []);
  useEffect(() => stop, [stop]);
  return { best, running, failed, start, stop, forget };
}
