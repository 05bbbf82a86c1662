import { type Decisions, type StripSaid } from '../document/project.ts';
import { arcBetween, line, type Path, type Point, pathLength } from '../geometry/index.ts';
import {
  type Edge,
  gatherLine,
  type InternalLine,
  type Piece,
  type Role,
  type Seam,
  takenOf,
} from '../pattern/index.ts';
import { because, type Finding, type Reason, warn } from '../result.ts';
import { times } from './ribs.ts';

/** Cloth lies this wide: what is longer is cut in parts, mm. Common practice. */
const CLOTH = 1400;
/** What is turned under at both ends of a belt loop, mm. Common practice. */
const LOOP_END = 12;

export interface Strips {
  pieces: Piece[];
  seams: Seam[];
  findings: Finding[];
}

const p = (x: number, y: number): Point => ({ x, y });

/** A straight side or a curve of a strip's ring. */
const edge = (id: string, role: Role, path: Path, allowance: number): Edge => ({
  ...{ id, role, path, allowance },
  corner: role === 'hem' ? 'mirrored' : 'mitred',
  onFold: false,
});

/** A rectangle on its seam line, clockwise on screen from its upper left corner; each side with its own allowance. */
function rectangle(length: number, width: number, [top, end, low]: [number, number, number], lowRole: Role): Edge[] {
  const [a, b, c, d] = [p(0, 0), p(length, 0), p(length, width), p(0, width)];
  return [
    edge('top', 'plain', [line(a, b)], top),
    edge('end', 'plain', [line(b, c)], end),
    edge('low', lowRole, [line(c, d)], low),
    edge('begin', 'plain', [line(d, a)], end),
  ];
}

/** Half a ring about the origin, its hollow edge on top once it is hung: inner and outer radius, mm. */
function halfRing(inner: number, outer: number, seam: number, hem: number): Edge[] {
  const half = (r: number, way: 1 | -1): Path => {
    const centre = p(0, 0);
    const [from, top, to] = [p(-way * r, 0), p(0, -r), p(way * r, 0)];
    return [...arcBetween(centre, from, top), ...arcBetween(centre, top, to)];
  };
  return [
    edge('low', 'hem', half(outer, 1), hem),
    edge('end', 'plain', [line(p(outer, 0), p(inner, 0))], seam),
    edge('top', 'plain', half(inner, -1), seam),
    edge('begin', 'plain', [line(p(-inner, 0), p(-outer, 0))], seam),
  ];
}

interface Cut {
  ring: Edge[];
  count: number;
  lines?: InternalLine[];
  reasons: Reason[];
}

/** A tie or sash: folded along its middle, sewn along the open edges and turned. Common practice. */
function tie(s: StripSaid, seam: number): Cut {
  const middle: InternalLine = { kind: 'fold', path: [line(p(0, s.width), p(s.length, s.width))] };
  return {
    ring: rectangle(s.length, 2 * s.width, [seam, seam, seam], 'plain'),
    count: s.count,
    lines: [middle],
    reasons: [
      because('tie-cut', 'practice', 2 * s.width + 2 * seam, { width: s.width, seam, length: s.length + 2 * seam }),
    ],
  };
}

/** Belt loops in one strip, folded in four, cut apart when it is stitched. Common practice. */
function loops(s: StripSaid): Cut {
  const each = s.length + 2 * LOOP_END;
  const cuts = Array.from({ length: s.count - 1 }, (_, i): InternalLine => {
    const x = each * (i + 1);
    return { kind: 'placement', path: [line(p(x, 0), p(x, 4 * s.width))] };
  });
  return {
    ring: rectangle(each * s.count, 4 * s.width, [0, 0, 0], 'plain'),
    count: 1,
    lines: cuts,
    reasons: [
      because('loops-cut', 'practice', each * s.count, { each, count: s.count, end: LOOP_END, width: 4 * s.width }),
    ],
  };
}

