import {
  type Bend,
  type Caution,
  countOf,
  type GarmentModel,
  graded,
  type Laid,
  type OperationCode,
  type Part,
  type PlanStep,
  type SeamCode,
  type SeamName,
  type Section,
  type Station,
  type StopCode,
} from '../../core/plan/index.ts';
import { inSentence } from '../../core/text.ts';
import { asShown, formatLength, inUnit, type LengthUnit } from '../../core/units.ts';
import { listed } from '../listed.ts';
import { OPERATIONS } from './operations.ts';
import { joinWords, SEAM_WORDS } from './seams.ts';
import { SLIPS } from './slips.ts';

export const STATION_WORDS: Record<Station, string> = {
  table: 'Table',
  iron: 'Iron',
  machine: 'Machine',
  overlocker: 'Overlocker',
  buttonhole: 'Buttonholes',
  hand: 'By hand',
};
export const SECTION_WORDS: Record<Section, string> = {
  prepare: 'Prepare',
  shell: 'The outside',
  apart: 'Made apart',
  inside: 'Facings and lining',
  joining: 'Put together',
  finish: 'Finish',
};

export interface StepWords {
  title: string;
  how: string;
  /** What to look at before going on. */
  check: string | null;
  slip: string | null;
}

const LAYERED: Partial<Record<Part['kind'], [outer: string, inner: string]>> = {
  yoke: ['outer', 'inner'],
  collar: ['under', 'upper'],
  stand: ['outer', 'inner'],
  cuff: ['outer', 'inner'],
  waistband: ['outer', 'inner'],
};

/** Layers of cloth by their names: a piece cut twice has an outer and an inner one. */
export function partNames(making: GarmentModel, pieces: { id: string; name: string }[]): Record<string, string> {
  const names = new Map(pieces.map((p) => [p.id, p.name]));
  const twice = new Set(making.parts.filter((p) => p.id !== p.of).map((p) => p.of));
  return Object.fromEntries(
    making.parts.map((p) => {
      const name = names.get(p.of) ?? p.of;
      const which = twice.has(p.of) ? LAYERED[p.kind]?.[p.layer === 'outer' ? 0 : 1] : undefined;
      if (p.id !== p.of && p.material === 'facing') return [p.id, `${name}: the facing`];
      return [p.id, which ? `${name}, ${which}` : name];
    }),
  );
}

/** Widths of graded allowances, outermost first. */
const gradedWords = (s: PlanStep, unit: LengthUnit): string =>
  graded(s.data.allowance ?? 15, s.data.layers ?? 2)
    .map((w) => formatLength(w, unit))
    .join(', ');

/** How often curved stretches are cut alike: where they are tightest, and what follows. */
function cutWords(verb: string, bends: Bend[], unit: LengthUnit): string {
  const often = (b: Bend): string => `${formatLength(b.every, unit)} (${countOf(b)})`;
  const [tight, ...rest] = bends;
  if (!tight) return '';
  const more = rest.length ? ` where it is tightest, then every ${listed(rest.map(often))}` : '';
  return `${verb} every ${often(tight)}${more}`;
}

/** How often the curve of a seam is clipped or notched. */
function clipWords({ bends }: PlanStep, unit: LengthUnit): string {
  if (!bends.length) return 'it is straight and needs no clips';
  const of = (how: Bend['how']): Bend[] => bends.filter((b) => b.how === how);
  const parts = [
    cutWords('clip the hollow curve', of('clip'), unit),
    cutWords('notch the outward curve', of('notch'), unit),
  ];
  return `${parts.filter(Boolean).join('; ')}, on each half`;
}

