import { type Finding, ok, type Result, refuse, stop } from '../result.ts';

/** A stretch of the closing line (mm from its top) where no button centre may lie. */
export interface Zone {
  from: number;
  to: number;
}

export interface Wish {
  /** Length of the closing line, mm. */
  length: number;
  /** First centre from the top, last centre from the bottom, mm. */
  top: number;
  bottom: number;
  by: 'count' | 'gap';
  count: number;
  gap: number;
  clear: Zone | null;
}

export interface Placement {
  /** Button centres, mm from the top of the closing line. */
  at: number[];
  gaps: number[];
  /** The gap if all were equal: (last − first)/(n − 1). */
  equalGap: number;
  findings: Finding[];
}

/** Number of buttons nearest to a wished gap over a span; at least two when the span is not zero. */
export const countForGap = (span: number, gap: number): number => Math.max(2, Math.round(span / gap) + 1);

const spread = (from: number, to: number, gaps: number): number[] =>
  Array.from({ length: gaps + 1 }, (_, i) => (gaps === 0 ? from : from + ((to - from) * i) / gaps));

const unevenness = (at: number[]): number => {
  const mean = ((at[at.length - 1] as number) - (at[0] as number)) / Math.max(1, at.length - 1);
  return at.slice(1).reduce((s, x, i) => s + (x - (at[i] as number) - mean) ** 2, 0);
};

/**
 * Buttons at equal gaps from first to last; where one would fall into the zone to keep clear, the split of buttons above
 * and below it and their places are chosen so that the sum of the squared deviations of the gaps is least. Exact: for
 * each split at most the two buttons next to the zone are held at its rims, and the rest stand evenly.
 */
export function placeButtons(w: Wish): Result<Placement> {
  const span = w.length - w.top - w.bottom;
  const n = w.by === 'gap' ? countForGap(span, w.gap) : w.count;
  if (!(w.length > 0) || w.top < 0 || w.bottom < 0 || span < 0) {
    return refuse(stop('no-room-for-buttons', undefined, { length: w.length, top: w.top, bottom: w.bottom }));
  }
  if (!Number.isInteger(n) || n < 1) return refuse(stop('button-count-bad', undefined, { count: n }));
  const first = w.top;
  const last = w.length - w.bottom;
  if (n > 1 && span / (n - 1) < 12) {
    return refuse(stop('too-many-buttons', undefined, { count: n, most: Math.max(1, Math.floor(span / 12) + 1) }));
  }
  const equal = n === 1 ? [first] : spread(first, last, n - 1);
  const at = w.clear ? around(equal, first, last, n, w.clear) : equal;
  if (!at)
    return refuse(stop('zone-covers-ends', undefined, { from: w.clear?.from ?? 0, to: w.clear?.to ?? 0, first, last }));
  const gaps = at.slice(1).map((x, i) => x - (at[i] as number));
  const equalGap = n > 1 ? span / (n - 1) : 0;
  const findings: Finding[] = [];
  const worst = gaps.length ? Math.max(...gaps) - Math.min(...gaps) : 0;
  if (worst > 1e-6)
    findings.push({
      code: 'gaps-uneven',
      severity: 'note',
      data: { least: Math.min(...gaps), most: Math.max(...gaps), equal: equalGap },
    });
  return ok({ at, gaps, equalGap, findings });
}

const inZone = (x: number, z: Zone): boolean => x > z.from + 1e-9 && x < z.to - 1e-9;

function around(equal: number[], first: number, last: number, n: number, z: Zone): number[] | null {
  if (!equal.some((x) => inZone(x, z))) return equal;
  if (inZone(first, z) || (n > 1 && inZone(last, z))) return null;
  let best: number[] | null = null;
  for (let above = 1; above < n; above++) {
    if (first > z.from || last < z.to) continue;
    for (const candidate of splitAt(first, last, n, above, z)) {
      const fine =
        candidate.every((x) => !inZone(x, z)) && candidate.every((x, i) => i === 0 || x > (candidate[i - 1] as number));
      if (fine && (!best || unevenness(candidate) < unevenness(best))) best = candidate;
    }
  }
  return best;
}

/** The three ways in which the zone can bind for one split: its upper rim, its lower rim, or both. */
function splitAt(first: number, last: number, n: number, above: number, z: Zone): number[][] {
  const below = n - above;
  const upper = above === 1 ? null : spread(first, z.from, above - 1);
  const lower = below === 1 ? null : spread(z.to, last, below - 1);
  const head = upper ?? [first];
  const tail = lower ?? [last];
  const out = [[...head, ...tail]];
  if (upper) out.push([...upper, ...spread(z.from, last, below).slice(1)]);
  if (lower) out.push([...spread(first, z.to, above).slice(0, -1), ...lower]);
  return out;
}
