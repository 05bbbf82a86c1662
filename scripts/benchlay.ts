import {
  density,
  type Laying,
  laid,
  lyingOf,
  partsOf,
  partsOfOutlines,
  plainCloth,
} from '../src/core/cutting/index.ts';
import { compute } from '../src/core/document/compute.ts';
import { DEMOS } from '../src/demo/index.ts';
import { PUZZLE, puzzle } from '../src/test/puzzle.ts';

// How well pieces are laid: shares of the cloth that is in them, and of the length that bottom-left placing takes.

const say = (what: string, figures: string): void => {
  process.stdout.write(`${what.padEnd(46)} ${figures}\n`);
};

/** What is found after so many seconds, and what was there first. */
function looked(search: Generator<Laying>, seconds: readonly number[]): { first: Laying; at: Laying[] } {
  const began = performance.now();
  const at: Laying[] = [];
  let first: Laying | null = null;
  let now: Laying | null = null;
  for (const lay of search) {
    first ??= lay;
    now = lay;
    while (at.length < seconds.length && performance.now() - began > (seconds[at.length] as number) * 1000)
      at.push(lay);
    if (at.length === seconds.length) break;
  }
  if (!first || !now) throw new Error('nothing to lay');
  while (at.length < seconds.length) at.push(now);
  return { first, at };
}

for (const demo of DEMOS.slice(0, 4)) {
  const doc = demo.make();
  if (!doc.ok) throw new Error(JSON.stringify(doc.findings));
  const c = compute(doc.value);
  const cloth = plainCloth(1400);
  const pieces = c.pieces.filter((p) => p.material === 'shell' || p.material === 'facing');
  // Two searches with seeds of their own, as go on side by side on two cores.
  const both = [1, 2].map((seed) => looked(laid(partsOf(pieces, c.cutLines, cloth).parts, cloth, seed), [3, 20]));
  const { first } = both[0] as (typeof both)[number];
  const at = [0, 1].map((k) => both.map((l) => l.at[k] as Laying).reduce((x, y) => (y.length < x.length ? y : x)));
  const share = (l: Laying): string => density(cloth, lyingOf(cloth, l.placed, pieces, c.cutLines)).toFixed(3);
  const last = at[1] as Laying;
  say(
    `${doc.value.name}, ${first.placed.length} cuts on 1400 mm`,
    `${share(at[0] as Laying)} of the cloth after 3 s, ${share(last)} after 20; ${(last.length / first.length).toFixed(3)} of the length of bottom-left`,
  );
}

/** A rectangle cut by straight cuts; with `gap` its parts cannot lie as they did, and the search is all there is. */
for (const [n, gap] of [...[10, 20, 40, 120].map((k) => [k, 0] as const), [20, 2], [40, 2]] as const) {
  const pieces = puzzle(n, 7).map((corners, i) => ({
    id: `p${i}`,
    ring: corners.map(([x, y]) => ({ x, y })),
    count: 1,
    turns: [0, 180],
    mirror: false,
  }));
  const { first, at } = looked(laid(partsOfOutlines(pieces), plainCloth(PUZZLE.w, { gap }), 1), [3, 20]);
  const [soon, late] = at.map((l) => (PUZZLE.h / l.length).toFixed(3));
  say(
    `a rectangle cut into ${n}, shuffled${gap ? `, ${gap} mm between` : ''}`,
    `${(PUZZLE.h / first.length).toFixed(3)} of it at first, ${soon} after 3 s, ${late} after 20`,
  );
}
