import { type PlanBuilder } from '../builder.ts';
import { OPENING } from '../check/index.ts';
import { HEM_SEAMS, type SeamCode } from '../names.ts';
import { type Joint, type Part } from '../types.ts';

/** Length of the opening left for turning, mm. */
export const openingLength = (b: PlanBuilder): number => OPENING[b.g.making.bulk];

export const linings = (b: PlanBuilder): Part[] => b.g.making.parts.filter((p) => p.material === 'lining');

export const lined = (b: PlanBuilder): boolean => linings(b).length > 0;

export const opening = (b: PlanBuilder): string => b.g.methods.opening ?? 'none';

/** The joint of a seam in which the opening is left: the longest, where there are several. */
export const openJoint = (b: PlanBuilder, code: SeamCode): Joint | undefined =>
  [...b.joints(code)].sort((x, y) => y.lengthA - x.lengthA)[0];

/** Length of the seam that is sewn at all: a slit below leaves the rest open anyway, mm. */
export function sewnLength(b: PlanBuilder, code: SeamCode): number {
  const j = openJoint(b, code);
  return j ? j.lengthA * (1 - b.slitShare(j)) : 0;
}

/** The stretch left open in the middle of what is sewn of a seam, as shares of its length. */
export function gap(b: PlanBuilder, code: SeamCode): { from: number; to: number } {
  const j = openJoint(b, code);
  const long = j?.lengthA ?? openingLength(b) * 2;
  const sewn = j ? 1 - b.slitShare(j) : 1;
  const half = Math.min(0.45 * sewn, openingLength(b) / long / 2);
  return { from: sewn / 2 - half, to: sewn / 2 + half };
}

/** The seam of the lining in which an opening of each kind is left; a skirt alone has its own sides. */
export function openSeam(b: PlanBuilder, at: string): SeamCode | undefined {
  if (at === 'sleeve') return 'lining-underarm';
  if (at === 'side') return b.has('lining-side') ? 'lining-side' : 'lining-skirt-side';
  return undefined;
}

/** Parts the stretches of a sewn joint in two, round the gap. */
export function openIn(b: PlanBuilder, op: string, code: SeamCode): void {
  const { from, to } = gap(b, code);
  const id = openJoint(b, code)?.id;
  const sewn = b.ops.find((o) => o.id === op);
  if (!sewn) return;
  // Only one of a pair is left open; the plan, which knows pairs as one, keeps the gap on the joint.
  sewn.sews = sewn.sews.flatMap((s) =>
    s.joint === id
      ? [
          { ...s, to: from },
          { ...s, from: to },
        ]
      : [s],
  );
}

export const hemCodes = (b: PlanBuilder): SeamCode[] =>
  [...new Set(b.g.making.joints.map((j) => j.code))].filter((c) => HEM_SEAMS.has(c));

/** The longest piece of the hem: the opening is left there. */
export const widestHem = (b: PlanBuilder): SeamCode | undefined =>
  [...b.joints(...hemCodes(b))].sort((x, y) => y.lengthA - x.lengthA)[0]?.code;

export const bagged = (b: PlanBuilder): boolean => hemCodes(b).length > 0;

export const everywhere = (b: PlanBuilder): string[] => b.g.making.parts.map((p) => p.id);
