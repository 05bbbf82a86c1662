import { type PlanBuilder } from '../builder.ts';
import { partOf, under } from '../garmentmodel.ts';
import { knownSeam, type Need, type SeamCode } from '../names.ts';
import { type Laid, type Part } from '../types.ts';
import { BEFORE_FACING, BEFORE_NECK, basted, madeApart, outer, pressUnder } from './apart.ts';
import { coverOver } from './covering.ts';
import { hood } from './hood.ts';
import { unless, way } from './method.ts';
import { type MisfitReason } from './misfits.ts';

const collarAlone = (b: PlanBuilder): void =>
  madeApart(b, 'collar', 'collar-outer', { rows: true, makes: ['collar:made'] });

/** The neck seam of stand, band or collar: notched, clipped, graded, pressed up into it, its inner edge stitched over the seam. */
function ontoNeck(b: PlanBuilder, code: SeamCode, kind: Part['kind'], needs: Need[]): void {
  const coverCode = knownSeam(`${code}-in`);
  const [j, cover] = [b.joints(code)[0], coverCode && b.joints(coverCode)[0]];
  const id = outer(b, kind);
  if (!j) return;
  const neck = [...j.a, ...j.b].map(partOf).find((p) => p !== id) ?? '';
  const stack: Laid[] = [
    { part: neck, up: 'right', swings: 0 },
    { part: id, up: 'wrong', swings: 1 },
  ];
  b.sew('joining', [code], {
    stack,
    pieces: [neck, id, ...basted(b)],
    needs: [...BEFORE_NECK, ...needs],
    care: 'enclosed',
    plain: true,
    to_: null,
    hard: true,
  });
  b.add('joining', 'table', `clip:${code}`, {
    code: 'clip-neck',
    about: code,
    works: [j.id],
    pieces: [neck, id],
    needs: [`sewn:${code}`],
    cautions: ['blades'],
    bends: b.bends([j]),
    data: { layers: 2, allowance: j.allowance },
  });
  b.add('joining', 'iron', `press:${code}`, {
    code: 'press-into',
    about: code,
    press: 'press-into',
    towards: id,
    pieces: [id],
    works: [j.id],
    needs: [`step:clip:${code}`],
    makes: [`done:${code}`],
  });
  if (cover && coverCode)
    b.sew('joining', [coverCode], {
      ...coverOver(b, id, under(id)),
      plain: true,
      to_: null,
      needs: [`done:${code}`, `under:${under(id)}?`],
      makes: [`done:${coverCode}`, 'neck:closed'],
    });
}

/** Collar between outer and inner stand, along the stand's upper edge and round its ends. */
function collarIntoStand(b: PlanBuilder, section: 'apart' | 'joining', needs: Need[]): void {
  const [stand, collar] = [outer(b, 'stand'), outer(b, 'collar')];
  const stack: Laid[] = [
    { part: stand, up: 'right', swings: 1 },
    { part: collar, up: 'wrong', swings: 0 },
    { part: under(collar), up: 'right', swings: 0 },
    { part: under(stand), up: 'wrong', swings: 1 },
  ];
  b.sew(section, ['collar-stand', 'collar-stand-in'], {
    code: 'collar-sandwich',
    stack,
    care: 'enclosed',
    plain: true,
    to_: null,
    needs,
  });
  const pieces = [stand, under(stand), collar, under(collar)];
  const works = b.joints('collar-stand', 'collar-stand-in').map((j) => j.id);
  b.add(section, 'table', 'trim:collar-stand', {
    code: 'trim-part',
    about: 'collar-stand',
    pieces,
    works,
    needs: ['sewn:collar-stand'],
    cautions: ['blades'],
    data: { layers: 4, allowance: b.joints('collar-stand')[0]?.allowance ?? 0 },
  });
  b.add(section, 'table', 'turn:collar-stand', {
    code: 'turn-part',
    about: 'collar-stand',
    pieces,
    needs: ['step:trim:collar-stand'],
    turns: { how: 'part', parts: [stand, under(stand)] },
  });
  b.add(section, 'iron', 'press:collar-stand', {
    code: 'press-part',
    about: 'collar-stand',
    pieces,
    needs: ['step:turn:collar-stand'],
    makes: ['stand:made', 'done:collar-stand', 'done:collar-stand-in'],
  });
}

