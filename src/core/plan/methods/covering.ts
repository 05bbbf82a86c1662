import { type PlanBuilder } from '../builder.ts';
import { type SewOptions } from '../seamruns.ts';
import { unless, way } from './method.ts';
import { type MisfitReason } from './misfits.ts';

/** The layers of a folded edge over the seam it covers, outermost first, and how it is fastened: stitched from outside, or felled from within. */
export function coverOver(b: PlanBuilder, ...layers: string[]): Pick<SewOptions, 'code' | 'station' | 'stack'> {
  const stack = b.asWorn(...layers);
  return b.g.methods['inner-edge'] === 'hand'
    ? { code: 'fell-cover', station: 'hand', stack: b.seenFromWithin(stack) }
    : { code: 'cover-seam', stack };
}

const covering = (b: PlanBuilder): MisfitReason | null =>
  unless(
    b.has('cuff-in', 'stand-neck-in', 'collar-neck-in', 'collar-stand-in') ||
      (b.has('waistband-in') && b.g.methods.waist !== 'ditch'),
    'no-inner-edge',
  );

/** The inner layer of collar, cuffs and bands, by machine or by hand: schools. */
export const INNER_EDGES = (['machine', 'hand'] as const).map((id) => way('inner-edge', id, 0, covering));
