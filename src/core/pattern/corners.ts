import { type ShellEdge, type ShellPiece } from '../document/project.ts';
import { type FindingCode } from '../findingcodes.ts';
import { endOf, nearestOn, pathLength, pointAlong, startOf, stretch } from '../geometry/index.ts';
import { type Finding, ok, type Result, refuse, stop } from '../result.ts';
import { type Notch } from './types.ts';

/** An edge shorter than this is none (mm). */
const LEAST_EDGE = 3;

const place = (p: ShellPiece, id: string): number => p.ring.findIndex((e) => e.id === id);
const bad = (
  code: FindingCode,
  p: ShellPiece,
  data: Record<string, number | string> = {},
): { ok: false; findings: Finding[] } => refuse(stop(code, { piece: p.id }, { name: p.name, ...data }));

function freeId(p: ShellPiece): string {
  let n = p.ring.length + 1;
  while (p.ring.some((e) => e.id === `e${n}`)) n++;
  return `e${n}`;
}

/**
 * Parts an edge at `at` mm along it: a corner where the drawing has none, as where a front edge runs smoothly into a
 * collar. Both parts keep what was said of the edge; notches stay where they are.
 */
export function partEdge(p: ShellPiece, id: string, at: number): Result<ShellPiece> {
  const i = place(p, id);
  const edge = p.ring[i];
  if (!edge) return bad('edge-unknown', p, { id });
  const length = pathLength(edge.path);
  if (at < LEAST_EDGE || at > length - LEAST_EDGE) return bad('corner-too-near', p, { at, length, least: LEAST_EDGE });
  const other = freeId(p);
  const head: ShellEdge = { ...edge, path: stretch(edge.path, 0, at), corner: null };
  const tail: ShellEdge = { ...edge, id: other, path: stretch(edge.path, at, length) };
  const joint = endOf(head.path);
  tail.path = [{ ...(tail.path[0] as (typeof tail.path)[number]), a: joint }, ...tail.path.slice(1)];
  const notches = p.notches.map((n): Notch => (n.edge === id && n.at > at ? { ...n, edge: other, at: n.at - at } : n));
  return ok({ ...p, ring: [...p.ring.slice(0, i), head, tail, ...p.ring.slice(i + 1)], notches });
}

/** Takes away the corner at an edge's end: the edge and the one after it become one, under the first one's name. */
export function joinEdge(p: ShellPiece, id: string): Result<ShellPiece> {
  const i = place(p, id);
  const edge = p.ring[i];
  const next = p.ring[(i + 1) % p.ring.length];
  if (!edge || !next) return bad('edge-unknown', p, { id });
  if (p.ring.length < 2) return bad('last-corner', p);
  const length = pathLength(edge.path);
  const whole: ShellEdge = {
    ...edge,
    path: [...edge.path, ...next.path],
    corner: next.corner,
    onFold: edge.onFold && next.onFold,
  };
  const ring = p.ring.filter((e) => e !== next).map((e) => (e === edge ? whole : e));
  const notches = p.notches.map((n): Notch => (n.edge === next.id ? { ...n, edge: id, at: n.at + length } : n));
  return ok({ ...p, ring, notches });
}

/** Moves the corner nearest to `at` mm along the edge (its start or its end) to that place; the neighbours keep their names. */
export function moveCorner(p: ShellPiece, id: string, at: number): Result<ShellPiece> {
  const i = place(p, id);
  const edge = p.ring[i];
  if (!edge) return bad('edge-unknown', p, { id });
  if (p.ring.length < 2) return bad('last-corner', p);
  const length = pathLength(edge.path);
  const atEnd = at > length / 2;
  const first = atEnd ? edge : (p.ring[(i + p.ring.length - 1) % p.ring.length] as ShellEdge);
  const second = p.ring[(place(p, first.id) + 1) % p.ring.length] as ShellEdge;
  const joined = joinEdge(p, first.id);
  if (!joined.ok) return joined;
  const where = atEnd ? at : pathLength(first.path) + at;
  const parted = partEdge(joined.value, first.id, where);
  if (!parted.ok) return parted;
  const made = freeId(joined.value);
  const { id: secondId, role, allowance, onFold, confidence } = second;
  const back = (e: ShellEdge): ShellEdge =>
    e.id === made ? { ...e, id: secondId, role, allowance, onFold, confidence } : e;
  const restored = parted.value.ring.map(back).map((e) => (e.id === first.id ? { ...e, onFold: first.onFold } : e));
  return ok({
    ...parted.value,
    ring: restored,
    notches: parted.value.notches.map((n) => (n.edge === made ? { ...n, edge: secondId } : n)),
  });
}

/** Sets a notch `at` mm along an edge, in place of one that is nearer than 5 mm. */
export const setNotch = (p: ShellPiece, edge: string, at: number, kind: Notch['kind']): ShellPiece => ({
  ...p,
  notches: [...p.notches.filter((n) => n.edge !== edge || Math.abs(n.at - at) > 5), { edge, at, kind }],
});

export const dropNotch = (p: ShellPiece, notch: Notch): ShellPiece => ({
  ...p,
  notches: p.notches.filter((n) => n.edge !== notch.edge || n.at !== notch.at),
});

/** Place on a drawn edge that belongs to a place on its computed one (the seam line inside a drawn cut line), mm. */
export const drawnPlace = (drawn: ShellEdge, computed: { path: ShellEdge['path'] }, at: number): number => {
  const hit = nearestOn(drawn.path, pointAlong(computed.path, at));
  return hit.at;
};

/** Whether ends of neighbouring edges lie on each other. */
export const isClosed = (p: ShellPiece): boolean =>
  p.ring.every((e, i) => {
    const next = p.ring[(i + 1) % p.ring.length] as ShellEdge;
    const [a, b] = [endOf(e.path), startOf(next.path)];
    return Math.hypot(a.x - b.x, a.y - b.y) < 1e-6;
  });
