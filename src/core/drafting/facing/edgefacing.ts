import { type Finish } from '../../document/project.ts';
import {
  cubic,
  directionAlong,
  endDirection,
  endOf,
  nearestOn,
  offsetPath,
  outward,
  type Path,
  type Point,
  pathLength,
  pointAlong,
  reversePath,
  scale,
  selfCrossing,
  startOf,
} from '../../geometry/index.ts';
import { type Edge, flatRing, type Piece, type Role, reverseRing, rolesMissing } from '../../pattern/index.ts';
import { because, ok, type Reason, type Result, refuse, stop } from '../../result.ts';
import { type Closed, closeDarts } from '../shape/closedarts.ts';
import { derivePiece } from '../shape/derivepiece.ts';
import { tooWide } from '../shape/largestfit.ts';
import { cutRun, type Oriented, orient, run, runLength, runPath, withParents } from '../shape/oriented.ts';
import { between, landing } from '../shape/trimtoedge.ts';
import { parallelToFront } from './frontline.ts';

/** What is left to turn under at a facing's outer edge, mm: 3/8" where it is pressed under, none where it is not. */
export const FINISH: Record<Finish, number> = { overlocked: 0, bound: 0, pressed: 9.525 };

/** A facing along one run of edges. */
export interface Band {
  /** Which edges it faces. */
  role: Role;
  /** Finished width on the seam line, mm. */
  width: number;
  /** How much smaller its own edge is drawn, so that the seam rolls inside, mm. */
  turn: number;
  finish: Finish;
  id: string;
  name: string;
}

export interface BandPiece {
  piece: Piece;
  /** Darts and pleats closed before it was traced. */
  closed: number;
}

const ring = (parts: Edge[]): Edge[] => parts.map((e) => ({ ...e, corner: 'mitred' as const }));

/**
 * A facing that repeats a run of edges and its neighbours exactly and then runs parallel to it: of an armhole, waist, hem,
 * wrist, or a neckline without a front edge. Darts and pleats in the way are closed first. Widths: handbook figures from
 * memory. Refuses a missing edge, and a width that finds no room, with the widest that would.
 */
export function edgeFacing(piece: Piece, band: Band): Result<BandPiece> {
  const closed = closeDarts({ piece, ring: withParents(piece) }, new Set([band.role]));
  if (!closed || !run(piece.ring, band.role).length) return refuse(rolesMissing(piece, [band.role]));
  const made = traced(closed, band);
  if (!made) {
    const finding = tooWide(piece, 'band-too-wide', band.width, (width) => traced(closed, { ...band, width }) !== null);
    return refuse({ ...finding, data: { ...finding.data, role: band.role } });
  }
  return ok({
    piece: derivePiece(piece, { ...named(band), ring: made, reasons: reasonsOf(band, closed.count) }),
    closed: closed.count,
  });
}

const named = (b: Band) => ({ id: b.id, name: b.name, material: 'facing' as const });

function reasonsOf(b: Band, closed: number): Reason[] {
  return [
    because('band-width', 'memory', b.width, { width: b.width }),
    ...(closed ? [because('darts-closed', 'practice', closed, { count: closed })] : []),
    ...(b.turn ? [because('turn-of-cloth', 'memory', b.turn, { turn: b.turn })] : []),
    because(`finish-${b.finish}`, 'practice', FINISH[b.finish]),
  ];
}

/** The facing's ring, clockwise; null where its inner line does not come out at both neighbours. */
function traced(c: Closed, b: Band): Edge[] | null {
  const whole = c.run.flatMap((e) => e.path);
  const inner = offsetPath(whole, -b.width);
  if (!inner.length) return null;
  const low = landing(inner, c.before.path, 'start');
  const high = landing(inner, c.after.path, 'end');
  if (!low || !high) return null;
  const [first, last] = [pathLength(c.before.path) - low.onEdge, high.onEdge];
  // A facing's ends are about as long as it is wide: one far longer has left through the wrong place.
  if (first < 1 || last < 1 || first > 4 * b.width + 30 || last > 4 * b.width + 30) return null;
  if (low.onPath >= high.onPath) return null;
  const back: Edge = {
    id: 'inner',
    role: 'inner',
    path: reversePath(between(inner, low.onPath, high.onPath)),
    allowance: FINISH[b.finish],
    corner: 'mitred',
    onFold: false,
  };
  const beforeTail = cutRun([c.before], low.onEdge, pathLength(c.before.path));
  const afterHead = cutRun([c.after], 0, high.onEdge);
  const own = b.turn ? drawnIn(c, b, beforeTail, afterHead) : { tail: beforeTail, run: c.run, head: afterHead };
  return own && ring([...own.tail, ...own.run, ...own.head, back]);
}

