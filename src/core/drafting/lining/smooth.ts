import { easeOf, type JoinCode, type PanelEdge } from '../../garment/index.ts';
import {
  type Affine,
  addScaled,
  compose,
  cross,
  crossings,
  directionAlong,
  distance,
  endOf,
  line,
  mapPath,
  nearestOn,
  outward,
  type Point,
  pathLength,
  pointAlong,
  rotation,
  selfCrossing,
  startOf,
  sub,
  translation,
  turn,
} from '../../geometry/index.ts';
import {
  type Edge,
  flatRing,
  gatheredBy,
  gathersOf,
  type InternalLine,
  type Notch,
  type Piece,
  type Role,
  takesOf,
  welded,
} from '../../pattern/index.ts';
import { because, type Finding, warn } from '../../result.ts';
import { type Garment } from '../drafted.ts';
import { trued } from '../shape/closedarts.ts';
import { cutRun } from '../shape/oriented.ts';

/** Seams that a panel may be gathered or pleated on to. */
const ONTO: ReadonlySet<JoinCode> = new Set<JoinCode>(['yoke', 'waist', 'panel', 'other']);
/** What stays where it is drawn when fullness is taken out beside it. */
const STAYS: ReadonlySet<Role> = new Set<Role>(['centre-front', 'centre-back', 'front-edge', 'facing-line']);
/** Fullness may take so much of an edge at most, as a share; what is more has no edge left to close. */
const MOST = 0.85;
/** Farther than any piece reaches, mm; and nearer than any piece is long. */
const ACROSS = 3000;
const LEAST = 20;
/** More gathers and pleats than these no panel has. */
const MANY = 40;
/** How near to its edge a gather's line is drawn, mm. */
const BESIDE = 15;

/** Fullness along an edge of a lining: where its middle lies, and how much longer it makes the edge, mm. */
interface Full {
  edge: string;
  at: number;
  take: number;
}

const sewn = (chain: PanelEdge[]): number => chain.reduce((t, e) => t + e.sewn, 0);

/** The first gathers or pleat drawn on a lining. */
function drawnOn(lining: Pick<Piece, 'ring' | 'lines'>): Full | null {
  const [gather] = gathersOf(lining);
  if (gather) return { edge: gather.edge, at: (gather.from + gather.to) / 2, take: gatheredBy(gather) };
  const pleat = takesOf(lining).find((t) => t.kind === 'pleat');
  return pleat ? { edge: pleat.edge, at: (pleat.from + pleat.to) / 2, take: pleat.to - pleat.from } : null;
}

/** How much of a shell edge a lining repeats, mm. */
const runOn = (ring: Edge[], shell: Piece, edge: string): number =>
  ring.reduce((t, e) => t + (e.from?.piece === shell.id && e.from.edge === edge ? pathLength(e.path) : 0), 0);

/** What a lining's edges are longer by than what they are sewn to, where nothing is drawn that says so: even all along. */
function undrawnOn(g: Garment, shell: Piece, ring: Edge[]): Full[] {
  return g.joins.flatMap((j): Full[] => {
    if (!ONTO.has(j.code) || easeOf(j).easeOf !== 'gather') return [];
    const [long, short] = sewn(j.a) > sewn(j.b) ? [j.a, j.b] : [j.b, j.a];
    // A facing that goes on across the seam is not gathered: all of it falls to what is lined.
    const lined = (e: PanelEdge): number => (e.piece === shell.id ? runOn(ring, shell, e.edge) : pathLength(e.path));
    const whole = long.reduce((t, e) => t + lined(e), 0);
    const own = new Set(long.filter((e) => e.piece === shell.id).map((e) => e.edge));
    return ring
      .filter((e) => e.from?.piece === shell.id && own.has(e.from.edge))
      .map((e) => {
        const length = pathLength(e.path);
        return { edge: e.id, at: length / 2, take: ((sewn(long) - sewn(short)) * length) / whole };
      });
  });
}

/** A lining's ring with a wedge closed: where its fullness was, and how what lies inside goes with it. */
interface Closed {
  ring: Edge[];
  middle: Point;
  moved: (l: InternalLine) => InternalLine;
}

/**
 * The wedge from an edge across to the far side of a lining, as wide at the edge as its fullness and nothing there, folded
 * out: what lies beyond it is turned about its point. The side with the centre or the opening stays. Null without room.
 */