/** Words of a step with its own numbers in them; `names` are those of the layers. */
export function stepWords(s: PlanStep, unit: LengthUnit, names: Record<string, string> = {}): StepWords {
  const [title, how] = OPERATIONS[s.code as OperationCode];
  const pieces = s.pieces.map((p) => names[p] ?? p).join(', ');
  const fill = (words: string): string =>
    words
      // What holds of some garments only is said where its figure is not nought.
      .replace(/\{([\w-]+)\?((?:[^{}]|\{[^{}]*\})*)\}/g, (_, key: string, more: string) => (s.data[key] ? more : ''))
      .replaceAll('{seam}', seamsWords(s))
      .replaceAll('{towards}', inSentence((names[s.towards ?? ''] ?? s.towards ?? '').replace(', outer', '')))
      .replaceAll('{pieces}', pieces.length > 60 ? 'all of them' : pieces.toLowerCase())
      .replaceAll('{graded}', gradedWords(s, unit))
      .replaceAll('{clips}', clipWords(s, unit))
      .replace(/\{#([a-z]\w*)\}/gi, (_, key: string) => String(Math.round(s.data[key] ?? 0)))
      .replace(/\{([a-z]\w*)\}/gi, (_, key: string) => formatLength(Math.abs(s.data[key] ?? 0), unit));
  // The slip of an edge with corners is none of a round one.
  const slip = s.code === 'sew-edge' && !s.data.corners ? undefined : SLIPS[s.code];
  return {
    title: fill(title),
    how: inUnit(fill(how), unit),
    check: checkWords(s, unit),
    slip: slip ? inUnit(slip, unit) : null,
  };
}

/** Seams by a short name, where several are sewn or worked in one run. */
const RUNS: [short: string, codes: string[]][] = [
  ['front edges', ['front-edge']],
  ['neck', ['neckline-front', 'neckline-back', 'neckline-sleeve', 'band-neckline']],
  ['keyhole', ['neckline-cut-out']],
  ['armholes', ['armhole-front', 'armhole-back', 'band-armhole']],
  ['skirt to bodice', ['waist-front', 'waist-back']],
  ['skirt lining to bodice lining', ['lining-waist-front', 'lining-waist-back']],
];

/** What a seam is called where the names of its sides tell the rest. */
const BETWEEN: Readonly<Record<string, string>> = {
  'skirt-side': 'Side seam',
  'skirt-panel': 'Panel seam',
  'skirt-centre-back': 'Centre back seam',
  'skirt-centre-front': 'Centre front seam',
  'waist-front': 'Waist seam',
  waistband: 'Waist seam',
};

/** Both sides by their names; nothing where a piece is sewn to its own other half. */
function sidesOf(between: readonly [string, string]): string {
  const [a, b] = between.map((x) => x.split(' + ').sort().join(' + '));
  return a === b ? '' : between.join(' to ');
}

/** A seam by its name, with the names of its sides where that alone does not tell it. */
export function seamName({ code, between }: SeamName): string {
  const word = (between && BETWEEN[code]) || SEAM_WORDS[code] || joinWords(code);
  const sides = between ? sidesOf(between) : '';
  return sides ? `${word}, ${sides}` : word;
}

/** What is said of a skirt is said of legs where the step is about those. */
const below = (s: PlanStep, words: string): string =>
  s.pieces.some((p) => p.startsWith('trouser'))
    ? words.replace('skirt lining', 'trouser lining').replace('of the skirt', 'of the trousers')
    : words;

/** The seams a step is about, all of one run: "front edges and neck"; those of further pieces with the names of their sides. */
function seamsWords(s: PlanStep): string {
  const own = s.about && !s.seams.some((x) => x.code === s.about) ? [{ code: s.about as SeamCode }] : [];
  const all: SeamName[] = [...own, ...s.seams];
  const codes = [...new Set(all.map((x) => x.code))];
  const named = codes.map((code) => {
    const short = RUNS.find(([, run]) => run.includes(code))?.[0];
    if (codes.length > 1 && short) return short;
    const between = all.every((x) => x.code !== code || x.between);
    const word = below(s, inSentence((between && BETWEEN[code]) || SEAM_WORDS[code] || joinWords(code)));
    const sides = all.filter((x) => x.code === code).map((x) => x.between && sidesOf(x.between));
    const said = [...new Set(sides as string[])].filter((x) => x);
    return sides.every((x) => x !== undefined) && said.length ? `${word}, ${listed(said)}` : word;
  });
  return listed(new Set(named));
}

/** Seams where one side is longer for an overlap, not to be eased; of both layers of a band. */
const RUNS_ON: ReadonlySet<string> = new Set(
  ['collar-stand', 'cuff', 'waistband', 'collar-neck'].flatMap((code) => [code, `${code}-in`]),
);

/** What is done with the longer side, by why it is longer; `on`: by how much. */
const LONGER: Record<string, (on: string) => string> = {
  overlap: (on) => `it runs on past it by ${on}`,
  gather: (on) => `draw in ${on}`,
  pleat: (on) => `the pleat takes up ${on} on each half`,
  zip: (on) => `beside the zip it ends ${on} before the other`,
  hem: (on) => `the lining ends ${on} above the hem`,
  turn: (on) => `drawn smaller by ${on}, so that it rolls inside: stretch it on`,
};

/** Before sewing: both edges as long as they should be. */
function checkWords(s: PlanStep, unit: LengthUnit): string | null {
  const { a, b, ease } = s.data;
  if (!s.sews.length || a === undefined || b === undefined || s.stack.length < 2) return null;
  if (Math.abs(ease ?? 0) <= 1.5) return `Both ${formatLength(a, unit)}`;
  const [long, short] = a > b ? [a, b] : [b, a];
  const on = formatLength(asShown(long, unit) - asShown(short, unit), unit);
  const why = RUNS_ON.has(s.about ?? '') ? 'overlap' : (s.easeOf ?? '');
  return `${formatLength(long, unit)} on ${formatLength(short, unit)}: ${LONGER[why]?.(on) ?? `ease in ${on}`}`;
}

/** How neighbouring layers lie on each other. */
export function sidesWords(stack: Laid[]): string | null {
  const [a, b] = stack;
  if (!a || !b) return null;
  if (stack.length > 2) return `${stack.length} layers on each other`;
  if (a.up === 'right' && b.up === 'wrong') return 'Right sides together';
  if (a.up === 'wrong' && b.up === 'right') return 'Wrong sides together';
  return a.up === 'right' ? 'Both right side up' : 'Both wrong side up';
}

/** Hours and minutes, from half an hour on to the nearest `step` of them. */
export function minutesWords(minutes: number, step = 5): string {
  if (minutes < 30) return `${Math.max(1, Math.round(minutes))} min`;
  const m = Math.round(minutes / step) * step;
  return m < 60 ? `${m} min` : `${Math.floor(m / 60)} h${m % 60 ? ` ${m % 60} min` : ''}`;
}

/** Each caution in full, and in the few words that stand for it once it has been read. */
export const CAUTION_WORDS: Record<Caution, { full: string; short: string }> = {
  pins: {
    full: 'Take pins out before the needle reaches them; a broken needle flies, so wear glasses.',
    short: 'Pins out before the needle.',
  },
  'pins-on': { full: 'Pins are in it: put it on and take it off slowly.', short: 'Pins are in it.' },
  iron: { full: 'Hot iron and steam: keep fingers and the cord clear.', short: 'Hot iron.' },
  fumes: { full: 'Fusing gives off fumes: air the room.', short: 'Air the room.' },
  blades: {
    full: 'Cut away from the hand that holds the cloth; close blades when you put them down.',
    short: 'Blades away from the hand.',
  },
  'blades-machine': {
    full: 'The overlocker cuts: no pins under its knife, fingers clear of it.',
    short: 'No pins under the knife.',
  },
  needles: {
    full: 'Stick hand needles back into the cushion, never into clothes you wear.',
    short: 'Needle back into the cushion.',
  },
  cords: {
    full: 'No cords at hoods and necks of children’s clothes: rules differ by country and age, read the local one.',
    short: 'No cords at children’s hoods and necks.',
  },
  ripper: {
    full: 'Seam rippers slip: a pin as a stop, and never towards the hand.',
    short: 'Never towards the hand.',
  },
  'thick-seam': {
    full: 'Over the thick crossing turn the wheel by hand.',
    short: 'Thick crossing: wheel by hand.',
  },
  'small-parts': {
    full: 'Buttons are small parts: none on clothes for children under three without reading the local rules.',
    short: 'Small parts: not under three.',
  },
};

/** The cautions of each step in words: in full where they come up first, short from then on. */
export function cautionsOf(steps: PlanStep[]): Map<string, string[]> {
  const read = new Set<string>();
  return new Map(
    steps.map((s) => [
      s.id,
      s.cautions.map((c) => {
        const w = CAUTION_WORDS[c];
        const words = read.has(c) ? w.short : w.full;
        read.add(c);
        return words;
      }),
    ]),
  );
}

const STOP_WORDS: Record<StopCode, (mm: string) => string> = {
  opening: (mm) =>
    `Leave ${mm} open in the middle (of the left one, where there are two), backstitched at both ends: it is all turned through here`,
  'stop-above-hem': (mm) => `Stop ${mm} above the hem until it is turned up`,
  'pocket-mouth': (mm) =>
    `Sew above and below the mouth of the pocket only: ${mm} between its marks stays open, the allowances free`,
  'stop-below-zip': (mm) => `Start ${mm} below the zip; the rest is sewn after it`,
  'short-of-shoulder': (mm) => `Stop ${mm} short of each shoulder, backstitched`,
  'short-at-open-edge': (mm) => `Start and stop ${mm} from the open edge`,
  'short-at-zip': (mm) => `Leave ${mm} open at each end beside the zip, until the inside is on its tape`,
  'short-at-waist': (mm) => `Stop at the waist seam line, ${mm} before the raw edge`,
  'casing-gap': (mm) => `Leave ${mm} open`,
  'tie-gap': (mm) => `Leave ${mm} open in the middle`,
  'pivot-at-corners': () => 'Pivot at both corners, needle down',
  'stop-before-facing': (mm) => `Stop ${mm} before the facing at each end`,
  'stop-at-vent-top': () => 'Stop at the top of the vent',
  'pivot-at-hem': () => 'Pivot at the hem line',
};

export function stopWords(s: PlanStep, unit: LengthUnit): string[] {
  return [...new Set(s.stops.map((p) => STOP_WORDS[p.code](formatLength(p.mm, unit))))];
}
