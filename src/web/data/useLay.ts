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

/** So many searches go on side by side, each on a core of its own with another seed: one finds what the other does not. */
const SIDE_BY_SIDE = Math.min(2, navigator.hardwareConcurrency || 1);

/** The shortest of what they found, all that fits lying on it. */
function bestOf(found: readonly Answered[], all: boolean): Answered {
  const best = found.reduce((x, y) => ((y.wide.length - x.wide.length || y.length - x.length) < 0 ? y : x));
  const seconds = Math.max(...found.map((a) => a.seconds));
  return { ...best, seconds, first: Math.max(...found.map((a) => a.first)), done: all && found.every((a) => a.done) };
}

/** Looks for a lay aside, until it is stopped or time is up. */
export function useLay(): Search {
  const workers = useRef<Worker[]>([]);
  const [best, setBest] = useState<Answered | null>(null);
  const [running, setRunning] = useState(false);
  const [failed, setFailed] = useState(false);
  const stop = useCallback((): void => {
    for (const w of workers.current) w.terminate();
    workers.current = [];
    setRunning(false);
  }, []);
  const start = (asked: Asked): void => {
    stop();
    setBest(null);
    setFailed(false);
    setRunning(true);
    const found = new Map<number, Answered>();
    const fail = (): void => {
      stop();
      setFailed(true);
    };
    workers.current = Array.from({ length: SIDE_BY_SIDE }, (_, i) =>
      layAside(
        { ...asked, seed: asked.seed + i },
        (a) => {
          found.set(i, a);
          const now = bestOf([...found.values()], found.size === SIDE_BY_SIDE);
          setBest(now);
          if (now.done) stop();
        },
        fail,
      ),
    );
  };
  const forget = useCallback((): void => setBest(null), []);
  useEffect(() => stop, [stop]);
  return { best, running, failed, start, stop, forget };
}
