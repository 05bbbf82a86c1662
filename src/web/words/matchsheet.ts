import MiniSearch from 'minisearch';
import { SECTION_WORDS, STATION_WORDS, stepWords } from '../../contract/words/plan.ts';
import { type Plan } from '../../core/plan/index.ts';
import { type LengthUnit } from '../../core/units.ts';

/** A step that a line may be, and how well their words go together, as a share of the best. */
export interface Likely {
  id: string;
  share: number;
}

/** Other words of the trade for the same thing, as sheets have them. */
const SAME: Record<string, string> = {
  attach: 'sew',
  join: 'sew',
  stitch: 'sew',
  seam: 'sew',
  insert: 'sew',
  set: 'sew',
  iron: 'press',
  steam: 'press',
  serge: 'neaten',
  overlock: 'neaten',
  zigzag: 'neaten',
  finish: 'neaten',
  tack: 'baste',
  interface: 'interfacing fuse',
  fusible: 'interfacing fuse',
  apply: 'fuse sew',
  clip: 'clip grade trim',
  notch: 'clip grade',
  trim: 'trim grade',
  gather: 'gather ease',
  ruffle: 'ruffle gather',
  sleevehead: 'sleeve cap',
  zipper: 'zip',
  cuffs: 'cuff',
  underarm: 'underarm side',
};

/** What is called otherwise in several words. */
const PHRASES: [RegExp, string][] = [
  [/\bset(ting)?\b.*\bsleeves?\b/i, 'sleeve armhole cap'],
  [/\bsleeves?\b.*\barmholes?\b/i, 'sleeve armhole cap'],
  [/\bunder ?stitch/i, 'understitch'],
  [/\bstay ?stitch/i, 'staystitch'],
];

const words = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/[^a-zà-ÿ]+/)
    .filter((w) => w.length > 1);

/** Words that say nothing of which step it is. */
const SILENT = new Set([
  'the',
  'and',
  'to',
  'of',
  'in',
  'on',
  'at',
  'for',
  'with',
  'it',
  'is',
  'both',
  'each',
  'then',
  'all',
]);

/** A way to look up the steps of a plan by the words of a line, offline. The first candidates are the likeliest. */
export function matcherOf(plan: Plan, unit: LengthUnit, names: Record<string, string>): (line: string) => Likely[] {
  const index = new MiniSearch<{ id: string; title: string; how: string; about: string }>({
    fields: ['title', 'about', 'how'],
    tokenize: words,
    processTerm: (term) => (SILENT.has(term) ? null : term.replace(/(?<=...)(es|s)$/, '')),
    searchOptions: {
      boost: { title: 4, about: 2 },
      prefix: (t) => t.length > 3,
      fuzzy: (t) => (t.length > 5 ? 0.2 : false),
    },
  });
  index.addAll(
    plan.steps.map((s) => {
      const { title, how } = stepWords(s, unit, names);
      const pieces = s.pieces.map((p) => names[p] ?? '').join(' ');
      return { id: s.id, title, how, about: `${pieces} ${STATION_WORDS[s.station]} ${SECTION_WORDS[s.section]}` };
    }),
  );
  return (line) => {
    const asked = words(line)
      .map((w) => SAME[w] ?? SAME[w.replace(/(ing|ed|s)$/, '')] ?? w)
      .join(' ');
    const more = PHRASES.flatMap(([said, means]) => (said.test(line) ? [means] : []));
    const found = index.search([asked, ...more].join(' ')).slice(0, 6);
    const best = found[0]?.score ?? 0;
    return found.map((f) => ({ id: String(f.id), share: f.score / best }));
  };
}

/** A second step as likely as this is suggested beside the first: sheets put two into one line. */
const ALSO = 0.97;

/** The steps that a line is suggested to be; none where nothing in it is found. */
export const suggested = (likely: Likely[]): string[] => likely.filter((l) => l.share >= ALSO).map((l) => l.id);
