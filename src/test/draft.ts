import { type PieceKind, type Role } from '../core/pattern/index.ts';
import { type Joint, type Part, type SeamCode } from '../core/plan/index.ts';
import { type Features } from './features.ts';

// Layers and joints of a garment set down without geometry.

export type Edge = [Role, number] | [Role, number, 'fold'];

export class Draft {
  parts: Part[] = [];
  joints: Joint[] = [];
  piece(id: string, kind: PieceKind, material: Part['material'], ring: Edge[], more: Partial<Part> = {}): void {
    this.parts.push({
      id,
      of: id,
      kind,
      material,
      ring: ring.map(([role, length, fold], i) => ({
        id: `e${i}`,
        role,
        length,
        onFold: fold === 'fold',
        allowance: role === 'hem' ? 40 : 15,
        bends: role === 'neckline' || role === 'armhole' ? [{ how: 'clip', every: 20, length, radius: 90 }] : [],
      })),
      paired: !ring.some((e) => e[2] === 'fold'),
      layer: material === 'shell' ? 'outer' : 'inner',
      covered: material !== 'shell',
      fused: null,
      cut: 4,
      darts: 0,
      pleats: 0,
      ...more,
    });
  }
  on(role: Role, ...ids: string[]): string[] {
    return ids.flatMap((id) => {
      const p = this.parts.find((x) => x.id === id);
      return p ? p.ring.filter((e) => e.role === role && !e.onFold).map((e) => `${id}/${e.id}`) : [];
    });
  }
  join(code: SeamCode, a: string[], b: string[], closing = false): void {
    const long = (list: string[]): number =>
      list.reduce(
        (t, k) =>
          t + (this.parts.find((p) => k.startsWith(`${p.id}/`))?.ring.find((e) => k.endsWith(`/${e.id}`))?.length ?? 0),
        0,
      );
    if (a.length && b.length)
      this.joints.push({
        id: `${code}-${this.joints.length}`,
        code,
        a,
        b,
        lengthA: long(a),
        lengthB: long(b),
        closing,
        allowance: 15,
      });
  }
}

export const isLined = (f: Features): boolean => f.lining !== 'none';

export const copy = (d: Draft, id: string): Edge[] =>
  (d.parts.find((p) => p.id === id)?.ring ?? []).map(
    (e): Edge => (e.onFold ? [e.role, e.length, 'fold'] : [e.role, e.length]),
  );
