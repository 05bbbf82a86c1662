import { type Join, type Panel, type PanelEdge, type Surface, surfaceOf } from '../core/garment/index.ts';
import { type Role } from '../core/pattern/index.ts';
import { type Joint, keyOf, type Part, partOf } from '../core/plan/index.ts';

// The surface of a garment that has no geometry: panels and joins from its layers and joints alone.

interface Copy {
  panel: Panel;
  /** The drawn half, or the mirrored one. */
  mirrored: boolean;
}

const edgesOf = (p: Part, panel: string, mirrored: boolean): PanelEdge[] => {
  const fold = p.ring.findIndex((e) => e.onFold);
  const ring = [...p.ring.slice(fold + 1), ...p.ring.slice(0, Math.max(0, fold))].filter((e) => !e.onFold);
  const made = ring.map(
    (e): PanelEdge => ({
      key: `${panel}/${e.id}${mirrored ? '*' : ''}`,
      panel,
      piece: p.id,
      edge: e.id,
      mirrored,
      role: e.role,
      path: [],
      sewn: e.length,
      notches: [],
    }),
  );
  // Mirrored, a ring is run the other way, so that it stays clockwise.
  return mirrored ? made.reverse() : made;
};

function copiesOf(p: Part): Copy[] {
  const of = (id: string, half: Panel['half'], ring: PanelEdge[]): Panel => ({
    id,
    piece: p.id,
    kind: p.kind,
    name: p.id,
    half,
    up: { x: 0, y: -1 },
    ring,
  });
  if (p.paired) {
    const two = [of(p.id, 'drawn', edgesOf(p, p.id, false)), of(`${p.id}*`, 'mirrored', edgesOf(p, `${p.id}*`, true))];
    return two.map((panel, i) => ({ panel, mirrored: i === 1 }));
  }
  const fold = p.ring.some((e) => e.onFold);
  const ring = [...edgesOf(p, p.id, false), ...(fold ? edgesOf(p, p.id, true) : [])];
  const panel = of(p.id, 'whole', ring);
  return fold ? [false, true].map((mirrored) => ({ panel, mirrored })) : [{ panel, mirrored: false }];
}

/** Roles beside an edge in its ring: what comes before it, and after. */
function beside(key: string, parts: Map<string, Part>): [Role?, Role?] {
  const p = parts.get(partOf(key));
  const i = p?.ring.findIndex((e) => keyOf(p.id, e.id) === key) ?? -1;
  return i < 0 ? [] : [p?.ring.at(i - 1)?.role, p?.ring[(i + 1) % p.ring.length]?.role];
}

/**
 * Which copy of each piece lies on one half of the body: of pieces that are drawn alike, as a front and a back both with their
 * centre to the left, the one drawn and the other mirrored.
 */
function handsOf(parts: Map<string, Part>, joints: Joint[]): Map<string, boolean> {
  const hands = new Map<string, boolean>();
  const alike = (j: Joint): boolean => {
    const [a, b] = [beside(j.a[0] ?? '', parts), beside(j.b[0] ?? '', parts)];
    return a[0] === b[0] || a[1] === b[1];
  };
  const visit = (id: string, hand: boolean): void => {
    if (hands.has(id)) return;
    hands.set(id, hand);
    for (const j of joints) {
      const [p, q] = [partOf(j.a[0] ?? ''), partOf(j.b[0] ?? '')];
      if (p !== q && (p === id || q === id)) visit(p === id ? q : p, alike(j) ? !hand : hand);
    }
  };
  for (const id of parts.keys()) visit(id, false);
  return hands;
}

/** The outside of layers without geometry as a surface: each joint on each half, a centre seam from half to half. */
export function surfaceFrom(parts: Part[], joints: Joint[]): Surface {
  const outer = new Map(parts.filter((p) => p.layer === 'outer').map((p) => [p.id, p]));
  const sewn = joints.filter((j) => !j.closing);
  const hands = handsOf(outer, sewn);
  const copies = new Map([...outer.values()].map((p) => [p.id, copiesOf(p)]));
  const panels = [...new Set([...copies.values()].flat().map((c) => c.panel))];
  const find = (keys: string[], half: boolean): PanelEdge[] | null => {
    const found = keys.map((k) => {
      const all = copies.get(partOf(k)) ?? [];
      const copy = all.length > 1 ? all.find((c) => c.mirrored === (half !== hands.get(partOf(k)))) : all[0];
      return copy?.panel.ring.find(
        (e) => keyOf(e.piece, e.edge) === k && (all.length < 2 || e.mirrored === copy.mirrored),
      );
    });
    return found.every((e) => e !== undefined) && found.length ? (found as PanelEdge[]) : null;
  };
  const taken = new Set<string>();
  const joins = sewn.flatMap((j): Join[] => {
    const self = j.a[0] === j.b[0];
    return (self ? [false] : [false, true]).flatMap((half): Join[] => {
      const [a, b] = [find(j.a, half), find(j.b, self ? true : half)];
      if (!a || !b || [...a, ...b].some((e) => taken.has(e.key))) return [];
      for (const e of [...a, ...b]) taken.add(e.key);
      return [{ id: `${j.id}${half ? '*' : ''}`, code: 'other', a, b }];
    });
  });
  return surfaceOf(panels, joins);
}
