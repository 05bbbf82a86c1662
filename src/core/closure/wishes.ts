import { because, type Reason } from '../result.ts';
import { type LengthUnit, MM_PER_INCH } from '../units.ts';
import { BAR, type Hole } from './buttonhole.ts';
import { type ClosureChoice, columnsOf, type Rounding } from './choices.ts';
import { EDGE_CLEAR } from './fasteners.ts';
import { type Features, standHeight } from './features.ts';
import { countForGap, MOST_BUTTONS } from './placement.ts';
import { EQUAL_WEIGHTS, type Level, type Problem, type Zone } from './problem.ts';

/** Clearance kept beyond half the belt, mm. From memory. */
const BELT_CLEAR = 10;
/** A centre stays so far from a seam or pocket edge that it crosses, beyond half the button or hole, mm. Own figure. */
const SEAM_CLEAR = 5;
/** Outside a zone a button is liked better so much further off, mm. Own figure. */
const MARGIN = 10;
/** Two buttons stand at least so much further apart than they are wide, mm. Own figure: a finger gets between them. */
const BETWEEN = 8;

/**
 * Steps of gaps, and the rounder figures that are liked better. Fine steps are those of the tape; with `round` gaps that are
 * all alike come before round figures; only `rounder` holds to its step.
 */
export function stepsOf(rounding: Rounding, units: LengthUnit): { step: number; round: number } {
  const mm = { fine: [1, 1], round: [5, 10], rounder: [10, 20] } as const;
  const inch = { fine: [1 / 16, 1 / 16], round: [1 / 8, 1 / 4], rounder: [1 / 4, 1 / 2] } as const;
  const [step, round] = units === 'mm' ? mm[rounding] : inch[rounding];
  return units === 'mm' ? { step, round } : { step: step * MM_PER_INCH, round: round * MM_PER_INCH };
}

/** Half of what a fastener covers along the line: its own half, or the half of a hole that lies along it. */
const halfAlong = (c: ClosureChoice, hole: Hole): number =>
  Math.max(c.diameter / 2, hole.direction === 'vertical' ? Math.max(hole.outer, hole.inner) + BAR : 0);

/** Stretches that no button may stand in: waist under a belt, waist seam, pocket edges, what the sewist names. */
function zonesOf(c: ClosureChoice, f: Features, hole: Hole): Zone[] {
  const half = halfAlong(c, hole) + SEAM_CLEAR;
  const about = (code: string, at: number, reach: number): Zone => ({
    code,
    from: at - reach,
    to: at + reach,
    margin: MARGIN,
  });
  const waist = f.waist ?? c.waist.at;
  const out: Zone[] = [];
  if (c.waist.keepClear) out.push(about('belt', waist, c.waist.belt / 2 + BELT_CLEAR));
  if (f.waistSeam !== null) out.push(about('waist-seam', f.waistSeam, half));
  // The lowest at pocket level is wanted there; else the pocket's edge is bulky.
  if (!c.pocketBottom) for (const p of f.pockets) out.push(about('pocket', p.from, half), about('pocket', p.to, half));
  for (const k of c.keep) out.push(about(k.code, k.at, k.width / 2 + half));
  return out.filter((z) => z.to > 0);
}

/** Bust level below the neck seam, mm: as measured, else as the pattern says, else as given. */
export const bustLevel = (c: ClosureChoice, f: Features): number =>
  c.bust.own ? c.bust.at : (f.bust?.at ?? c.bust.at);

/** A button on the bust level: as near as whole steps come to it. */
function levelsOf(c: ClosureChoice, f: Features, step: number): Level[] {
  const at = bustLevel(c, f);
  if (c.bust.want === 'no') return [];
  return [{ code: 'bust', at, give: c.bust.want === 'on' ? step / 2 : null, weight: 2 }];
}

