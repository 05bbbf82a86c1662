import {
  boxOf,
  distance,
  endOf,
  flatten,
  lighten,
  type Path,
  type Point,
  reversePath,
  segmentLength,
  selfCrossing,
  signedArea,
  startOf,
} from '../geometry/index.ts';
import { type Finding, stop } from '../result.ts';
import { HEAL_GAP, LEAST_AREA, SLIVER } from '../tolerance.ts';
import { type Shape } from './drawing.ts';

/** An outline that can be a piece: closed exactly, clockwise on screen, without empty segments. */
export interface Outline {
  shape: Shape;
  path: Path;
  points: Point[];
  areaMm2: number;
}

const at = (p: Point): { x: number; y: number } => ({ x: Math.round(p.x * 10) / 10, y: Math.round(p.y * 10) / 10 });

/** Whether an open run looks like an outline somebody forgot to close, rather than a mark or a line. */
export function meantAsOutline(path: Path): boolean {
  const box = boxOf(path);
  const wide = box.maxX - box.minX > 20 && box.maxY - box.minY > 20;
  const length = path.reduce((s, x) => s + segmentLength(x), 0);
  return path.length >= 3 && wide && distance(startOf(path), endOf(path)) < length / 2;
}

/** Whether the run closes by itself within the healing gap. */
export const closes = (s: Shape): boolean =>
  s.closed || (s.path.length > 1 && distance(startOf(s.path), endOf(s.path)) <= HEAL_GAP);

/**
 * Drops segments of no length, and slivers that only the rounding of a file's figures leaves between two lines: the next
 * one is drawn on to where the sliver began. Returns how many had no length at all.
 */
function cleaned(path: Path): { path: Path; dropped: number } {
  const kept: Path = [];
  for (const s of path) {
    if (segmentLength(s) <= SLIVER) continue;
    const last = kept[kept.length - 1];
    kept.push(last && distance(last.b, s.a) > 0 && distance(last.b, s.a) <= SLIVER ? { ...s, a: last.b } : s);
  }
  return { path: kept, dropped: path.filter((s) => segmentLength(s) <= 1e-6).length };
}

/**
 * Turns a closing run into an outline: a gap up to HEAL_GAP is closed by drawing both ends together, empty segments go,
 * both are reported. Refuses no area and crossings, with the place.
 */
export function toOutline(shape: Shape, findings: Finding[]): Outline | null {
  const label = shape.name ?? shape.label;
  const { path, dropped } = cleaned(shape.path);
  if (dropped)
    findings.push({
      code: 'points-doubled',
      severity: 'note',
      where: { piece: label },
      data: { label, count: dropped },
    });
  const nothing = (): null => {
    findings.push(stop('zero-area', { piece: label, ...(path.length && at(startOf(path))) }, { label }));
    return null;
  };
  if (!path.length) return nothing();
  const closed = lighten(closeGap(path, label, findings));
  const points = flatten(closed).slice(0, -1);
  // Crossings first: the two halves of a bow tie can cancel to no area at all.
  const hit = selfCrossing(points);
  if (hit) {
    findings.push(stop('crosses-itself', { piece: label, ...at(hit) }, { label, x: at(hit).x, y: at(hit).y }));
    return null;
  }
  if (Math.abs(signedArea(closed)) < LEAST_AREA) return nothing();
  const area = signedArea(closed);
  const clockwise = area < 0 ? reversePath(closed) : closed;
  return { shape, path: clockwise, points, areaMm2: Math.abs(area) };
}

/** A gap up to this is rounding of the file's figures, not worth a word (mm). */
export const GAP_TOLD = 0.05;

function closeGap(path: Path, label: string, findings: Finding[]): Path {
  const a = startOf(path);
  const b = endOf(path);
  const gap = distance(a, b);
  if (gap < 1e-9) return path;
  if (gap > GAP_TOLD)
    findings.push({ code: 'gap-healed', severity: 'note', where: { piece: label, ...at(a) }, data: { label, gap } });
  const last = path[path.length - 1] as Path[number];
  return [...path.slice(0, -1), { ...last, b: a }];
}
