import { type Box, boxOf, insideRing, type Point } from '../geometry/index.ts';
import { type Finding } from '../result.ts';
import { type Shape } from './drawing.ts';
import { type Outline } from './outline.ts';

/** A piece in the making: its outline, the other line of its seam where both are drawn, and what lies inside. */
export interface Draft {
  outline: Outline;
  /** The seam line, where the outline is the cut line and both are drawn. */
  seam: Outline | null;
  inner: Shape[];
  captions: string[];
  box: Box;
}

const contains = (outer: Box, inner: Box): boolean =>
  outer.minX <= inner.minX + 1e-6 &&
  outer.minY <= inner.minY + 1e-6 &&
  outer.maxX >= inner.maxX - 1e-6 &&
  outer.maxY >= inner.maxY - 1e-6;

export const boxHas = (b: Box, p: Point, slack = 0): boolean =>
  p.x >= b.minX - slack && p.x <= b.maxX + slack && p.y >= b.minY - slack && p.y <= b.maxY + slack;

/** A frame of four sides drawn round everything is no piece. */
export function withoutFrame(outlines: Outline[], findings: Finding[]): Outline[] {
  const [frame, ...rest] = outlines;
  if (!frame || rest.length < 2 || frame.path.length !== 4) return outlines;
  if (!rest.every((o) => insideRing(frame.points, o.path[0]?.a as Point))) return outlines;
  // A large piece with marks in it holds everything too; a frame holds several outlines that hold each other not.
  const outer = rest.filter((o) => !rest.some((q) => q !== o && q.areaMm2 > o.areaMm2 && within(o, q)));
  if (outer.length < 2) return outlines;
  findings.push({ code: 'frame-dropped', severity: 'note', data: { label: frame.shape.label } });
  return rest;
}

const within = (o: Outline, holder: Outline): boolean => o.points.every((p) => insideRing(holder.points, p));

/** Largest allowance that is still taken for one, mm; and the least share of the outer area a seam line encloses. */
const WIDEST_ALLOWANCE = 90;
const SEAM_SHARE = 0.35;

/** Distance from a point to the nearest of a chain of points, coarse: enough to tell a seam line from a pocket. */
function farFrom(points: Point[], chain: Point[]): number {
  let worst = 0;
  for (let i = 0; i < points.length; i += Math.max(1, Math.floor(points.length / 40))) {
    const p = points[i] as Point;
    let best = Number.POSITIVE_INFINITY;
    for (let k = 0, j = chain.length - 1; k < chain.length; j = k++) {
      const [a, b] = [chain[j] as Point, chain[k] as Point];
      const [dx, dy] = [b.x - a.x, b.y - a.y];
      const l = dx * dx + dy * dy;
      const t = l === 0 ? 0 : Math.max(0, Math.min(1, ((p.x - a.x) * dx + (p.y - a.y) * dy) / l));
      best = Math.min(best, Math.hypot(p.x - a.x - t * dx, p.y - a.y - t * dy));
    }
    worst = Math.max(worst, best);
  }
  return worst;
}

/** Whether `inner` runs along inside `outer` as a seam line runs inside its cut line: never farther than an allowance. */
export function isSeamOf(inner: Outline, outer: Outline): boolean {
  if (inner.shape.hint === 'sew') return true;
  if (inner.shape.hint !== null && inner.shape.hint !== 'boundary') return false;
  if (inner.areaMm2 < SEAM_SHARE * outer.areaMm2) return false;
  return (
    farFrom(inner.points, outer.points) <= WIDEST_ALLOWANCE &&
    farFrom(outer.points, inner.points) <= WIDEST_ALLOWANCE * 1.6
  );
}

/** Outlines inside a larger one are its seam line, or marks on it (pockets, placements). Largest first. */
export function nest(outlines: Outline[]): Draft[] {
  const drafts: Draft[] = [];
  for (const o of outlines) {
    const box = boxOf(o.path);
    const holder = drafts.find((d) => contains(d.box, box) && holds(d.outline, o));
    if (!holder) {
      drafts.push({ outline: o, seam: null, inner: [], captions: [], box });
      continue;
    }
    if (!holder.seam && isSeamOf(o, holder.outline)) holder.seam = o;
    else holder.inner.push({ ...o.shape, path: o.path });
  }
  return drafts;
}

/** Whether an outline lies inside another; lying on its rim (a fold, a straight grainline edge shared) counts. */
function holds(outer: Outline, inner: Outline): boolean {
  let out = 0;
  for (const p of inner.points) if (!insideRing(outer.points, p)) out++;
  if (out === 0) return true;
  return (
    farFrom(
      inner.points.filter((p) => !insideRing(outer.points, p)),
      outer.points,
    ) < 0.05
  );
}
