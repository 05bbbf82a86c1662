import { type PlanBuilder } from '../builder.ts';
import { edgesOf, partOf, under } from '../garmentmodel.ts';
import { type Joint, type Sewn } from '../types.ts';
import { madeApart } from './apart.ts';
import { BESIDE_ZIP, sidesLate, zipLength, zipShares } from './body.ts';
import { LINING_SKIRT, PANELS, SKIRT } from './groups.ts';
import { type Method, unless, way } from './method.ts';
import { skirtPanels } from './panels.ts';

/** Skirt seams, then bodice and skirt joined: in the round once their sides are closed, or flat before. */
function joinWaist(b: PlanBuilder): void {
  const flat = b.g.methods.waist === 'flat';
  const { skirt } = zipShares(b);
  if (skirt < 1)
    b.sew('shell', ['skirt-centre-back'], {
      from: skirt,
      ...(skirt > 0 && { stops: [{ code: 'stop-below-zip', mm: BESIDE_ZIP }], short: () => ({ from: BESIDE_ZIP }) }),
    });
  b.sew('shell', ['skirt-centre-front']);
  if (!flat || !b.has('side'))
    b.sew('shell', ['skirt-side'], { needs: ['pocket:set?', 'loops:on?', 'done:skirt-centre-back?'] });
  skirtPanels(b);
  const round = flat ? [] : ['done:side?', ...SKIRT];
  const late = sidesLate(b) ? ['turned?'] : [];
  b.sew(sidesLate(b) ? 'joining' : 'shell', ['waist-front', 'waist-back'], {
    needs: [...round, ...late, ...PANELS],
    to_: 'press-to-b',
  });
}

/** A band of two layers: outer to the skirt, ends and upper edge closed, inner edge covering the seam. */
function waistband(b: PlanBuilder, ditch: boolean): void {
  joinWaist(b);
  const band = b.of('waistband').find((p) => p.layer === 'outer');
  const j = b.joints('waistband')[0];
  if (!band || !j) return;
  const inner = under(band.id);
  b.add('apart', 'iron', `fold:${inner}`, {
    code: 'press-under',
    about: 'waistband',
    pieces: [inner],
    makes: [`folded:${inner}`],
  });
  madeApart(b, 'waistband', 'band-edge', { makes: ['band:made'], needs: [`folded:${inner}`, 'tie:made?'] });
  const skirt = [...j.a, ...j.b].map(partOf).find((p) => p !== band.id) ?? '';
  b.sew('joining', ['waistband'], {
    stack: [
      { part: skirt, up: 'right', swings: 0 },
      { part: band.id, up: 'wrong', swings: 1 },
    ],
    care: 'enclosed',
    plain: true,
    to_: 'press-to-b',
    needs: ['band:made?', 'loops:on?', ...SKIRT, 'done:side?', 'zip:in?', 'waist-lining:in?', ...PANELS],
  });
  b.sew('joining', ['waistband-in'], {
    code: ditch ? 'cover-ditch' : 'cover-seam',
    stack: [
      { part: band.id, up: 'right', swings: 0 },
      { part: inner, up: 'wrong', swings: 0 },
    ],
    plain: true,
    to_: null,
    needs: ['done:waistband'],
    makes: ['done:waistband-in'],
  });
}

/** A skirt's lining to its waist, wrong sides together, before band or facing. */
export function skirtLining(b: PlanBuilder): void {
  if (!b.has('waist-front-lining', 'waist-back-lining')) return;
  const j = b.joints('waist-front-lining', 'waist-back-lining')[0];
  if (!j) return;
  b.sew('joining', ['waist-front-lining', 'waist-back-lining'], {
    code: 'baste-waist-lining',
    stack: b.lapped(j),
    care: 'enclosed',
    to_: null,
    needs: [...SKIRT, ...LINING_SKIRT, 'done:side?', 'done:lining-side?', 'held:edge?', 'zip:in?'],
    makes: ['waist-lining:in'],
  });
}

const seamed = (b: PlanBuilder): string | null => unless(b.has('waist-front', 'waist-back'), 'no-waist-seam');
const banded = (b: PlanBuilder): string | null => unless(b.has('waistband'), 'no-waistband');

