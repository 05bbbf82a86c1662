import { ringsArea } from '../../geometry/index.ts';
import { type Cloth, type Placed, usable } from './cloth.ts';
import { asPart, clusters } from './cluster.ts';
import { flawed, type Laid, type Laying, laidInOrder, layOf } from './construct.ts';
import { NoFits } from './nofit.ts';
import { type LayPart, type Way } from './parts.ts';
import { Search } from './separate.ts';

/** By which share the strip is made shorter at a time: less after it did not come out, more after it did. Own figures. */
const SHORTER = { first: 0.04, most: 0.06, least: 0.002 };
/** So many lengths that did not come out one after another end the search. */
const STRIKES = 200;
/**
 * So often parts are put together anew at most, no more where the first so many brought nothing, so many edges are looked at for it, and how
 * much is left to chance. Own figures.
 */
const CLOSE = { most: 24, vain: 3, work: 4e6, doubt: 0.004 };

/** The same draws for the same seed (a linear congruential generator, Numerical Recipes, from memory). */
function drawing(seed: number): () => number {
  let s = seed >>> 0;
  return () => {
    s = (Math.imul(s, 1664525) + 1013904223) >>> 0;
    return s / 2 ** 32;
  };
}

/** Parts with the largest first. */
const bySize = (parts: LayPart[]): number[] => {
  const size = (k: number): number => Math.max(...(parts[k] as LayPart).ways.map((w) => w.wide * w.long), 0);
  return parts.map((_, k) => k).sort((a, b) => size(b) - size(a));
};

/** Parts that lie well against each other laid as one, and then the others; null where none do. */
function laidClose(parts: LayPart[], cloth: Cloth, noFits: NoFits, doubt: () => number): Laying | null {
  const all = clusters(parts, cloth, doubt).map(asPart);
  if (all.length === parts.length) return null;
  const whole = all.map((c) => c.part);
  const { laid: as, left } = laidInOrder(whole, bySize(whole), cloth, noFits, []);
  const within = (part: LayPart): Map<Way, Laid[]> | undefined => all.find((c) => c.part === part)?.within;
  const laid = as.flatMap(({ part, way, at }) =>
    (within(part)?.get(way) ?? []).map((l) => ({ ...l, at: { x: l.at.x + at.x, y: l.at.y + at.y } })),
  );
  return layOf(
    cloth,
    laid,
    left.flatMap((part) => [...(within(part)?.values() ?? [])][0]?.map((l) => l.part) ?? []),
  );
}

/** Whether it cannot be shorter by a thousandth: nothing is left between its pieces. */
function isFull({ laid, cloth, length }: Laying): boolean {
  const [from, to] = usable(cloth);
  const net = laid.reduce((t, l) => t + ringsArea([l.way.outline]), 0);
  return net >= 0.999 * (to - from) * (length - 2 * cloth.end);
}

/**
 * Lays the parts on the cloth, then makes it shorter and shorter. Each step gives the best so far; it may be stopped after any, and ends
 * by itself where no shorter one is found. The same seed gives the same steps. `pinned`: of what stays where it lies. `noFits`: what is
 * known already of how parts lie beside each other, for the gap of this cloth.
 */
export function* laid(
  all: LayPart[],
  cloth: Cloth,
  seed: number,
  pinned: readonly Placed[] = [],
  noFits = new NoFits(cloth.gap),
): Generator<Laying> {
  const { parts, held } = apart(all, pinned);
  const fixed = [...flawed(cloth), ...held];
  const whole = (l: Laying): Laying => (held.length ? layOf(cloth, [...held, ...l.laid], l.left) : l);
  let best = laidInOrder(parts, bySize(parts), cloth, noFits, fixed);
  yield whole(best);
  if (best.laid.length + held.length < 2 || !best.laid.length) return;
  const draw = drawing(seed);
  let [gained, vain] = [false, 0];
  for (const close of fixed.length ? [] : closely(parts, cloth, noFits, draw)) {
    const gains = close.left.length === best.left.length && close.length < best.length;
    if (gains) best = close;
    yield best;
    if (isFull(best)) return;
    gained ||= gains;
    if (!gained && ++vain === CLOSE.vain) break;
  }
  // Above what is pinned nothing can be gained.
  const least = Math.max(0, ...held.map((l) => l.at.y + l.way.long)) + cloth.end;
  for (const l of shortened(best, new Search(cloth, noFits, best.laid, fixed, draw), least)) yield whole(l);
}

