import { type Flat, ROW, signed } from './flat.ts';

/** Edges of several rings that are near a place, in one row: what is asked again and again around it. */
export class Nearby {
  private row = new Float64Array(ROW * 256);
  private away = new Float64Array(256);
  /** So far the row is filled. */
  size = 0;

  clear(): void {
    this.size = 0;
  }

  /**
   * Adds the edges of a ring, moved by (dx, dy), that can be the nearest to any place at most `reach` mm from (x, y); none where no such
   * place lies within it.
   */
  add({ row }: Flat, x: number, y: number, dx: number, dy: number, reach: number): void {
    const n = row.length / ROW;
    if (this.away.length < n) this.away = new Float64Array(2 * n);
    const deep = signed(x - dx, y - dy, row, this.away);
    if (deep < -reach) return;
    const most = (Math.abs(deep) + 2 * reach) ** 2;
    this.widen(row.length);
    for (let k = 0; k < n; k++) {
      if ((this.away[k] as number) > most) continue;
      const i = ROW * k;
      this.row[this.size] = (row[i] as number) + dx;
      this.row[this.size + 1] = (row[i + 1] as number) + dy;
      for (let m = 2; m < ROW; m++) this.row[this.size + m] = row[i + m] as number;
      this.size += ROW;
    }
  }

  private widen(by: number): void {
    if (this.size + by <= this.row.length) return;
    const more = new Float64Array(2 * (this.size + by));
    more.set(this.row);
    this.row = more;
  }

  /** How deep a place lies within the ring whose edges stand between two ends of the row, mm; 0 outside. */
  depth(x: number, y: number, from: number, to: number): number {
    const { row } = this;
    let near = Infinity;
    let side = 0;
    for (let i = from; i < to; i += ROW) {
      const px = x - (row[i] as number);
      const py = y - (row[i + 1] as number);
      const dx = row[i + 2] as number;
      const dy = row[i + 3] as number;
      const t = (px * dx + py * dy) * (row[i + 4] as number);
      const c = t < 0 ? 0 : t > 1 ? 1 : t;
      const ex = px - c * dx;
      const ey = py - c * dy;
      const d = ex * ex + ey * ey;
      if (d >= near) continue;
      near = d;
      // Beside an edge its left is within; nearest to a corner one is outside where that stands out.
      side = t < 0 ? -(row[i + 5] as number) : t > 1 ? -(row[i + 6] as number) : dx * py - dy * px;
    }
    return side > 0 ? Math.sqrt(near) : 0;
  }
}