function wedgeClosed(ring: Edge[], f: Full): Closed | null {
  const i = ring.findIndex((e) => e.id === f.edge);
  const edge = ring[i];
  const length = edge ? pathLength(edge.path) : 0;
  if (!edge || f.take > MOST * length) return null;
  const at = Math.min(length - f.take / 2, Math.max(f.take / 2, f.at));
  const across = throughFrom(ring, edge, at);
  if (!across) return null;
  const n = ring.length;
  const k = (ring.indexOf(across.edge) - i + n) % n;
  const rest = Array.from({ length: n }, (_, m) => ring[(i + m) % n] as Edge);
  const far = across.edge;
  const [e0, e1] = [cutRun([edge], 0, at - f.take / 2), cutRun([edge], at + f.take / 2, length)];
  const [k0, k1] = [cutRun([far], 0, across.at), cutRun([far], across.at, pathLength(far.path))];
  const [first, second] = [
    [...e1, ...rest.slice(1, k), ...k0],
    [...k1, ...rest.slice(k + 1), ...e0],
  ];
  const stays = first.some((e) => e.onFold || STAYS.has(e.role));
  const angle = turn(
    sub(pointAlong(edge.path, at + f.take / 2), across.point),
    sub(pointAlong(edge.path, at - f.take / 2), across.point),
  );
  const motion = about(across.point, stays ? -angle : angle);
  const moved = (edges: Edge[]): Edge[] => edges.map((e) => ({ ...e, path: mapPath(e.path, motion) }));
  const [a, b] = stays ? [first, moved(second)] : [moved(first), second];
  // Both joints trued: where the far side was parted, and where the edge closes.
  const made = joint(joint([...a, ...b], a.length), 0);
  const ids = new Set<string>();
  const named = made.map((e) => {
    const id = ids.has(e.id) ? `${e.id}-2` : e.id;
    ids.add(id);
    return { ...e, id };
  });
  if (selfCrossing(flatRing(named))) return null;
  const middle = pointAlong(edge.path, at);
  const side = (q: Point): number => Math.sign(cross(sub(across.point, middle), sub(q, middle)));
  const beyond = side(pointAlong(edge.path, length)) * (stays ? -1 : 1);
  const goes = (l: InternalLine): boolean => side(pointAlong(l.path, pathLength(l.path) / 2)) === beyond;
  return {
    ring: welded(named),
    middle,
    moved: (l) => (goes(l) ? { ...l, path: mapPath(l.path, motion) } : l),
  };
}

/** Whether a line drawn inside is the gather or pleat whose middle lies at a place. */
function isOf(l: InternalLine, middle: Point, take: number): boolean {
  if (l.kind === 'gather') return nearestOn(l.path, middle).distance < BESIDE;
  return (
    l.kind === 'pleat' && Math.min(distance(startOf(l.path), middle), distance(endOf(l.path), middle)) < take + BESIDE
  );
}

/** Where the square through a place on an edge comes out at the far side. */
function throughFrom(ring: Edge[], edge: Edge, at: number): { edge: Edge; at: number; point: Point } | null {
  const from = pointAlong(edge.path, at);
  const ray = [line(from, addScaled(from, outward(directionAlong(edge.path, at)), -ACROSS))];
  const hits = ring
    .filter((e) => e !== edge)
    .flatMap((e) => crossings(ray, e.path).map((c) => ({ edge: e, at: c.atB, along: c.atA, point: c.point })))
    .filter((h) => h.along > LEAST)
    .sort((x, y) => x.along - y.along);
  return hits[0] ?? null;
}

const about = (c: Point, angle: number): Affine =>
  compose(translation(c.x, c.y), compose(rotation(angle), translation(-c.x, -c.y)));

/** The bend before the edge at an index trued, its ends drawn on to each other. */
function joint(edges: Edge[], at: number): Edge[] {
  const n = edges.length;
  const [p, q] = [edges[(at + n - 1) % n] as Edge, edges[at % n] as Edge];
  const drawn = { ...q, path: q.path.map((s, k) => (k ? s : { ...s, a: (p.path.at(-1) as typeof s).b })) };
  const [a, b] = trued([p, drawn], new Set([1])) as [Edge, Edge];
  return edges.map((e) => (e === p ? a : e === q ? b : e));
}

/** Notches of the shell on a ring whose edges know which stretch they repeat. */
const notchesOn = (ring: Edge[], shell: Piece): Notch[] =>
  shell.notches.flatMap((m) =>
    ring.flatMap((e): Notch[] => {
      const { from } = e;
      const source = shell.ring.find((x) => x.id === m.edge);
      if (!from || from.piece !== shell.id || from.edge !== m.edge || e.role !== source?.role) return [];
      const share = (m.at - from.start) / (from.end - from.start || 1);
      return share < -1e-6 || share > 1 + 1e-6 ? [] : [{ ...m, edge: e.id, at: share * pathLength(e.path) }];
    }),
  );

/**
 * A lining without the gathers and pleats of its shell, smooth over the body below (common practice): each is folded out as a
 * wedge to the far side. Where that finds no room it is kept, and told.
 */
export function smoothed(g: Garment, shell: Piece, lining: Piece, findings: Finding[]): Piece {
  let { ring, lines } = lining;
  let out = 0;
  /** Whether it found room. */
  const close = (f: Full): boolean => {
    const made = lining.openings ? null : wedgeClosed(ring, f);
    if (!made) return false;
    lines = lines.filter((l) => !isOf(l, made.middle, f.take)).map(made.moved);
    ring = made.ring;
    out += f.take;
    return true;
  };
  let fits = undrawnOn(g, shell, ring).every(close);
  for (let i = 0; i < MANY && fits; i++) {
    const next = drawnOn({ ring, lines });
    if (!next) break;
    fits = close(next);
  }
  if (!fits) findings.push(warn('fullness-kept', { piece: shell.id }, { name: shell.name }));
  if (!out) return lining;
  const reasons = [...lining.reasons, because('fullness-out', 'choice', out)];
  return { ...lining, ring, lines, notches: notchesOn(ring, shell), reasons };
}
