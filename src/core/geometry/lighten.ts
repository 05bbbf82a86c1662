import { LIGHTEN } from '../tolerance.ts';
import { handlesOfRows, type SampleRows, withHandles } from './fit.ts';
import { type Path } from './path.ts';
import { type Cubic, directionAt, line, type Segment } from './segment.ts';
import { add, distance, type Point, scale, sub, turn, unit } from './vector.ts';

/** Paths of fewer segments are left as they are drawn. */
const MANY = 64;
/** A joint that turns more than this (radians) stays as it is. */
const STAYS = 0.2;
/** So does one between a long and a short line, which are drawn apart for a reason. */
const UNEVEN = 5;
/** Rows that are looked at while a curve is sought; the found one is held against all of them. */
const FEW = 120;
/** A fit farther off than this many tolerances after its first, second … round will not come down to one in the next. */
const HOPES = [40, 6, 2, 0];
/** Segments tried as one curve to begin with. */
const FIRST = 12;
/** Most segments taken into one curve. */
const LONGEST = 4096;

/**
 * Many short segments as few: runs between corners become cubics, or lines where they are straight, that pass every
 * joint and every middle within `tolerance` mm. Corners and both ends stay where they are. A path of less than MANY
 * segments, or one that would not become half as long, is given back as it is.
 */
export function lighten(path: Path, tolerance = LIGHTEN): Path {
  if (path.length < MANY) return path;
  const run = rowsOfPath(path);
  const out: Path = [];
  for (let i = 0, end = 0, guess = FIRST; i < path.length; ) {
    if (i >= end) end = nextStay(run, i);
    const { segment, taken } = longestFrom(run, i, end, guess, tolerance);
    guess = Math.max(FIRST, taken);
    out.push(segment);
    i += taken;
  }
  return out.length * 2 <= path.length ? out : path;
}

const room = (n: number): SampleRows => ({ t: new Float64Array(n), x: new Float64Array(n), y: new Float64Array(n) });

interface Run {
  path: Path;
  /** Joints and middles: two rows a segment, its start and its middle, and the very end. */
  rows: SampleRows;
  /** Way along the path to each row, mm. */
  way: Float64Array;
  /** Room for the rows looked at while a curve is sought. */
  few: SampleRows;
}

function rowsOfPath(path: Path): Run {
  const size = 2 * path.length + 1;
  const [rows, few] = [room(size), room(FEW + 1)];
  const way = new Float64Array(size);
  let [x, y] = [(path[0] as Segment).a.x, (path[0] as Segment).a.y];
  const put = (i: number, px: number, py: number): void => {
    rows.x[i] = px;
    rows.y[i] = py;
    way[i] = (i ? (way[i - 1] as number) : 0) + Math.sqrt((px - x) * (px - x) + (py - y) * (py - y));
    [x, y] = [px, py];
  };
  for (let i = 0; i < path.length; i++) {
    const s = path[i] as Segment;
    put(2 * i, s.a.x, s.a.y);
    if (s.k === 'L') put(2 * i + 1, (s.a.x + s.b.x) / 2, (s.a.y + s.b.y) / 2);
    else put(2 * i + 1, (s.a.x + 3 * (s.c.x + s.d.x) + s.b.x) / 8, (s.a.y + 3 * (s.c.y + s.d.y) + s.b.y) / 8);
  }
  const end = (path[path.length - 1] as Segment).b;
  put(size - 1, end.x, end.y);
  return { path, rows, way, few };
}

const lengthOf = ({ way }: Run, i: number): number => (way[2 * i + 2] as number) - (way[2 * i] as number);

/** Whether the joint before segment `i` stays as it is drawn; both ends of the path do. */
function stays(run: Run, i: number): boolean {
  if (i === 0 || i === run.path.length) return true;
  const [l, r] = [lengthOf(run, i - 1), lengthOf(run, i)];
  if (l > UNEVEN * r || r > UNEVEN * l) return true;
  const [before, after] = [run.path[i - 1] as Segment, run.path[i] as Segment];
  return Math.abs(turn(directionAt(before, 1), directionAt(after, 0))) > STAYS;
}

const nextStay = (run: Run, from: number): number => {
  let k = from + 1;
  while (!stays(run, k)) k++;
  return k;
};

const chordOf = (s: Segment): Point => unit(sub(s.b, s.a));

/** Between two lines the direction is that of the parabola through their three points. */
function throughJoint(run: Run, i: number): Point {
  const [l, r] = [lengthOf(run, i - 1), lengthOf(run, i)];
  return unit(add(scale(chordOf(run.path[i - 1] as Segment), r), scale(chordOf(run.path[i] as Segment), l)));
}

/** Direction of the path at the start (`end` 0) or the end (1) of segment `i`, as of the smooth curve it stands for. */
function runsAt(run: Run, i: number, end: 0 | 1): Point {
  const s = run.path[i] as Segment;
  if (s.k === 'C') return directionAt(s, end);
  if (!stays(run, i + end)) return throughJoint(run, i + end);
  const other = i + 1 - end;
  return stays(run, other) ? chordOf(s) : unit(sub(scale(chordOf(s), 2), throughJoint(run, other)));
}

