import { type PlanBuilder } from '../builder.ts';
import { partOf, under } from '../garmentmodel.ts';
import { when } from '../names.ts';
import { type OperationCode } from '../operationcodes.ts';
import { type More } from '../seamruns.ts';
import { halt } from '../stretches.ts';
import { madeApart } from './apart.ts';
import { flatSleeves, hemmedFirst } from './body.ts';
import { coverOver } from './covering.ts';
import { SLEEVE } from './groups.ts';
import { unless, way } from './method.ts';
import { type MisfitReason } from './misfits.ts';

const sleeves = (b: PlanBuilder): string[] => b.of('sleeve').map((p) => p.id);

/** Slit 130–150 mm long; a tower 25 over 10 wide; a binding four times its finished width. From memory. */
const SLIT = 140;

const CUTS: ReadonlySet<OperationCode> = new Set(['cut-slit', 'cut-tower']);

function slit(
  b: PlanBuilder,
  ids: [OperationCode, 'table' | 'machine' | 'iron'][],
  data: Record<string, number>,
): void {
  ids.forEach(([id, station], i) => {
    const [last, before] = [i === ids.length - 1, ids[i - 1]?.[0]];
    b.add('shell', station, id, {
      pieces: sleeves(b),
      needs: before ? [`step:${before}`] : [],
      makes: last ? ['done:slit'] : [],
      ...(CUTS.has(id) && { cautions: ['blades'] }),
      data: { slit: SLIT, ...data },
    });
  });
}

const SLITS: [string, [OperationCode, 'table' | 'machine' | 'iron'][], Record<string, number>, number][] = [
  [
    'bound',
    [
      ['stay-slit', 'machine'],
      ['cut-slit', 'table'],
      ['bind-slit', 'machine'],
      ['press-slit', 'iron'],
    ],
    { strip: 2 * SLIT + 20, wide: 32 },
    0,
  ],
  [
    'tower',
    [
      ['press-tower', 'iron'],
      ['sew-tower', 'machine'],
      ['cut-tower', 'table'],
      ['stitch-tower', 'machine'],
    ],
    { over: 25, under: 10 },
    1,
  ],
  [
    'hemmed',
    [
      ['cut-slit', 'table'],
      ['hem-slit', 'machine'],
    ],
    {},
    0,
  ],
];

/** Pleats or gathers, then the cuff made apart, sewn on, its inner edge stitched over the seam. */
function cuff(b: PlanBuilder, kind: 'band' | 'turn-back' | 'link'): void {
  const outer = b.of('cuff').find((p) => p.layer === 'outer');
  const j = b.joints('cuff')[0];
  if (!outer || !j) return;
  const inner = under(outer.id);
  b.add('apart', 'iron', `fold:${inner}`, {
    code: 'press-under',
    about: 'cuff',
    pieces: [inner],
    makes: [`under:${inner}`],
  });
  madeApart(b, 'cuff', 'cuff-edge', { rows: kind !== 'turn-back', makes: ['cuff:made'], needs: [`under:${inner}`] });
  // A wrist that is no longer than its cuff, its pleats laid, has nothing to draw in.
  if (j.lengthA > j.lengthB)
    b.add('joining', 'machine', 'gather-wrist', {
      pieces: sleeves(b),
      needs: ['done:slit?'],
      foot: 'gathering',
      makes: ['wrist:gathered'],
      data: { a: j.lengthA, b: j.lengthB },
    });
  const sleeve = [...j.a, ...j.b].map(partOf).find((p) => p !== outer.id) ?? '';
  b.sew('joining', ['cuff'], {
    stack: [
      { part: sleeve, up: 'right', swings: 0 },
      { part: outer.id, up: 'wrong', swings: 1 },
    ],
    care: 'enclosed',
    plain: true,
    to_: null,
    needs: ['cuff:made', 'wrist:gathered?', 'done:underarm?', 'done:elbow?', 'done:slit?'],
  });
  b.add('joining', 'iron', 'press:cuff', {
    code: 'press-into',
    about: 'cuff',
    press: 'press-into',
    towards: outer.id,
    pieces: [outer.id],
    works: [j.id],
    needs: ['sewn:cuff'],
    makes: ['done:cuff'],
  });
  innerCuff(b, outer.id);
  if (kind === 'turn-back') b.add('finish', 'iron', 'turn-back-cuff', { pieces: [outer.id], needs: ['done:cuff-in'] });
}

