import { type ShellEdge, type ShellPiece } from '../document/project.ts';
import { distance, endOf, type Point, startOf } from '../geometry/index.ts';
import { placeGrain } from './grain.ts';
import { type Mark } from './types.ts';

/** The grainline drawn anew from one place to another, lower end first as it was clicked. */
export const setGrain = (p: ShellPiece, a: Point, b: Point): ShellPiece => ({ ...p, grain: { a, b } });

/** The grainline laid parallel to an edge, in the piece's longest clear stretch, its upper end as it was. */
export function grainAlong(p: ShellPiece, edge: ShellEdge): ShellPiece {
  const [a, b] = [startOf(edge.path), endOf(edge.path)];
  const l = distance(a, b) || 1;
  const d = { x: (b.x - a.x) / l, y: (b.y - a.y) / l };
  const up = { x: p.grain.b.x - p.grain.a.x, y: p.grain.b.y - p.grain.a.y };
  const along = d.x * up.x + d.y * up.y >= 0 ? d : { x: -d.x, y: -d.y };
  return {
    ...p,
    grain: placeGrain(
      p.ring.flatMap((e) => e.path),
      along,
    ),
  };
}

export const addMark = (p: ShellPiece, mark: Mark): ShellPiece => ({ ...p, marks: [...(p.marks ?? []), mark] });

export function dropMark(p: ShellPiece, index: number): ShellPiece {
  const { marks = [], ...rest } = p;
  const left = marks.filter((_, i) => i !== index);
  return left.length ? { ...rest, marks: left } : rest;
}
