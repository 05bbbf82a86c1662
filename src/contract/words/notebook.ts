import { type Entry, type EntryKind } from '../../core/bench/notebook.ts';
import { type Seam } from '../../core/pattern/index.ts';
import { type Plan } from '../../core/plan/index.ts';
import { formatLength, type LengthUnit } from '../../core/units.ts';
import { dayWords } from './bench.ts';
import { stepWords } from './plan.ts';
import { seamWords } from './seams.ts';

export const ENTRY_WORDS: Record<EntryKind, string> = {
  note: 'A note',
  fusing: 'A fusing test',
  buttonhole: 'A buttonhole test',
  stitch: 'A stitch and needle test',
  shrinkage: 'A shrinkage test',
  hem: 'A hem test',
  topstitch: 'A topstitching test',
  fit: 'How it fits',
  practice: 'A practice piece',
};

/** One thing that the form of a sample asks: a length in mm, another figure with its unit, or words. */
export interface SampleField {
  key: string;
  words: string;
  as: 'length' | 'number' | 'words';
  unit?: string;
}

const words = (key: string, label: string): SampleField => ({ key, words: label, as: 'words' });
const length = (key: string, label: string): SampleField => ({ key, words: label, as: 'length' });
const number = (key: string, label: string, unit = ''): SampleField => ({ key, words: label, as: 'number', unit });

/** What is written down of each kind of sample. */
export const SAMPLE_FIELDS: Record<EntryKind, readonly SampleField[]> = {
  note: [],
  fusing: [
    words('interfacing', 'interfacing'),
    number('heat', 'heat', '°C'),
    words('steam', 'steam'),
    number('seconds', 'seconds', 's'),
    words('result', 'result'),
  ],
  buttonhole: [
    number('layers', 'layers'),
    words('stabiliser', 'stabiliser, under or over'),
    number('density', 'density'),
    length('opening', 'length of the hole'),
    words('cut', 'cut test'),
  ],
  stitch: [
    words('needle', 'needle'),
    words('thread', 'thread'),
    number('stitch', 'stitch length'),
    number('tension', 'tension'),
    words('result', 'result'),
  ],
  shrinkage: [
    length('alongBefore', 'along the grain, before'),
    length('alongAfter', 'along the grain, after'),
    length('acrossBefore', 'across, before'),
    length('acrossAfter', 'across, after'),
    words('washed', 'how it was washed'),
  ],
  hem: [length('depth', 'depth'), words('way', 'how it was sewn'), words('result', 'result')],
  topstitch: [length('in', 'in from the edge'), number('stitch', 'stitch length'), words('result', 'result')],
  fit: [words('where', 'where'), length('by', 'by how much'), words('change', 'what to change on the pattern')],
  practice: [words('what', 'what was practised'), words('result', 'how it came out')],
};

/** A figure of a sample as it is read. */
export function sampleValue(f: SampleField, v: number | string, units: LengthUnit): string {
  if (typeof v === 'string') return v;
  return f.as === 'length' ? formatLength(v, units) : `${v}${f.unit ? ` ${f.unit}` : ''}`;
}

/** How much a cloth shrank by a test, %, along and across; null where a figure is missing or it grew. */
export function shrunk(figures: Entry['figures']): { along: number; across: number } | null {
  const by = (a: unknown, b: unknown): number | null =>
    typeof a === 'number' && typeof b === 'number' && a > 0 && b > 0 && b <= a ? ((a - b) / a) * 100 : null;
  const along = by(figures.alongBefore, figures.alongAfter);
  const across = by(figures.acrossBefore, figures.acrossAfter);
  return along === null || across === null ? null : { along, across };
}

/** Characters that would be read as marks in Markdown. */
const plain = (s: string): string => s.replace(/([\\`*_{}[\]<>#|])/g, '\\$1');

/** What an entry can be about, by their names. */
export interface AboutNames {
  step: (id: string) => string;
  piece: (id: string) => string;
  seam: (id: string) => string;
}

/** What an entry is about, in words. */
export const aboutWords = (e: Entry, names: AboutNames): string[] =>
  [
    e.step && names.step(e.step),
    e.piece && names.piece(e.piece),
    e.seam && `the seam “${names.seam(e.seam)}”`,
    e.cloth && `the cloth “${e.cloth}”`,
  ].filter((words) => words !== '');

/** A step, piece or seam by its id, where no name is at hand: "sew: side". */
export const idWords = (id: string): string => id.replace(':', ': ').replaceAll('-', ' ');

/** Steps of a plan by their titles; without one, and what is not in it, by their ids. */
export function stepNames(plan: Plan | null, units: LengthUnit, parts: Record<string, string>): AboutNames['step'] {
  const steps = new Map(plan?.steps.map((s) => [s.id, s]));
  return (id) => {
    const s = steps.get(id);
    return s ? stepWords(s, units, parts).title : idWords(id);
  };
}

interface InProject {
  pieces: readonly { id: string; name: string }[];
  seams: readonly Pick<Seam, 'id' | 'code' | 'between'>[];
}

/** What is in a project by its names; what is no more there by its id. */
export const aboutNames = (x: InProject, step: AboutNames['step']): AboutNames => ({
  step,
  piece: (id) => x.pieces.find((p) => p.id === id)?.name ?? idWords(id),
  seam: (id) => {
    const seam = x.seams.find((s) => s.id === id);
    return seam ? seamWords(seam) : idWords(id);
  },
});

interface Notebook {
  name: string;
  units: LengthUnit;
  entries: readonly Entry[];
  names: AboutNames;
}

/** The notebook as Markdown, oldest first; `fileOf`: where a picture lies beside it, null where it is not there. */
export function notebookMarkdown(of: Notebook, fileOf: (picture: string) => string | null): string {
  const lines = [`# ${plain(of.name)}: notebook`, ''];
  let day = '';
  for (const e of [...of.entries].sort((a, b) => (a.at < b.at ? -1 : 1))) {
    const on = e.at.slice(0, 10);
    if (on !== day) lines.push(`## ${dayWords(on, 'long')} ${on.slice(0, 4)}`, '');
    day = on;
    lines.push(`### ${ENTRY_WORDS[e.kind]}${e.again ? ' (next time)' : ''}`, '');
    const about = aboutWords(e, of.names);
    if (about.length) lines.push(`About ${about.map(plain).join(', ')}.`, '');
    if (e.words.trim()) lines.push(plain(e.words.trim()), '');
    for (const f of SAMPLE_FIELDS[e.kind]) {
      const v = e.figures[f.key];
      if (v !== undefined && v !== '') lines.push(`- ${f.words}: ${plain(sampleValue(f, v, of.units))}`);
    }
    for (const picture of e.pictures) {
      const file = fileOf(picture);
      lines.push('', file ? `![${ENTRY_WORDS[e.kind]}](${file})` : '(a picture that is not there any more)');
    }
    lines.push('');
  }
  return `${lines
    .join('\n')
    .replace(/\n{3,}/g, '\n\n')
    .trim()}\n`;
}
