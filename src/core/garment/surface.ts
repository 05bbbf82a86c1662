import { Groups } from '../groups.ts';
import { type Role } from '../pattern/index.ts';
import { type Panel, type PanelEdge, panelEdges, panelRings } from './panels.ts';

export const JOIN_CODES = [
  'panel',
  'elbow',
  'forearm',
  'yoke',
  'shoulder',
  'centre-back',
  'centre-front',
  'side',
  'underarm',
  'inseam',
  'rise',
  'waist',
  'cap',
  'hood',
  'stand',
  'collar',
  'cuff',
  'other',
] as const;
export type JoinCode = (typeof JOIN_CODES)[number];

/**
 * Two chains of edges sewn to each other, each in the order it is run, clockwise in its panels: `a` lies along `b` run
 * backwards. A closed chain is a whole loop, as a sleeve's cap.
 */
export interface Join {
  id: string;
  /** Which seam of a garment it is. */
  code: JoinCode;
  a: PanelEdge[];
  b: PanelEdge[];
  /** The sewist said so; else it is suggested. */
  said?: boolean;
}

/** Panels glued along joins. */
export interface Surface {
  panels: Panel[];
  joins: Join[];
  edges: Map<string, PanelEdge>;
  /** The next edge round the same panel. */
  next: Map<string, PanelEdge>;
  /** Of the first edge of a joined chain: the last of the one it is sewn to. */
  beyond: Map<string, PanelEdge>;
  joined: Set<string>;
  /** Edges that were said to stay open. */
  open: ReadonlySet<string>;
}

export function surfaceOf(panels: Panel[], joins: Join[], open: ReadonlySet<string> = new Set()): Surface {
  const s: Surface = { panels, joins, edges: new Map(), next: new Map(), beyond: new Map(), joined: new Set(), open };
  for (const ring of panels.flatMap(panelRings))
    ring.forEach((e, i) => {
      s.edges.set(e.key, e);
      s.next.set(e.key, ring[(i + 1) % ring.length] as PanelEdge);
    });
  for (const { a, b } of joins) {
    for (const e of [...a, ...b]) s.joined.add(e.key);
    const [a0, b0, a1, b1] = [a[0], b[0], a.at(-1), b.at(-1)];
    if (a0 && b0 && a1 && b1) {
      s.beyond.set(a0.key, b1);
      s.beyond.set(b0.key, a1);
    }
  }
  return s;
}

/**
 * The edge that follows an unjoined one along the boundary: round its panel's corner, and across every seam that ends there.
 * Null where a join's ends do not close on each other, which no suggested join does.
 */
function follows(s: Surface, e: PanelEdge): PanelEdge | null {
  let n = s.next.get(e.key);
  for (let i = 0; n && i <= s.edges.size; i++) {
    if (!s.joined.has(n.key)) return n;
    const last = s.beyond.get(n.key);
    n = last && s.next.get(last.key);
  }
  return null;
}

/** A loop of unjoined edges round an opening of the surface or along its outer edge, in the order it is walked. */
export interface Loop {
  edges: PanelEdge[];
  /** Its roles, each once for every time the walk comes to it. */
  roles: Role[];
}

const rolesOf = (edges: PanelEdge[]): Role[] =>
  edges.flatMap((e, i) => (i > 0 && edges[i - 1]?.role === e.role ? [] : [e.role]));

/** The boundary loops of a surface, found by walking. Every unjoined edge lies on one. */
export function loopsOf(s: Surface): Loop[] {
  const seen = new Set<string>();
  const out: Loop[] = [];
  for (const panel of s.panels)
    for (const first of panelEdges(panel)) {
      if (s.joined.has(first.key) || seen.has(first.key)) continue;
      const edges: PanelEdge[] = [];
      for (let e: PanelEdge | null = first; e && !seen.has(e.key); e = follows(s, e)) {
        seen.add(e.key);
        edges.push(e);
      }
      out.push({ edges, roles: rolesOf(edges) });
    }
  return out;
}

/** A stretch of a boundary loop along which one thing holds: its edges in order, and what lies before and behind it. */
export interface Chain {
  edges: PanelEdge[];
  /** The whole loop. */
  closed: boolean;
  before: Role;
  after: Role;
}

/** The longest stretches of the boundary whose edges are of a kind. */
export function chainsOf(s: Surface, is: (e: PanelEdge) => boolean): Chain[] {
  return loopsOf(s).flatMap(({ edges }): Chain[] => {
    const n = edges.length;
    const at = (i: number): PanelEdge => edges[(i + n) % n] as PanelEdge;
    const starts = edges.flatMap((e, i) => (is(e) && !is(at(i - 1)) ? [i] : []));
    if (!starts.length) return edges.every(is) ? [{ edges, closed: true, before: at(0).role, after: at(0).role }] : [];
    return starts.map((from) => {
      let to = from;
      while (is(at(to + 1))) to++;
      const run = Array.from({ length: to - from + 1 }, (_, k) => at(from + k));
      return { edges: run, closed: false, before: at(from - 1).role, after: at(to + 1).role };
    });
  });
}