/** The facing's own edge drawn in by the turn of cloth, its ends shortened to meet it. */
function drawnIn(c: Closed, b: Band, tail: Edge[], head: Edge[]) {
  const whole = offsetPath(
    c.run.flatMap((e) => e.path),
    -b.turn,
  );
  const low = landing(whole, c.before.path, 'start');
  const high = landing(whole, c.after.path, 'end');
  if (!low || !high) return null;
  const path = between(whole, low.onPath, high.onPath);
  const share = pathLength(path) / c.run.reduce((s, e) => s + pathLength(e.path), 0);
  let at = 0;
  const moved = c.run.flatMap((e): Edge[] => {
    const from = at;
    at += pathLength(e.path) * share;
    return cutRun([{ ...e, path }], from, at).map((x) => ({ ...x, ...(e.from && { from: e.from }) }));
  });
  const length = (edges: Edge[]): number => edges.reduce((s, e) => s + pathLength(e.path), 0);
  const lost = pathLength(c.before.path) - low.onEdge;
  return {
    tail: cutRun(tail, 0, length(tail) - lost),
    run: moved,
    head: cutRun(head, high.onEdge, length(head)),
  };
}

/** Neck and armhole faced in one: how deep it reaches at the centre and below the underarm, and how its shoulder is cut. */
export interface AllInOne {
  centre: number;
  side: number;
  /** How much narrower its shoulder is than the shell's, mm: it rolls inside at neck and armhole. */
  narrower: number;
  finish: Finish;
  /** Of a front that opens: it goes on down the front edge to the hem, so wide; sewn across there with this seam, mm. */
  down?: { width: number; seam: number };
  id: string;
  name: string;
}

/**
 * Neck and armhole in one: the piece's own upper part down to a curve from the centre to the side, square to both. The
 * shoulder is cut narrower at the armhole by `narrower` (3 mm, handbook figure from memory), tapering to nothing at the
 * underarm. Refuses missing edges and depths the piece does not have.
 */
export function allInOne(piece: Piece, a: AllInOne): Result<Piece> {
  const centreRole = (['centre-front', 'centre-back', 'front-edge'] as const).find((r) => run(piece.ring, r).length);
  const o = centreRole && orient(piece, centreRole, 'neckline');
  const parts = (['neckline', 'shoulder', 'armhole', 'side'] as const).map((r) => (o ? run(o.ring, r) : []));
  if (!o || parts.some((edges) => !edges.length))
    return refuse(rolesMissing(piece, ['neckline', 'shoulder', 'armhole', 'side']));
  const [neck, shoulder, armhole, side] = parts as [Edge[], Edge[], Edge[], Edge[]];
  const [down, along] = [runLength(o.ring, centreRole), runLength(o.ring, 'side')];
  if (Math.min(down - a.centre, along - a.side) < 5 || a.centre < 5 || a.side < 5) {
    const width = Math.max(a.centre, a.side);
    const most = Math.floor(Math.min(down, along) - 5);
    return refuse(stop('band-too-wide', { piece: piece.id }, { name: piece.name, role: 'neckline', width, most }));
  }
  const opens = a.down && centreRole === 'front-edge' && run(o.ring, 'hem').length ? a.down : null;
  const upper = [...neck, ...shoulder, ...armhole, ...cutRun(side, 0, a.side)];
  const centre = cutRun(run(o.ring, centreRole), down - a.centre, down);
  const made = opens ? downTheFront(o, upper, opens, a) : belowTheArm(o, [...centre, ...upper], a.finish);
  if (!made)
    return refuse(
      tooWide(piece, 'front-facing-too-wide', opens?.width ?? a.centre, (width) =>
        Boolean(opens && downTheFront(o, upper, { ...opens, width }, a)),
      ),
    );
  const reasons = [
    because('band-width', 'memory', a.side, { width: a.side }),
    ...(a.narrower ? [because('shoulder-narrower', 'memory', a.narrower, { narrower: a.narrower })] : []),
    because(`finish-${a.finish}`, 'practice', FINISH[a.finish]),
  ];
  const narrowed = narrowerAtArmhole(ring(made), a.narrower);
  return ok(derivePiece(piece, { id: a.id, name: a.name, material: 'facing', ring: narrowed, reasons }));
}

const lowEdge = (path: Path, finish: Finish): Edge => ({
  id: 'inner',
  role: 'inner',
  path,
  allowance: FINISH[finish],
  corner: 'mitred',
  onFold: false,
});

/** The upper part closed by one curve from side to centre. */
function belowTheArm(o: Oriented, walked: Edge[], finish: Finish): Edge[] {
  const order = o.sign === 1 ? walked : reverseRing(walked);
  const [first, last] = [order[0] as Edge, order[order.length - 1] as Edge];
  return [...order, lowEdge(acrossTo(endOf(last.path), startOf(first.path), last.path, first.path), finish)];
}

