import { type PlanBuilder } from '../builder.ts';
import { edgesOf, partOf, under } from '../garmentmodel.ts';
import { type Need } from '../names.ts';
import { type Joint } from '../types.ts';
import { madeApart } from './apart.ts';
import { sidesLate } from './body.ts';
import { coverOver } from './covering.ts';
import { LINING_PANELS, LINING_SKIRT, PANELS, SKIRT } from './groups.ts';
import { unless, way } from './method.ts';
import { type MisfitReason } from './misfits.ts';
import { skirtPanels } from './panels.ts';

/** Skirt seams, then bodice and skirt joined: in the round once their sides are closed, or flat before. */
function joinWaist(b: PlanBuilder): void {
  const flat = b.g.methods.waist === 'flat';
  b.sew('shell', ['skirt-centre-back']);
  b.sew('shell', ['skirt-centre-front']);
  if (!flat || !b.has('side'))
    b.sew('shell', ['skirt-side', 'skirt-side-zip'], {
      needs: ['pocket:set?', 'loops:on?', 'done:skirt-centre-back?'],
    });
  skirtPanels(b);
  const round: Need[] = flat ? [] : ['done:side?', ...SKIRT];
  const late: Need[] = sidesLate(b) ? ['turned?'] : [];
  b.sew(sidesLate(b) ? 'joining' : 'shell', ['waist-front', 'waist-back'], {
    needs: [...round, ...late, ...PANELS],
    to_: towards(b, b.joints('waist-front', 'waist-back')[0], ['front', 'back', 'front-side', 'back-side']),
  });
}

/** To which side of a joint allowances go, that they may lie in pieces of these kinds. */
function towards(b: PlanBuilder, j: Joint | undefined, kinds: readonly string[]): 'press-to-a' | 'press-to-b' {
  const on = (keys: string[]): boolean => keys.some((k) => kinds.includes(b.parts.get(partOf(k))?.kind ?? ''));
  return j && on(j.a) ? 'press-to-a' : 'press-to-b';
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
    makes: [`under:${inner}`],
  });
  madeApart(b, 'waistband', 'band-edge', { makes: ['band:made'], needs: [`under:${inner}`, 'tie:made?'] });
  // A band between two others is sewn to the one and to the other.
  const all = b.joints('waistband');
  const inner_ = b.joints('waistband-in');
  const alone = (j: Joint): { only?: Joint } => (all.length > 1 ? { only: j } : {});
  for (const j of all)
    b.sew('joining', ['waistband'], {
      ...alone(j),
      stack: [
        { part: sideOf(j, band.id), up: 'right', swings: 0 },
        { part: band.id, up: 'wrong', swings: 1 },
      ],
      care: 'enclosed',
      plain: true,
      to_: towards(b, j, ['waistband']),
      needs: ['band:made?', 'loops:on?', ...SKIRT, 'done:side?', 'zip:in?', 'waist-lining:in?', ...PANELS],
    });
  for (const j of inner_)
    b.sew('joining', ['waistband-in'], {
      ...alone(j),
      ...(ditch ? { code: 'cover-ditch' as const, stack: b.asWorn(band.id, inner) } : coverOver(b, band.id, inner)),
      plain: true,
      to_: null,
      needs: ['done:waistband'],
      makes: ['done:waistband-in'],
    });
}

/** What a band is sewn to by a joint. */
const sideOf = (j: Joint, band: string): string =>
  edgesOf([j])
    .map(partOf)
    .find((p) => p !== band) ?? '';

/** A skirt's lining to its waist, wrong sides together, before band or facing. */
export function skirtLining(b: PlanBuilder): void {
  bodiceLining(b);
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
    data: { ofSkirt: b.has('waist-lining') ? 1 : 0 },
  });
}

/** A bodice's lining, with the ends of its facings, to its own waist before a band is sewn to both. */
function bodiceLining(b: PlanBuilder): void {
  const j = b.joints('waist-lining')[0];
  if (!j) return;
  b.sew('joining', ['waist-lining'], {
    code: 'baste-waist-lining',
    stack: b.lapped(j),
    care: 'enclosed',
    to_: null,
    needs: ['done:side?', 'done:lining-side?', 'held:edge?', 'turned?', ...LINING_PANELS],
    makes: ['waist-lining:in'],
    data: { ofBodice: 1 },
  });
}

const seamed = (b: PlanBuilder): MisfitReason | null => unless(b.has('waist-front', 'waist-back'), 'no-waist-seam');
const banded = (b: PlanBuilder): MisfitReason | null => unless(b.has('waistband'), 'no-waistband');

export const WAISTS = [
  way('waist', 'round', 0, (b) => seamed(b), joinWaist),
  way(
    'waist',
    'flat',
    0,
    // Legs are closed round before a waist is sewn to them.
    (b) =>
      seamed(b) ??
      (b.has('inseam') ? 'has-legs' : sidesLate(b) ? null : unless(b.has('side', 'skirt-side'), 'no-sides')),
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
