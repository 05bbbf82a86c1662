import { minutesWords, stepWords } from '../../contract/words/plan.ts';
import {
  type Estimate,
  type Judged,
  type MendKind,
  type StepState,
  type Touched,
  type Wait,
  type Way,
} from '../../core/bench/index.ts';
import { type PlanStep } from '../../core/plan/index.ts';
import { formatLength, type LengthUnit } from '../../core/units.ts';
import { listed } from '../listed.ts';

export const STEP_STATE_WORDS: Record<StepState | 'todo', string> = {
  todo: 'to do',
  doing: 'begun',
  done: 'done',
  skipped: 'passed over',
  again: 'to do again',
};

export const MEND_WORDS: Record<MendKind, string> = {
  unpick: 'Unpick',
  recut: 'Cut anew',
  restitch: 'Stitch again',
  other: 'Mend',
};

/** What it probably takes: "about 6 h 30, likely 5 h 30 to 8 h"; the range only where it says more. */
export function spanWords({ minutes, low, high }: Estimate): string {
  const [a, b] = [minutesWords(low), minutesWords(high)];
  return a === b ? `about ${minutesWords(minutes)}` : `about ${minutesWords(minutes)}, likely ${a} to ${b}`;
}

/** Figures that are decided, as they are called; what has no name here is not named. */
const CHOICE_WORDS: Readonly<Record<string, string>> = {
  'allowances/seam': 'the seam allowance',
  'allowances/hem': 'the hem allowance',
  'allowances/wrist': 'the sleeve hem',
  'facing/on': 'the facing',
  'facing/kind': 'the kind of facing',
  'facing/front': 'the front facing',
  'facing/shoulder': 'the facing at the shoulder',
  'facing/back': 'the back facing',
  'facing/deep': 'the depth of the back facing',
  'facing/hood': 'the hood facing',
  'facing/radius': 'the round of the facing line',
  'facing/finish': 'the edge of the facing',
  'lining/on': 'the lining',
  'lining/self': 'the second layer',
  'lining/pleat': 'the pleat of the lining',
  'lining/raise': 'the raised underarm of the lining',
  'lining/capEase': 'the ease of the lining sleeve',
  'lining/smaller': 'how much smaller the lining is at the armhole',
  'lining/zip/length': 'the zip',
  'lining/slit/length': 'the slit',
  'lining/hem/kind': 'the hem of the lining',
  'lining/hem/clearance': 'how high the fold of the lining hem lies',
  'lining/hem/above': 'how high the lining hem lies',
  'lining/hem/turn1': 'the first turn of the lining hem',
  'lining/hem/turn2': 'the second turn of the lining hem',
  'lining/wrist/kind': 'the hem of the sleeve lining',
  'interfacing/on': 'the interfacing',
  'interfacing/frontStrip': 'the interfacing of the front',
  'interfacing/trim': 'how far the interfacing reaches',
  'making/bulk': 'the cloth',
};

/** A choice that is another now: what it is called, what it was and is. */
function choiceWords({ path, was, now }: Touched['choices'][number], units: LengthUnit): string | null {
  const name = CHOICE_WORDS[path];
  if (!name) return null;
  const said = (v: unknown): string =>
    typeof v === 'number'
      ? formatLength(v, units)
      : typeof v === 'boolean'
        ? v
          ? 'there'
          : 'left out'
        : String(v ?? 'nothing');
  return `${name} is ${said(now)} now, it was ${said(was)}`;
}

/**
 * A step that was sewn otherwise than the plan has it: by what was decided since ("the front facing is 85 mm now, it was 75 mm"),
 * and which of its figures differ. `nameOf` a piece.
 */
