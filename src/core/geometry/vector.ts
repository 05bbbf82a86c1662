/** A point or a direction in millimetres; x to the right, y down. */
export interface Point {
  x: number;
  y: number;
}

export const pt = (x: number, y: number): Point => ({ x, y });
export const add = (a: Point, b: Point): Point => ({ x: a.x + b.x, y: a.y + b.y });
export const sub = (a: Point, b: Point): Point => ({ x: a.x - b.x, y: a.y - b.y });
export const scale = (a: Point, k: number): Point => ({ x: a.x * k, y: a.y * k });
export const addScaled = (a: Point, d: Point, k: number): Point => ({ x: a.x + d.x * k, y: a.y + d.y * k });
export const dot = (a: Point, b: Point): number => a.x * b.x + a.y * b.y;
/** Positive when b lies clockwise on screen from a. */
export const cross = (a: Point, b: Point): number => a.x * b.y - a.y * b.x;
/** Length; plain square root, since Math.hypot's overflow care costs ten times as much and coordinates are bounded. */
export const size = (a: Point): number => Math.sqrt(a.x * a.x + a.y * a.y);
export const distance = (a: Point, b: Point): number =>
  Math.sqrt((a.x - b.x) * (a.x - b.x) + (a.y - b.y) * (a.y - b.y));
export const lerp = (a: Point, b: Point, t: number): Point => ({ x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t });
/** Outward normal of travel direction `d` on an outline that runs clockwise on screen: to the left of travel. */
export const outward = (d: Point): Point => ({ x: d.y, y: -d.x });

/** The unit vector along `a`; a zero vector gives (0, 0), never NaN. */
export function unit(a: Point): Point {
  const l = size(a);
  return l === 0 ? { x: 0, y: 0 } : { x: a.x / l, y: a.y / l };
}

/** Signed turn from direction `a` to direction `b` in radians, −π..π, positive clockwise on screen. */
export const turn = (a: Point, b: Point): number => Math.atan2(cross(a, b), dot(a, b));

/** Affine map `x' = a·x + c·y + e`, `y' = b·x + d·y + f`, as SVG writes it. */
export interface Affine {
  a: number;
  b: number;
  c: number;
  d: number;
  e: number;
  f: number;
}

export const IDENTITY: Affine = { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 };

export const apply = (m: Affine, p: Point): Point => ({
  x: m.a * p.x + m.c * p.y + m.e,
  y: m.b * p.x + m.d * p.y + m.f,
});

/** First `n`, then `m`. */
export const compose = (m: Affine, n: Affine): Affine => ({
  a: m.a * n.a + m.c * n.b,
  b: m.b * n.a + m.d * n.b,
  c: m.a * n.c + m.c * n.d,
  d: m.b * n.c + m.d * n.d,
  e: m.a * n.e + m.c * n.f + m.e,
  f: m.b * n.e + m.d * n.f + m.f,
});

/** Mirror image in the line through `p` along unit direction `d`. */
export function reflection(p: Point, d: Point): Affine {
  const a = d.x * d.x - d.y * d.y;
  const b = 2 * d.x * d.y;
  return { a, b, c: b, d: -a, e: p.x - a * p.x - b * p.y, f: p.y - b * p.x + a * p.y };
}

export const rotation = (angle: number): Affine => {
  const c = Math.cos(angle);
  const s = Math.sin(angle);
  return { a: c, b: s, c: -s, d: c, e: 0, f: 0 };
};

export const translation = (e: number, f: number): Affine => ({ ...IDENTITY, e, f });

/**
 * The affine map that adds `weight(x)·shift` to every point, where weight is the signed distance of x from the line
 * through `fixed` with normal `normal`, divided by that of `moved`: `fixed`'s line stays, `moved` lands on `moved + shift`.
 * Null when `moved` lies on that line.
 */
export function shear(fixed: Point, normal: Point, moved: Point, shift: Point): Affine | null {
  const span = dot(normal, sub(moved, fixed));
  if (Math.abs(span) < 1e-9) return null;
  const nx = normal.x / span;
  const ny = normal.y / span;
  const k = -(nx * fixed.x + ny * fixed.y);
  return { a: 1 + shift.x * nx, b: shift.y * nx, c: shift.x * ny, d: 1 + shift.y * ny, e: shift.x * k, f: shift.y * k };
}
