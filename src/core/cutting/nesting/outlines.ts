import { inflate, type Point, ringsArea, simplified, union } from '../../geometry/index.ts';
import { type LayPart, MANY, type Way } from './parts.ts';
import { lying } from './turned.ts';

/** Something to be laid, by its outline alone: mm, x across the strip and y along it. */
export interface Outline {
  id: string;
  ring: Point[];
  count: number;
  /** Degrees it may be turned by. */
  turns: number[];
  /** Whether it may lie mirrored as well. */
  mirror: boolean;
}

/** How far an outline of fewer points may stray, mm: as much is kept clear around it. */
const STRAY = 0.5;
/** A ring that the clipper finds larger or smaller than this share crosses itself. */
const CROSSED = 1e-6;

/** Whether it is a ring with an inside that crosses nothing of itself. */
export function isPlain(ring: Point[]): boolean {
  const area = ringsArea([ring]);
  const made = union([ring]);
  return area > 0 && made.length === 1 && Math.abs(ringsArea(made) - area) <= area * CROSSED;
}

/** What is to be laid of outlines, each as often as it is cut, in all the ways it may lie. */
export function partsOfOutlines(outlines: readonly Outline[]): LayPart[] {
  return outlines.flatMap((o) => {
    const few = o.ring.length > MANY ? (inflate([simplified(o.ring, STRAY)], STRAY)[0] ?? o.ring) : o.ring;
    const ways = o.turns.flatMap((turn) =>
      (o.mirror ? [false, true] : [false]).map((mirrored) => wayOf(o.ring, few, turn, mirrored)),
    );
    return Array.from({ length: o.count }, (_, copy) => ({ piece: o.id, copy, atFold: false, ways }));
  });
}

/** The outline as it lies when its box begins at the origin. */
export function lyingOutline(ring: readonly Point[], turn: number, mirrored: boolean): Point[] {
  const all = ring.map((p) => lying(p, turn, mirrored));
  const [x, y] = [Math.min(...all.map((p) => p.x)), Math.min(...all.map((p) => p.y))];
  return all.map((p) => ({ x: p.x - x, y: p.y - y }));
}

/** `few`: the outline by fewer points, which holds all of it. */
function wayOf(ring: readonly Point[], few: Point[], turn: number, mirrored: boolean): Way {
  const over = (r: readonly Point[]): Point[] => r.map((p) => lying(p, turn, mirrored));
  const all = over(ring);
  const [xs, ys] = [all.map((p) => p.x), all.map((p) => p.y)];
  const [x, y] = [Math.min(...xs), Math.min(...ys)];
  const outline = over(few).map((p) => ({ x: p.x - x, y: p.y - y }));
  return { turn, mirrored, outline, shape: { ring: few, x, y }, wide: Math.max(...xs) - x, long: Math.max(...ys) - y };
}