export function touchedWords(
  t: Touched,
  units: LengthUnit,
  nameOf: (id: string) => string,
): { why: string; figures: string } {
  const known = t.choices.flatMap((c) => choiceWords(c, units) ?? []);
  const cut = t.differs.flatMap(({ key }) => (/^(round|area)\//.test(key) ? [key.slice(key.indexOf('/') + 1)] : []));
  const pieces = [...new Set(cut)].map(nameOf);
  const [a, b] = ['a', 'b'].map((key) => t.differs.find((d) => d.key === key));
  const both = a && b && a.was === b.was && a.now === b.now;
  const lengths = t.differs.flatMap((d) => {
    const name = both && d === a ? 'both sides' : FIGURE_WORDS[d.key];
    if (!name || (both && d === b) || d.was === undefined || d.now === undefined) return [];
    return [`${name} ${formatLength(d.was, units)}, now ${formatLength(d.now, units)}`];
  });
  const others = pieces.length > 4 ? `${pieces.length} pieces` : listed(pieces);
  return {
    why: known.length ? listed(known) : 'a choice is another now',
    figures: pieces.length ? `${others} ${pieces.length === 1 ? 'has' : 'have'} another outline` : lengths.join('; '),
  };
}

/** Figures of a step that are lengths, as they are called. */
const FIGURE_WORDS: Readonly<Record<string, string>> = {
  allowance: 'with an allowance of',
  a: 'one side',
  b: 'the other side',
  length: 'over',
  width: 'a width of',
  turn: 'drawn out by',
  in: 'in from the edge by',
};

/** What two measured lengths say, and what is done about it. */
export function judgedWords(j: Judged, values: readonly number[], units: LengthUnit): { says: string; does: string } {
  const mm = (v: number): string => formatLength(Math.abs(v), units);
  const pair = values.length > 1;
  const says = pair
    ? j.match === 'alike'
      ? `${values.map(mm).join(' and ')}: they match.`
      : j.match === 'meant'
        ? `${values.map(mm).join(' and ')}: as it is meant.`
        : `${values.map(mm).join(' and ')}: ${mm(j.over)} ${j.over > 0 ? 'more on the first' : 'more on the second'} than there should be.`
    : j.match === 'alike'
      ? `${mm(values[0] ?? 0)}: as planned.`
      : `${mm(values[0] ?? 0)}: ${mm(j.over)} ${j.over > 0 ? 'longer' : 'shorter'} than planned.`;
  const crossed = j.crossings
    ? ` It is crossed by ${j.crossings} ${j.crossings === 1 ? 'seam' : 'seams'}: sewn ${mm(j.each)} too ${j.over > 0 ? 'narrow' : 'wide'} on each side, ${j.crossings === 1 ? 'it makes' : 'they make'} just this.`
    : '';
  const does = {
    alike: 'Go on.',
    meant: 'Go on, with the longer side as the step says.',
    ease: `Ease it in: pin from the matched seams outward, the longer side towards the feed dogs.${crossed}`,
    unpick: `Too much to ease. Measure against the pattern which side is wrong, before you stitch.${crossed}`,
  }[j.match];
  return { says, does };
}

/** Why a step waits, in the sitting's words. */
export const WAIT_WORDS: Record<Wait, string> = {
  washed: 'once the cloth is washed and dry',
  hang: 'once it has hung for a day',
  sealant: 'once the sealant is dry',
  cool: 'once it is cool',
};

/** A day as it is said: "Sat 28 Nov"; a date of a calendar, not of a time zone. */
export const dayWords = (day: string, style: 'short' | 'long' = 'short'): string => {
  const [y = 0, m = 1, d = 1] = day.split('-').map(Number);
  return new Intl.DateTimeFormat('en-GB', {
    ...{ weekday: style, day: 'numeric', month: style, timeZone: 'UTC' },
  }).format(new Date(Date.UTC(y, m - 1, d)));
};

/** A time of the day: "19:30". */
export const clockWords = (minutes: number): string =>
  `${String(Math.floor(minutes / 60) % 24).padStart(2, '0')}:${String(Math.round(minutes) % 60).padStart(2, '0')}`;

/** What would help, as what a button does. */
export function wayWords(w: Way): string {
  if (w.how === 'leave') return `Leave the topstitching and what can be left out: ${minutesWords(w.minutes)} less`;
  if (w.how === 'day') return `Sew on ${dayWords(w.day)} too, ${minutesWords(w.minutes)}`;
  if (w.how === 'longer') return `Sew ${minutesWords(w.minutes)} longer each time`;
  if (w.how === 'order') return `Sew in another order: done on ${dayWords(w.day)}`;
  return `Take ${dayWords(w.day)} as the day`;
}

/** A step of the calendar by its title; what is no step of the plan by its own words. */
export function workTitle(
  id: string,
  steps: ReadonlyMap<string, PlanStep>,
  units: LengthUnit,
  names: Record<string, string>,
): string {
  const s = steps.get(id);
  return s ? `${s.number}. ${stepWords(s, units, names).title}` : 'Wash the cloth and hang it to dry';
}
