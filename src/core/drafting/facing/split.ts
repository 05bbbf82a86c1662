import { type Decisions } from '../../document/project.ts';
import {
  crossings,
  fillet,
  offsetBetween,
  offsetPath,
  type Path,
  pathLength,
  reversePath,
  selfCrossing,
} from '../../geometry/index.ts';
import { type Edge, flatRing, type Piece, type Role, rolesMissing } from '../../pattern/index.ts';
import { ok, type Result, refuse } from '../../result.ts';
import { tooWide } from '../shape/largestfit.ts';
import { besideNeck, cutRun, type Oriented, orient, run, runLength, runPath, type Split } from '../shape/oriented.ts';
import { between, landing } from '../shape/trimtoedge.ts';
import { parallelToFront } from './frontline.ts';
import { breakPoint, lapelLine } from './lapel.ts';

const lineEdge = (path: Path, id: string, allowance: number, parent: Edge): Edge => ({
  id,
  role: 'facing-line',
  path,
  allowance,
  corner: 'mitred',
  onFold: false,
  ...(parent.from && { from: parent.from }),
});

const missing = (piece: Piece, roles: Role[]): ReturnType<typeof refuse> => refuse(rolesMissing(piece, roles));

/**
 * The line whose end lands exactly `want` mm along the shoulder from the neck point, so that the facings' shoulder seams
 * are equal on front and back however the neckline meets the shoulder. `make` draws the line for a distance from the
 * neckline; that distance is found by a few steps of proportion.
 */
function landAt(make: (w: number) => Path, shoulder: Path, want: number) {
  let w = want;
  for (let i = 0; i < 8; i++) {
    const path = make(w);
    const top = landing(path, shoulder, 'end');
    if (!top) return null;
    if (Math.abs(top.onEdge - want) < 0.005) return { path, top };
    w *= want / Math.max(1, top.onEdge);
  }
  return null;
}

/** Which width is in the way. */
type Narrow = 'width' | 'shoulder';

/** Widths of a front facing on the seam line, mm, and how its edge goes. */
export type FrontFacing = Pick<Decisions['facing'], 'front' | 'shoulder' | 'radius' | 'kind' | 'breakAt'>;

/**
 * Front facing and front lining: the facing line runs parallel to the front edge at its width and parallel to the neckline
 * so that it ends `shoulder` along the shoulder seam, with the inner corner rounded by `radius` (as far as it finds
 * room), so that a lining can be sewn to it. Where a lapel or shawl turns back it runs on from the break point to the
 * shoulder in one curve. Widths on the seam line, mm. Rule from memory of handbooks.
 */
export function splitFront(piece: Piece, f: FrontFacing, seam: number, measured = true): Result<Split> {
  // A shawl's front edge runs on round the collar to its centre-back seam.
  const o = orient(piece, 'front-edge', 'neckline') ?? orient(piece, 'front-edge', 'centre-back');
  const foot = o ? footOf(o.ring) : 'hem';
  const need: Role[] = ['front-edge', 'neckline', besideNeck(piece.ring), foot];
  if (!o || need.some((r) => run(piece.ring, r).length === 0)) return missing(piece, need);
  const made = partFront(o, foot, f, seam);
  if (typeof made !== 'string') return ok(made);
  const fits = (front: number, s: number): boolean =>
    typeof partFront(o, foot, { ...f, front, shoulder: s }, seam) !== 'string';
  return refuse(
    made === 'width'
      ? tooWide(piece, 'front-facing-too-wide', f.front, (w) => fits(w, f.shoulder), measured)
      : tooWide(piece, 'shoulder-too-short', f.shoulder, (s) => fits(f.front, s), measured),
  );
}

/** Where a front facing ends below: at the hem, or at the seam that the front edge comes up from, a waist or a yoke's. */
const BELOW: ReadonlySet<Role> = new Set<Role>(['waist', 'yoke-seam', 'panel-seam']);
function footOf(ring: Edge[]): Role {
  const last = ring[ring.length - 1]?.role;
  return last && BELOW.has(last) ? last : 'hem';
}

function partFront(o: Oriented, foot: Role, f: FrontFacing, seam: number): Split | Narrow {
  const { ring } = o;
  const line = f.kind === 'lapel' ? turnedBack(o, foot, f) : roundTheNeck(o, foot, f);
  if (typeof line === 'string') return line;
  const bottom = landing(line.path, runPath(ring, foot), 'start');
  if (!bottom) return 'width';
  const path = between(line.path, bottom.onPath, pathLength(line.path));
  const edge = lineEdge(path, 'facing-line', seam, run(ring, 'front-edge')[0] as Edge);
  const made = parted(o, edge, foot, bottom.onEdge, line.onShoulder, line.radius);
  if (!made) return 'shoulder';
  // A line that leaves the piece and comes back to it parts nothing.
  return [made.facing, made.lining].some((ring) => selfCrossing(flatRing(ring))) ? 'width' : made;
}

interface FacingLine {
  path: Path;
  onShoulder: number;
  radius: number;
}

function turnedBack(o: Oriented, foot: Role, f: FrontFacing): FacingLine | Narrow {
  const at = breakPoint(o.piece, runPath(o.ring, 'front-edge'), f.breakAt);
  const made = lapelLine(o.ring, o.sign, f.front, f.shoulder, at);
  if (!made) return 'shoulder';
  // Where the neckline is in its way (a wide neck, a raglan seam) it keeps parallel to that.
  if (crossings(made.path, runPath(o.ring, 'neckline')).length) return roundTheNeck(o, foot, f);
  return liesInside(o, made.path) ? { ...made, radius: 0 } : 'width';
}

