import { type PlanBuilder } from '../builder.ts';
import { type Joint, type Part } from '../types.ts';
import { unless, way } from './method.ts';

/** A hand goes through a mouth so long; in a short seam through this share of it, mm. Common practice. */
const MOUTH = 160;
const MOST_OF_SEAM = 0.45;
/** It begins so far below the waist seam; in a body without one, this share down the side. Common practice. */
const BELOW_WAIST = 70;
const DOWN_SIDE = 0.45;

const bagsOf = (b: PlanBuilder): Part[] => b.of('other').filter((p) => p.use === 'pocket-bag');

/** The side seam that carries the pockets: the skirt's where there is one. */
const seamOf = (b: PlanBuilder): Joint | undefined => b.joints('skirt-side')[0] ?? b.joints('side')[0];

/** Where along its seam the mouth lies: shares from the top. The pattern's notches say it to the millimetre. */
function mouthOf(b: PlanBuilder, j: Joint): { from: number; to: number } {
  const sewn = 1 - b.slitShare(j);
  const long = Math.min(MOUTH / j.lengthA, MOST_OF_SEAM * sewn);
  const from = j.code === 'skirt-side' ? BELOW_WAIST / j.lengthA : DOWN_SIDE;
  return { from: Math.min(from, sewn - long - 0.05), to: Math.min(from, sewn - long - 0.05) + long };
}

/**
 * Pocket bags in the side seam: each half to the allowance of its edge before the seam, which is then sewn above and below the
 * mouth only; the bag is sewn round last. Common practice.
 */
function inSeam(b: PlanBuilder): void {
  const bags = bagsOf(b);
  const keys = b.edges(bags, 'plain', 'pocket');
  const j = seamOf(b);
  if (!j) return;
  b.g.making.mouths[j.id] = mouthOf(b, j);
  const skirt = j.code === 'skirt-side';
  const onto = skirt ? [...b.of('skirt-front'), ...b.of('skirt-back')] : [...b.of('front'), ...b.of('back')];
  const pieces = [...bags, ...onto].map((p) => p.id);
  const mouth = (mouthOf(b, j).to - mouthOf(b, j).from) * j.lengthA;
  b.add('shell', 'machine', 'bags-on', { pieces, makes: ['bags:on'], data: { a: 4 * mouth, mouth } });
  b.add('shell', 'iron', 'press-bags', { pieces, needs: ['bags:on'], makes: ['pocket:set'] });
  b.add('shell', 'machine', 'bags-round', {
    pieces,
    needs: [`done:${j.code}`, 'pocket:set'],
    data: { a: 1300 },
    makes: ['bags:sewn'],
  });
  b.add('shell', 'overlocker', 'neaten-bags', {
    pieces,
    needs: ['bags:sewn'],
    cares: b.care(keys, 'overlocked'),
    data: { a: 1300 },
  });
}

export const POCKETS = [
  way(
    'pocket',
    'in-seam',
    0,
    (b) => (bagsOf(b).length ? unless(seamOf(b) !== undefined, 'no-sides') : 'no-pocket-bags'),
    inSeam,
  ),
  way('pocket', 'none', 0, (b) => unless(!bagsOf(b).length || !seamOf(b), 'has-pocket-bags')),
];
