import { type FindingCode } from '../findingcodes.ts';
import { type Point, pt } from '../geometry/index.ts';
import { type Finding } from '../result.ts';
import { BAR, buttonhole, HOLE_EDGE, type Hole } from './buttonhole.ts';
import { type ClosureChoice, type SmallChoice } from './choices.ts';
import { EDGE_CLEAR, hasButtons, hasHoles, loopLength } from './fasteners.ts';

/**
 * A place on a small closing. `x` runs along the strip from the end that laps over (of a collar from centre back to one
 * end), `y` across it from its upper edge, mm.
 */
export interface Spot {
  x: number;
  y: number;
  /** What is made here: a hole (or loop, or the upper half of a snap), a button (or the lower half), on layers that meet. */
  over: boolean;
  under: boolean;
}

export interface Small {
  choice: SmallChoice;
  spots: Spot[];
  hole: Hole | null;
  /** Inner length of a loop, mm; null without loops. */
  loop: number | null;
  /** On the whole garment. */
  holes: number;
  buttons: number;
  /** Snaps, press studs or hooks, each with both its halves. */
  snaps: number;
  findings: Finding[];
}

/** A little below the shoulder seam, towards the front: on the seam itself a fastener lifts the collar. Common practice. */
export const BELOW_SHOULDER = 15;
/** From the end of a detachable collar or hood to its last fastener: near it for buttons, on it for snaps. Practice. */
const NEAR_END = 15;
/** First and last button of a shoulder from its ends, and the one at a back neck below the edge, mm. From memory. */
const SHOULDER_END = 20;
const BACK_NECK = 10;
/** Link holes from each end of the cuff, mm. From memory (12–15). */
const LINK_END = 13;

const both = (x: number, y: number): Spot => ({ x, y, over: true, under: true });
const over = (x: number, y: number): Spot => ({ x, y, over: true, under: false });
const under = (x: number, y: number): Spot => ({ x, y, over: false, under: true });

const spread = (a: number, b: number, n: number): number[] =>
  n === 1 ? [(a + b) / 2] : Array.from({ length: n }, (_, i) => a + ((b - a) * i) / (n - 1));

/** Across a band: one in the middle, two at its thirds. */
const across = (width: number, n: number): number[] => Array.from({ length: n }, (_, i) => (width * (i + 1)) / (n + 1));

function cuffSpots(s: SmallChoice): Spot[] {
  const { length, width, lap, layout } = s;
  const middle = width / 2;
  if (layout === 'link') return [over(LINK_END, middle), over(length - LINK_END, middle)];
  const ys = layout === 'line' ? across(width, 2) : [middle];
  const row = ys.flatMap((y) => [over(lap / 2, y), under(length - lap / 2, y)]);
  // Side by side: one hole, and a second button further in that draws the cuff closer.
  return layout === 'side' ? [...row, under(length - lap / 2 - s.diameter - 8, middle)] : row;
}

/** Half of a detachable collar or hood; the other half is its mirror image, so the two always match. */
function collarSpots(s: SmallChoice): Spot[] {
  const y = s.width / 2;
  const end =
    s.fastener === 'button' || s.fastener === 'loop'
      ? s.length - NEAR_END
      : s.length - s.diameter / 2 - EDGE_CLEAR[s.fastener];
  return [0, s.shoulder + BELOW_SHOULDER, end].map((x) => both(x, y));
}

function spotsOf(s: SmallChoice): Spot[] {
  switch (s.kind) {
    case 'cuff':
      return cuffSpots(s);
    case 'tab':
    case 'epaulette':
      return [both(s.diameter / 2 + EDGE_CLEAR[s.fastener] + 6, s.width / 2)];
    case 'back-neck':
      return (s.count === 1 ? [BACK_NECK] : spread(BACK_NECK, s.length - BACK_NECK, s.count)).map((x) =>
        both(x, s.width / 2),
      );
    case 'shoulder':
      return spread(SHOULDER_END, s.length - SHOULDER_END, s.count).map((x) => both(x, s.width / 2));
    case 'waistband':
      return across(s.width, s.count).flatMap((y) => [over(s.lap / 2, y), under(s.length - s.lap / 2, y)]);
    case 'collar':
    case 'hood':
      return collarSpots(s);
  }
}

/** Detachable halves are counted twice, but centre back once. */
function tally(s: SmallChoice, spots: Spot[], of: 'over' | 'under'): number {
  const mirrored = s.kind === 'collar' || s.kind === 'hood';
  return s.times * spots.filter((p) => p[of]).reduce((n, p) => n + (mirrored && p.x > 0 ? 2 : 1), 0);
}