/** The longest stretch from segment `from` on, not past `end`, that one segment can stand for. */
function longestFrom(
  run: Run,
  from: number,
  end: number,
  guess: number,
  tolerance: number,
): { segment: Segment; taken: number } {
  let best = { segment: run.path[from] as Segment, taken: 1 };
  let low = 1;
  let high = Math.min(end - from, LONGEST) + 1;
  // Once one was too long, a stretch near the longest will do: the last few segments are not worth the search.
  for (let step = guess - 1; low < high - 1 && (step > 0 || high - low > 1 + low / 8); ) {
    const next = step > 0 ? Math.min(low + step, high - 1) : Math.floor((low + high) / 2);
    const segment = oneFor(run, from, from + next, tolerance);
    if (segment) {
      best = { segment, taken: next };
      low = next;
      if (step > 0) step = next;
    } else {
      high = next;
      step = 0;
    }
  }
  return best;
}

/** One line or cubic for segments `from` up to `to`, or null when none holds the tolerance. */
function oneFor(run: Run, from: number, to: number, tolerance: number): Segment | null {
  const a = (run.path[from] as Segment).a;
  const b = (run.path[to - 1] as Segment).b;
  const chord = distance(a, b);
  if (!(chord > tolerance)) return null;
  if (isStraight(run, from, to, tolerance / 4)) return line(a, b);
  const [ta, tb] = [runsAt(run, from, 0), scale(runsAt(run, to - 1, 1), -1)];
  const whole = (run.way[2 * to] as number) - (run.way[2 * from] as number);
  const { few } = run;
  const count = thin(run, 2 * from, 2 * to);
  for (const hope of HOPES) {
    const [la, lb] = handlesOfRows(a, b, ta, tb, few, 0, count + 1);
    // Handles that vanish or run far past each other make a curve that no drawn line is.
    if (!(la > chord * 0.02 && lb > chord * 0.02 && la < whole && lb < whole)) return null;
    const s = withHandles(a, b, ta, tb, [la, lb]) as Cubic;
    const worst = slide(s, few, 0, count);
    if (worst <= tolerance) return count === 2 * (to - from) || passesAll(s, run, from, to, tolerance) ? s : null;
    if (worst > hope * tolerance) return null;
  }
  return null;
}

/** Takes rows `first` to `last`, or every so many of them, each with its share of the way; returns the last one's number. */
function thin(run: Run, first: number, last: number): number {
  const { few } = run;
  const count = Math.min(last - first, FEW);
  const start = run.way[first] as number;
  const whole = (run.way[last] as number) - start;
  for (let k = 0; k <= count; k++) {
    const i = first + Math.round((k * (last - first)) / count);
    few.t[k] = ((run.way[i] as number) - start) / whole;
    few.x[k] = run.rows.x[i] as number;
    few.y[k] = run.rows.y[i] as number;
  }
  return count;
}

/** Whether the curve passes all rows of the stretch; their parameters run on between those already found. */
function passesAll(s: Cubic, run: Run, from: number, to: number, tolerance: number): boolean {
  const { few, rows } = run;
  const [first, last] = [2 * from, 2 * to];
  const count = Math.min(last - first, FEW);
  for (let k = 0; k < count; k++) {
    const i = first + Math.round((k * (last - first)) / count);
    const j = first + Math.round(((k + 1) * (last - first)) / count);
    const [t0, t1] = [few.t[k] as number, few.t[k + 1] as number];
    for (let m = i; m <= j; m++) rows.t[m] = t0 + ((t1 - t0) * (m - i)) / (j - i);
  }
  for (let round = 0; round < 3; round++) if (slide(s, rows, first, last) <= tolerance) return true;
  return false;
}

function isStraight(run: Run, from: number, to: number, tolerance: number): boolean {
  const a = (run.path[from] as Segment).a;
  const d = unit(sub((run.path[to - 1] as Segment).b, a));
  for (let i = 2 * from; i <= 2 * to; i++) {
    const off = ((run.rows.x[i] as number) - a.x) * d.y - ((run.rows.y[i] as number) - a.y) * d.x;
    if (Math.abs(off) > tolerance) return false;
  }
  return true;
}

/**
 * Largest distance of the rows `first` to `last` from the curve at their parameters, mm; slides every parameter one
 * Newton step towards the foot of its point. Never smaller than the true distance.
 */
function slide(s: Cubic, rows: SampleRows, first: number, last: number): number {
  const [x1, y1] = [3 * (s.c.x - s.a.x), 3 * (s.c.y - s.a.y)];
  const [x2, y2] = [3 * (s.a.x - 2 * s.c.x + s.d.x), 3 * (s.a.y - 2 * s.c.y + s.d.y)];
  const [x3, y3] = [s.b.x - s.a.x - 3 * (s.d.x - s.c.x), s.b.y - s.a.y - 3 * (s.d.y - s.c.y)];
  let worst = 0;
  for (let i = first + 1; i < last; i++) {
    const t = rows.t[i] as number;
    const ex = s.a.x + t * (x1 + t * (x2 + t * x3)) - (rows.x[i] as number);
    const ey = s.a.y + t * (y1 + t * (y2 + t * y3)) - (rows.y[i] as number);
    worst = Math.max(worst, ex * ex + ey * ey);
    const dx = x1 + t * (2 * x2 + 3 * t * x3);
    const dy = y1 + t * (2 * y2 + 3 * t * y3);
    const bend = dx * dx + dy * dy + ex * (2 * x2 + 6 * t * x3) + ey * (2 * y2 + 6 * t * y3);
    if (bend > 1e-9) rows.t[i] = Math.min(1, Math.max(0, t - (ex * dx + ey * dy) / bend));
  }
  return Math.sqrt(worst);
}
