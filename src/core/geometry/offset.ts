import { OFFSET_FIT, SAME_POINT } from '../tolerance.ts';
import { meet } from './meet.ts';
import { endOf, type Path, pathLength, startOf, withoutEmpty } from './path.ts';
import {
  cubic,
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
  const tb = directionAt(s, 1);
  const chord = distance(a, b);
  let m11 = 0;
  let m12 = 0;
  let m22 = 0;
  let r1 = 0;
  let r2 = 0;
  for (const t of [0.25, 0.5, 0.75]) {
    const u = 1 - t;
    const base = add(scale(a, u * u * u + 3 * u * u * t), scale(b, 3 * u * t * t + t * t * t));
    const gap = sub(offsetPoint(s, t, d), base);
    const va = scale(ta, 3 * u * u * t);
    const vb = scale(tb, -3 * u * t * t);
    m11 += dot(va, va);
    m12 += dot(va, vb);
    m22 += dot(vb, vb);
    r1 += dot(va, gap);
    r2 += dot(vb, gap);
  }
  const det = m11 * m22 - m12 * m12;
  const ha = det > 1e-12 ? (r1 * m22 - r2 * m12) / det : chord / 3;
  const hb = det > 1e-12 ? (r2 * m11 - r1 * m12) / det : chord / 3;
  return cubic(a, addScaled(a, ta, ha), addScaled(b, tb, -hb), b);
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

/**
 * The path moved sideways by `d` mm: positive to the left of travel, which is outward on an outline that runs
 * clockwise on screen. Curves stay cubics within OFFSET_FIT; inner corners are trimmed or extended to a mitre.
 * An inward distance beyond the radius of curvature gives the true offset with its cusps: callers that close a ring
 * check it for crossings.
 */
export function offsetPath(path: Path, d: number): Path {
  const source = withoutEmpty(path);
  if (d === 0) return source;
  let out: Path | null = null;
  for (const s of source) {
    const next = offsetSegment(s, d);
    if (!out) out = next;
    else if (distance(endOf(out), startOf(next)) <= 1e-4) out = weld(out, next);
    else {
      const joined = meet(out, next, Math.abs(d) * 8);
      out = [...joined.a, ...joined.between, ...joined.b];
    }
  }
  return out as Path;
}

/** Joins two offset runs whose ends agree within rounding, so that the chain stays exactly connected. */
function weld(a: Path, b: Path): Path {
  const head = b[0] as Segment;
  const start = endOf(a);
  const shifted: Segment = head.k === 'L' ? line(start, head.b) : { ...head, a: start };
  return [...a, shifted, ...b.slice(1)];
}

/**
 * The path moved sideways by a distance that changes evenly from `d0` at its start to `d1` at its end, eased so that it
 * leaves and arrives parallel to the path (mm; signs as in offsetPath).
 */
export function offsetBetween(path: Path, d0: number, d1: number): Path {
  if (d0 === d1) return offsetPath(path, d0);
  const total = pathLength(path);
  const out: Path = [];
  let before = 0;
  for (const s of path) {
    const l = segmentLength(s);
    const parts = Math.max(2, Math.ceil(l / 25));
    let from = placed(s, 0, before, total, d0, d1);
    for (let i = 1; i <= parts; i++) {
      const to = placed(s, i / parts, before, total, d0, d1);
      const h = distance(from.p, to.p) / 3;
      if (h > SAME_POINT) out.push(cubic(from.p, addScaled(from.p, from.v, h), addScaled(to.p, to.v, -h), to.p));
      from = to;
    }
    before += l;
  }
  return out;
}

function placed(s: Segment, t: number, before: number, total: number, d0: number, d1: number) {
  const at = (q: number): Point => {
    const f = (before + segmentLength(s, 0, q)) / total;
    const ease = f * f * (3 - 2 * f);
    return offsetPoint(s, q, d0 + (d1 - d0) * ease);
  };
  const p = at(t);
  const step = 1e-4;
  const v = t < 0.5 ? sub(at(t + step), p) : sub(p, at(t - step));
  return { p, v: size(v) > 1e-12 ? unit(v) : directionAt(s, t) };
}