export const WAISTS: Method[] = [
  way('waist', 'round', 0, (b) => seamed(b), joinWaist),
  way(
    'waist',
    'flat',
    0,
    (b) => seamed(b) ?? (sidesLate(b) ? null : unless(b.has('side', 'skirt-side'), 'no-sides')),
    joinWaist,
  ),
  way(
    'waist',
    'band',
    1,
    (b) => banded(b),
    (b) => waistband(b, false),
  ),
  way(
    'waist',
    'ditch',
    0,
    (b) => banded(b),
    (b) => waistband(b, true),
  ),
  way('waist', 'none', 0, (b) => unless(!b.has('waist-front', 'waist-back', 'waistband'), 'has-waist'), joinWaist),
];

/** The zip in the centre back: edges pressed, strip fused, basted, crossings checked, sewn; inside joined to its tape. */
function zip(b: PlanBuilder, by: 'machine' | 'hand'): void {
  const { body, skirt } = zipShares(b);
  const shell = b.joints('centre-back', 'skirt-centre-back');
  const keys = edgesOf(shell);
  const pieces = [...new Set(keys.map(partOf))];
  const inner = b.joints('facing-centre-back', 'lining-centre-back', 'lining-skirt-centre-back');
  const share = (code: string): number => (code.includes('skirt') ? skirt : body);
  const stretches = (list: typeof shell) =>
    list.flatMap((j) => (share(j.code) > 0 ? [{ joint: j.id, from: 0, to: share(j.code) }] : []));
  const length = zipLength(b);
  const crossings = [
    'done:waist-front?',
    'done:waist-back?',
    'done:skirt-centre-back?',
    'done:centre-back?',
    'turned?',
  ];
  b.add('shell', 'overlocker', 'neaten-zip', {
    code: 'neaten',
    about: 'centre-back',
    pieces,
    cares: b.care(keys, 'overlocked'),
    makes: ['zip:edged'],
    data: { a: length * 2 },
  });
  b.add('joining', 'machine', 'baste-zip', {
    pieces,
    foot: 'zip',
    needs: ['zip:edged', ...crossings],
    makes: ['zip:basted'],
    data: { a: length },
  });
  b.add('joining', 'table', 'check-zip', { pieces, needs: ['zip:basted'] });
  b.add('joining', 'machine', 'sew-zip', {
    pieces,
    foot: 'zip',
    needs: ['check-zip'],
    makes: ['zip:in', 'done:zip'],
    sews: stretches(shell),
    hard: true,
    data: { a: length * 2, zip: length },
  });
  // From the zip's foot on, the foot close to the stitching, down to where the seam below it begins: no dimple.
  const below = shell.flatMap((j) => b.rest(`sew:${j.code}`, [j.code])).filter((s) => s.from > 0 && s.to < 1);
  if (below.length)
    b.add('joining', 'machine', 'close-below-zip', {
      pieces,
      foot: 'zip',
      needs: ['zip:in'],
      sews: below,
      makes: ['zip:closed-below'],
      data: { below: BESIDE_ZIP, a: BESIDE_ZIP },
    });
  insideToZip(b, by, stretches(inner), inner);
}

/** Facing and lining to the tape. */
function insideToZip(b: PlanBuilder, by: 'machine' | 'hand', sews: Sewn[], inner: Joint[]): void {
  if (!sews.length) return;
  const all = edgesOf(inner);
  b.add('joining', by, by === 'hand' ? 'fell-zip' : 'zip-lining', {
    pieces: [...new Set(all.map(partOf))],
    foot: by === 'hand' ? 'straight' : 'zip',
    needs: ['zip:in', 'done:lining-waist-front?', 'done:lining-skirt-centre-back?', 'turned?'],
    sews,
    cares: b.care(all, 'enclosed'),
    makes: ['zip:lined'],
    thread: 'lining',
    reached: true,
    data: { a: zipLength(b) * 2 },
  });
}

const zipped = (b: PlanBuilder): string | null =>
  unless(b.g.d.lining.zip.length > 0 && b.has('centre-back', 'skirt-centre-back'), 'no-zip');

export const ZIPS: Method[] = [
  way('zip', 'machine', 1, zipped, (b) => zip(b, 'machine')),
  way('zip', 'hand', 1, zipped, (b) => zip(b, 'hand')),
  way('zip', 'none', 0, (b) => (zipped(b) ? null : 'has-zip')),
];
