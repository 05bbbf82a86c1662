import { type PlanBuilder } from '../builder.ts';
import { edgesOf, partOf } from '../garmentmodel.ts';
import { type Need, when } from '../names.ts';
import { type Joint, type Part } from '../types.ts';
import { bagged } from './opening.ts';

export const isVented = (p: Part): boolean => p.ring.some((e) => e.role === 'vent');

/** Pieces of the outside that have a vent at one of their seams. */
const ventedParts = (b: PlanBuilder): Part[] => b.g.making.parts.filter((p) => p.layer === 'outer' && isVented(p));

/** The extension of the overlap folded back, the underlap's edge turned in, once the seam above is sewn. */
export function pressVents(b: PlanBuilder): void {
  const parts = ventedParts(b);
  if (!parts.length) return;
  const pieces = parts.map((p) => p.id);
  const outside = (j: Joint): boolean => edgesOf([j]).every((k) => b.parts.get(partOf(k))?.layer === 'outer');
  const above = b.g.making.joints.filter((j) => outside(j) && b.endsAtVent(j)).map((j): Need => `done:${j.code}?`);
  b.add('shell', 'iron', `press-vent:${pieces[0]}`, {
    code: 'press-vent',
    pieces,
    needs: above,
    makes: ['vent:pressed'],
    press: 'hem-up',
    data: { turned: parts.flatMap((p) => p.ring).find((e) => e.role === 'vent')?.allowance ?? 0 },
  });
}

/** A vent without a lining: its edges turned under and stitched, or caught by hand with the hem. */
export function hemVents(b: PlanBuilder): void {
  const free = (p: Part): string[] => b.unmet([p], 'vent', 'vent-top');
  const parts = b.g.making.parts.filter((p) => isVented(p) && (!b.has('vent-over') || free(p).length > 0));
  if (!parts.length) return;
  const cares = b.care(b.has('vent-over') ? parts.flatMap(free) : b.edges(parts, 'vent', 'vent-top'), 'hemmed');
  b.add('shell', 'machine', 'hem-vent', {
    pieces: parts.map((p) => p.id),
    needs: ['vent:pressed'],
    cares,
    makes: ['vent:joined'],
    data: { a: b.length(parts, 'vent') * 2 },
  });
}

/** The lining to both sides of a vent, and across its top. */
export function lineVents(b: PlanBuilder): void {
  if (!b.has('vent-over')) return;
  const early = bagged(b);
  b.sew('joining', ['vent-over', 'vent-under'], {
    id: 'sew-vent',
    code: 'sew-vent',
    needs: [
      'held:edge?',
      ...when(!early, 'turned?'),
      'vent:pressed',
      'done:lining-centre-back?',
      'done:lining-skirt-centre-back?',
      'done:lining-side?',
      'hem:pressed?',
      'liner:hemmed?',
    ],
    allowance: b.g.d.lining.vent.liningSeam,
    stops: [{ code: 'stop-at-vent-top', mm: 0 }],
    to_: null,
    reached: true,
    makes: ['vent:joined'],
    data: { over: b.joints('vent-over')[0]?.lengthA ?? 0, under: b.joints('vent-under')[0]?.lengthA ?? 0 },
  });
}