/** The best that is found in so many steps, the same every time, without a clock, which makes no two runs alike; fewer once `goesOn` says no. */
export function afterSteps(
  search: Generator<Laying>,
  steps: number,
  goesOn: () => boolean = () => true,
): Laying | null {
  let best: Laying | null = null;
  let left = steps;
  for (const lay of search) {
    best = lay;
    left -= 1;
    if (left < 0 || !goesOn()) break;
  }
  return best;
}

/**
 * Tries to lay parts within a length, and off the flaws of a cloth, from how they lie: a step at a time, and what it comes to in the end;
 * null where it does not come out.
 */
export function* within(
  from: readonly Laid[],
  cloth: Cloth,
  length: number,
  noFits: NoFits,
  seed: number,
): Generator<undefined, Laid[] | null> {
  const search = new Search(cloth, noFits, from, flawed(cloth), drawing(seed));
  for (let strikes = 0; strikes < STRIKES; strikes++) {
    if (yield* search.within(length)) return [...search.now];
    search.again();
  }
  return null;
}

/** Makes a lay shorter, no shorter than `least`, until so many lengths did not come out. */
function* shortened(first: Laying, search: Search, least: number): Generator<Laying> {
  let best = first;
  let share = SHORTER.first;
  for (let strikes = 0; strikes < STRIKES; ) {
    const shorter = Math.max(least, best.length * (1 - share));
    if (shorter >= best.length) return;
    const steps = search.within(shorter);
    let done = steps.next();
    for (; !done.done; done = steps.next()) yield best;
    if (done.value) {
      best = layOf(best.cloth, search.now, best.left);
      share = Math.min(SHORTER.most, share * 1.3);
      strikes = 0;
      search.from(best.laid);
    } else {
      strikes += 1;
      // Less is asked first; once no less is worth it, the same again from elsewhere.
      if (share > SHORTER.least) search.from(best.laid);
      else search.again();
      share = Math.max(SHORTER.least, share / 2);
    }
    yield best;
  }
}

/** What is pinned, where it lies, and what is not. */
function apart(all: readonly LayPart[], pinned: readonly Placed[]): { parts: LayPart[]; held: Laid[] } {
  const held = pinned.flatMap((q): Laid[] => {
    const part = all.find((p) => p.piece === q.piece && p.copy === q.copy);
    const way = part?.ways.find((w) => w.turn === q.turn && w.mirrored === q.mirrored);
    return part && way ? [{ part, way, at: { x: q.x, y: q.y } }] : [];
  });
  return { parts: all.filter((p) => !held.some((h) => h.part === p)), held };
}

/** Parts laid against each other in one way and another, as often as is worth it; not where their print says where they lie. */
function* closely(parts: LayPart[], cloth: Cloth, noFits: NoFits, draw: () => number): Generator<Laying> {
  if (parts.some((p) => p.ways.some((w) => w.onX || w.onY))) return;
  // All ways of all pairs, edge by edge: of many parts, or parts of many corners, it would take longer than the search.
  const edges = parts.reduce((t, p) => t + (p.ways[0]?.outline.length ?? 0), 0);
  const ways = Math.max(...parts.map((p) => p.ways.length));
  const tries = Math.min(CLOSE.most, Math.floor(CLOSE.work / (edges ** 2 * ways)));
  for (let k = 0; k < tries; k++) {
    const close = laidClose(parts, cloth, noFits, () => (k ? CLOSE.doubt * draw() : 0));
    if (!close) return;
    yield close;
  }
}