/** Shape of one connected part of a surface, by Euler's count: V − E + F = 2 − 2 · handles − loops. */
export interface Part {
  panels: string[];
  loops: number;
  /** Handles: a part with one can't be turned inside out through a hole. */
  handles: number;
}

/** Corners of the surface that are the same point of it, by the edge that starts there. */
function cornersOf(s: Surface): Groups<string> {
  const corners = new Groups<string>();
  const end = (e: PanelEdge): string => s.next.get(e.key)?.key ?? e.key;
  for (const { a, b } of s.joins) {
    for (const chain of [a, b])
      chain.slice(1).forEach((e, i) => {
        corners.join(e.key, end(chain[i] as PanelEdge));
      });
    const [a0, b0, a1, b1] = [a[0], b[0], a.at(-1), b.at(-1)];
    if (!a0 || !b0 || !a1 || !b1) continue;
    corners.join(a0.key, end(b1));
    corners.join(b0.key, end(a1));
  }
  return corners;
}

/** Connected parts of a surface with their loops and handles, by Euler's count. */
export function partsOf(s: Surface): Part[] {
  const whole = new Groups<string>();
  for (const { a, b } of s.joins) for (const e of [...a, ...b]) whole.join(e.panel, a[0]?.panel ?? e.panel);
  const corners = cornersOf(s);
  const loops = loopsOf(s);
  const names = [...new Set(s.panels.map((p) => whole.find(p.id)))];
  return names.map((name) => {
    const panels = s.panels.filter((p) => whole.find(p.id) === name);
    const keys = panels.flatMap((p) => panelEdges(p).map((e) => e.key));
    const v = new Set(keys.map((k) => corners.find(k))).size;
    const free = keys.filter((k) => !s.joined.has(k)).length;
    // A seam is cut up by the corners of both its sides.
    const sewn = s.joins
      .filter((j) => whole.find(j.a[0]?.panel ?? '') === name)
      .reduce((t, { a, b }) => t + a.length + b.length - 1, 0);
    // A panel with an opening in it counts one less for each: it is a ring of cloth, not a disc.
    const faces = panels.reduce((t, p) => t + 1 - (p.openings?.length ?? 0), 0);
    const euler = v - (free + sewn) + faces;
    const own = loops.filter((l) => whole.find(l.edges[0]?.panel ?? '') === name).length;
    return { panels: panels.map((p) => p.id), loops: own, handles: (2 - euler - own) / 2 };
  });
}

/** How many loops there are, counted another way: unjoined edges that meet in corners hang together. */
export function loopsCounted(s: Surface): number {
  const corners = cornersOf(s);
  const hang = new Groups<string>();
  const free = [...s.edges.values()].filter((e) => !s.joined.has(e.key));
  for (const e of free) hang.join(corners.find(e.key), corners.find(s.next.get(e.key)?.key ?? e.key));
  return new Set(free.map((e) => hang.find(corners.find(e.key)))).size;
}

/** How a loop is parted when some of its edges are closed: stretches that are, and stretches that stay free. */
function stretchesOf({ edges }: Loop, shut: (e: PanelEdge) => boolean): { shut: number; free: number } {
  const closed = edges.map(shut);
  // A loop closed all round, or not at all, has no end of a stretch.
  if (closed.every((c) => c)) return { shut: 0, free: 0 };
  if (!closed.some((c) => c)) return { shut: 0, free: 1 };
  const begins = closed.filter((c, i) => c && !closed.at(i - 1)).length;
  return { shut: begins, free: begins };
}

/**
 * Handles of what a surface and its like, laid on each other, form when they are closed along some of its free edges: χ = 2 χ of
 * the surface less that of what is closed (a stretch counts 1, a whole loop nothing), and 2 − 2 · handles − loops = χ. Only
 * without handles can it be turned inside out through one of its openings.
 */
export function handlesClosed(s: Surface, shut: (e: PanelEdge) => boolean): number {
  const loops = loopsOf(s);
  return partsOf(s).reduce((total, part) => {
    const on = new Set(part.panels);
    const own = loops.filter((l) => on.has(l.edges[0]?.panel ?? ''));
    if (!own.some((l) => l.edges.some(shut))) return total + 2 * part.handles;
    const parted = own.map((l) => stretchesOf(l, shut));
    const euler = 2 * (2 - 2 * part.handles - part.loops) - parted.reduce((t, x) => t + x.shut, 0);
    // A loop of which nothing is closed stays open twice: in the surface and in its like.
    const open = own.reduce((t, l, i) => t + (l.edges.some(shut) ? (parted[i]?.free ?? 0) : 2), 0);
    return total + (2 - euler - open) / 2;
  }, 0);
}
