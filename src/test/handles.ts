import { Groups } from '../core/groups.ts';
import { type GarmentModel, type Joint, keyOf, type Part, partOf } from '../core/plan/index.ts';

// Handles of two sheets of cloth closed on each other, counted vertex by vertex: a second count beside the garment's own.

/** One edge of one copy of a piece, from vertex to vertex, on one half of the body. */
interface Side {
  key: string;
  half: string;
  start: number;
  end: number;
}

/** Vertices or edges, numbered as they are made; what is sewn together is one. */
class Made extends Groups<number> {
  private count = 0;
  make(): number {
    return this.count++;
  }
}

/** Faces, edges and vertices of a sheet of cloth sewn from pieces; the inner sheet is made like it. */
class Sheet {
  readonly sides: Side[] = [];
  /** Sides by face. */
  readonly faces: number[][] = [];
  constructor(
    readonly vertices: Made,
    readonly edges: Made,
    /** Into how many stretches an edge is parted, because several others are sewn to it. */
    private readonly split: Map<string, number>,
  ) {}

  private stretches(p: Part): string[] {
    const fold = p.ring.findIndex((e) => e.onFold);
    const ring = [...p.ring.slice(fold + 1), ...p.ring.slice(0, fold < 0 ? 0 : fold)].filter((e) => !e.onFold);
    return ring.flatMap((e) => Array<string>(this.split.get(keyOf(p.id, e.id)) ?? 1).fill(keyOf(p.id, e.id)));
  }

  /** A ring of edges; those of the far half of a folded piece run against their own direction. */
  private face(list: { key: string; half: string; back: boolean }[]): void {
    const corners = list.map(() => this.vertices.make());
    const at = list.map(({ key, half, back }, i) => {
      const [from, to] = [corners[i] as number, corners[(i + 1) % corners.length] as number];
      this.edges.make();
      return this.sides.push({ key, half, start: back ? to : from, end: back ? from : to }) - 1;
    });
    this.faces.push(at);
  }

  add(p: Part): void {
    const keys = this.stretches(p);
    const half = (name: string, back = false) => keys.map((key) => ({ key, half: name, back }));
    if (p.paired) for (const name of ['left', 'right']) this.face(half(name));
    else if (p.ring.some((e) => e.onFold)) this.face([...half('left'), ...half('right', true).reverse()]);
    else this.face(half('middle'));
  }

  of(key: string, half: string): number[] {
    return this.sides.flatMap((s, i) => (s.key === key && s.half === half ? [i] : []));
  }
}

/** Neighbours of an edge in its piece, by role: the same at the same end when two edges lie alike. */
function around(key: string, parts: Map<string, Part>): [string, string] {
  const p = parts.get(partOf(key));
  const i = p?.ring.findIndex((e) => keyOf(p.id, e.id) === key) ?? -1;
  const n = p?.ring.length ?? 1;
  return [p?.ring[(i + n - 1) % n]?.role ?? '', p?.ring[(i + 1) % n]?.role ?? ''];
}

/** Pairs of stretches that lie on each other in a seam, and whether one is turned about. */
function pairs(j: Joint, sheet: Sheet, parts: Map<string, Part>): [number, number, boolean][] {
  const list = (keys: string[], half: string): number[] => keys.flatMap((k) => sheet.of(k, half));
  if (j.a[0] === j.b[0]) {
    const [l, r] = [list(j.a, 'left'), list(j.a, 'right')];
    return l.flatMap((x, i): [number, number, boolean][] => (r[i] === undefined ? [] : [[x, r[i] as number, false]]));
  }
  const [first, other] = [around(j.a[0] ?? '', parts), around(j.b[0] ?? '', parts)];
  const turned = first[0] !== other[0] && first[1] !== other[1];
  return ['left', 'right', 'middle'].flatMap((half) => {
    const [a, b] = [list(j.a, half), list(j.b, half)];
    const matched = turned && j.a.length === 1 && j.b.length === 1 ? [...b].reverse() : b;
    return a.flatMap((x, i): [number, number, boolean][] =>
      matched[i] === undefined ? [] : [[x, matched[i] as number, turned]],
    );
  });
}