/** Where the line's first and last centres are wished. The stand's hole, when there is one, is the first: halfway up. */
function endsOf(c: ClosureChoice, f: Features, length: number, fine: number): Pick<Problem, 'first' | 'last'> {
  const top = c.stand.hole
    ? -Math.round(standHeight(c, f) / 2 / fine) * fine
    : c.breakTop && f.break !== null
      ? f.break
      : c.top;
  const pocket = c.pocketBottom ? f.pockets[0]?.from : undefined;
  return {
    first: { at: top, give: c.stand.hole ? 0 : c.topGive },
    last: { at: pocket ?? length - c.bottom, give: c.bottomGive },
  };
}

/** How many there may be, and how many or how far apart they are wished. */
function countOf(c: ClosureChoice, span: number): Pick<Problem, 'count'> & { wish: number | null } {
  if (c.by === 'count') return { count: { least: c.count, most: c.count, wish: c.count }, wish: null };
  if (c.by === 'range') return { count: { least: c.count, most: c.most, wish: null }, wish: null };
  const n = Math.min(MOST_BUTTONS, countForGap(Math.max(0, span), c.gap));
  const most = Math.min(MOST_BUTTONS, n + 1);
  return { count: { least: Math.min(most, Math.max(1, n - 1)), most, wish: null }, wish: c.gap };
}

/** Buttons that stay: dragged to their place, or with their hole sewn or cut. */
function pinsOf(c: ClosureChoice): Problem['pins'] {
  const sewn = c.done
    .filter((d) => d.line === 'front' && (d.state === 'sewn' || d.state === 'cut'))
    .map(({ index, at }) => ({ index, at, sewn: true }));
  return [...sewn, ...c.pins.filter((p) => !sewn.some((s) => s.index === p.index))];
}

/** The decisions and what the pieces say, as a problem for the solver; and why its constraints are what they are. */
export function problemOf(
  c: ClosureChoice,
  f: Features,
  hole: Hole,
  length: number,
  units: LengthUnit,
): { problem: Problem; reasons: Reason[] } {
  const ends = endsOf(c, f, length, stepsOf('fine', units).step);
  const span = ends.last.at - ends.first.at;
  const { count, wish } = countOf(c, span);
  // From one end of a hole to the other, bars included: it need not lie evenly about its button.
  const long = hole.direction === 'vertical' ? hole.opening + 2 * BAR : 0;
  const reach = Math.max(c.diameter, long);
  const least = reach + BETWEEN;
  const zones = zonesOf(c, f, hole);
  const reasons = [
    because('least-gap', 'choice', least, { reach, between: BETWEEN }),
    ...(c.waist.keepClear
      ? [because('belt-clear', 'memory', c.waist.belt / 2 + BELT_CLEAR, { belt: c.waist.belt })]
      : []),
    ...(c.stand.hole ? [because('stand-hole', 'practice', -ends.first.at, { height: standHeight(c, f) })] : []),
    ...(f.bust && !c.bust.own && c.bust.want !== 'no' ? [because(`bust-${f.bust.from}`, 'memory', f.bust.at, {})] : []),
  ];
  const { step, round } = stepsOf(c.rounding, units);
  const head = c.school === 'first' ? c.firstGap : null;
  const problem: Problem = {
    ...ends,
    count,
    // A shorter first gap is the shortest of all.
    gap: { least: Math.max(least, head ?? 0), most: 1e4, wish, own: least },
    step,
    round,
    ...(c.rounding === 'round' && { fine: stepsOf('fine', units).step }),
    head,
    group: c.school === 'groups' ? { size: c.group.size, inner: c.group.inner } : null,
    zones,
    levels: levelsOf(c, f, step),
    pins: pinsOf(c),
    weights: EQUAL_WEIGHTS,
  };
  return { problem, reasons };
}

/** Least extension beyond the centre line: half of the button and a little; beyond the outermost column when double. */
export const leastExtension = (c: ClosureChoice): number =>
  c.diameter / 2 + EDGE_CLEAR[c.fastener] + columnsOf(c).outer;
