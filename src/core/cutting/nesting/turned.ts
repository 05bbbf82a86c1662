import { type Point } from '../../geometry/index.ts';

/** A point mirrored across the y axis where it is asked, then turned about the origin, degrees from x towards y. */
export const lying = (p: Point, turn: number, mirrored: boolean): Point =>
  turned(mirrored ? { x: -p.x, y: p.y } : p, turn);

/** A point turned about the origin, degrees from x towards y; exact at half and quarter turns. */
export function turned({ x, y }: Point, degrees: number): Point {
  const quarters = degrees / 90;
  const [c, s] = Number.isInteger(quarters)
    ? ([
        [1, 0],
        [0, 1],
        [-1, 0],
        [0, -1],
      ][((quarters % 4) + 4) % 4] as [number, number])
    : [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  return { x: x * c - y * s, y: x * s + y * c };
}