/** Whether a line from hem to shoulder keeps off side and armhole. */
const liesInside = (o: Oriented, path: Path): boolean =>
  o.ring.every((e) => !['side', 'armhole'].includes(e.role) || crossings(path, e.path).length === 0);

function roundTheNeck(o: Oriented, foot: Role, f: FrontFacing): FacingLine | Narrow {
  const { ring, sign } = o;
  const alongFront = parallelToFront(runPath(ring, 'front-edge'), runPath(ring, foot), -sign * f.front);
  const bottom = landing(alongFront, runPath(ring, foot), 'start');
  if (!bottom) return 'width';
  const neck = runPath(ring, 'neckline');
  const landed = landAt((w) => offsetPath(neck, -sign * w), runPath(ring, besideNeck(ring)), f.shoulder);
  if (!landed) return 'shoulder';
  const { path: alongNeck, top } = landed;
  const a = between(alongFront, bottom.onPath, pathLength(alongFront));
  const rounded = roundAsFits(a, between(alongNeck, 0, top.onPath), f.radius);
  return rounded ? { path: rounded.path, onShoulder: top.onEdge, radius: rounded.radius } : 'width';
}

/** The wished radius, or the largest of a few smaller ones that fits. */
function roundAsFits(a: Path, b: Path, radius: number): { path: Path; radius: number } | null {
  for (const k of [1, 0.75, 0.5, 0.25, 0]) {
    const made = fillet(a, b, radius * k);
    if (made) return { path: made.path, radius: radius * k };
  }
  return null;
}

/**
 * Both rings from the facing line: what lies before the neckline and the neckline itself go with the facing; `foot` is the
 * run the line starts on. Null when the line leaves less than 5 mm of the shoulder.
 */
function parted(o: Oriented, edge: Edge, foot: Role, onFoot: number, onShoulder: number, radius: number): Split | null {
  const { ring } = o;
  const across = besideNeck(ring);
  const shoulder = run(ring, across);
  const shoulderLength = runLength(ring, across);
  if (onShoulder > shoulderLength - 5) return null;
  const back: Edge = { ...edge, path: reversePath(edge.path) };
  const neck = run(ring, 'neckline');
  const base = ring.slice(0, ring.indexOf(neck[0] as Edge));
  const footEdges = run(ring, foot);
  const footLength = runLength(ring, foot);
  const gone = new Set([...base, ...neck, ...shoulder, ...footEdges]);
  const rest = ring.filter((e) => !gone.has(e));
  const neckShoulder = cutRun(shoulder, 0, onShoulder);
  const armShoulder = cutRun(shoulder, onShoulder, shoulderLength);
  const low = cutRun(footEdges, 0, onFoot);
  const top = cutRun(footEdges, onFoot, footLength);
  const facing = base.includes(footEdges[0] as Edge)
    ? [...top, ...neck, ...neckShoulder, back]
    : [...base, ...neck, ...neckShoulder, back, ...top];
  return {
    oriented: o,
    facing,
    lining: [edge, ...armShoulder, ...rest, ...low],
    ends: { first: footLength - onFoot, shoulder: onShoulder },
    cornerRadius: radius,
  };
}

/**
 * Neck facing and lining of a back, or of a front that does not open: `depth` at the centre, `shoulder` wide at the shoulder (equal to the front's), an
 * even change between them; parallel to the neckline where the two are equal. mm on the seam line.
 */
export function splitCentre(
  piece: Piece,
  centre: 'centre-back' | 'centre-front',
  depth: number,
  shoulder: number,
  seam: number,
  measured = true,
): Result<Split> {
  const o = orient(piece, centre, 'neckline');
  const need: Role[] = [centre, 'neckline', besideNeck(piece.ring)];
  if (!o || need.some((r) => run(piece.ring, r).length === 0)) return missing(piece, need);
  const made = partCentre(o, centre, depth, shoulder, seam);
  if (typeof made !== 'string') return ok(made);
  const fits = (d: number, s: number): boolean => typeof partCentre(o, centre, d, s, seam) !== 'string';
  return refuse(
    made === 'width'
      ? tooWide(piece, 'back-facing-too-deep', depth, (d) => fits(d, shoulder), measured)
      : tooWide(piece, 'shoulder-too-short', shoulder, (s) => fits(depth, s), measured),
  );
}

function partCentre(
  o: Oriented,
  centre: 'centre-back' | 'centre-front',
  depth: number,
  shoulder: number,
  seam: number,
): Split | Narrow {
  const { ring, sign } = o;
  const neck = runPath(ring, 'neckline');
  const landed = landAt(
    (w) => offsetBetween(neck, -sign * depth, -sign * w),
    runPath(ring, besideNeck(ring)),
    shoulder,
  );
  if (!landed) return 'shoulder';
  const { path: inner, top } = landed;
  const low = landing(inner, runPath(ring, centre), 'start');
  if (!low) return 'width';
  const path = between(inner, low.onPath, top.onPath);
  const edge = lineEdge(path, 'facing-line', seam, run(ring, 'neckline')[0] as Edge);
  return parted(o, edge, centre, low.onEdge, top.onEdge, 0) ?? 'shoulder';
}
