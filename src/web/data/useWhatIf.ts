import { useCallback, useEffect, useRef, useState } from 'react';
import { type Cloth, clothOf, type Holds, type Lies } from '../../core/cutting/index.ts';
import { type CutLine, type Piece } from '../../core/pattern/index.ts';
import { type Answered } from '../workers/lay.ts';
import { layAside } from './useLay.ts';

/** A cloth as it could be: how wide, how it lies. */
export interface If {
  width: number;
  lies: Lies;
  /** Its print need not meet. */
  free?: boolean;
  /** Its pieces lie all the same way up where they need not now, or either way up where they do. */
  turned?: boolean;
}

/** What it would take; pieces that are wider than it, or cut wrongly by two layers, are not in it. */
export interface Then extends If {
  length: number;
  missing: number;
}

/** What is laid on what. */
export interface Whats {
  pieces: Piece[];
  cutLines: Map<string, CutLine>;
  cloth: Cloth;
  holds: Holds;
}

/** How it is tried to lie. */
export const TRIED = ['single', 'folded'] as const;
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
  const start = (asked: Whats, widths: readonly number[]): void => {
    stop();
    setFound([]);
    const { cloth, holds, ...whats } = asked;
    const all = widths.flatMap((width) => TRIED.map((lies): If => ({ width, lies })));
    if (holds.size) all.push({ width: cloth.width, lies: cloth.lies, free: true });
    if (!TRIED.some((lies) => lies === cloth.lies)) all.push({ width: cloth.width, lies: cloth.lies });
    all.push({ width: cloth.width, lies: cloth.lies, turned: true });
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
        setFound((was) => [
          ...was,
          { ...one, length: clothOf(one, length), missing: new Set([...wide, ...single]).size },
        ]);
        next(k + 1);
      };
      const { width, lies, free, turned } = one;
      const oneWay = turned ? !cloth.oneWay : cloth.oneWay;
      // Of another width it is a whole cloth.
      const on = {
        cloth: { ...cloth, width, lies, oneWay, flaws: [], outline: [], more: [] },
        holds: free ? new Map() : holds,
        pinned: [],
      };
      worker.current = layAside({ ...whats, ...on, seed: 1, seconds: EACH }, then, stop);
    };
    next(0);
  };
  useEffect(() => stop, [stop]);
  return { found, left, start, stop };
}
