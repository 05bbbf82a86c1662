import { OFFSET_FIT, SAME_POINT } from '../tolerance.ts';
import { handleLengths, withHandles } from './fit.ts';
import { meet } from './meet.ts';
import { endOf, type Path, pathLength, startOf, withoutEmpty } from './path.ts';
import {
  cubic,
  curvatureAt,
  derivativeAt,
  directionAt,
  line,
  pointAt,
  type Segment,
  segmentLength,
  splitSegment,
} from './segment.ts';
import { add, addScaled, distance, dot, outward, type Point, scale, size, sub, unit } from './vector.ts';

const offsetPoint = (s: Segment, t: number, d: number): Point =>
  addScaled(pointAt(s, t), outward(directionAt(s, t)), d);

/**
 * One cubic through the offset ends with the curve's own end directions, handle lengths by least squares on three
 * inner samples of the true offset (Tiller and Hanson's idea, with the handles fitted instead of scaled).
 */
function fitOffset(s: Segment, d: number): Segment {
  const a = offsetPoint(s, 0, d);
  const b = offsetPoint(s, 1, d);
  const ta = directionAt(s, 0);
  const tb = scale(directionAt(s, 1), -1);
  const samples = [0.25, 0.5, 0.75].map((t) => ({ t, p: offsetPoint(s, t, d) }));
  return withHandles(a, b, ta, tb, handleLengths(a, b, ta, tb, samples));
}

/** Largest distance of the fit from the true offset, read across the offset's own normal. */
function misfit(fit: Segment, s: Segment, d: number): number {
  let worst = 0;
  for (const t of [0.125, 0.375, 0.625, 0.875]) {
    const want = offsetPoint(s, t, d);
    // The parameters of the two curves run differently: slide along the fit to the foot of the perpendicular.
    let u = t;
    for (let i = 0; i < 4; i++) {
      const v = derivativeAt(fit, u);
      const l = dot(v, v);
      if (l < 1e-12) break;
      u = Math.min(1, Math.max(0, u - dot(sub(pointAt(fit, u), want), v) / l));
    }
    worst = Math.max(worst, distance(pointAt(fit, u), want));
  }
  return worst;
}

function offsetSegment(s: Segment, d: number, depth = 8): Path {
  if (s.k === 'L') {
    const n = scale(outward(unit(sub(s.b, s.a))), d);
    return [line(add(s.a, n), add(s.b, n))];
  }
  const fit = fitOffset(s, d);
  if (depth === 0 || misfit(fit, s, d) <= OFFSET_FIT) return [fit];
  const [l, r] = splitSegment(s, 0.5);
  return [...offsetSegment(l, d, depth - 1), ...offsetSegment(r, d, depth - 1)];
}

const FACTOR_STEPS = 24;

/**
 * The stretches of a curve whose offset still runs forward: where the curve bends towards the offset side more tightly
 * than `d`, the offset would run back on itself (1 + κ·d < 0) and is left out, so that its neighbours meet there.
 */
function forwardParts(s: Segment, d: number): Segment[] {
  if (s.k === 'L') return [s];
  const forward = (t: number): boolean => 1 + curvatureAt(s, t) * d > 0;
  const marks = Array.from({ length: FACTOR_STEPS + 1 }, (_, i) => forward(i / FACTOR_STEPS));
  if (marks.every(Boolean)) return [s];
  const cuts: number[] = [];
  for (let i = 0; i < FACTOR_STEPS; i++) {
    if (marks[i] === marks[i + 1]) continue;
    let [lo, hi] = [i / FACTOR_STEPS, (i + 1) / FACTOR_STEPS];
    for (let k = 0; k < 30; k++) {
      const m = (lo + hi) / 2;
      if (forward(m) === marks[i]) lo = m;
      else hi = m;
    }
    cuts.push((lo + hi) / 2);
  }
  const bounds = [0, ...cuts, 1];
  const out: Segment[] = [];
  for (let i = 0; i + 1 < bounds.length; i++) {
    const [t0, t1] = [bounds[i] as number, bounds[i + 1] as number];
    if (t1 - t0 < 1e-6 || !forward((t0 + t1) / 2)) continue;
    const head = t1 < 1 ? splitSegment(s, t1)[0] : s;
    out.push(t0 > 0 ? splitSegment(head, t0 / t1)[1] : head);
  }
  return out;
}

/**
 * The path moved sideways by `d` mm: positive to the left of travel, which is outward on an outline that runs
 * clockwise on screen. Curves stay cubics within OFFSET_FIT; inner corners are trimmed or extended to a mitre.
 * Where the path bends more tightly than `d` the part that would run back on itself is left out.
 */
