import { type PlanBuilder } from '../builder.ts';
import { partOf, under } from '../garmentmodel.ts';
import { type Fact, type Need, type SeamCode } from '../names.ts';
import { type Laid } from '../types.ts';
import { unless, way } from './method.ts';
import { type MisfitReason } from './misfits.ts';

/** Topstitching a yoke: 3 mm (1/8") from its seam. Common practice. */
const ROW = 3;

function yokeIds(b: PlanBuilder): { outer: string; inner: string } {
  const outer = b.of('yoke').find((p) => p.layer === 'outer')?.id ?? '';
  return { outer, inner: under(outer) };
}

/** The other piece in a seam of the yoke. */
const beside = (b: PlanBuilder, code: SeamCode, kind: 'back' | 'front'): string =>
  b.of(kind).find((p) => b.joints(code).some((j) => [...j.a, ...j.b].some((k) => partOf(k) === p.id)))?.id ?? '';

/** Piece between two yokes: right side to the outer one, wrong side to the inner one's right side. */
function between(b: PlanBuilder, middle: string): Laid[] {
  const { outer, inner } = yokeIds(b);
  return [
    { part: outer, up: 'right', swings: 1 },
    { part: middle, up: 'wrong', swings: 0 },
    { part: inner, up: 'wrong', swings: 1 },
  ];
}

/** The back between the yokes in one seam, graded, pressed up and topstitched. */
function sandwichBack(b: PlanBuilder): void {
  const stack = between(b, beside(b, 'yoke-back', 'back'));
  b.sew('shell', ['yoke-back', 'yoke-back-in'], {
    stack,
    care: 'enclosed',
    to_: null,
    plain: true,
    stops: [],
    code: 'yoke-sandwich',
  });
  b.add('shell', 'table', 'grade-yoke', {
    code: 'grade',
    about: 'yoke-back',
    works: b.joints('yoke-back', 'yoke-back-in').map((j) => j.id),
    needs: ['sewn:yoke-back'],
    cautions: ['blades'],
    data: { layers: 3, allowance: b.joints('yoke-back')[0]?.allowance ?? 0 },
  });
  const pieces = stack.map((l) => l.part);
  b.add('shell', 'iron', 'press-yoke', { pieces, needs: ['step:grade-yoke'], makes: ['flat:yoke-back'] });
  topstitch(b, 'yoke-back', ['step:press-yoke'], ['done:yoke-back', 'done:yoke-back-in']);
}

function topstitch(b: PlanBuilder, code: SeamCode, needs: Need[], makes: Fact[]): void {
  const j = b.joints(code)[0];
  b.add('shell', 'machine', `topstitch:${code}`, {
    code: 'topstitch',
    about: code,
    pieces: [yokeIds(b).outer],
    needs,
    makes,
    data: { in: ROW, a: j?.lengthA ?? 0 },
  });
}

function rolled(b: PlanBuilder): void {
  sandwichBack(b);
  b.sew('shell', ['yoke-shoulder'], { needs: ['done:yoke-back', 'front:flat?'], care: 'enclosed', plain: true });
  const stack = between(b, beside(b, 'yoke-shoulder', 'front'));
  b.sew('shell', ['yoke-shoulder-in'], {
    id: 'sew:yoke-shoulder-in',
    code: 'yoke-roll',
    stack,
    plain: true,
    to_: null,
    needs: ['done:yoke-shoulder'],
  });
  b.add('shell', 'table', 'pull-yoke', {
    pieces: stack.map((l) => l.part),
    needs: ['sewn:yoke-shoulder-in'],
    turns: { how: 'part', parts: [yokeIds(b).outer, yokeIds(b).inner] },
  });
  b.add('shell', 'iron', 'press-yoke-shoulder', {
    code: 'press-yoke',
    pieces: stack.map((l) => l.part),
    needs: ['step:pull-yoke'],
  });
  topstitch(b, 'yoke-shoulder', ['step:press-yoke-shoulder'], ['done:yoke-shoulder-in']);
}

function topstitched(b: PlanBuilder): void {
  const { inner } = yokeIds(b);
  sandwichBack(b);
  b.add('shell', 'iron', 'fold-yoke', {
    code: 'press-under',
    pieces: [inner],
    about: 'yoke-shoulder',
    needs: ['done:yoke-back'],
  });
  b.sew('shell', ['yoke-shoulder'], { needs: ['done:yoke-back', 'front:flat?'], care: 'enclosed', plain: true });
  const j = b.joints('yoke-shoulder-in')[0];
  if (!j) return;
  b.sew('shell', ['yoke-shoulder-in'], {
    code: 'yoke-cover',
    stack: b.lapped(j),
    plain: true,
    to_: null,
    needs: ['done:yoke-shoulder', 'step:fold-yoke'],
    data: { in: ROW },
  });
}

function single(b: PlanBuilder): void {
  b.sew('shell', ['yoke-back']);
  b.sew('shell', ['yoke-shoulder'], { needs: ['done:yoke-back', 'front:flat?'] });
}

/** Clipped and staystitched where it curves against the piece it is sewn to. */
function shaped(b: PlanBuilder): void {
  const { outer } = yokeIds(b);
  const fronts = b.of('front').map((p) => p.id);
  b.add('prepare', 'machine', 'stay-yoke', {
    code: 'staystitch',
    pieces: [outer, ...fronts],
    makes: [`ready:${outer}`],
    data: { inside: 3 },
  });
  single(b);
}

/** Set into a corner: reinforced by stitching down, snipped to the corner, sewn side – neck – side, then the bottom. */
function inset(b: PlanBuilder): void {
  const { outer } = yokeIds(b);
  const back = beside(b, 'yoke-back', 'back');
  b.add('prepare', 'machine', 'corners-yoke', {
    code: 'reinforce-corners',
    pieces: [back],
    makes: ['corners:stitched'],
  });
  b.add('shell', 'table', 'snip-yoke', {
    code: 'snip-corners',
    pieces: [back],
    needs: ['corners:stitched', `ready:${outer}?`],
    cautions: ['blades'],
  });
  b.sew('shell', ['yoke-shoulder'], { needs: ['step:snip-yoke', 'front:flat?'] });
  b.sew('shell', ['yoke-back'], {
    needs: ['step:snip-yoke', 'done:yoke-shoulder'],
    stops: [{ code: 'pivot-at-corners', mm: 0 }],
  });
}

const hasYoke = (b: PlanBuilder): MisfitReason | null => unless(b.has('yoke-back', 'yoke-shoulder'), 'no-yoke');

/** A lining covers the inside of a yoke already. */
const double = (b: PlanBuilder): MisfitReason | null =>
  hasYoke(b) ?? unless(!b.g.making.parts.some((p) => p.material === 'lining'), 'lining-covers-yoke');

const DOUBLE: ReadonlySet<string> = new Set(['rolled', 'topstitched']);

/** Whether the yoke is made of two layers by this method. */
export const yokeIsDouble = (method: string | undefined): boolean => DOUBLE.has(method ?? '');

export const YOKES = [
  way('yoke', 'rolled', 1, double, rolled),
  way('yoke', 'topstitched', 2, double, topstitched),
  way('yoke', 'single', 0, hasYoke, single),
  way('yoke', 'shaped', 0, hasYoke, shaped),
  way('yoke', 'inset', 0, hasYoke, inset),
];
