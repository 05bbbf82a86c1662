import { ZONE_NAMES } from '../../contract/findings.ts';
import {
  type Buy,
  type ClosingKind,
  type Closure,
  type Fastener,
  freeGaps,
  HALVES,
  type HoleState,
  type Layout,
  lignes,
  type Part,
  type Placement,
  type Rounding,
  type SmallKind,
} from '../../core/closure/index.ts';
import { formatLength, type LengthUnit } from '../../core/units.ts';

export const CLOSING_WORDS: Record<ClosingKind, string> = {
  single: 'one row, to the hem',
  hidden: 'hidden under a fly',
  half: 'half placket',
  double: 'double-breasted',
};

export const CLOSED_WITH: Record<Fastener, string> = {
  button: 'button and hole',
  snap: 'sew-on snap',
  'press-stud': 'press stud',
  hook: 'hook and eye',
  loop: 'button and loop',
};

export const FASTENER_WORDS: Record<Fastener, [one: string, many: string]> = {
  button: ['button', 'buttons'],
  snap: ['snap', 'snaps'],
  'press-stud': ['press stud', 'press studs'],
  hook: ['hook', 'hooks'],
  loop: ['button', 'buttons'],
};

const HALF_WORDS: Record<string, string> = {
  hole: 'buttonhole',
  button: 'button',
  ball: 'the half with the ball, on the underside',
  socket: 'the half with the socket, on the right side',
  'cap-and-socket': 'cap and socket',
  stud: 'stud and post',
  hook: 'hook, on the underside',
  eye: 'eye or bar, on the right side',
  loop: 'loop, caught in the edge seam',
};

/** What goes on which front. */
export const halvesWords = (f: Fastener): [over: string, under: string] => [
  HALF_WORDS[HALVES[f].over] ?? '',
  HALF_WORDS[HALVES[f].under] ?? '',
];

export const SMALL_WORDS: Record<SmallKind, string> = {
  cuff: 'Cuffs',
  tab: 'Tabs',
  epaulette: 'Epaulettes',
  'back-neck': 'Opening at the back neck',
  shoulder: 'Shoulder opening',
  waistband: 'Waistband',
  collar: 'Detachable collar',
  hood: 'Detachable hood',
};

export const LAYOUT_WORDS: Record<Layout, string> = {
  one: 'one button',
  side: 'two side by side, to draw it in',
  line: 'two in line, across the cuff',
  link: 'links: a hole at each end, no button',
};

export const STATE_WORDS: Record<HoleState, string> = { marked: 'marked', tested: 'tested', sewn: 'sewn', cut: 'cut' };

export const roundingWords = (r: Rounding, units: LengthUnit): string =>
  ({
    fine: units === 'mm' ? '1 mm' : '1/16"',
    round: units === 'mm' ? '5 mm where all can be alike' : '1/8" where all can be alike',
    rounder: units === 'mm' ? '10 mm always' : '1/4" always',
  })[r];

export const PART_WORDS: Record<Part, string> = {
  even: 'Evenness',
  level: 'Bust level',
  clear: 'Clear of seams and belt',
  round: 'Round figures',
  wish: 'As wished',
};

const plural = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;

/** A place on the line: below the neck seam, or above it on the stand. */
export const placeOf = (at: number, units: LengthUnit): string =>
  at < -0.05 ? `${formatLength(-at, units)} above` : formatLength(at, units);

/** How many there are: rows where columns mirror each other. */
export function countWords(c: Closure, n: number): string {
  const [one, many] = FASTENER_WORDS[c.choice.fastener];
  if (c.choice.kind === 'double') return `${plural(n, 'row')} of ${2 * c.choice.double.columns} ${many}`;
  return plural(n, one, many);
}

/** Gaps in short: all alike, or from the least to the most. */
export function gapsWords(gaps: number[], units: LengthUnit): string {
  if (!gaps.length) return 'no gap';
  const mm = (v: number) => formatLength(v, units);
  const [low, high] = [Math.min(...gaps), Math.max(...gaps)];
  return high - low < 0.05 ? `${mm(low)} each` : `${mm(low)} to ${mm(high)}`;
}

