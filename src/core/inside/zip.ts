import { distance, line, meet, offsetPath, pathLength, pointAlong, startOf } from '../geometry/index.ts';
import { type Edge, type Role, reverseRing } from '../pattern/index.ts';
import { type Decisions } from '../project.ts';
import { because, type Reason } from '../result.ts';
import { cutBack } from './hem.ts';
import { cutRun, moveRun } from './oriented.ts';

/** Below the zip the lining's edge runs out to the seam over so much, mm. */
const RUN_OUT = 50;

/** What lies above a centre back. */
const ABOVE: ReadonlySet<Role> = new Set<Role>(['neckline', 'facing-line', 'waist']);

export interface CutBack {
  ring: Edge[];
  reason: Reason | null;
}

/**
 * A lining cut back beside a zip in the centre-back seam. The shell's allowance A turns in along the zip; joined with s1 on
 * the shell and s2 on the lining, the lining's cut edge lies R = 2A − s1 − s2 inside the shell's, so its seam line lies
 * A − s1 inside the shell's seam line. Derived. `ring` in walk order, outward being `sign` times an offset; `covered` is the length of the zip that a facing above takes up (mm).
 */
export function cutBackAtZip(ring: Edge[], sign: 1 | -1, zip: Decisions['lining']['zip'], covered: number): CutBack {
  const i = ring.findIndex((e) => e.role === 'centre-back');
  const edge = ring[i];
  const n = ring.length;
  const next = ring[(i + 1) % n];
  const before = ring[(i + n - 1) % n];
  if (next && before && !ABOVE.has(next.role) && ABOVE.has(before.role)) {
    const turned = cutBackAtZip(reverseRing(ring), sign === 1 ? -1 : 1, zip, covered);
    return { ...turned, ring: reverseRing(turned.ring) };
  }
  const along = zip.length - covered;
  if (!edge || !next || edge.onFold || along <= 0) return { ring, reason: null };
  const a = edge.allowance;
  const inward = a - zip.shellSeam;
  const back = cutBack(a, zip.shellSeam, zip.liningSeam);
  const reason = because('zip', 'derived', back, { A: a, s1: zip.shellSeam, s2: zip.liningSeam });
  const length = pathLength(edge.path);
  const sewn = (e: Edge): Edge => ({ ...e, allowance: zip.liningSeam });
  if (along >= length)
    return { ring: moveRun(ring, 'centre-back', -inward, sign).map((e, k) => (k === i ? sewn(e) : e)), reason };
  const from = length - along;
  const out = Math.max(0, from - (inward === 0 ? 0 : RUN_OUT));
  const [upper] = cutRun([edge], from, length) as [Edge];
  const m = meet(offsetPath(upper.path, -sign * inward), next.path, Math.abs(inward) * 6 + 10);
  const beside: Edge = sewn({ ...upper, id: `${edge.id}-zip`, path: [...m.a, ...m.between] });
  const [below] = cutRun([edge], 0, out);
  const foot = pointAlong(edge.path, out);
  const top = startOf(beside.path);
  const runOut = distance(foot, top) > 1e-6 ? [line(foot, top)] : [];
  const lower: Edge = { ...edge, path: [...(below?.path ?? []), ...runOut] };
  const parts = lower.path.length ? [lower, beside] : [beside];
  const turned = ring.map((e, k) => (k === (i + 1) % n ? { ...e, path: m.b } : e));
  return { ring: [...turned.slice(0, i), ...parts, ...turned.slice(i + 1)], reason };
}
