import { because, type Reason } from '../result.ts';

/** A length that is worked out for making up, with its sum. */
export interface Sum {
  name: string;
  value: number;
  reason: Reason;
}

const sum = (name: string, mark: Reason['mark'], value: number, inputs: Record<string, number>): Sum => ({
  name,
  value,
  reason: because(`sum-${name}`, mark, value, inputs),
});

const INCH = 25.4;
/** Elastic: so much longer than the body when loose, so much lapped (2" and 3/8"). Common practice. */
const LOOSE = 2 * INCH;
const LAP = (3 / 8) * INCH;
/** Holding elastic: nine tenths of the body and 20 mm to lap. From memory. */
const HOLDS = 0.9;
const HOLD_LAP = 20;
/** Left open in a casing to thread it (2"). Common practice. */
const TO_THREAD = 2 * INCH;

/**
 * Elastic for a body measure (mm), what is cut and, where its ends are lapped, the loop it makes: loose cut body + 2", lapped
 * 3/8"; sewn into a seam = body + what its seams take up; holding cut body × 0.9 + 20, lapped 20. The casing is the elastic's
 * width and 3 mm.
 */
export function elasticSums(body: number, width: number, seams: number): Sum[] {
  return [
    sum('elastic-loose', 'practice', body + LOOSE, { body, more: LOOSE }),
    sum('elastic-loop', 'practice', body + LOOSE - LAP, { cut: body + LOOSE, lap: LAP }),
    sum('elastic-sewn', 'practice', body + seams, { body, seams }),
    sum('elastic-holding', 'memory', body * HOLDS + HOLD_LAP, { body, percent: HOLDS * 100, lap: HOLD_LAP }),
    sum('elastic-held', 'memory', body * HOLDS, { cut: body * HOLDS + HOLD_LAP, lap: HOLD_LAP }),
    sum('casing-width', 'practice', width + 3, { width, more: 3 }),
    sum('casing-gap', 'practice', TO_THREAD, { gap: TO_THREAD }),
  ];
}

/** Cord for an opening (mm): the opening, two free ends, two knots. Common practice. */
export const cordSums = (opening: number, end: number, knot: number): Sum[] => [
  sum('cord', 'practice', opening + 2 * end + 2 * knot, { opening, end, knot }),
];

/** Rib for an edge (mm): `share` per cent of it and two seams; cut twice its finished depth and two seams. From memory. */
export const ribSums = (edge: number, share: number, depth: number, seam: number): Sum[] => [
  sum('rib-length', 'memory', (edge * share) / 100 + 2 * seam, { edge, percent: share, seam }),
  sum('rib-width', 'practice', 2 * depth + 2 * seam, { depth, seam }),
];

/**
 * Cut-on button band of finished width b (mm). With centre front in its middle, folded twice: b/2 + b + b = 2.5 b beyond
 * centre front; with centre front on its inner stitching: 2 b and the turn-under. Common practice; checks: at 1" both give 2 1/2".
 */
export const bandSums = (b: number, under: number): Sum[] => [
  sum('band-mid', 'practice', 2.5 * b, { b }),
  sum('band-edge', 'practice', 2 * b + under, { b, under }),
];

/** A band of its own: the front's seam lies half of it inside centre front; cut 2 b + 2 s wide. From memory. */
export const separateBandSums = (b: number, seam: number): Sum[] => [
  sum('band-seam', 'memory', b / 2, { b }),
  sum('band-cut', 'memory', 2 * b + 2 * seam, { b, seam }),
];

/** Bound sleeve slit: strip twice the slit and 20 long, four times its finished width wide. From memory. */
export const slitSums = (slit: number, finished: number): Sum[] => [
  sum('slit-strip', 'memory', 2 * slit + 20, { slit, more: 20 }),
  sum('slit-wide', 'memory', 4 * finished, { finished }),
];

/** Cuff: wrist, 50 of ease, 25 to lap. From memory. */
export const cuffSums = (wrist: number): Sum[] => [
  sum('cuff-length', 'memory', wrist + 75, { wrist, ease: 50, lap: 25 }),
];

/** Pleats: n of them take up n times the gap between the notches. Common practice; check: five of 1 1/2" take 7 1/2". */
export const pleatSums = (n: number, gap: number): Sum[] => [sum('pleats', 'practice', n * gap, { n, gap })];

/**
 * How much longer the outer edge of a detachable collar is than its inner one, for each unit of width, so that it lies flat on
 * the shoulders: two thirds, after the worked example 34" inner, 36" outer, 3" wide. From memory.
 */
const SPREAD = 2 / 3;

/**
 * Detachable collar from half the neckline on the seam line, cut width and seam (mm): inner edge twice the half neckline, outer
 * edge longer by two thirds of the width; two bias strips. Finished it is a seam shorter at each end and on each long edge.
 */
export function detachableSums(halfNeck: number, width: number, seam: number): Sum[] {
  const inner = 2 * halfNeck;
  return [
    sum('collar-inner', 'practice', inner, { half: halfNeck }),
    sum('collar-outer', 'memory', inner + SPREAD * width, { inner, width }),
    sum('collar-finished', 'derived', inner - 2 * seam, { inner, seam }),
    sum('collar-wide', 'derived', width - 2 * seam, { width, seam }),
  ];
}

/** The fall at centre back covers the neck seam: stand height and 10 to 12. From memory. */
export const fallSums = (stand: number): Sum[] => [sum('fall', 'memory', stand + 11, { stand, more: 11 })];