export function offsetPath(path: Path, d: number): Path {
  const whole = withoutEmpty(path);
  if (d === 0) return whole;
  const parts = whole.map((s) => forwardParts(s, d));
  const kept = parts.flat();
  if (!kept.length) return whole.flatMap((s) => offsetSegment(s, d));
  let out: Path = offsetSegment(kept[0] as Segment, d);
  for (let i = 1; i < kept.length; i++) append(out, offsetSegment(kept[i] as Segment, d), d);
  const [head, tail] = [whole[0] as Segment, whole[whole.length - 1] as Segment];
  if (distance(startOf(kept), head.a) > SAME_POINT) out = joined(stub(head, 0, d), out, d);
  if (distance(endOf(kept), tail.b) > SAME_POINT) out = joined(out, stub(tail, 1, d), d);
  return out;
}

/**
 * A hair of line at the true offset of a path's end, along its end direction: where the offset had to be cut short at
 * an end, it is carried to this line, on which the corner with the neighbouring edge is then built.
 */
function stub(s: Segment, t: 0 | 1, d: number): Path {
  const at = offsetPoint(s, t, d);
  const along = directionAt(s, t);
  return t === 1 ? [line(addScaled(at, along, -0.01), at)] : [line(at, addScaled(at, along, 0.01))];
}

function joined(a: Path, b: Path, d: number): Path {
  const out = [...a];
  append(out, b, d);
  return out;
}

/** Joins `b` on to `out` in place. Only as much of the end of `out` is looked at as a corner can reach back. */
function append(out: Path, b: Path, d: number): void {
  if (distance(endOf(out), startOf(b)) <= 1e-4) {
    weld(out, b);
    return;
  }
  const reach = Math.abs(d) * 8;
  // The corner nearly always lies on the last few segments. A chain of chords that folds back over more of them is left
  // with a makeshift step, which the cleaning of the cut line takes out.
  for (const few of [2, 16, 64]) {
    const from = Math.max(0, out.length - few);
    const m = meet(out.slice(from), b, reach);
    if (!m.met && from > 0 && few < 64) continue;
    out.length = from;
    out.push(...m.a, ...m.between, ...m.b);
    return;
  }
}

/** Joins two offset runs whose ends agree within rounding, so that the chain stays exactly connected. */
function weld(out: Path, b: Path): void {
  const head = b[0] as Segment;
  const start = endOf(out);
  out.push(head.k === 'L' ? line(start, head.b) : { ...head, a: start }, ...b.slice(1));
}

/**
 * The path moved sideways by a distance that changes evenly from `d0` at its start to `d1` at its end, eased so that it
 * leaves and arrives parallel to the path (mm; signs as in offsetPath).
 */
export const offsetBetween = (path: Path, d0: number, d1: number): Path =>
  d0 === d1 ? offsetPath(path, d0) : offsetVarying(path, (f) => d0 + (d1 - d0) * f * f * (3 - 2 * f));

/** The path moved sideways by a distance that `by` gives for the share of its length, 0…1 (mm; signs as in offsetPath). */
export function offsetVarying(path: Path, by: (share: number) => number): Path {
  const total = pathLength(path);
  const out: Path = [];
  let before = 0;
  for (const s of path) {
    const share = (q: number): number => Math.min(1, (before + segmentLength(s, 0, q)) / total);
    const moved = segmentVarying(s, (q) => by(share(q)));
    // At a corner the two offsets part or cross, as those of an even offset do.
    if (!out.length) out.push(...moved);
    else if (moved.length) append(out, moved, by(before / total));
    before += segmentLength(s);
  }
  return out;
}

function segmentVarying(s: Segment, by: (t: number) => number): Path {
  const out: Path = [];
  const parts = Math.max(2, Math.ceil(segmentLength(s) / 25));
  let from = placed(s, 0, by);
  for (let i = 1; i <= parts; i++) {
    const to = placed(s, i / parts, by);
    const h = distance(from.p, to.p) / 3;
    if (h > SAME_POINT) out.push(cubic(from.p, addScaled(from.p, from.v, h), addScaled(to.p, to.v, -h), to.p));
    from = to;
  }
  return out;
}

function placed(s: Segment, t: number, by: (t: number) => number) {
  const at = (q: number): Point => offsetPoint(s, q, by(q));
  const p = at(t);
  const step = 1e-4;
  const v = t < 0.5 ? sub(at(t + step), p) : sub(p, at(t - step));
  return { p, v: size(v) > 1e-12 ? unit(v) : directionAt(s, t) };
}