/** A ruffle: so many times as long as its edge, cut in as many parts as the cloth's width asks for. Common practice. */
function ruffle(s: StripSaid, round: number, seam: number): Cut {
  const whole = round * s.ratio;
  const count = Math.max(1, Math.ceil(whole / CLOTH));
  const ring = rectangle(whole / count, s.width, [seam, seam, s.hem], 'hem');
  const gather = gatherLine(ring[0] as Edge, { from: 0, to: whole / count, ratio: s.ratio });
  return {
    ring,
    count,
    lines: gather.ok ? [gather.value] : [],
    reasons: [because('ruffle-length', 'practice', whole, { round, ratio: s.ratio, count })],
  };
}

/** A flounce: a ring as long inside as its edge, in two halves: its inner radius is the edge over 2π (derived). */
function flounce(s: StripSaid, round: number, seam: number): Cut {
  const r = round / (2 * Math.PI);
  return {
    ring: halfRing(r, r + s.width, seam, s.hem),
    count: 2,
    reasons: [because('flounce-radius', 'derived', r, { round })],
  };
}

/** Pieces cut by figures, and the seams of those that are sewn to an edge of the shell. All lengths mm. */
export function stripsOf(shell: Piece[], d: Decisions): Strips {
  const out: Strips = { pieces: [], seams: [], findings: [] };
  const { seam } = d.allowances;
  for (const s of d.strips) {
    const sewn = s.kind === 'ruffle' || s.kind === 'flounce';
    const to = sewn ? edgeOf(shell, s) : null;
    if (sewn && !to) {
      out.findings.push(warn('strip-without-edge', undefined, { name: s.name }));
      continue;
    }
    const cut =
      s.kind === 'tie'
        ? tie(s, seam)
        : s.kind === 'belt-loops'
          ? loops(s)
          : (s.kind === 'ruffle' ? ruffle : flounce)(s, to?.round ?? 0, seam);
    const piece = pieceOf(s, cut);
    out.pieces.push(piece);
    if (to) out.seams.push(seamTo(piece, cut.count, to, s));
  }
  return out;
}

interface To {
  piece: Piece;
  edge: Edge;
  /** How often the edge is there in the garment, and how long it is in all as it is sewn, mm. */
  often: number;
  round: number;
}

function edgeOf(shell: Piece[], s: StripSaid): To | null {
  const piece = shell.find((q) => q.id === s.to?.piece);
  const found = piece?.ring.find((e) => e.id === s.to?.edge);
  if (!piece || !found || found.onFold) return null;
  const often = times(piece);
  return { piece, edge: found, often, round: often * (pathLength(found.path) - (takenOf(piece).get(found.id) ?? 0)) };
}

function pieceOf(s: StripSaid, cut: Cut): Piece {
  const xs = cut.ring.flatMap((e) => e.path.map((x) => x.a));
  const [right, low] = [Math.max(...xs.map((q) => q.x)), Math.max(...xs.map((q) => q.y))];
  const [left, top] = [Math.min(...xs.map((q) => q.x)), Math.min(...xs.map((q) => q.y))];
  const x = (left + right) / 2;
  // Ties and loops are cut along the grain, what is gathered or falls across it; of a half ring it lies in the upper middle.
  const along = s.kind === 'tie' || s.kind === 'belt-loops';
  const y = (k: number): number => top + (s.kind === 'flounce' ? s.width : low - top) * k;
  return {
    id: `strip-${s.id}`,
    name: s.name,
    kind: 'other',
    material: 'shell',
    ring: cut.ring,
    cut: { count: cut.count, pair: false, onFold: false },
    grain: along
      ? { a: p(left + (right - left) * 0.3, y(0.5)), b: p(left + (right - left) * 0.7, y(0.5)) }
      : { a: p(x, y(0.85)), b: p(x, y(0.15)) },
    notches: [],
    lines: cut.lines ?? [],
    reasons: cut.reasons,
  };
}

const seamTo = (strip: Piece, count: number, to: To, s: StripSaid): Seam => ({
  id: `closing-strip-${s.id}`,
  code: 'join-other',
  group: 'closing',
  a: [{ piece: strip.id, edge: 'top', role: 'plain', share: count }],
  b: [{ piece: to.piece.id, edge: to.edge.id, role: to.edge.role, share: to.often }],
  ease: { min: 0, max: 0 },
  between: [strip.name, to.piece.name],
});