function complete(b: PlanBuilder): void {
  collarAlone(b);
  pressUnder(b, under(outer(b, 'stand')), 'stand-neck');
  collarIntoStand(b, 'apart', ['collar:made', `under:${under(outer(b, 'stand'))}`]);
  ontoNeck(b, 'stand-neck', 'stand', ['stand:made']);
}

/** Both stands to the neck first, the collar laid between their upper edges afterwards. */
function inStages(b: PlanBuilder): void {
  collarAlone(b);
  const stand = outer(b, 'stand');
  const j = b.joints('stand-neck')[0];
  if (!j) return;
  const neck = [...j.a, ...j.b].map(partOf).find((p) => p !== stand) ?? '';
  const stack: Laid[] = [
    { part: stand, up: 'right', swings: 1 },
    { part: neck, up: 'wrong', swings: 0 },
    { part: under(stand), up: 'wrong', swings: 1 },
  ];
  b.sew('joining', ['stand-neck', 'stand-neck-in'], {
    code: 'stand-sandwich',
    stack,
    care: 'enclosed',
    plain: true,
    to_: null,
    needs: BEFORE_NECK,
    hard: true,
  });
  const works = b.joints('stand-neck', 'stand-neck-in').map((x) => x.id);
  b.add('joining', 'table', 'clip:stand-neck', {
    code: 'clip-neck',
    about: 'stand-neck',
    works,
    pieces: [neck, stand],
    needs: ['sewn:stand-neck'],
    cautions: ['blades'],
    bends: b.bends([j]),
    data: { layers: 3, allowance: j.allowance },
  });
  b.add('joining', 'iron', 'press:stand-neck', {
    code: 'press-into',
    about: 'stand-neck',
    press: 'press-into',
    towards: stand,
    pieces: [stand],
    works,
    needs: ['step:clip:stand-neck'],
    makes: ['done:stand-neck', 'done:stand-neck-in'],
  });
  collarLaidIn(b, stand);
}

/** The collar to the outer stand's upper edge, the inner one's folded over it. */
function collarLaidIn(b: PlanBuilder, stand: string): void {
  pressUnder(b, under(stand), 'collar-stand');
  const collar = outer(b, 'collar');
  b.sew('joining', ['collar-stand'], {
    stack: [
      { part: stand, up: 'right', swings: 0 },
      { part: collar, up: 'wrong', swings: 1 },
    ],
    care: 'enclosed',
    plain: true,
    to_: null,
    needs: ['collar:made', 'done:stand-neck'],
    makes: ['done:collar-stand'],
  });
  b.sew('joining', ['collar-stand-in'], {
    ...coverOver(b, stand, under(collar), under(stand)),
    plain: true,
    to_: null,
    needs: ['done:collar-stand', `under:${under(stand)}`],
    makes: ['done:collar-stand-in', 'neck:closed'],
  });
}

function band(b: PlanBuilder): void {
  const stand = outer(b, 'stand');
  pressUnder(b, under(stand), 'stand-neck');
  madeApart(b, 'stand', 'stand-top', { makes: ['stand:made'], needs: [`under:${under(stand)}`] });
  ontoNeck(b, 'stand-neck', 'stand', ['stand:made']);
}

/** One-piece and flat collars on a faced neck: basted to it, then the facing over them in one seam. */
function underFacing(b: PlanBuilder): void {
  collarAlone(b);
  const collar = outer(b, 'collar');
  b.add('joining', 'machine', 'baste-collar', {
    pieces: [collar, under(collar)],
    about: 'collar-neck',
    needs: [...BEFORE_FACING, 'collar:made'],
    makes: ['neck:dressed'],
  });
}

/** Without a facing: the under collar to the neck, the upper one folded under and stitched over the seam. */
function covered(b: PlanBuilder): void {
  pressUnder(b, under(outer(b, 'collar')), 'collar-neck');
  madeApart(b, 'collar', 'collar-outer', {
    rows: true,
    makes: ['collar:made'],
    needs: [`under:${under(outer(b, 'collar'))}`],
  });
  ontoNeck(b, 'collar-neck', 'collar', ['collar:made']);
}

