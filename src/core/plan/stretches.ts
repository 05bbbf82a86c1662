import { besideEdge, partOf } from './garmentmodel.ts';
import { LINING_SEAMS, type SeamCode, SKIRT_SEAMS } from './names.ts';
import { SLIT_CODES, ZIP_CODES } from './seamfinishes.ts';
import {
  type Garment,
  type Joint,
  type Operation,
  type Part,
  type Sewn,
  type StopCode,
  type StopPoint,
} from './types.ts';

// How much of a joint is sewn: zips, slits and the mouths of pockets stay open, ends may wait for a later step.

/** What a garment is made of, and the steps so far. */
export interface Sewing {
  g: Garment;
  ops: Operation[];
  parts: Map<string, Part>;
  has(...codes: readonly SeamCode[]): boolean;
  joints(...codes: readonly SeamCode[]): Joint[];
}

/** A zip's seam stops this far from it, so that the foot comes in, mm. Common practice. */
export const BESIDE_ZIP = 50;

/** The share of a seam, from its top, that a zip takes; 0 without one. What lies below a waist seam is left what the bodice has not. */
export function zipShare(bench: Sewing, j: Joint): number {
  const { length, at } = bench.g.d.lining.zip;
  const { shell, inner } = ZIP_CODES[at];
  if (![...shell, ...inner].includes(j.code) || (bench.g.methods.zip ?? 'none') === 'none') return 0;
  const above = SKIRT_SEAMS.has(j.code) ? (bench.joints(...shell.slice(0, 1))[0]?.lengthA ?? 0) : 0;
  return j.lengthA > 0 ? Math.min(1, Math.max(0, (length - above) / j.lengthA)) : 0;
}

/** Whether a seam runs down to a hem. */
const atHem = (bench: Sewing, j: Joint): boolean =>
  [...j.a, ...j.b].some((key) => besideEdge(bench.parts, key).some((e) => e?.role === 'hem'));

/** The share of a seam that is left open below as a slit; 0 for none. */
export function slitShare(bench: Sewing, j: Joint): number {
  const { slit, on } = bench.g.d.lining;
  if (slit.length <= 0 || !SLIT_CODES[slit.at]?.includes(j.code) || !atHem(bench, j)) return 0;
  // With a skirt the slit is in the skirt's seam.
  const skirt = SKIRT_SEAMS.has(j.code);
  if (!skirt && bench.has(...(SLIT_CODES[slit.at] ?? []).filter((c) => SKIRT_SEAMS.has(c)))) return 0;
  if (!on && LINING_SEAMS.has(j.code)) return 0;
  // A vent takes the slit's place; a zip above leaves it what is below.
  if (bench.parts.get(partOf(j.a[0] ?? ''))?.ring.some((e) => e.role === 'vent')) return 0;
  return Math.max(0, Math.min(0.9, slit.length / j.lengthA, 1 - zipShare(bench, j)));
}

/** What is sewn of a joint now: not its slit, not the mouth of a pocket, nor what is kept short at its ends. */
export function stretchesOf(bench: Sewing, j: Joint, short: { from?: number; to?: number } = {}): Sewn[] {
  // Beside a zip a seam begins below it.
  const begin = zipShare(bench, j);
  const end = Math.max(begin, 1 - slitShare(bench, j));
  // Something of it is sewn, however short it is.
  const most = (end - begin) * (short.from && short.to ? 1 / 3 : 2 / 3);
  const share = (mm = 0): number => Math.min(most, j.lengthA > 0 ? mm / j.lengthA : 0);
  const [a, b] = [begin + share(short.from), end - share(short.to)];
  const mouth = bench.g.making.mouths[j.id];
  if (!mouth || mouth.to <= a || mouth.from >= b) return [{ joint: j.id, from: a, to: b }];
  return [
    { joint: j.id, from: a, to: Math.max(a, mouth.from) },
    { joint: j.id, from: Math.min(b, mouth.to), to: b },
  ].filter((s) => s.to > s.from);
}

/** What a step left short of a joint's ends, or of one of them, to be sewn by a later one. */
export function restOf(bench: Sewing, op: string, codes: readonly SeamCode[], at?: 'top' | 'foot'): Sewn[] {
  const done = bench.ops.filter((o) => o.id === op).flatMap((o) => o.sews);
  return bench.joints(...codes).flatMap((j) => {
    const own = done.filter((s) => s.joint === j.id);
    const end = 1 - slitShare(bench, j);
    const first = Math.min(...own.map((s) => s.from));
    const reached = Math.max(...own.map((s) => s.to));
    const mouth = bench.g.making.mouths[j.id];
    // A mouth that begins where the stitching stopped is no part of the rest.
    const last = mouth && reached >= mouth.from - 1e-9 ? Math.max(reached, mouth.to) : reached;
    return own.length
      ? [
          { joint: j.id, from: zipShare(bench, j), to: at === 'foot' ? 0 : first },
          { joint: j.id, from: last, to: at === 'top' ? 0 : end },
        ].filter((s) => s.to - s.from > 1e-6)
      : [];
  });
}

/** A halt on the way of a run, in some cases only; `mm` as its code means it. */
export const halt = (is: boolean, code: StopCode, mm = 0): StopPoint[] => (is ? [{ code, mm }] : []);

/** Where sewing halts at both ends of a pocket's mouth. */
export function mouthsOf(bench: Sewing, joints: Joint[]): StopPoint[] {
  return joints.flatMap((j) => {
    const m = bench.g.making.mouths[j.id];
    return m ? [{ code: 'pocket-mouth', mm: (m.to - m.from) * j.lengthA }] : [];
  });
}
