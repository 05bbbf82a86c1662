import {
  add,
  crossings,
  directionAlong,
  line,
  outward,
  pathLength,
  pointAlong,
  reversePath,
  scale,
  sub,
} from '../../geometry/index.ts';
import { type Edge, type Piece, type Role, rolesMissing } from '../../pattern/index.ts';
import { ok, type Result, refuse, stop } from '../../result.ts';
import { cutRun, orient, run, runLength, runPath, type Split } from '../shape/oriented.ts';

/** How far across a back is looked for its armhole, mm. */
const ACROSS = 1000;
/** What has to be left of the armhole above and below the line, mm. */
const LEFT = 15;

/**
 * A back faced down to the armholes: the line runs square to the centre back from `depth` below the neck to the armhole.
 * Seam line, mm. Refuses a depth at which it would not meet the armhole, with the depths that do.
 */
export function splitDeepBack(piece: Piece, depth: number, seam: number): Result<Split> {
  const o = orient(piece, 'centre-back', 'neckline');
  const need: Role[] = ['centre-back', 'neckline', 'shoulder', 'armhole', 'side'];
  if (!o || need.some((r) => !run(piece.ring, r).length)) return refuse(rolesMissing(piece, need));
  const { ring, sign } = o;
  const centre = run(ring, 'centre-back');
  const length = runLength(ring, 'centre-back');
  const armhole = runPath(ring, 'armhole');
  const along = length - depth;
  const hit = along > 1 ? crossings(lineAcross(ring, sign, along), armhole)[0] : undefined;
  if (!hit || hit.atB < LEFT || hit.atB > pathLength(armhole) - LEFT) {
    const [least, most] = depths(ring, length, armhole);
    return refuse(stop('deep-facing-range', { piece: piece.id }, { name: piece.name, depth, least, most }));
  }
  const path = [line(pointAlong(runPath(ring, 'centre-back'), along), hit.point)];
  const first = centre[0] as Edge;
  const edge: Edge = {
    id: 'facing-line',
    role: 'facing-line',
    path,
    allowance: seam,
    corner: 'mitred',
    onFold: false,
    ...(first.from && { from: first.from }),
  };
  const arm = run(ring, 'armhole');
  const rest = ring.filter((e) => !['centre-back', 'neckline', 'shoulder', 'armhole'].includes(e.role));
  const head = [...run(ring, 'neckline'), ...run(ring, 'shoulder'), ...cutRun(arm, 0, hit.atB)];
  const tail = cutRun(arm, hit.atB, pathLength(armhole));
  return ok({
    oriented: o,
    facing: [...cutRun(centre, along, length), ...head, { ...edge, path: reversePath(path) }],
    lining: [edge, ...tail, ...rest, ...cutRun(centre, 0, along)],
    ends: { first: depth, shoulder: runLength(ring, 'shoulder') },
    cornerRadius: 0,
  });
}

/** Square to the centre back, into the piece. */
function lineAcross(ring: Edge[], sign: 1 | -1, at: number) {
  const centre = runPath(ring, 'centre-back');
  const p = pointAlong(centre, at);
  const inward = scale(outward(directionAlong(centre, at)), -sign);
  return [line(p, add(p, scale(inward, ACROSS)))];
}

/** Least and greatest depth that meets the armhole, whole mm. */
function depths(ring: Edge[], length: number, armhole: ReturnType<typeof runPath>): [number, number] {
  const centre = runPath(ring, 'centre-back');
  const top = pointAlong(centre, length);
  const up = directionAlong(centre, length);
  const down = (at: number): number => {
    const v = sub(pointAlong(armhole, at), top);
    return -(v.x * up.x + v.y * up.y);
  };
  const ends = [down(LEFT), down(pathLength(armhole) - LEFT)];
  return [Math.ceil(Math.min(...ends)), Math.floor(Math.max(...ends))];
}
