import {
  type Box,
  hullBox,
  line,
  type Path,
  type Point,
  pointAt,
  type Segment,
  segmentCrossings,
  splitSegment,
} from '../../geometry/index.ts';

const inside = (b: Box, p: Point): boolean => p.x >= b.minX && p.x <= b.maxX && p.y >= b.minY && p.y <= b.maxY;

export const meetBoxes = (a: Box, b: Box | null): Box =>
  b
    ? {
        minX: Math.max(a.minX, b.minX),
        minY: Math.max(a.minY, b.minY),
        maxX: Math.min(a.maxX, b.maxX),
        maxY: Math.min(a.maxY, b.maxY),
      }
    : a;

const sides = (b: Box): Segment[] => [
  line({ x: b.minX, y: b.minY }, { x: b.maxX, y: b.minY }),
  line({ x: b.maxX, y: b.minY }, { x: b.maxX, y: b.maxY }),
  line({ x: b.maxX, y: b.maxY }, { x: b.minX, y: b.maxY }),
  line({ x: b.minX, y: b.maxY }, { x: b.minX, y: b.minY }),
];

/** The parts of one segment inside the box; null stands for a break between them. */
function parts(s: Segment, box: Box): (Segment | null)[] {
  const h = hullBox(s);
  if (h.maxX < box.minX || h.minX > box.maxX || h.maxY < box.minY || h.minY > box.maxY) return [null];
  if (inside(box, { x: h.minX, y: h.minY }) && inside(box, { x: h.maxX, y: h.maxY })) return [s];
  const cuts = [...new Set(sides(box).flatMap((side) => segmentCrossings(s, side).map((c) => c.t)))].sort(
    (a, b) => a - b,
  );
  const bounds = [0, ...cuts.filter((t) => t > 1e-9 && t < 1 - 1e-9), 1];
  const out: (Segment | null)[] = [];
  for (let i = 0; i + 1 < bounds.length; i++) {
    const [t0, t1] = [bounds[i] as number, bounds[i + 1] as number];
    if (t1 - t0 < 1e-9) continue;
    if (!inside(box, pointAt(s, (t0 + t1) / 2))) {
      out.push(null);
      continue;
    }
    const head = t1 < 1 ? splitSegment(s, t1)[0] : s;
    out.push(t0 > 0 ? splitSegment(head, t0 / t1)[1] : head);
  }
  return out;
}

/** A path cut at the sides of a box: its runs inside, in order. Curves stay curves. */
export function clipPath(path: Path, box: Box): Path[] {
  const runs: Path[] = [];
  let run: Path = [];
  for (const p of path.flatMap((s) => parts(s, box))) {
    if (p) run.push(p);
    else if (run.length) {
      runs.push(run);
      run = [];
    }
  }
  if (run.length) runs.push(run);
  // A closed path that was cut began in the middle of a run.
  const [first, last] = [runs[0], runs[runs.length - 1]];
  const [start, end] = [first?.[0]?.a, last?.[last.length - 1]?.b];
  if (runs.length > 1 && start && end && Math.hypot(start.x - end.x, start.y - end.y) < 1e-6) {
    runs[0] = [...(last as Path), ...(first as Path)];
    runs.pop();
  }
  return runs;
}
