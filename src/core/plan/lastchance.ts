import { edgesOf, keyOf, partOf } from './garmentmodel.ts';
import { type SeamCode } from './names.ts';
import { type GarmentModel, type Joint, type PlanStep } from './types.ts';

/** What of the fit can be changed while it is made. */
export const FIT = ['shoulder', 'girth', 'length', 'holes'] as const;
export type Fit = (typeof FIT)[number];

/** Up to which step something is changed by its own seams alone. */
export interface LastChance {
  what: Fit;
  /** The step that ends it. */
  step: PlanStep;
  /** Stitching that comes out first once that is done, mm; 0 where it can't be undone. */
  unpick: number;
}

const SEAMS: Readonly<Record<'shoulder' | 'girth', readonly SeamCode[]>> = {
  shoulder: ['shoulder', 'yoke-shoulder'],
  girth: ['side', 'side-zip', 'skirt-side', 'skirt-side-zip'],
};

/** Each side of a crossing is opened so far that the foot comes in, mm. Own figure. */
const BESIDE_CROSSING = 50;

/** Edges that meet these at a corner of their piece. */
function crossing(keys: ReadonlySet<string>, making: GarmentModel): Set<string> {
  return new Set(
    making.parts.flatMap((p) =>
      p.ring.flatMap((e, i) => {
        const next = p.ring[(i + 1) % p.ring.length];
        if (!next || e.onFold || next.onFold) return [];
        const [a, b] = [keyOf(p.id, e.id), keyOf(p.id, next.id)];
        return [...(keys.has(a) && !keys.has(b) ? [b] : []), ...(keys.has(b) && !keys.has(a) ? [a] : [])];
      }),
    ),
  );
}

const twice = (j: Joint, making: GarmentModel): number =>
  making.parts.some((p) => p.paired && edgesOf([j]).map(partOf).includes(p.id)) ? 2 : 1;

/** A seam is let out or taken in until another is sewn across its end. */
function ofSeams(what: 'shoulder' | 'girth', steps: PlanStep[], making: GarmentModel): LastChance[] {
  const own = making.joints.filter((j) => SEAMS[what].includes(j.code));
  const ids = new Set(own.map((j) => j.id));
  const sewn = steps.findLastIndex((s) => s.sews.some((x) => ids.has(x.joint)));
  const ends = crossing(new Set(edgesOf(own)), making);
  const across = (s: PlanStep): boolean =>
    s.sews.some(({ joint }) => {
      const j = making.joints.find((x) => x.id === joint);
      return j !== undefined && !ids.has(joint) && edgesOf([j]).some((k) => ends.has(k));
    }) || s.cares.some((c) => c.how === 'hemmed' && ends.has(c.edge));
  const step = sewn < 0 ? undefined : steps.slice(sewn + 1).find(across);
  const unpick = own.reduce((t, j) => t + j.lengthA * twice(j, making), 0) + 2 * BESIDE_CROSSING;
  return step ? [{ what, step, unpick }] : [];
}

/**
 * Until when shoulder, girth, length and the places of the holes are changed without unpicking anything else, and how much comes
 * out afterwards. What is already sewn across stays out of it. Read from what the steps sew, hem and cut.
 */
export function lastChances(steps: PlanStep[], making: GarmentModel): LastChance[] {
  const outer = new Set(making.parts.filter((p) => p.layer === 'outer').map((p) => p.id));
  const hems = making.parts.flatMap((p) =>
    outer.has(p.id) ? p.ring.filter((e) => e.role === 'hem').map((e) => ({ ...e, key: keyOf(p.id, e.id) })) : [],
  );
  const keys = new Set(hems.map((e) => e.key));
  const closes = (s: PlanStep): boolean =>
    s.cares.some((c) => keys.has(c.edge) && (c.how === 'hemmed' || c.how === 'enclosed')) && s.code !== 'foot-facing';
  // The lower end of a facing is closed with the front edge; the hem itself goes on behind it.
  const hem = steps.find((s) => closes(s) && s.code !== 'sew-edge');
  const cut = steps.find((s) => s.code === 'cut-holes');
  return [
    ...ofSeams('shoulder', steps, making),
    ...ofSeams('girth', steps, making),
    ...(hem ? [{ what: 'length' as const, step: hem, unpick: 2 * hems.reduce((t, e) => t + e.length, 0) }] : []),
    ...(cut ? [{ what: 'holes' as const, step: cut, unpick: 0 }] : []),
  ];
}
