import svgpath from 'svgpath';
import { type Affine, apply, cubic, distance, lerp, line, type Path, type Point } from '../geometry/index.ts';
import { type Finding, ok, type Result, refuse, stop } from '../result.ts';

/** One drawn run of a path: its segments, and whether the file closes it. */
export interface Drawn {
  path: Path;
  closed: boolean;
}

/** Reads the `d` of a path and maps it; arcs and quadratics become cubics. Refuses what cannot be read or is not finite. */
export function readPathData(d: string, m: Affine, label: string): Result<Drawn[]> {
  const parsed = svgpath(d).abs();
  // Each of these walks and copies the whole path: only where there is something for it to do.
  if (/a/i.test(d)) parsed.unarc();
  if (/[st]/i.test(d)) parsed.unshort();
  // The reader keeps what went before an error; the error itself is on a field its types don't name.
  const err = (parsed as unknown as { err?: string }).err;
  if (err) return refuse(stop('path-unreadable', { piece: label }, { label, detail: plain(err) }));
  const runs: Drawn[] = [];
  let here: Point = { x: 0, y: 0 };
  let start: Point = here;
  let run: Path = [];
  const finish = (closed: boolean) => {
    if (run.length) runs.push({ path: run, closed });
    run = [];
  };
  parsed.iterate((seg, _i, x, y) => {
    const n = seg.slice(1) as number[];
    const at = (i: number): Point => apply(m, { x: n[i] as number, y: n[i + 1] as number });
    const straight = (to: Point) => {
      run.push(line(here, to));
      here = to;
    };
    if (seg[0] === 'M') {
      finish(false);
      start = here = at(0);
    } else if (seg[0] === 'L') straight(at(0));
    else if (seg[0] === 'H') straight(apply(m, { x: n[0] as number, y }));
    else if (seg[0] === 'V') straight(apply(m, { x, y: n[0] as number }));
    else if (seg[0] === 'C') {
      run.push(cubic(here, at(0), at(2), at(4)));
      here = at(4);
    } else if (seg[0] === 'Q') {
      run.push(cubic(here, lerp(here, at(0), 2 / 3), lerp(at(2), at(0), 2 / 3), at(2)));
      here = at(2);
    } else if (seg[0] === 'Z') {
      if (distance(here, start) > 0) run.push(line(here, start));
      finish(true);
      here = start;
    }
  });
  finish(false);
  const bad = firstBad(runs, label);
  return bad ? refuse(bad) : ok(runs);
}

/** A polyline or polygon through corners x1 y1 x2 y2 …, mapped. */
export function readCorners(corners: number[], closed: boolean, m: Affine, label: string): Result<Drawn[]> {
  const path: Path = [];
  const at = (i: number): Point => apply(m, { x: corners[i] as number, y: corners[i + 1] as number });
  const start = at(0);
  let here = start;
  for (let i = 2; i < corners.length; i += 2) {
    const next = at(i);
    path.push(line(here, next));
    here = next;
  }
  if (closed && distance(here, start) > 0) path.push(line(here, start));
  const runs = [{ path, closed }];
  const bad = firstBad(runs, label);
  return bad ? refuse(bad) : ok(runs);
}

const plain = (err: string): string => err.replace(/^SvgPath: /, '').slice(0, 120);

const LARGEST = 1e7;

/** The point itself where it is no place on any paper; not-a-number is not within bounds either. */
const beyond = (p: Point): Point | null => (Math.abs(p.x) <= LARGEST && Math.abs(p.y) <= LARGEST ? null : p);

function firstBad(runs: Drawn[], label: string): Finding | null {
  for (const r of runs) {
    for (const s of r.path) {
      const p = beyond(s.a) ?? beyond(s.b) ?? (s.k === 'C' ? (beyond(s.c) ?? beyond(s.d)) : null);
      if (p) return stop('not-finite', { piece: label }, { label, value: `${p.x}, ${p.y}` });
    }
  }
  return null;
}

/** Affine map of an SVG transform list; an empty one is the identity. */
export function readTransform(list: string | undefined): Affine {
  if (!list) return { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 };
  const at: [number, number][] = [];
  svgpath('M0 0L1 0L0 1')
    .transform(list)
    .iterate((s) => {
      at.push([s[1] as number, s[2] as number]);
    });
  const [o, x, y] = at as [[number, number], [number, number], [number, number]];
  return { a: x[0] - o[0], b: x[1] - o[1], c: y[0] - o[0], d: y[1] - o[1], e: o[0], f: o[1] };
}