/**
 * The upper part of a front that opens, going on down its edge to the hem: from the side in a curve, square to it, into the
 * line parallel to the front edge. Null where that line finds no hem, or the curve no room.
 */
function downTheFront(o: Oriented, upper: Edge[], down: { width: number; seam: number }, a: AllInOne): Edge[] | null {
  const edges = run(o.ring, 'front-edge');
  const front = edges.flatMap((e) => e.path);
  const hem = run(o.ring, 'hem');
  const line = parallelToFront(front, runPath(o.ring, 'hem'), -o.sign * down.width);
  const foot = landing(line, runPath(o.ring, 'hem'), 'start');
  const last = upper[upper.length - 1];
  if (!foot || !last) return null;
  const top = nearestOn(line, pointAlong(front, Math.max(1, pathLength(front) - a.centre))).at;
  const from = endOf(last.path);
  const to = pointAlong(line, top);
  const inward = scale(outward(endDirection(last.path)), -o.sign);
  const up = directionAlong(line, top);
  const third = Math.hypot(to.x - from.x, to.y - from.y) / 3;
  const curve = cubic(
    from,
    { x: from.x + inward.x * third, y: from.y + inward.y * third },
    { x: to.x + up.x * third, y: to.y + up.y * third },
    to,
  );
  const low = lowEdge([curve, ...reversePath(between(line, foot.onPath, top))], a.finish);
  const foots = cutRun(hem, foot.onEdge, runLength(o.ring, 'hem')).map((e) => ({ ...e, allowance: down.seam }));
  const walked = [...edges, ...upper, low, ...foots];
  return selfCrossing(flatRing(walked)) ? null : o.sign === 1 ? walked : reverseRing(walked);
}

/** The lower line of an all-in-one facing: leaves both edges at right angles, so that the halves run on into each other. */
function acrossTo(a: Point, b: Point, leaving: Path, arriving: Path): Path {
  const normal = (path: Path, at: 'start' | 'end'): Point => {
    const l = pathLength(path);
    const [p, q] = at === 'end' ? [pointAlong(path, l - 1), endOf(path)] : [startOf(path), pointAlong(path, 1)];
    const d = Math.hypot(q.x - p.x, q.y - p.y) || 1;
    // The piece lies to the right of travel.
    return { x: -(q.y - p.y) / d, y: (q.x - p.x) / d };
  };
  const [n, m] = [normal(leaving, 'end'), normal(arriving, 'start')];
  const third = Math.hypot(b.x - a.x, b.y - a.y) / 3;
  return [cubic(a, { x: a.x + n.x * third, y: a.y + n.y * third }, { x: b.x + m.x * third, y: b.y + m.y * third }, b)];
}

/** The armhole moved inward at the shoulder by `d`, not at the underarm. */
function narrowerAtArmhole(edges: Edge[], d: number): Edge[] {
  if (!d) return edges;
  // Where shoulder and armhole meet, whichever comes first.
  const atEnd = edges.findIndex((e) => e.role === 'shoulder') < edges.findIndex((e) => e.role === 'armhole');
  const k = atEnd ? edges.findLastIndex((e) => e.role === 'shoulder') : edges.findIndex((e) => e.role === 'shoulder');
  const i = atEnd ? k + 1 : k - 1;
  const [armhole, shoulder] = [edges[i] as Edge, edges[k] as Edge];
  const length = pathLength(shoulder.path);
  const cut = atEnd ? cutRun([shoulder], 0, length - d) : cutRun([shoulder], d, length);
  const tip = atEnd ? endOf((cut[0] as Edge).path) : startOf((cut[0] as Edge).path);
  const old = atEnd ? startOf(armhole.path) : endOf(armhole.path);
  const shift = { x: tip.x - old.x, y: tip.y - old.y };
  const whole = pathLength(armhole.path);
  let at = 0;
  const path = armhole.path.map((s) => {
    const [a, b] = [at / whole, (at + pathLength([s])) / whole];
    at += pathLength([s]);
    const by = (p: Point, t: number): Point => {
      const k1 = atEnd ? 1 - t : t;
      return { x: p.x + shift.x * k1, y: p.y + shift.y * k1 };
    };
    return s.k === 'L'
      ? { ...s, a: by(s.a, a), b: by(s.b, b) }
      : { ...s, a: by(s.a, a), c: by(s.c, a + (b - a) / 3), d: by(s.d, a + ((b - a) * 2) / 3), b: by(s.b, b) };
  });
  return edges.map((e, n) => (n === i ? { ...e, path } : n === k ? (cut[0] as Edge) : e));
}
