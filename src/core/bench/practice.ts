import { afterSteps, laid, partsOfOutlines, plainCloth, type StashCloth } from '../cutting/index.ts';
import { boxRing } from '../geometry/index.ts';

/** What people get wrong, to be practised on scraps before it is sewn. */
export const PRACTICES = ['collar-points', 'sandwich-roll', 'mitre', 'set-in-sleeve', 'holes'] as const;
export type PracticeId = (typeof PRACTICES)[number];

/** A scrap to cut: a rectangle, mm, and what of the garment each that is cut so stands for. */
export interface Scrap {
  width: number;
  length: number;
  as: readonly ScrapName[];
}
export type ScrapName =
  | 'upper-collar'
  | 'under-collar'
  | 'outer-yoke'
  | 'inner-yoke'
  | 'back'
  | 'corner'
  | 'sleeve'
  | 'armhole'
  | 'front'
  | 'facing';

export interface Practice {
  id: PracticeId;
  scraps: readonly Scrap[];
  /** Steps of a plan it prepares for, by their kinds. */
  before: readonly string[];
  /** What is measured at the end, and what passes, mm; none where it is only looked at. */
  passes: number | null;
}

/** Sizes that a hand can hold and that leave the seam long enough to go wrong. Own figures. */
export const PRACTICE: Record<PracticeId, Practice> = {
  'collar-points': {
    id: 'collar-points',
    scraps: [{ width: 220, length: 90, as: ['upper-collar', 'under-collar'] }],
    before: ['sew-part'],
    passes: 1,
  },
  'sandwich-roll': {
    id: 'sandwich-roll',
    scraps: [
      { width: 200, length: 120, as: ['outer-yoke', 'inner-yoke'] },
      { width: 200, length: 200, as: ['back'] },
    ],
    before: ['yoke-roll', 'yoke-sandwich', 'sew-armholes'],
    passes: null,
  },
  mitre: {
    id: 'mitre',
    scraps: [{ width: 200, length: 200, as: ['corner'] }],
    before: ['sew-mitre', 'mark-mitre'],
    passes: 1,
  },
  'set-in-sleeve': {
    id: 'set-in-sleeve',
    scraps: [{ width: 260, length: 200, as: ['sleeve', 'armhole'] }],
    before: ['ease-cap'],
    passes: 2,
  },
  holes: {
    id: 'holes',
    scraps: [{ width: 180, length: 80, as: ['front', 'facing'] }],
    before: ['sew-holes', 'practise-holes'],
    passes: 0.5,
  },
};

/** So long it is looked for how scraps lie on one leftover, steps of the search; and so far they lie apart, mm. Own figures. */
const [STEPS, APART] = [60, 4];

/** Whether all scraps can be cut from a leftover, clear of its holes and of what lacks of its box. */
function fits(rest: StashCloth, scraps: readonly Scrap[]): boolean {
  const parts = partsOfOutlines(
    scraps.map((s, i) => ({
      ...{ id: `scrap${i}`, count: s.as.length, turns: [0, 90], mirror: false },
      ring: boxRing({ minX: 0, maxX: s.width, minY: 0, maxY: s.length }),
    })),
  );
  const { width, outline, flaws } = rest;
  const lay = afterSteps(laid(parts, plainCloth(width, { outline, flaws, gap: APART }), 1), STEPS);
  return lay !== null && !lay.left.length && lay.length <= rest.length;
}

/** The smallest leftover out of which all scraps of a practice piece can be cut; null where none is large enough. */
export function scrapsFrom(rests: readonly StashCloth[], scraps: readonly Scrap[]): StashCloth | null {
  const area = (r: StashCloth): number => r.width * r.length;
  return rests.toSorted((a, b) => area(a) - area(b)).find((r) => fits(r, scraps)) ?? null;
}
