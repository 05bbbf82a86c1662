import {
  add,
  directionAlong,
  endOf,
  mapPath,
  outward,
  type Path,
  type Point,
  pathLength,
  pointAlong,
  scale,
  shear,
  startOf,
  stretch,
  sub,
  unit,
} from '../../geometry/index.ts';
import { type Edge, type Role, reverseRing } from '../../pattern/index.ts';

/**
 * Raises the underarm of a lining piece by `raise` and lets it out by `out` mm: the shell's seam allowance stands up
 * inside the lining's underarm and needs the room (handbook figure from memory: raise 10–15, out 5–6).
 *
 * `ring` is in walk order with the run of `curve` (armhole or cap) directly before the run of `seam` (side or
 * underarm). The lower half of the curve is sheared so that its middle keeps place and direction and its end lands on
 * the new underarm point; the seam is let out evenly from nothing at its far end.
 */
export function raiseUnderarm(ring: Edge[], curve: Role, seam: Role, sign: 1 | -1, raise: number, out: number): Edge[] {
  if (raise === 0 && out === 0) return ring;
  const n = ring.length;
  const at = ring.findIndex((e, i) => e.role === curve && ring[(i + 1) % n]?.role === seam);
  if (at < 0) return ring;
  const curveRun = back(ring, at, curve);
  const seamRun = ahead(ring, (at + 1) % n, seam);
  const underarm = endOf((ring[at] as Edge).path);
  const foot = endOf((ring[seamRun[seamRun.length - 1] as number] as Edge).path);
  const up = unit(sub(underarm, foot));
  const shift = add(scale(up, raise), scale(outward(scale(up, -1)), sign * out));
  const next = [...ring];
  for (const i of seamRun) {
    const e = ring[i] as Edge;
    const m = shear(foot, up, underarm, shift);
    if (m) next[i] = { ...e, path: mapPath(e.path, m) };
  }
  moveLowerHalf(next, curveRun, underarm, shift);
  return next;
}

/** The same at the seam beside an armhole whichever of the two comes first round the ring, and at both ends where it lies at both. */
export function raiseAtSeam(ring: Edge[], curve: Role, seam: Role, sign: 1 | -1, raise: number, out: number): Edge[] {
  const ahead = raiseUnderarm(ring, curve, seam, sign, raise, out);
  return reverseRing(raiseUnderarm(reverseRing(ahead), curve, seam, sign === 1 ? -1 : 1, raise, out));
}

/**
 * Raises all of a curve that lies between two seams by `raise` mm: each seam is lengthened straight up from its foot, as at an
 * underarm, and the curve carried between their new ends without turning.
 */
export function raiseBetween(ring: Edge[], curve: Role, raise: number): Edge[] {
  const n = ring.length;
  const first = ring.findIndex((e, i) => e.role === curve && ring[(i + n - 1) % n]?.role !== curve);
  if (first < 0 || raise === 0) return ring;
  const turned = [...ring.slice(first), ...ring.slice(0, first)];
  const count = turned.findIndex((e) => e.role !== curve);
  const [after, before] = [turned[count], turned[n - 1]];
  if (count < 1 || !after || !before || after === before) return ring;
  const [from, to] = [endOf(before.path), startOf(after.path)];
  const rises = (tip: Point, foot: Point): Point => scale(unit(sub(tip, foot)), raise);
  const [a, b] = [rises(from, startOf(before.path)), rises(to, endOf(after.path))];
  const u = unit(sub(to, from));
  const length = (to.x - from.x) * u.x + (to.y - from.y) * u.y;
  const at = (p: Point): Point => {
    const k = ((p.x - from.x) * u.x + (p.y - from.y) * u.y) / length;
    return add(p, add(scale(a, 1 - k), scale(b, k)));
  };
  const moved = (path: Path): Path =>
    path.map((s) => ({ ...s, a: at(s.a), b: at(s.b), ...(s.k === 'C' && { c: at(s.c), d: at(s.d) }) }) as typeof s);
  const stretched = (path: Path, foot: Point, tip: Point, shift: Point): Path => {
    const m = shear(foot, unit(sub(tip, foot)), tip, shift);
    return m ? mapPath(path, m) : path;
  };
  return turned.map((e, i) => {
    if (i < count) return { ...e, path: moved(e.path) };
    if (e === after) return { ...e, path: stretched(e.path, endOf(e.path), to, b) };
    return e === before ? { ...e, path: stretched(e.path, startOf(e.path), from, a) } : e;
  });
}

function moveLowerHalf(ring: Edge[], indices: number[], end: Point, shift: Point): void {
  const whole: Path = indices.flatMap((i) => (ring[i] as Edge).path);
  const half = pathLength(whole) / 2;
  const keep = pointAlong(whole, half);
  const m = shear(keep, outward(directionAlong(whole, half)), end, shift);
  if (!m) return;
  let before = 0;
  for (const i of indices) {
    const e = ring[i] as Edge;
    const length = pathLength(e.path);
    const parting = Math.min(length, Math.max(0, half - before));
    before += length;
    const head = parting > 1e-6 ? stretch(e.path, 0, parting) : [];
    const tail = parting < length - 1e-6 ? mapPath(stretch(e.path, parting, length), m) : [];
    ring[i] = { ...e, path: [...head, ...tail] };
  }
}

function back(ring: Edge[], from: number, role: Role): number[] {
  const out: number[] = [];
  for (let k = from; ring[k]?.role === role && out.length < ring.length; k = (k + ring.length - 1) % ring.length)
    out.unshift(k);
  return out;
}

function ahead(ring: Edge[], from: number, role: Role): number[] {
  const out: number[] = [];
  for (let k = from; ring[k]?.role === role && out.length < ring.length; k = (k + 1) % ring.length) out.push(k);
  return out;
}
