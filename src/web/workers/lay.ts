import {
  type Cloth,
  type Holds,
  type Laying,
  laid,
  layFaults,
  type Placed,
  partsOf,
} from '../../core/cutting/index.ts';
import { type CutLine, type Piece } from '../../core/pattern/index.ts';

/** Pieces to be laid on a cloth; the same seed gives the same lays. */
export interface Asked {
  pieces: Piece[];
  cutLines: Map<string, CutLine>;
  cloth: Cloth;
  /** Where the print has to lie on the pieces. */
  holds: Holds;
  /** What stays where it lies. */
  pinned: Placed[];
  seed: number;
  /** How long a shorter one is looked for, s. */
  seconds: number;
}

/** The best so far. */
export interface Answered {
  placed: Placed[];
  /** What it takes, and what the first lay took, mm. */
  length: number;
  first: number;
  /** Pieces wider than the cloth, and those that two layers would cut wrongly. */
  wide: string[];
  single: string[];
  /** Time that has gone by, s. */
  seconds: number;
  done: boolean;
}

/** Between two answers, ms: often enough to be watched. */
const SLICE = 250;

/**
 * Whether a lay is taken: if the checker, which does not know how it was made, finds nothing. Hand-laid pieces are pinned as they lie, and told
 * of elsewhere.
 */
function isSound(l: Laying, { pieces, cutLines, pinned }: Asked): boolean {
  if (pinned.length > 0) return true;
  const left = new Set(l.left.map((p) => p.piece));
  const there = pieces.filter((p) => !left.has(p.id));
  return layFaults(l, there, cutLines).length === 0;
}

// A thin shell round the search, which goes on for as long as it is wished: the screen goes on meanwhile, and shows the best so far.
self.onmessage = ({ data: asked }: MessageEvent<Asked>) => {
  const { parts, single } = partsOf(asked.pieces, asked.cutLines, asked.cloth, asked.holds);
  const search = laid(parts, asked.cloth, asked.seed, asked.pinned);
  const began = performance.now();
  let best: Laying | null = null;
  let looked: Laying | null = null;
  let first = 0;
  const slice = (): void => {
    const until = performance.now() + SLICE;
    let step = search.next();
    for (; !step.done; step = search.next()) {
      if (step.value !== looked && (!best || isSound(step.value, asked))) best = step.value;
      looked = step.value;
      first ||= step.value.length;
      if (performance.now() > until) break;
    }
    const spent = (performance.now() - began) / 1000;
    const done = step.done === true || spent >= asked.seconds;
    if (best) {
      const wide = best.left.map((p) => p.piece);
      const { placed, length } = best;
      self.postMessage({ placed, length, first, wide, single, seconds: spent, done } satisfies Answered);
    }
    if (!done) setTimeout(slice, 0);
  };
  slice();
};