/** The inner cuff's folded edge over the seam, with a lining's wrist caught under it. */
function innerCuff(b: PlanBuilder, outer: string): void {
  b.sew('joining', ['cuff-in'], {
    ...coverOver(b, outer, under(outer)),
    plain: true,
    to_: null,
    needs: ['done:cuff', 'wrist-lining:basted?'],
    makes: ['done:cuff-in'],
  });
  // Wrong sides together, as they are worn: the cuff closes over both.
  const wrist = b.joints('wrist-to-cuff')[0];
  if (wrist)
    b.sew('joining', ['wrist-to-cuff'], {
      code: 'baste-lining-wrist',
      stack: b.lapped(wrist),
      care: 'enclosed',
      to_: null,
      needs: ['inside:sleeves?', 'turned?'],
      makes: ['wrist-lining:basted'],
      reached: true,
    });
}

const hasCuff = (b: PlanBuilder): MisfitReason | null => unless(b.has('cuff'), 'no-cuff');

export const SLEEVE_ENDS = [
  ...SLITS.map(([id, steps, data, rows]) => way('slit', id, rows, hasCuff, (b) => slit(b, steps, data))),
  way('slit', 'none', 0, (b) => unless(!b.has('cuff'), 'cuff-needs-slit')),
  ...(['band', 'turn-back', 'link'] as const).map((id) => way('cuff', id, 1, hasCuff, (b) => cuff(b, id))),
  way('cuff', 'none', 0, (b) => unless(!b.has('cuff'), 'has-cuff')),
];

/** Sleeves that end without a cuff and are not joined to a lining there. */
const free = (b: PlanBuilder): boolean => openWrists(b).length > 0 && b.g.d.lining.wrist.kind !== 'rib';
/** Wrists that no seam takes. */
function openWrists(b: PlanBuilder): string[] {
  return b.unmet([...b.of('sleeve'), ...b.of('under-sleeve')], 'wrist');
}

function wrist(b: PlanBuilder, id: 'hand' | 'machine' | 'casing'): void {
  const depth = b.of('sleeve')[0]?.ring.find((e) => e.role === 'wrist')?.allowance ?? 0;
  const first = hemmedFirst(b);
  const section = first ? 'shell' : 'finish';
  // Hemmed while it lies flat, the sleeve is closed over its hem.
  const flat = first && flatSleeves(b);
  const long = b.length([...b.of('sleeve'), ...b.of('under-sleeve')], 'wrist');
  b.add('shell', 'iron', 'press-wrist', {
    pieces: sleeves(b),
    needs: flat ? [] : SLEEVE,
    makes: ['wrist:pressed'],
    press: 'hem-up',
    data: { depth },
  });
  const lined = b.of('sleeve', 'lining').length > 0;
  const needs = when(lined, 'turned?', 'done:cap?', 'inside:sleeves?').concat('wrist:pressed');
  const done: More = {
    pieces: sleeves(b),
    needs,
    cares: b.care(openWrists(b), 'hemmed'),
    makes: ['wrist:done'],
    data: { depth, a: long },
  };
  if (id === 'hand') b.add(section, 'hand', 'hem-wrist-hand', done);
  else if (id === 'machine') b.add(section, 'machine', 'hem-wrist-machine', done);
  else {
    b.add(section, 'machine', 'stitch-casing', {
      ...done,
      code: 'stitch-casing',
      makes: [],
      stops: halt(!flat, 'casing-gap', 50),
      data: { ...done.data, ...(!flat && { gap: 50 }) },
    });
    b.add(section, 'table', 'thread-elastic', {
      pieces: sleeves(b),
      needs: ['step:stitch-casing'],
      makes: [flat ? 'wrist:done' : 'elastic:in'],
      data: flat ? { caught: 1 } : { lapped: 10 },
    });
    if (flat) return;
    b.add(section, 'machine', 'close-casing', {
      pieces: sleeves(b),
      needs: ['elastic:in'],
      makes: ['wrist:done'],
      data: { a: 50 },
    });
  }
}

export const WRISTS = [
  way(
    'wrist',
    'machine',
    1,
    (b) => unless(free(b), 'wrist-not-free'),
    (b) => wrist(b, 'machine'),
  ),
  way(
    'wrist',
    'hand',
    0,
    (b) => unless(free(b), 'wrist-not-free'),
    (b) => wrist(b, 'hand'),
  ),
  way(
    'wrist',
    'casing',
    1,
    (b) => unless(free(b) && !b.of('sleeve', 'lining').length, 'wrist-not-free'),
    (b) => wrist(b, 'casing'),
  ),
  way('wrist', 'none', 0, (b) => unless(!free(b), 'wrist-is-free')),
  ...(['last', 'first'] as const).map((id) =>
    way('wrist-when', id, 0, (b) =>
      unless(free(b) && b.has('cap') && !b.of('sleeve', 'lining').length, 'wrist-not-free'),
    ),
  ),
];
