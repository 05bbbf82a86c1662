import { type OperationCode, type PlanStep } from '../plan/index.ts';

/**
 * Steps after which something is only held: rolled up, marked with chalk that rubs off, stretched by steam, or cut so that it
 * frays to the stitching. What waits for them is done in the same sitting. Rows of long stitches, bastings and trimmed allowances
 * hold by themselves. Common practice: one stops where nothing is half done.
 */
const HELD: ReadonlySet<OperationCode> = new Set<OperationCode>([
  'cut-slit',
  'cut-tower',
  'mark-holes',
  'mark-mitre',
  'snip-corners',
  'stretch-again',
  'stretch-collar',
  'yoke-roll',
]);

const isHeld = (s: PlanStep): boolean => HELD.has(s.code as OperationCode);

/**
 * After which of these steps, in this order, the work can be left: nothing that is only held still waits for the step that
 * fastens it. The last one counts as safe.
 */
export function safeToLeave(steps: readonly PlanStep[]): boolean[] {
  const open = new Map<string, number>();
  steps.forEach((s, i) => {
    if (!isHeld(s)) return;
    const fastened = steps.findIndex((x, k) => k > i && x.needs.includes(s.id));
    if (fastened > 0) open.set(s.id, fastened);
  });
  const at = new Map(steps.map((s, i) => [s.id, i]));
  return steps.map((_, i) => ![...open].some(([id, until]) => (at.get(id) ?? 0) <= i && i < until));
}

/** Time that must go by after a step before the next that waits for it, minutes; and why. */
export const WAITS = ['washed', 'hang', 'sealant', 'cool'] as const;
export type Wait = (typeof WAITS)[number];

/** How long each takes, minutes. Hanging a day: common practice; the others are own figures. */
export const WAIT_MINUTES: Record<Wait, number> = { washed: 12 * 60, hang: 24 * 60, sealant: 60, cool: 20 };

/** Sines of the slant from which cloth lies so much off its grain that it drops: 15°. Own figure. */
const FLARED = 0.26;

/** Whether the outside has an edge so slanted beside its hem that the hem drops while it hangs. */
export function dropsAtHem(parts: readonly { layer: string; ring: { role: string; slant?: number }[] }[]): boolean {
  return parts.some(
    (p) =>
      p.layer === 'outer' &&
      p.ring.some((e) => e.role === 'hem') &&
      p.ring.some((e) => SIDES.has(e.role) && Math.abs(e.slant ?? 0) >= FLARED),
  );
}
const SIDES: ReadonlySet<string> = new Set(['side', 'panel-seam', 'centre-back', 'centre-front']);

/** What must go by before a step itself, minutes; null for nothing. */
export function waitBefore(s: PlanStep, drops: boolean): Wait | null {
  if (s.code === 'cut') return 'washed';
  return drops && s.cares.some((c) => c.how === 'hemmed') && HEMS.has(s.code) ? 'hang' : null;
}
const HEMS: ReadonlySet<string> = new Set(['press-hem', 'hem-blind', 'hem-machine', 'hem-rolled', 'hem-fused']);

/** What must go by after it. */
export const waitAfter = (s: PlanStep): Wait | null =>
  s.code === 'cut-holes' || s.code === 'sew-buttons' ? 'sealant' : s.code === 'fuse' ? 'cool' : null;

/** Steps that ask for daylight, to see how it falls; and for a second pair of hands. Common practice. */
export const BY_DAY: ReadonlySet<string> = new Set(['try-on']);
export const WITH_HELP: ReadonlySet<string> = new Set(['press-hem']);

/** Steps a garment does without: left out when there is no time. Common practice. */
export const OPTIONAL: ReadonlySet<string> = new Set(['topstitch', 'sew-label', 'thread-chains']);
