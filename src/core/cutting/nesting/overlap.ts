import { depth, type Flat, flat, least } from './flat.ts';
import { type NoFits } from './nofit.ts';
import { type Way } from './parts.ts';

/** How far parts lie over each other, out of their no-fit polygons; each of these is flattened once. */
export class Overlaps {
  private readonly number = new Map<Way, number>();
  private readonly rows: (Flat[] | undefined)[][] = [];
  constructor(private readonly noFits: NoFits) {}

  /** The number of a way, by which it is asked for. */
  numberOf(way: Way): number {
    const known = this.number.get(way);
    if (known !== undefined) return known;
    this.number.set(way, this.rows.length);
    this.ways.push(way);
    this.rows.push([]);
    return this.rows.length - 1;
  }
  private readonly ways: Way[] = [];

  /** How far way `b` would have to be moved from (x, y) so that it no longer lies over `a` at the origin, mm. */
  depth(a: number, b: number, x: number, y: number): number {
    const rings = this.of(a, b);
    let most = 0;
    for (let i = 0; i < rings.length; i++) {
      const d = depth(x, y, rings[i] as Flat);
      if (d > most) most = d;
    }
    return most;
  }

  /** As far at least, without looking closely, mm; negative where it surely does not. */
  least(a: number, b: number, x: number, y: number): number {
    const rings = this.of(a, b);
    let most = -1;
    for (let i = 0; i < rings.length; i++) {
      const d = least(x, y, rings[i] as Flat);
      if (d > most) most = d;
    }
    return most;
  }

  /** Where `b` may not lie beside `a`: at their corners it touches. */
  of(a: number, b: number): Flat[] {
    const row = this.rows[a] as (Flat[] | undefined)[];
    const known = row[b];
    if (known) return known;
    const made = this.noFits.of(this.ways[a] as Way, this.ways[b] as Way).map(flat);
    row[b] = made;
    return made;
  }
}