/** What one part of the score stands for in one answer, in figures. */
export function partFact(part: Part, a: Placement, c: Closure, units: LengthUnit): string {
  const mm = (v: number) => formatLength(v, units);
  const { problem: p } = c;
  const nearest = (to: number): number => Math.min(...a.at.map((x) => Math.abs(x - to)));
  switch (part) {
    case 'even':
      return gapsWords(freeGaps(p, a.at), units);
    case 'level': {
      const level = p.levels[0];
      if (!level) return 'not asked';
      return nearest(level.at) < 0.05 ? 'a button on it' : `nearest ${mm(nearest(level.at))} off`;
    }
    case 'clear': {
      if (!p.zones.length) return 'nothing to keep clear of';
      const room = a.at.flatMap((x) => p.zones.map((z) => ({ z, d: Math.max(z.from - x, x - z.to) })));
      const least = room.reduce((m, r) => (r.d < m.d ? r : m));
      return `${mm(Math.max(0, least.d))} more than needed at ${ZONE_NAMES[least.z.code] ?? 'a place'}`;
    }
    case 'round': {
      const odd = a.gaps.filter((g) => Math.abs(g / p.round - Math.round(g / p.round)) > 1e-5).length;
      return odd ? `${plural(odd, 'gap')} no multiple of ${mm(p.round)}` : `all multiples of ${mm(p.round)}`;
    }
    case 'wish': {
      const [top, low] = [(a.at[0] ?? 0) - p.first.at, (a.at[a.at.length - 1] ?? 0) - p.last.at];
      const moved = (d: number, name: string): string[] =>
        Math.abs(d) < 0.05 ? [] : [`${name} ${mm(Math.abs(d))} ${d < 0 ? 'higher' : 'lower'}`];
      const said = [...moved(top, 'first'), ...(a.at.length > 1 ? moved(low, 'last') : [])];
      return said.length ? said.join(', ') : 'ends where you set them';
    }
  }
}

/** Why an answer is offered. */
export function answerWhy(a: Placement): string {
  if (a.by === 'all') return 'Best of all: no other placing has fewer points.';
  if (a.by === 'count') return 'The best with this number.';
  if (a.by === 'next') return 'The next best that differs.';
  return `The best if “${PART_WORDS[a.by].toLowerCase()}” counted five times as much.`;
}

const PLACE_WORDS: Record<string, string> = { front: 'front', stand: 'stand' };
export const wherePlaced = (place: string): string =>
  PLACE_WORDS[place] ?? (SMALL_WORDS[place as SmallKind] ?? place).toLowerCase();

const BUY_WORDS: Record<Buy['what'], [one: string, many: string]> = {
  button: ['button', 'buttons'],
  snap: ['snap, both halves', 'snaps, both halves'],
  'press-stud': ['press stud, four parts', 'press studs, four parts each'],
  hook: ['hook and eye', 'hooks and eyes'],
  thread: ['buttonhole thread', 'buttonhole thread'],
  cord: ['cord for loops', 'cord for loops'],
};

/** One line of the list to buy, and where it goes. */
export function buyWords(b: Buy, units: LengthUnit): { what: string; where: string } {
  const [one, many] = BUY_WORDS[b.what];
  if (b.what === 'thread' || b.what === 'cord') {
    const m = b.count / 1000;
    const length = units === 'mm' ? `${Math.ceil(m * 10) / 10} m` : `${Math.ceil((b.count / 914.4) * 10) / 10} yd`;
    return { what: `${many}, about ${length}`, where: b.what === 'thread' ? 'holes and buttons, to match' : '' };
  }
  const size = formatLength(b.size, units);
  const ligne = b.lignes ? ` (${Math.round(b.lignes)} L)` : '';
  const where = [
    ...b.places.map((p) => `${p.count} ${wherePlaced(p.place)}`),
    ...(b.spare ? [`${b.spare} spare`] : []),
  ];
  return { what: `${b.count} ${b.count === 1 ? one : many}, ${size}${ligne}`, where: where.join(' + ') };
}

/** The six stages of a machine's buttonhole, and after. Common practice. */
export const HOLE_STAGES = [
  'Left leg, satin stitch, down.',
  'Straight stitch back up.',
  'Bar across the end.',
  'Right leg, down.',
  'Bar across the other end.',
  'A few stitches on the spot to secure.',
] as const;
export const HOLE_AFTER = [
  'Snip the top threads, pull through, snip below.',
  'Tear the stabiliser off.',
  'A pin across each end, then cut from the middle outward. Only once the place is sure.',
  'Mark the buttons through the finished holes.',
] as const;

/** Diameter in the sewist's unit and in lignes. */
export const sizeWords = (diameter: number, units: LengthUnit): string =>
  `${formatLength(diameter, units)} (${Math.round(lignes(diameter))} L)`;
