import {
  add,
  endOf,
  flatten,
  mapPath,
  offsetVarying,
  outward,
  type Path,
  type Point,
  pathLength,
  scale,
  shear,
  startOf,
  sub,
  unit,
} from '../geometry/index.ts';
import { type Edge } from './types.ts';

// A sleeve's cap brought to a length: lifted at its top, or hollowed out towards the underarm.

/**
 * The sleeve's cap stretched or lowered, straight away from the line through its underarm points, until its seam line is
 * `target` mm long. Gives the ring and the change of cap height (mm), or null when no height between 60 % and 150 % of
 * the drawn one does it.
 */
export function fitCap(ring: Edge[], target: number): { ring: Edge[]; heightChange: number } | null {
  const cap = ring.filter((e) => e.role === 'cap');
  const path = cap.flatMap((e) => e.path);
  if (!path.length) return null;
  const a = startOf(path);
  const along = unit(sub(endOf(path), a));
  const n = outward(along);
  const height = Math.max(...flatten(path, 0.1).map((p) => Math.abs(rise(p, a, n))));
  const probe = add(a, n);
  const at = (k: number): Path => {
    const m = shear(a, n, probe, scale(n, k - 1));
    return m ? mapPath(path, m) : path;
  };
  const k = zeroOf((x) => pathLength(at(x)) - target);
  if (k === null) return null;
  const m = shear(a, n, probe, scale(n, k - 1));
  if (!m) return null;
  return {
    ring: ring.map((e) => (e.role === 'cap' ? { ...e, path: mapPath(e.path, m) } : e)),
    heightChange: height * (k - 1),
  };
}

/** Where between least and most `over`, which grows, is zero, by false position (Illinois); null when it is nowhere. */
function zeroOf(over: (k: number) => number, least = 0.6, most = 1.5): number | null {
  let [a, b] = [least, most];
  let [fa, fb] = [over(a), over(b)];
  if (fa > 0 || fb < 0) return null;
  for (let i = 0; i < 60; i++) {
    const k = (a * fb - b * fa) / (fb - fa);
    const f = over(k);
    if (Math.abs(f) < 1e-7) return k;
    if (f < 0) [a, fa, fb] = [k, f, fb / 2];
    else [b, fb, fa] = [k, f, fa / 2];
  }
  return (a + b) / 2;
}

const rise = (p: Point, a: Point, n: Point): number => (p.x - a.x) * n.x + (p.y - a.y) * n.y;

/** The lower share of a cap at either end that is hollowed out. Own figure: about up to the notches. */
const HOLLOW = 0.32;
/** The deepest hollowing that still leaves a sleeve to be worn, mm. Own figure. */
const DEEPEST = 30;

/**
 * The sleeve's cap drawn deeper towards both its underarm points, its top left as it is, until its seam line is `target` mm
 * long. `ring` runs clockwise on screen. Gives the ring and how much deeper it is (mm), or null when 30 mm are not enough.
 */
export function deepenCap(ring: Edge[], target: number): { ring: Edge[]; deeper: number } | null {
  const cap = ring.filter((e) => e.role === 'cap');
  const whole = cap.reduce((t, e) => t + pathLength(e.path), 0);
  if (!whole || whole > target + 1e-6) return null;
  const bump = (f: number): number => {
    const near = Math.min(f, 1 - f) / HOLLOW;
    return near < 1 ? Math.sin(Math.PI * near) ** 2 : 0;
  };
  // One edge of the cap after the other, each by its own share of the whole.
  const at = (depth: number): Path[] => {
    let before = 0;
    return cap.map((e) => {
      const [from, length] = [before, pathLength(e.path)];
      before += length;
      return offsetVarying(e.path, (f) => -depth * bump((from + f * length) / whole));
    });
  };
  const lengthAt = (depth: number): number => at(depth).reduce((t, p) => t + pathLength(p), 0);
  const depth = zeroOf((d) => lengthAt(d) - target, 0, DEEPEST);
  if (depth === null) return null;
  const paths = at(depth);
  const put = (e: Edge): Edge => (cap.includes(e) ? { ...e, path: paths[cap.indexOf(e)] as Path } : e);
  return { ring: ring.map(put), deeper: depth };
}
