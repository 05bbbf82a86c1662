import { apart } from '../document/apart.ts';
import { type Decisions, type Shell, type ShellEdge, type ShellPiece } from '../document/project.ts';
import {
  endOf,
  nearestOn,
  outward,
  pathLength,
  pointAlong,
  selfCrossing,
  signedArea,
  startOf,
} from '../geometry/index.ts';
import { type Finding, stop } from '../result.ts';
import { seamLineFromCut } from './cutline.ts';
import { innerLines, shellOpenings, withOpenings } from './openings.ts';
import { flatRing, outlineOf, ringAreaOf, welded } from './ring.ts';
import { type CornerRule, type Edge, FOLDS_BACK, type Notch, type Piece, type Role } from './types.ts';

/** The usual allowance of an edge (mm): none on a fold, the hem's at hems and wrists, else the seam's. */
export function usualAllowance(role: Role, onFold: boolean, allowances: Decisions['allowances']): number {
  if (onFold) return 0;
  if (role === 'hem') return allowances.hem;
  if (role === 'wrist') return allowances.wrist;
  return allowances.seam;
}

/** Mirrored beside an edge that folds back, else mitred. */
export const usualCorner = (role: Role, next: Role): CornerRule =>
  FOLDS_BACK.has(role) || FOLDS_BACK.has(next) ? 'mirrored' : 'mitred';

function resolveEdge(e: ShellEdge, next: ShellEdge, allowances: Decisions['allowances']): Edge {
  return {
    id: e.id,
    role: e.role,
    path: e.path,
    allowance: e.onFold ? 0 : (e.allowance ?? usualAllowance(e.role, false, allowances)),
    corner: e.corner ?? usualCorner(e.role, next.role),
    onFold: e.onFold,
  };
}

/** Notches drawn on cut edges, set across to the seam edges. */
function moveNotches(notches: Notch[], drawn: Edge[], seam: Edge[]): Notch[] {
  return notches.map((n) => {
    const from = drawn.find((e) => e.id === n.edge);
    const to = seam.find((e) => e.id === n.edge);
    return from && to ? { ...n, at: nearestOn(to.path, pointAlong(from.path, n.at)).at } : n;
  });
}

/** Inside a cut line at least this share of the area is left, or the allowances cannot be meant. */
const LEAST_SEAM_SHARE = 0.02;

/** Whether the inner line collapsed: it crosses itself, encloses nothing or more than before, or an edge runs backwards. */
function collapsed(drawn: Edge[], seam: Edge[]): boolean {
  if (signedArea(outlineOf(seam)) < LEAST_SEAM_SHARE * signedArea(outlineOf(drawn))) return true;
  if (selfCrossing(flatRing(seam)) || ringAreaOf(seam) > ringAreaOf(drawn) + 1e-6) return true;
  return seam.some((e, i) => {
    const was = drawn[i] as Edge;
    const a = endOf(was.path).x - startOf(was.path).x;
    const b = endOf(was.path).y - startOf(was.path).y;
    const c = endOf(e.path).x - startOf(e.path).x;
    const d = endOf(e.path).y - startOf(e.path).y;
    return pathLength(e.path) > 1 && a * c + b * d < 0;
  });
}

function resolvePiece(
  p: ShellPiece,
  lines: Shell['lines'],
  allowances: Decisions['allowances'],
  findings: Finding[],
): Piece {
  const resolved = p.ring.map((e, i) => resolveEdge(e, p.ring[(i + 1) % p.ring.length] as ShellEdge, allowances));
  const drawn = apart('pattern', findings, resolved, () => welded(resolved), p);
  let ring = drawn;
  let notches = p.notches;
  if ((p.drawn ?? lines) === 'cut') {
    const seam = apart('seam-line', findings, drawn, () => seamLineFromCut(drawn), p);
    if (collapsed(drawn, seam)) findings.push(stop('allowance-swallows-piece', { piece: p.id }, { name: p.name }));
    else {
      ring = seam;
      notches = moveNotches(p.notches, drawn, seam);
    }
  }
  const onFold = p.ring.some((e) => e.onFold);
  const openings = apart('pattern', findings, [], () => shellOpenings(p, ring, lines, allowances, findings), p);
  const piece: Piece = {
    id: p.id,
    name: p.name,
    kind: p.kind,
    material: 'shell',
    ring,
    cut: { count: p.count, pair: !onFold && p.count === 2, onFold },
    grain: p.grain,
    notches,
    lines: innerLines(p.lines),
    ...(p.marks && { marks: p.marks }),
    reasons: [],
  };
  return withOpenings(piece, openings);
}

/** Shell pieces on their seam lines, allowances and corner rules filled in by the usual where nothing was said. */
export function shellPieces(
  shell: Shell,
  allowances: Decisions['allowances'],
): { pieces: Piece[]; findings: Finding[] } {
  const findings: Finding[] = [];
  return { pieces: shell.pieces.map((p) => resolvePiece(p, shell.lines, allowances, findings)), findings };
}

/** Both ends of a notch tick (mm), across the seam line, 5 mm outward. */
export function notchTick(
  edge: Edge,
  at: number,
  reach = 5,
): { a: { x: number; y: number }; b: { x: number; y: number } } {
  const a = pointAlong(edge.path, at);
  const l = pathLength(edge.path);
  const p = pointAlong(edge.path, Math.max(0, at - 0.5));
  const q = pointAlong(edge.path, Math.min(l, at + 0.5));
  const d = Math.hypot(q.x - p.x, q.y - p.y) || 1;
  const n = outward({ x: (q.x - p.x) / d, y: (q.y - p.y) / d });
  return { a, b: { x: a.x + n.x * reach, y: a.y + n.y * reach } };
}