/**
 * Handles of the surface that two like sheets of cloth form when they are closed along `shut`: the sum of the genera of its
 * parts, from Euler's characteristic χ = 2 − 2g − b. Only a surface without handles can be turned inside out through one of
 * its openings. `outer` are the pieces, `sewn` the seams among them.
 */
function handlesOf(outer: Part[], sewn: Joint[], shut: ReadonlySet<string>): number {
  const parts = new Map(outer.map((p) => [p.id, p]));
  const split = new Map<string, number>();
  for (const j of sewn) {
    const [few, many] = j.a.length < j.b.length ? [j.a, j.b] : [j.b, j.a];
    if (few.length === 1 && many.length > 1 && few[0]) split.set(few[0], many.length);
  }
  const [vertices, edges] = [new Made(), new Made()];
  const sheet = new Sheet(vertices, edges, split);
  // Twice: the faces of the first half of the list are the outside, those of the second the inside.
  for (const p of outer) sheet.add(p);
  const n = sheet.sides.length;
  const outside = [...sheet.sides];
  for (const p of outer) sheet.add(p);
  const inside = sheet.sides.splice(n);
  const glue = (a: Side, b: Side, turned: boolean, ea: number, eb: number): void => {
    edges.join(ea, eb);
    vertices.join(a.start, turned ? b.end : b.start);
    vertices.join(a.end, turned ? b.start : b.end);
  };
  for (const j of sewn)
    for (const [x, y, turned] of pairs(j, sheet, parts)) {
      glue(outside[x] as Side, outside[y] as Side, turned, x, y);
      glue(inside[x] as Side, inside[y] as Side, turned, n + x, n + y);
    }
  outside.forEach((s, i) => {
    if (shut.has(s.key)) glue(s, inside[i] as Side, false, i, n + i);
  });
  return genera([...outside, ...inside], sheet.faces, vertices, edges);
}

function genera(sides: Side[], faces: number[][], vertices: Made, edges: Made): number {
  // Pieces of the surface: faces joined along edges.
  const whole = new Made();
  const byEdge = new Map<number, number[]>();
  faces.forEach((f, i) => {
    whole.make();
    for (const s of f) {
      const e = edges.find(s);
      byEdge.set(e, [...(byEdge.get(e) ?? []), i]);
    }
  });
  for (const on of byEdge.values()) for (const f of on) whole.join(f, on[0] as number);
  const kinds = new Map<number, { v: Set<number>; e: Set<number>; f: number; rim: Made; on: Map<number, number> }>();
  faces.forEach((f, i) => {
    const root = whole.find(i);
    const k = kinds.get(root) ?? { v: new Set(), e: new Set(), f: 0, rim: new Made(), on: new Map() };
    kinds.set(root, k);
    k.f += 1;
    for (const s of f) {
      const { start, end } = sides[s] as Side;
      const [a, b, e] = [vertices.find(start), vertices.find(end), edges.find(s)];
      k.v.add(a).add(b);
      k.e.add(e);
      if ((byEdge.get(e)?.length ?? 0) > 1) continue;
      // A free edge: its two ends lie on the same rim.
      for (const x of [a, b]) if (!k.on.has(x)) k.on.set(x, k.rim.make());
      k.rim.join(k.on.get(a) as number, k.on.get(b) as number);
    }
  });
  return [...kinds.values()].reduce((t, k) => {
    const rims = new Set([...k.on.values()].map((x) => k.rim.find(x))).size;
    return t + (2 - (k.v.size - k.e.size + k.f) - rims) / 2;
  }, 0);
}

const FLAPS: ReadonlySet<string> = new Set(['collar', 'stand', 'hood', 'cuff', 'waistband', 'placket']);

/** The same for a garment's body: what hangs on one edge, and sleeves, only carry a border on. */
export function handlesByHand(making: GarmentModel, sewn: Joint[], shut: ReadonlySet<string>): number {
  const body = making.parts.filter((p) => p.layer === 'outer' && !FLAPS.has(p.kind) && !p.kind.includes('sleeve'));
  const ids = new Set(body.map((p) => p.id));
  return handlesOf(
    body,
    sewn.filter((j) => [...j.a, ...j.b].every((k) => ids.has(partOf(k)))),
    shut,
  );
}
