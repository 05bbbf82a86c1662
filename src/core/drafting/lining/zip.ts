import { type Decisions, type TurnedSeams } from '../../document/project.ts';
import {
  distance,
  line,
  meet,
  offsetPath,
  type Path,
  pathLength,
  pointAlong,
  reversePath,
  startOf,
} from '../../geometry/index.ts';
import { type Edge, type InternalLine, type Role, reverseRing } from '../../pattern/index.ts';
import { because, type Reason } from '../../result.ts';
import { cutRun, moveRun } from '../shape/oriented.ts';
import { cutBack } from './hem.ts';

/** Beyond the zip or slit the lining's edge runs out to the seam over so much, mm. */
const RUN_OUT = 50;

/** What lies above a seam, beyond a zip; and below it, beyond a slit. */
const ABOVE: ReadonlySet<Role> = new Set<Role>(['neckline', 'facing-line', 'waist', 'armhole', 'yoke-seam']);
const BELOW: ReadonlySet<Role> = new Set<Role>(['hem']);

/** Whether a zip lies in a seam. */
export const zipIn = (d: Decisions, at: Role): boolean => d.lining.zip.length > 0 && d.lining.zip.at === at;

export interface CutBack {
  ring: Edge[];
  reason: Reason | null;
  /** The edge beside the opening, and the way out to the seam. */
  path?: Path;
}

/** A lining beside a zip: cut back, or with the line along which it is on one half alone. */
export interface BesideZip extends Omit<CutBack, 'path'> {
  lines: InternalLine[];
}

/** A stretch of a seam whose allowance is turned in: from the end that meets `beyond`, so long (mm). */
interface Open {
  rule: 'zip' | 'slit';
  role: Role;
  beyond: ReadonlySet<Role>;
  length: number;
  seams: TurnedSeams;
}

/**
 * A lining cut back beside a zip; `covered` is the length of it that what lies above takes up (mm). In a side seam it lies on
 * one half alone, and the pattern of both halves shows the line to cut along there.
 */
export function cutBackAtZip(ring: Edge[], sign: 1 | -1, zip: Decisions['lining']['zip'], covered: number): BesideZip {
  const made = cutBackAlong(ring, sign, {
    rule: 'zip',
    role: zip.at,
    beyond: ABOVE,
    length: zip.length - covered,
    seams: zip,
  });
  if (zip.at !== 'side' || !made.reason || !made.path) return { ring: made.ring, reason: made.reason, lines: [] };
  const lines: InternalLine[] = [{ kind: 'cut-away', path: made.path, on: zip.on }];
  return { ring, reason: { ...made.reason, rule: `zip-${zip.on}` }, lines };
}

/**
 * A lining cut back beside a slit, its hem already in place `line` mm above the shell's finished hem. It stops at the slit's
 * upper end.
 */
export const cutBackAtSlit = (ring: Edge[], sign: 1 | -1, slit: Decisions['lining']['slit'], line: number): CutBack =>
  slit.length > 0
    ? cutBackAlong(ring, sign, {
        rule: 'slit',
        role: slit.at,
        beyond: BELOW,
        length: slit.length - line,
        seams: slit,
      })
    : { ring, reason: null };

/**
 * A lining cut back beside an opening in a seam. The shell's allowance A turns in along it; joined with s1 on the shell and
 * s2 on the lining, the lining's cut edge lies R = 2A − s1 − s2 inside the shell's, so its seam line lies A − s1 inside the
 * shell's seam line. Derived. `ring` in walk order, outward being `sign` times an offset.
 */
function cutBackAlong(ring: Edge[], sign: 1 | -1, o: Open): CutBack {
  const n = ring.length;
  const beside = (step: number): number =>
    ring.findIndex((e, k) => e.role === o.role && o.beyond.has(ring[(k + step + n) % n]?.role as Role));
  const i = beside(1);
  if (i < 0 && beside(-1) >= 0) {
    const turned = cutBackAlong(reverseRing(ring), sign === 1 ? -1 : 1, o);
    return { ...turned, ring: reverseRing(turned.ring), ...(turned.path && { path: reversePath(turned.path) }) };
  }
  const edge = ring[i];
  const next = ring[(i + 1) % n];
  const along = o.length;
  if (!edge || !next || edge.onFold || along <= 0) return { ring, reason: null };
  const a = edge.allowance;
  const { shellSeam, liningSeam } = o.seams;
  const inward = a - shellSeam;
  const reason = because(o.rule, 'derived', cutBack(a, shellSeam, liningSeam), { A: a, s1: shellSeam, s2: liningSeam });
  const length = pathLength(edge.path);
  const sewn = (e: Edge): Edge => ({ ...e, allowance: liningSeam });
  if (along >= length) {
    const whole = moveRun(ring, o.role, -inward, sign);
    const path = whole.find((e) => e.id === edge.id)?.path ?? [];
    return { ring: whole.map((e) => (e.id === edge.id ? sewn(e) : e)), reason, path };
  }
  const from = length - along;
  const out = Math.max(0, from - (inward === 0 ? 0 : RUN_OUT));
  const [upper] = cutRun([edge], from, length) as [Edge];
  const m = meet(offsetPath(upper.path, -sign * inward), next.path, Math.abs(inward) * 6 + 10);
  const open: Edge = sewn({ ...upper, id: `${edge.id}-${o.rule}`, path: [...m.a, ...m.between] });
  const [below] = cutRun([edge], 0, out);
  const foot = pointAlong(edge.path, out);
  const top = startOf(open.path);
  const runOut = distance(foot, top) > 1e-6 ? [line(foot, top)] : [];
  const lower: Edge = { ...edge, path: [...(below?.path ?? []), ...runOut] };
  const parts = lower.path.length ? [lower, open] : [open];
  const turned = ring.map((e, k) => (k === (i + 1) % n ? { ...e, path: m.b } : e));
  return {
    ring: [...turned.slice(0, i), ...parts, ...turned.slice(i + 1)],
    reason,
    path: [...runOut, ...open.path],
  };
}