/** The neck edge wrapped in or covered by a bias strip together with the collar. */
function biased(b: PlanBuilder): void {
  collarAlone(b);
  const collar = outer(b, 'collar');
  const j = b.joints('collar-neck')[0];
  const neck = [...(j?.a ?? []), ...(j?.b ?? [])].map(partOf).find((p) => p !== collar) ?? '';
  const stack: Laid[] = [
    { part: neck, up: 'right', swings: 0 },
    { part: collar, up: 'wrong', swings: 1 },
    { part: under(collar), up: 'right', swings: 1 },
  ];
  b.sew('joining', ['collar-neck', 'collar-neck-in'], {
    code: 'collar-bias',
    stack,
    care: 'bound',
    plain: true,
    to_: null,
    needs: [...BEFORE_NECK, 'collar:made'],
    makes: ['done:collar-neck', 'neck:closed'],
  });
}

/** Notched: under collar to the shell's neck, upper collar to the facing's, then both edges in one run with the fronts. */
function notched(b: PlanBuilder): void {
  const collar = outer(b, 'collar');
  const j = b.joints('collar-neck')[0];
  const neck = [...(j?.a ?? []), ...(j?.b ?? [])].map(partOf).find((p) => p !== collar) ?? '';
  const facing = b.of('front', 'facing')[0]?.id ?? neck;
  b.sew('joining', ['collar-neck'], {
    stack: [
      { part: neck, up: 'right', swings: 0 },
      { part: collar, up: 'wrong', swings: 1 },
    ],
    plain: true,
    care: 'enclosed',
    needs: BEFORE_FACING,
  });
  b.sew('joining', ['collar-neck-in'], {
    stack: [
      { part: facing, up: 'right', swings: 0 },
      { part: under(collar), up: 'wrong', swings: 1 },
    ],
    plain: true,
    care: 'enclosed',
    to_: 'press-open',
    needs: ['done:facing-shoulder?'],
    makes: ['done:collar-neck-in'],
  });
  b.add('joining', 'table', 'match-notches', {
    pieces: [collar, under(collar)],
    needs: ['done:collar-neck', 'done:collar-neck-in'],
    makes: ['neck:dressed'],
  });
}

const withStand = (b: PlanBuilder): MisfitReason | null =>
  unless(b.has('collar-stand'), b.has('collar-neck') ? 'no-stand' : 'no-collar');

const onePiece = (b: PlanBuilder): boolean => b.has('collar-neck');

const lapel = (b: PlanBuilder): boolean =>
  b.g.d.facing.on && b.g.d.facing.kind === 'lapel' && b.of('front', 'facing').length > 0;

const facedNeck = (b: PlanBuilder): boolean =>
  (b.has('neckline-front') && b.has('neckline-back')) || b.has('band-neckline');

export const COLLARS = [
  way('collar', 'complete', 1, withStand, complete),
  way('collar', 'in-stages', 1, withStand, inStages),
  way('collar', 'band', 1, (b) => unless(b.has('stand-neck') && !b.has('collar-stand'), 'no-band'), band),
  way(
    'collar',
    'notched',
    0,
    (b) =>
      !onePiece(b)
        ? b.has('collar-stand')
          ? 'lapel-with-stand'
          : 'no-collar'
        : unless(lapel(b) && facedNeck(b), 'no-lapel'),
    notched,
  ),
  way(
    'collar',
    'under-facing',
    1,
    (b) => (!onePiece(b) ? 'no-collar' : lapel(b) ? 'is-lapel' : unless(facedNeck(b), 'neck-not-faced')),
    underFacing,
  ),
  way(
    'collar',
    'covered',
    1,
    (b) => (!onePiece(b) ? 'no-collar' : unless(!b.has('neckline-back', 'band-neckline'), 'neck-is-faced')),
    covered,
  ),
  way(
    'collar',
    'biased',
    1,
    (b) => (!onePiece(b) ? 'no-collar' : unless(!b.has('neckline-back', 'band-neckline'), 'neck-is-faced')),
    biased,
  ),
  way('collar', 'hood', 0, (b) => unless(b.has('hood-neck'), 'no-hood'), hood),
  way('collar', 'none', 0, (b) => unless(!b.has('collar-neck', 'stand-neck', 'hood-neck'), 'has-collar')),
];
