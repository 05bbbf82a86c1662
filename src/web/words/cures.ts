import { decided } from '../../core/document/decided.ts';
import { type Decisions, type ProjectDocument } from '../../core/document/project.ts';
import { type FindingCode } from '../../core/findingcodes.ts';
import { halveWhole } from '../../core/pattern/index.ts';
import { type Finding } from '../../core/result.ts';
import { formatLength } from '../../core/units.ts';

/** What can be done about a finding at the press of a button: its words, and the project after it. */
export interface Cure {
  label: string;
  next: ProjectDocument;
}

type Mend = (d: Decisions, n: (key: string) => number) => { part: Partial<Decisions>; words: string; to?: number };

const up = (v: number): number => Math.ceil(v - 1e-9);

const MENDS: Partial<Record<FindingCode, Mend>> = {
  'facing-narrow': (d, n) => ({
    part: { facing: { ...d.facing, front: up(n('least')) } },
    words: 'Widen the front facing to',
    to: up(n('least')),
  }),
  'front-facing-too-wide': (d, n) => ({
    part: { facing: { ...d.facing, front: n('most') } },
    words: 'Narrow the front facing to',
    to: n('most'),
  }),
  'shoulder-too-short': (d, n) => ({
    part: { facing: { ...d.facing, shoulder: n('most') } },
    words: 'Narrow the facings at the shoulder to',
    to: n('most'),
  }),
  'back-facing-too-deep': (d, n) => ({
    part: { facing: { ...d.facing, back: n('most') } },
    words: 'Make the back facing',
    to: n('most'),
  }),
  'front-strip-too-wide': (d, n) => ({
    part: { interfacing: { ...d.interfacing, frontStrip: n('most') } },
    words: 'Narrow the strip to',
    to: n('most'),
  }),
  // Where the last one may move, it is raised by that much more.
  'button-near-hem': (d, n) => ({
    part: { closure: { ...d.closure, bottom: up(n('least') + d.closure.bottomGive) } },
    words: 'Raise the lowest button to',
    to: up(n('least') + d.closure.bottomGive),
  }),
  'button-near-neck': (d, n) => ({
    part: { closure: { ...d.closure, top: up(n('least')) } },
    words: 'Lower the first button to',
    to: up(n('least')),
  }),
  'too-many-buttons': (d, n) => ({
    part: { closure: { ...d.closure, by: 'count', count: n('most') } },
    words: `Take ${n('most')} buttons`,
  }),
  'no-room-for-buttons': (d) => ({
    part: { closure: { ...d.closure, top: up(d.closure.diameter), bottom: up(d.closure.diameter) } },
    words: 'Begin and end a button’s width from the ends',
  }),
  'first-gap-too-long': (d, n) => ({
    part: { closure: { ...d.closure, firstGap: n('most') } },
    words: 'A first gap of',
    to: n('most'),
  }),
  'loosen-count': (d, n) => ({
    part: { closure: { ...d.closure, by: 'count', count: n('to') } },
    words: `Take ${n('to')}`,
  }),
  'loosen-first': (d, n) => ({ part: { closure: { ...d.closure, topGive: up(n('to')) } }, words: 'Let it move' }),
  'loosen-last': (d, n) => ({ part: { closure: { ...d.closure, bottomGive: up(n('to')) } }, words: 'Let it move' }),
  'loosen-level': (d) => ({
    part: { closure: { ...d.closure, bust: { ...d.closure.bust, want: 'near' } } },
    words: 'As near as can be',
  }),
  'loosen-pin': (d, n) => ({
    part: { closure: { ...d.closure, pins: d.closure.pins.filter((p) => p.index !== n('index')) } },
    words: 'Let it go',
  }),
  'loosen-head': (d, n) =>
    n('to') > 0
      ? { part: { closure: { ...d.closure, firstGap: n('to') } }, words: 'A first gap that goes' }
      : { part: { closure: { ...d.closure, school: 'equal' } }, words: 'All gaps alike' },
  'loosen-group': (d) => ({ part: { closure: { ...d.closure, school: 'equal' } }, words: 'One by one' }),
};

/** Half of a piece that is drawn whole, on the fold. */
function halfOf(f: Finding, doc: ProjectDocument): Cure | null {
  const piece = doc.shell?.pieces.find((p) => p.id === f.where?.piece);
  const half = piece && halveWhole(piece);
  if (!doc.shell || !half?.ok) return null;
  const pieces = doc.shell.pieces.map((p) => (p.id === half.value.id ? half.value : p));
  return { label: 'Take half of it, on the fold', next: { ...doc, shell: { ...doc.shell, pieces } } };
}

/** A narrower belt, with what is kept clear beside it. */
function narrower(f: Finding, doc: ProjectDocument): Cure | null {
  const { closure } = doc.decisions;
  const belt = Math.floor(closure.waist.belt - Number(f.data?.from) + Number(f.data?.to));
  if (f.data?.name !== 'belt' || belt < 0) return null;
  return {
    label: `A belt of ${formatLength(belt, doc.units)}`,
    next: decided(doc, 'closure', { waist: { ...closure.waist, belt } }),
  };
}

/** The cure of a finding as one change, where it can be computed and is not what stands there already. */
export function cureOf(f: Finding, doc: ProjectDocument): Cure | null {
  if (f.code === 'drawn-whole') return halfOf(f, doc);
  if (f.code === 'loosen-zone') return narrower(f, doc);
  const mend = MENDS[f.code];
  const data = f.data ?? {};
  if (!mend) return null;
  const made = mend(doc.decisions, (key) => Number(data[key]));
  if (made.to !== undefined && !(made.to > 0)) return null;
  const label = made.to === undefined ? made.words : `${made.words} ${formatLength(made.to, doc.units)}`;
  return { label, next: { ...doc, decisions: { ...doc.decisions, ...made.part } } };
}
