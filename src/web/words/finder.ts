import MiniSearch from 'minisearch';
import { partNames, stepWords } from '../../contract/words/plan.ts';
import { seamWords } from '../../contract/words/seams.ts';
import { type Computed } from '../../core/document/compute.ts';
import { type ProjectDocument } from '../../core/document/project.ts';
import { openTopics, type Plan } from '../../core/plan/index.ts';
import { type Chapter } from './chapters.ts';
import { methodWords, topicWords } from './methods.ts';
import { MATERIAL_WORDS } from './pattern.ts';
import { TERMS, type Term } from './terms.ts';

/** Something that can be gone to by its name, or a term that is explained. */
export interface Found {
  id: string;
  kind: 'page' | 'piece' | 'seam' | 'step' | 'setting' | 'term';
  words: string;
  /** What it is besides, quietly. */
  more: string;
  /** Where it is in the project; null for a term. */
  to: string | null;
  term?: Term;
}

export const FOUND_WORDS: Record<Found['kind'], string> = {
  page: 'Page',
  piece: 'Piece',
  seam: 'Seam',
  step: 'Step',
  setting: 'Setting',
  term: 'What it means',
};

/** What is decided, by where it is asked. */
const SETTINGS: readonly (readonly [string, string, string])[] = [
  ['Facing widths', 'front, shoulder, back, rounding', 'inside?part=facing'],
  ['Facings of other edges', 'hem, wrist, armhole, cut-out', 'inside?part=facing'],
  ['Lining', 'seams, sleeves, underarm, pleat', 'inside?part=lining'],
  ['Hems', 'jump hem, ribs, facings of hems', 'inside?part=hems'],
  ['Interfacing', 'fronts, collars, hems', 'inside?part=interfacing'],
  ['Ties and loops', 'strips to cut', 'inside?part=strips'],
  ['Buttons: how many and how far apart', 'spacing', 'buttons'],
  ['Buttonholes', 'length, direction, order', 'buttons/holes'],
  ['Snaps, hooks and links', 'the rest of the closings', 'buttons/rest'],
  ['Measured at the garment', 'where a button must sit', 'buttons/garment'],
  ['Size check', 'the pattern’s own measures', 'pattern'],
  ['Paper size', 'A4 or letter', 'paper'],
  ['Last chance to change it', 'length, girth, shoulders', 'plan?see=notes&note=chances'],
  ['Marks to carry over', 'from pattern to cloth', 'plan?see=notes&note=marks'],
  ['Your own instructions', 'compare a sheet', 'plan?see=notes&note=sheet'],
  ['Small sums', 'elastic, cord, bands', 'plan?see=notes&note=sums'],
];

/** Everything that can be found in a project; the steps once there is a plan. */
export function allFound(doc: ProjectDocument, c: Computed, chapters: Chapter[], plan: Plan | null): Found[] {
  const shell = new Set(c.shell.map((p) => p.id));
  const names = plan ? partNames(plan.making, c.pieces) : {};
  return [
    ...chapters.map(
      (x): Found => ({ id: `page ${x.path}`, kind: 'page', words: x.name, more: x.question, to: x.path }),
    ),
    ...c.pieces.map(
      (p): Found => ({
        id: `piece ${p.id}`,
        kind: 'piece',
        words: p.name,
        more: MATERIAL_WORDS[p.material].word,
        to: shell.has(p.id) ? `pattern?piece=${p.id}` : `inside?part=${p.material}`,
      }),
    ),
    ...c.seams.map(
      (s): Found => ({ id: `seam ${s.id}`, kind: 'seam', words: seamWords(s), more: '', to: `seams?seam=${s.id}` }),
    ),
    ...(plan?.steps ?? []).map(
      (s): Found => ({
        id: `step ${s.id}`,
        kind: 'step',
        words: stepWords(s, doc.units, names).title,
        more: `${s.number}`,
        to: `plan?step=${encodeURIComponent(s.id)}`,
      }),
    ),
    ...SETTINGS.map(([words, more, to]): Found => ({ id: `setting ${words}`, kind: 'setting', words, more, to })),
    ...(plan ? openTopics(plan.methods) : []).map(
      (t): Found => ({
        id: `way ${t}`,
        kind: 'setting',
        words: topicWords(t),
        more: methodWords(t, plan?.methods[t] ?? ''),
        to: `plan?see=ways&topic=${t}`,
      }),
    ),
    ...TERMS.map(
      (term): Found => ({ id: `term ${term.name}`, kind: 'term', words: term.name, more: term.means, to: null, term }),
    ),
  ];
}

/** Finds by the beginnings of words, one letter wrong forgiven; the first dozen. */
export function finderOf(all: Found[]): (text: string) => Found[] {
  const byId = new Map(all.map((f) => [f.id, f]));
  const index = new MiniSearch<Found>({
    fields: ['words', 'more'],
    searchOptions: { prefix: true, fuzzy: 0.2, boost: { words: 4 }, combineWith: 'AND' },
  });
  index.addAll(all);
  return (text) =>
    index
      .search(text)
      .slice(0, 12)
      .flatMap(({ id }) => byId.get(id) ?? []);
}
