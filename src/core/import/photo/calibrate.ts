import { type Point } from '../../geometry/index.ts';
import { ok, type Result } from '../../result.ts';
import { type Homography, homographyOf, mapThrough } from './homography.ts';

/** Size of a picture in pixels. */
export interface PictureSize {
  width: number;
  height: number;
}

/**
 * How a lens bends straight lines: a place at distance r from the middle of the picture (in half diagonals) belongs at
 * r / (1 + k·r²). Division model of one coefficient (Fitzgibbon, 2001; from memory): k < 0 for a barrel, the usual fault of
 * wide lenses. `half` is half the diagonal in pixels.
 */
export interface Lens {
  centre: Point;
  half: number;
  k: number;
}

/** From pixels of a picture to places on the table, mm, and back. */
export interface Calibration {
  toTable: Homography;
  toPicture: Homography;
  lens: Lens;
  /** How far known points lie from where the map puts them, mm and pixels: root mean square for the freedom left. */
  residual: number;
  pixels: number;
}

/** Known points needed before the lens is asked about: four settle the plane, these more settle one coefficient well. */
const FOR_LENS = 8;
/** Strongest bend that is looked for. */
const MOST_K = 0.4;

/** A place in the picture with the lens's bend taken out. */
export function unbent({ centre, half, k }: Lens, p: Point): Point {
  const [x, y] = [(p.x - centre.x) / half, (p.y - centre.y) / half];
  const s = half / (1 + k * (x * x + y * y));
  return { x: centre.x + x * s, y: centre.y + y * s };
}

/** The other way round: where the lens shows a place of the unbent picture. */
export function bent({ centre, half, k }: Lens, q: Point): Point {
  const [x, y] = [(q.x - centre.x) / half, (q.y - centre.y) / half];
  const r = Math.hypot(x, y);
  if (r < 1e-12 || Math.abs(k) < 1e-12) return q;
  // k·u·d² − d + u = 0, the root that is u when k is 0.
  const d = (1 - Math.sqrt(Math.max(0, 1 - 4 * k * r * r))) / (2 * k * r);
  return { x: centre.x + (x / r) * d * half, y: centre.y + (y / r) * d * half };
}

export const placeOnTable = (c: Calibration, p: Point): Point => mapThrough(c.toTable, unbent(c.lens, p));
export const placeInPicture = (c: Calibration, p: Point): Point => bent(c.lens, mapThrough(c.toPicture, p));

const sumOfSquares = (a: Point[], b: Point[]): number =>
  a.reduce((s, p, i) => s + (p.x - (b[i] as Point).x) ** 2 + (p.y - (b[i] as Point).y) ** 2, 0);

/** Misfit in the picture for one strength of the lens: what is left when the plane is laid as well as it can be. */
function misfit(picture: Point[], table: Point[], lens: Lens): number {
  const flat = picture.map((p) => unbent(lens, p));
  const back = homographyOf(table, flat);
  return back.ok
    ? sumOfSquares(
        table.map((t) => bent(lens, mapThrough(back.value, t))),
        picture,
      )
    : Number.POSITIVE_INFINITY;
}

/** The strength that leaves least: a coarse look over the whole range, then golden section about the best. */
function bestStrength(picture: Point[], table: Point[], lens: Lens): number {
  const at = (k: number): number => misfit(picture, table, { ...lens, k });
  const steps = 16;
  const ks = Array.from({ length: 2 * steps + 1 }, (_, i) => ((i - steps) / steps) * MOST_K);
  const best = ks.reduce((b, k) => (at(k) < at(b) ? k : b), 0);
  let [a, b] = [best - MOST_K / steps, best + MOST_K / steps];
  const ratio = (Math.sqrt(5) - 1) / 2;
  for (let i = 0; i < 40; i++) {
    const [c, d] = [b - ratio * (b - a), a + ratio * (b - a)];
    if (at(c) < at(d)) b = d;
    else a = c;
  }
  return (a + b) / 2;
}

/**
 * The map from a picture to the table by four or more known points; the first four go round a rectangle. From eight points
 * on, and where the size of the picture is known, the bend of the lens is found as well.
 */
export function calibrate(picture: Point[], table: Point[], size?: PictureSize): Result<Calibration> {
  const centre = size ? { x: size.width / 2, y: size.height / 2 } : { x: 0, y: 0 };
  const straight: Lens = { centre, half: size ? Math.hypot(size.width, size.height) / 2 : 1, k: 0 };
  const first = homographyOf(picture, table);
  if (!first.ok) return first;
  const bends = size !== undefined && picture.length >= FOR_LENS;
  const lens = bends ? { ...straight, k: bestStrength(picture, table, straight) } : straight;
  const flat = picture.map((p) => unbent(lens, p));
  const [toTable, toPicture] = [homographyOf(flat, table), homographyOf(table, flat)];
  if (!toTable.ok) return toTable;
  if (!toPicture.ok) return toPicture;
  const c: Calibration = { toTable: toTable.value, toPicture: toPicture.value, lens, residual: 0, pixels: 0 };
  // Two figures a point; eight of them are used up by the plane and one by the lens.
  const free = 2 * picture.length - 8 - (bends ? 1 : 0);
  if (free <= 0) return ok(c);
  const mm = sumOfSquares(
    picture.map((p) => placeOnTable(c, p)),
    table,
  );
  const px = sumOfSquares(
    table.map((t) => placeInPicture(c, t)),
    picture,
  );
  // Per point, both directions together.
  return ok({ ...c, residual: Math.sqrt((2 * mm) / free), pixels: Math.sqrt((2 * px) / free) });
}

/** How exactly a point is clicked at least, pixels. */
const HAND = 1;

/**
 * How exact a place is likely to be, mm: how far it moves when each known point, and the place itself, is off by as much as
 * the known points are from each other, or by a pixel where they cannot say. It grows with the distance from them.
 */
export function likelyError(picture: Point[], table: Point[], at: Point, size?: PictureSize): number {
  const found = calibrate(picture, table, size);
  if (!found.ok) return Number.POSITIVE_INFINITY;
  const { lens, pixels } = found.value;
  const off = Math.max(HAND, pixels / Math.SQRT2);
  const flat = picture.map((p) => unbent(lens, p));
  const place = unbent(lens, at);
  const here = mapThrough(found.value.toTable, place);
  const moved = (h: Homography, p: Point): number => {
    const q = mapThrough(h, p);
    return (q.x - here.x) ** 2 + (q.y - here.y) ** 2;
  };
  let sum = 0;
  for (const key of ['x', 'y'] as const) {
    sum += moved(found.value.toTable, { ...place, [key]: place[key] + off });
    flat.forEach((_, i) => {
      const shaken = homographyOf(
        flat.map((p, k) => (k === i ? { ...p, [key]: p[key] + off } : p)),
        table,
      );
      if (shaken.ok) sum += moved(shaken.value, place);
    });
  }
  return Math.sqrt(sum);
}

/** How far from a crossing of the grid a click may lie to be taken for it, as a share of the grid. */
const NEAR_CROSSING = 0.3;

/** The crossing of a grid of `spacing` mm that was clicked, or null when the place lies between crossings. */
export function crossingAt(c: Calibration, p: Point, spacing: number): Point | null {
  const t = placeOnTable(c, p);
  const crossing = { x: Math.round(t.x / spacing) * spacing, y: Math.round(t.y / spacing) * spacing };
  return Math.hypot(t.x - crossing.x, t.y - crossing.y) <= NEAR_CROSSING * spacing ? crossing : null;
}
