import { breakPoint, orient, run, runPath } from '../drafting/index.ts';
import {
  addScaled,
  crossings,
  distance,
  endDirection,
  endOf,
  extend,
  lerp,
  line,
  nearestOn,
  outward,
  type Point,
  pathLength,
  pointAlong,
  startOf,
} from '../geometry/index.ts';
import { type Piece, takesOf } from '../pattern/index.ts';
import { type ClosureChoice } from './choices.ts';
import { type LineRun, levelOf } from './line.ts';

/** What the pieces say about the closing line, mm from the neck seam down; null where they say nothing. */
export interface Features {
  waist: number | null;
  waistSeam: number | null;
  /** Bust level from the point of a dart, else chest level from the underarm. */
  bust: { at: number; from: 'dart' | 'underarm' } | null;
  break: number | null;
  /** Upper and lower edges of pockets that come near the line. */
  pockets: { from: number; to: number }[];
  hem: number;
  /** Height of the collar stand at centre front, and the piece. */
  stand: { height: number; piece: string } | null;
}

export const NO_FEATURES: Features = {
  waist: null,
  waistSeam: null,
  bust: null,
  break: null,
  pockets: [],
  hem: 0,
  stand: null,
};

/** Height of the stand: as the piece has it, else as it was given, mm. */
export const standHeight = (c: ClosureChoice, f: Features): number => f.stand?.height ?? c.stand.height;

/** A dart ends so far short of the bust point, mm. Handbook figure from memory (20–25). */
const DART_SHORT = 20;
/** A pocket further from the centre line than this is out of a button's way, mm. */
const POCKET_NEAR = 60;

function bustOf(front: Piece, runs: LineRun[]): Features['bust'] {
  const armhole = run(front.ring, 'armhole');
  const ends = armhole.flatMap((e) => [startOf(e.path), endOf(e.path)]);
  const levels = ends.map((p) => levelOf(runs, front.id, p)).filter((v): v is number => v !== null);
  const underarm = levels.length ? Math.max(...levels) : null;
  const points = takesOf(front)
    .map((t) => (t.apex ? levelOf(runs, front.id, t.apex) : null))
    .filter((v): v is number => v !== null);
  const wanted = underarm ?? 0;
  const best = points.sort((a, b) => Math.abs(a - wanted) - Math.abs(b - wanted))[0];
  // A dart from below points up at the bust, one from the side across at it: its end lies a little short of the point.
  if (best !== undefined) return { at: best > wanted + 60 ? best - DART_SHORT : best, from: 'dart' };
  return underarm === null ? null : { at: underarm, from: 'underarm' };
}

function pocketsOf(front: Piece, runs: LineRun[]): Features['pockets'] {
  const line = runs.find((r) => r.piece === front)?.path ?? [];
  return front.lines
    .filter((l) => l.kind === 'placement')
    .filter((l) =>
      l.path.some((s) => nearestOn(line, s.a).distance < POCKET_NEAR || nearestOn(line, s.b).distance < POCKET_NEAR),
    )
    .flatMap((l) => {
      const at = l.path.flatMap((s) => [levelOf(runs, front.id, s.a), levelOf(runs, front.id, s.b)]);
      const known = at.filter((v): v is number => v !== null);
      return known.length ? [{ from: Math.min(...known), to: Math.max(...known) }] : [];
    });
}

/** Where the stand's hole lies, halfway up where the fronts meet: `extension` in from its end; along it, and its height. */
export interface OnStand {
  height: number;
  centre: Point;
  along: Point;
}

export function standOf(stand: Piece, extension: number): OnStand | null {
  const o = orient(stand, 'stand-neck', 'stand-top');
  const neck = o ? runPath(o.ring, 'stand-neck') : [];
  const top = runPath(stand.ring, 'stand-top');
  if (!neck.length || !top.length || pathLength(neck) <= extension) return null;
  const at = pointAlong(neck, pathLength(neck) - extension);
  const along = endDirection(neck);
  const n = outward(along);
  const hits = crossings([line(addScaled(at, n, -200), addScaled(at, n, 200))], extend(top, 1, 1));
  const hit = hits.map((h) => h.point).sort((a, b) => distance(a, at) - distance(b, at))[0];
  return hit ? { height: distance(hit, at), centre: lerp(hit, at, 0.5), along } : null;
}

/** What bears on the buttons, read from the pieces. `breakAt`: where a lapel turns when no roll line is drawn. */
export function featuresOf(shell: Piece[], runs: LineRun[], lapel: number | null): Features {
  const front = (runs[0] as LineRun).piece;
  const last = (runs[runs.length - 1] as LineRun).piece;
  const drawn = front.lines.find((l) => l.kind === 'waist');
  const hit = drawn ? crossings((runs[0] as LineRun).path, extend(drawn.path, 100, 100))[0] : undefined;
  const seam = runs.length > 1 || !run(front.ring, 'hem').length ? (runs[0] as LineRun).length : null;
  const stand = shell.find((p) => p.kind === 'stand');
  const height = stand && standOf(stand, (runs[0] as LineRun).extension)?.height;
  return {
    waist: hit ? hit.atA : seam,
    waistSeam: runs.length > 1 ? seam : null,
    bust: bustOf(front, runs),
    break: lapel === null ? null : breakLevel(front, runs, lapel),
    pockets: pocketsOf(front, runs),
    hem: run(last.ring, 'hem')[0]?.allowance ?? 0,
    stand: stand && height ? { height, piece: stand.id } : null,
  };
}

/** Where the lapel begins to turn, straight across on the closing line. */
function breakLevel(front: Piece, runs: LineRun[], breakAt: number): number | null {
  const o = orient(front, 'front-edge', 'neckline');
  if (!o) return null;
  const edge = runPath(o.ring, 'front-edge');
  return levelOf(runs, front.id, pointAlong(edge, breakPoint(front, edge, breakAt)));
}
