import { pathLength } from '../geometry/index.ts';
import { gatherNotches, gathersOf, type Notch, type Piece, takesOf } from '../pattern/index.ts';
import { type PanelEdge } from './panels.ts';
import { type Join, type Surface } from './surface.ts';

/** How far along the sewn edge a place of the drawn one comes, mm: what darts, pleats and gathers take before it is gone. */
function sewnUpTo(piece: Piece, edge: string, at: number): number {
  const before = (from: number, to: number): number => Math.max(0, Math.min(at, to) - from);
  const closed = takesOf(piece).filter((t) => t.edge === edge);
  const gathered = gathersOf(piece).filter((g) => g.edge === edge);
  return (
    at -
    closed.reduce((s, t) => s + before(t.from, t.to), 0) -
    gathered.reduce((s, g) => s + before(g.from, g.to) * (1 - 1 / g.ratio), 0)
  );
}

const sewn = (chain: PanelEdge[]): number => chain.reduce((t, e) => t + e.sewn, 0);

/** The place of the other side of a seam that meets one so far along this side, both as they are sewn, mm. */
function placeOn(
  chain: PanelEdge[],
  share: number,
  pieces: Map<string, Piece>,
): { piece: string; notch: Notch } | null {
  // Both chains run clockwise on their panels: along a seam they run against each other.
  let rest = (1 - share) * sewn(chain);
  for (const e of chain) {
    const piece = pieces.get(e.piece);
    if (rest > e.sewn + 0.01 || !piece) {
      rest -= e.sewn;
      continue;
    }
    const length = pathLength(e.path);
    const own = e.mirrored ? e.sewn - rest : rest;
    return { piece: e.piece, notch: { edge: e.edge, at: drawnAt(piece, e.edge, own, length), kind: 'single' } };
  }
  return null;
}

/** The place of the drawn edge that comes so far along the sewn one, by halving. */
function drawnAt(piece: Piece, edge: string, want: number, length: number): number {
  let [low, high] = [0, length];
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2;
    if (sewnUpTo(piece, edge, middle) < want) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Two notches nearer than this are one, mm. */
const SAME = 1;

function addNotch(p: Piece, n: Notch): Piece {
  const there = p.notches.some((x) => x.edge === n.edge && Math.abs(x.at - n.at) < SAME);
  return there ? p : { ...p, notches: [...p.notches, n] };
}

/**
 * The ends and quarters of every gather notched on both sides of its seam, so that they are matched at the machine: common
 * practice. Pieces without gathers beside them stay as they are.
 */
export function gatherMarks(pieces: Piece[], s: Surface): Piece[] {
  const out = new Map(pieces.map((p) => [p.id, p]));
  const put = (id: string, n: Notch): void => {
    const p = out.get(id);
    if (p) out.set(id, addNotch(p, n));
  };
  const joins = new Map<string, { own: PanelEdge[]; other: PanelEdge[] }>();
  for (const { a, b } of s.joins as Join[])
    for (const [own, other] of [
      [a, b],
      [b, a],
    ] as const)
      for (const e of own) joins.set(e.key, { own, other });
  for (const p of pieces)
    for (const n of gatherNotches(gathersOf(p))) {
      put(p.id, n);
      const key = [...s.edges.values()].find((e) => e.piece === p.id && e.edge === n.edge && !e.mirrored)?.key;
      const join = key && joins.get(key);
      if (!join) continue;
      const before = join.own.slice(
        0,
        join.own.findIndex((e) => e.key === key),
      );
      const share = (sewn(before) + sewnUpTo(p, n.edge, n.at)) / (sewn(join.own) || 1);
      const place = placeOn(join.other, share, out);
      if (place) put(place.piece, place.notch);
    }
  return pieces.map((p) => out.get(p.id) ?? p);
}
