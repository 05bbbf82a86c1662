import { useCallback, useEffect, useRef, useState } from 'react';
import { type Cloth, LIES, type Lies } from '../../core/cutting/index.ts';
import { type CutLine, type Piece } from '../../core/pattern/index.ts';
import { type Answered } from '../workers/lay.ts';
import { layAside } from './useLay.ts';

/** A cloth as it could be: how wide, how it lies. */
export interface If {
  width: number;
  lies: Lies;
}

/** What it would take; pieces that are wider than it, or cut wrongly by two layers, are not in it. */
export interface Then extends If {
  length: number;
  missing: number;
}

/** How long each is looked for, s: enough to compare them. */
const EACH = 2;

/** Lays the same pieces on other widths, in one layer and folded, one after another, aside. */
export function useWhatIf() {
  const worker = useRef<Worker | null>(null);
  const [found, setFound] = useState<Then[]>([]);
  const [left, setLeft] = useState(0);
  const stop = useCallback((): void => {
    worker.current?.terminate();
    worker.current = null;
    setLeft(0);
  }, []);
  const start = (pieces: Piece[], cutLines: Map<string, CutLine>, cloth: Cloth, widths: readonly number[]): void => {
    stop();
    setFound([]);
    const all = widths.flatMap((width) => LIES.map((lies): If => ({ width, lies })));
    const next = (k: number): void => {
      const one = all[k];
      worker.current?.terminate();
      setLeft(all.length - k);
      if (!one) {
        stop();
        return;
      }
      const then = ({ done, length, wide, single }: Answered): void => {
        if (!done) return;
        setFound((was) => [...was, { ...one, length, missing: new Set([...wide, ...single]).size }]);
        next(k + 1);
      };
      worker.current = layAside({ pieces, cutLines, cloth: { ...cloth, ...one }, seed: 1, seconds: EACH }, then, stop);
    };
    next(0);
  };
  useEffect(() => stop, [stop]);
  return { found, left, start, stop };
}