function checks(s: SmallChoice, spots: Spot[], hole: Hole | null): Finding[] {
  const out: Finding[] = [];
  const warn = (code: FindingCode, data: Record<string, number>) =>
    out.push({ code, severity: 'warn', where: { piece: s.id }, data });
  const least = s.diameter + EDGE_CLEAR[s.fastener];
  if (s.width < least)
    out.push({
      code: 'button-wider-than-band',
      severity: 'stop',
      where: { piece: s.id },
      data: { diameter: s.diameter, width: s.width, most: Math.max(0, s.width - EDGE_CLEAR[s.fastener]) },
    });
  const lapped = s.kind === 'waistband' || (s.kind === 'cuff' && s.layout !== 'link');
  const lap = s.diameter + 2 * EDGE_CLEAR[s.fastener];
  if (lapped && s.lap < lap) warn('lap-narrow', { lap: s.lap, least: lap });
  const rows = [...new Set(spots.filter((p) => p.over).map((p) => p.y))];
  const step = rows.length > 1 ? (rows[1] as number) - (rows[0] as number) : null;
  if (step !== null && step < s.diameter + 4) warn('rows-close', { step, least: s.diameter + 4 });
  const line = s.kind === 'shoulder' || s.kind === 'back-neck' ? spots.map((p) => p.x) : [];
  const gap = line.length > 1 ? (line[1] as number) - (line[0] as number) : null;
  if (gap !== null && gap < s.diameter + 8)
    out.push({
      code: 'too-many-buttons',
      severity: 'stop',
      where: { piece: s.id },
      data: {
        count: s.count,
        least: s.diameter + 8,
        most: Math.max(
          1,
          Math.floor((s.length - 2 * (s.kind === 'shoulder' ? SHOULDER_END : BACK_NECK)) / (s.diameter + 8)) + 1,
        ),
      },
    });
  if (hole) {
    // Along the strip the end that laps over is near, across it the edge; a collar's centre back is no end.
    const along =
      s.kind === 'collar' || s.kind === 'hood'
        ? Number.POSITIVE_INFINITY
        : Math.min(...spots.filter((p) => p.over).map((p) => p.x)) - hole.outer;
    const left = (hole.direction === 'horizontal' ? along : s.width / 2 - Math.max(hole.outer, hole.inner)) - BAR;
    if (left < HOLE_EDGE) warn('hole-near-edge', { left: Math.max(0, left), least: HOLE_EDGE });
  }
  return out;
}

/** Holes run where it pulls: along the strip, whose ends lap; on shoulders and backs of necks across it, to the edge. */
function holeOf(s: SmallChoice, c: ClosureChoice): Hole | null {
  if (!hasHoles(s.fastener)) return null;
  const upright = s.kind === 'back-neck' || s.kind === 'shoulder';
  return buttonhole({
    ...c,
    diameter: s.diameter,
    thickness: s.thickness,
    shape: c.shape === 'strip' ? 'flat' : c.shape,
    direction: upright ? 'vertical' : 'horizontal',
    keyhole: false,
  });
}

/** Everything about one small closing. */
export function smallOf(s: SmallChoice, c: ClosureChoice): Small {
  const spots = spotsOf(s);
  const hole = holeOf(s, c);
  return {
    choice: s,
    spots,
    hole,
    loop: s.fastener === 'loop' ? loopLength(s.diameter, s.thickness) : null,
    holes: hole ? tally(s, spots, 'over') : 0,
    buttons: hasButtons({ fastener: s.fastener, show: false }) ? tally(s, spots, 'under') : 0,
    snaps: s.fastener === 'button' || s.fastener === 'loop' ? 0 : tally(s, spots, 'over'),
    findings: checks(s, spots, hole),
  };
}

/**
 * Both ends of the hole at a place of a small closing, in its strip's coordinates; the first lies towards the end it is
 * nearer to, as at the far end of a link cuff. Null where no hole is.
 */
export function holeEnds({ choice, hole }: Small, { x, y, over }: Spot): [Point, Point] | null {
  if (!hole || !over) return null;
  const out = choice.kind === 'cuff' && x > choice.length / 2 ? 1 : -1;
  const end = (d: number): Point => (hole.direction === 'horizontal' ? pt(x + out * d, y) : pt(x, y + d));
  return hole.direction === 'horizontal' ? [end(hole.outer), end(-hole.inner)] : [end(-hole.outer), end(hole.inner)];
}
