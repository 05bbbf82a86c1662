import { type PlanBuilder } from '../builder.ts';
import { unless, way } from './method.ts';
import { type MisfitReason } from './misfits.ts';

/** Each leg closed along side and inseam, then one slipped into the other, right sides together, and the rise sewn in one run. */
function legsFirst(b: PlanBuilder): void {
  b.sew('shell', ['inseam'], { needs: ['done:skirt-side?'] });
  b.sew('shell', ['rise'], { code: 'sew-rise-round', needs: ['done:inseam?', 'done:skirt-side?'] });
}

/** The rise of the fronts and of the backs while they lie flat; then the sides, and the inseam in one run through the crotch. */
function riseFirst(b: PlanBuilder): void {
  b.sew('shell', ['rise']);
  b.sew('shell', ['inseam'], { code: 'sew-inseam-through', needs: ['done:rise?', 'done:skirt-side?'] });
}

/** The legs of a lining, as those of the outside. */
export function liningLegs(b: PlanBuilder): void {
  const round = b.g.methods.legs !== 'rise-first';
  const both = ['lining-inseam', 'lining-rise'] as const;
  const [first, second] = round ? both : ([both[1], both[0]] as const);
  b.sew('inside', [first], { needs: round ? ['done:lining-skirt-side?'] : [] });
  b.sew('inside', [second], {
    code: round ? 'sew-rise-round' : 'sew-inseam-through',
    needs: [`done:${first}?`, 'done:lining-skirt-side?'],
  });
}

const hasLegs = (b: PlanBuilder): MisfitReason | null => unless(b.has('inseam', 'rise'), 'no-legs');

export const LEGS = [
  way('legs', 'legs-first', 0, hasLegs, legsFirst),
  way('legs', 'rise-first', 0, hasLegs, riseFirst),
  way('legs', 'none', 0, (b) => unless(!b.has('inseam', 'rise'), 'has-legs')),
];
