import {
  type Affine,
  IDENTITY,
  mapPath,
  type Path,
  type Point,
  pathLength,
  reflection,
  reversePath,
  signedArea,
  startDirection,
  startOf,
} from '../geometry/index.ts';
import { type Edge, grainDirection, type Piece, type PieceKind, type Role, takenOf } from '../pattern/index.ts';

/** Which half of the body a panel covers, as its piece tells: drawn for one half, that half mirrored, or both in one. */
export type Half = 'drawn' | 'mirrored' | 'whole';

/** One edge of a panel, run clockwise on screen. */
export interface PanelEdge {
  /** Names it among all edges of all panels. */
  key: string;
  panel: string;
  piece: string;
  /** The piece's edge it is, and whether it is that edge mirrored. */
  edge: string;
  mirrored: boolean;
  role: Role;
  path: Path;
  /** Length on the seam line once darts and pleats are closed, mm. */
  sewn: number;
  /** Notches on it, mm from its start as it is run here. */
  notches: number[];
}

/** One layer of cloth of a piece in the garment. */
export interface Panel {
  id: string;
  piece: string;
  kind: PieceKind;
  name: string;
  half: Half;
  /** The way up along the grain, in the plane of the ring: length 1. */
  up: Point;
  /** Closed ring of its edges, clockwise on screen, in the plane the piece is drawn in. */
  ring: PanelEdge[];
  /** Rings round the openings cut into it, anticlockwise. */
  openings?: PanelEdge[][];
}

/** Pieces of which a second layer lies inside the first: collar and cuff have two, the garment's surface one. */
const LAYERED: ReadonlySet<PieceKind> = new Set<PieceKind>(['collar', 'stand', 'waistband', 'yoke', 'placket']);

const X_MIRROR: Affine = { ...IDENTITY, a: -1 };

/** Edges of a piece as a panel has them; mirrored by `m` they are run the other way, so that the ring stays clockwise. */
function edgesOf(p: Piece, panel: string, edges: Edge[], m: Affine | null): PanelEdge[] {
  const taken = p.lines.length ? takenOf(p) : new Map<string, number>();
  const made = edges.map((e): PanelEdge => {
    const length = pathLength(e.path);
    const notches = p.notches.filter((n) => n.edge === e.id).map((n) => (m ? length - n.at : n.at));
    return {
      key: `${panel}/${e.id}${m ? '*' : ''}`,
      panel,
      piece: p.id,
      edge: e.id,
      mirrored: m !== null,
      role: e.role,
      path: m ? reversePath(mapPath(e.path, m)) : e.path,
      sewn: length - (taken.get(e.id) ?? 0),
      notches: notches.sort((x, y) => x - y),
    };
  });
  return m ? made.reverse() : made;
}

/** The mirror about the fold of a piece that is cut on one. */
function aboutFold(p: Piece): Affine {
  const fold = p.ring.find((e) => e.onFold) as Edge;
  return reflection(startOf(fold.path), startDirection(fold.path));
}

/** How what is drawn on a piece comes to lie on one of its panels: once, or on the fold once more, mirrored. */
export function copiesOn(p: Piece, half: Half): Affine[] {
  if (half === 'mirrored') return [X_MIRROR];
  return half === 'whole' && p.cut.onFold ? [IDENTITY, aboutFold(p)] : [IDENTITY];
}

/** Every edge of a panel: round it, and round the openings cut into it. */
export const panelEdges = (p: Panel): PanelEdge[] => panelRings(p).flat();
export const panelRings = (p: Panel): PanelEdge[][] => [p.ring, ...(p.openings ?? [])];

/** A piece cut on the fold as the one panel it opens to: what is drawn, and the same mirrored about the fold. */
function unfolded(p: Piece, id: string): PanelEdge[] {
  const n = p.ring.length;
  const first = p.ring.findIndex((e, i) => !e.onFold && p.ring[(i + n - 1) % n]?.onFold);
  const open = Array.from({ length: n }, (_, k) => p.ring[(first + k) % n] as Edge).filter((e) => !e.onFold);
  return [...edgesOf(p, id, open, null), ...edgesOf(p, id, open, aboutFold(p))];
}

/**
 * The panels of cloth a piece gives in the garment: on the fold one whole, a mirrored pair two, else as many as are cut; of
 * what is made of two layers only the outer one. Rings run clockwise; a mirrored one lies mirrored about the y axis.
 */
export function panelsOf(p: Piece): Panel[] {
  const up = grainDirection(p);
  const of = (id: string, half: Half, ring: PanelEdge[], mirrors: (Affine | null)[]): Panel => ({
    id,
    piece: p.id,
    kind: p.kind,
    name: p.name,
    half,
    up: half === 'mirrored' ? { x: -up.x, y: up.y } : up,
    ring,
    ...(p.openings && { openings: mirrors.flatMap((m) => (p.openings ?? []).map((o) => edgesOf(p, id, o, m))) }),
  });
  if (p.cut.onFold) return [of(p.id, 'whole', unfolded(p, p.id), [null, aboutFold(p)])];
  const drawn = (half: Half): Panel => of(p.id, half, edgesOf(p, p.id, p.ring, null), [null]);
  if (LAYERED.has(p.kind) || p.cut.count === 1) return [drawn('whole')];
  const mirrored = `${p.id}*`;
  return [drawn('drawn'), of(mirrored, 'mirrored', edgesOf(p, mirrored, p.ring, X_MIRROR), [X_MIRROR])];
}

/** Signed area of a panel as it is run, mm²: positive, clockwise on screen. */
export const panelArea = (p: Panel): number => signedArea(panelEdges(p).flatMap((e) => e.path));
