import { type PlanBuilder } from '../builder.ts';
import { partOf } from '../garmentmodel.ts';
import { type Need, type SeamCode, when } from '../names.ts';
import { SEAM_WAYS } from '../seamfinishes.ts';
import { PANELS, SHOULDERS, SLEEVE } from './groups.ts';
import { unless, way } from './method.ts';
import { type MisfitReason } from './misfits.ts';
import { linings } from './opening.ts';
import { furtherPanels } from './panels.ts';

/** Whether shell and lining sides are sewn in one run, after the layers have been joined above. */
export const sidesLate = (b: PlanBuilder): boolean =>
  ['pull-through', 'open-sides'].includes(b.g.methods.armholes ?? '') ||
  b.g.methods['lining-sides'] === 'one-run' ||
  before(b) ||
  doubled(b);

/** Fronts cut double, of which the second layer goes into the side seams because the back has none. */
export const doubled = (b: PlanBuilder): boolean =>
  b.g.d.lining.on && b.g.d.lining.fronts === 'double' && b.unmet(linings(b), 'side').length > 0;

/** Whether the front opens along an edge with a facing: sewn on, or grown on beyond a fold. */
export const frontFaced = (b: PlanBuilder): boolean =>
  b.has('front-edge') || b.of('front', 'facing').some((p) => p.ring.some((e) => e.onFold && e.role === 'front-edge'));

/** Facings applied in the flat, side seams of both after them. */
export const before = (b: PlanBuilder): boolean => b.g.methods['facing-when'] === 'before-sides';

export const flatSleeves = (b: PlanBuilder): boolean => b.g.methods.sleeves === 'flat';

/** Panels, centre seams and shoulders of the outside; yokes, sides and sleeves follow by their methods. */
export function shellBody(b: PlanBuilder): void {
  b.sew('shell', ['panel-front']);
  b.sew('shell', ['panel-back']);
  furtherPanels(b);
  b.sew('shell', ['centre-back'], { needs: PANELS });
  b.sew('shell', ['centre-front'], { needs: PANELS });
  if (!shouldersLate(b)) b.sew('shell', ['shoulder'], { needs: [...PANELS, 'done:centre-back?', 'front:flat?'] });
  b.sew('apart', ['hood-centre-back']);
}

/** Shoulders stay open until neck and armholes are closed. */
export const shouldersLate = (b: PlanBuilder): boolean =>
  ['slotted', 'shoulders-last'].includes(b.g.methods.armholes ?? '');

/** Armholes of a lining without sleeves, basted to the shell's: the sleeves are set through both. */
export const throughBoth = (b: PlanBuilder): boolean =>
  b.has('cap') && !b.has('lining-cap') && liningArmholes(b).length > 0;

/** Armhole edges of the lining that no seam takes. */
export function liningArmholes(b: PlanBuilder): string[] {
  return b.unmet(
    b.g.making.parts.filter((p) => p.material === 'lining'),
    'armhole',
  );
}

/** Sleeves set into armholes that are basted together with the lining's. */
export function setThroughBoth(b: PlanBuilder): void {
  if (!throughBoth(b)) return;
  const keys = liningArmholes(b);
  b.add('joining', 'machine', 'baste-armholes', {
    pieces: [...new Set(keys.map(partOf)), ...b.of('front').map((p) => p.id), ...b.of('back').map((p) => p.id)],
    needs: [
      'turned?',
      'held:edge?',
      ...SHOULDERS,
      'done:side?',
      'done:lining-side?',
      'done:lining-shoulder?',
      'done:facing-shoulder?',
    ],
    cares: b.care(keys, 'enclosed'),
    makes: ['armholes:basted'],
    data: { a: b.joints('cap', 'raglan')[0]?.lengthB ?? 500 },
  });
  if (b.has('cap')) easeCap(b, 'sleeve', 'shell', 'cap');
  const needs: Need[] = ['armholes:basted', ...SLEEVE, 'eased:cap?'];
  b.sew('joining', ['cap'], { needs, cautions: ['thick-seam'] });
}

/** Whether sleeves are hemmed before they are set in. */
export const hemmedFirst = (b: PlanBuilder): boolean => b.g.methods['wrist-when'] === 'first';

/** Sleeves closed by themselves, before they are set. */
function closeSleeves(b: PlanBuilder): void {
  b.sew('shell', ['underarm'], { needs: ['done:slit?'] });
  b.sew('shell', ['forearm'], {});
  b.sew('shell', ['elbow'], { needs: ['done:forearm?', 'done:slit?'] });
}

/** Side and underarm seams, where no lining method sews them later. */
function sides(b: PlanBuilder): void {
  if (sidesLate(b)) {
    closeSleeves(b);
    return;
  }
  const hemmed: Need[] = when(hemmedFirst(b), 'wrist:done?');
  if (flatSleeves(b)) {
    if (b.has('cap')) easeCap(b, 'sleeve', 'shell', 'cap');
    b.sew('shell', ['cap'], { needs: [...SHOULDERS, 'done:yoke-back-in?', 'done:slit?', 'eased:cap?', ...hemmed] });
    b.sew('shell', ['raglan'], { needs: [...SHOULDERS, 'done:slit?'] });
    b.sew('shell', [...sideCodes(b), 'underarm'], {
      needs: ['loops:on?', 'done:cap?', 'done:raglan?', 'pocket:set?', ...PANELS, ...openWaist(b)],
    });
    return;
  }
  b.sew('shell', sideCodes(b), {
    needs: ['pocket:set?', 'loops:on?', 'done:yoke-back?', 'done:yoke-shoulder-in?', ...PANELS, ...openWaist(b)],
  });
  closeSleeves(b);
  if (throughBoth(b)) return;
  const round: Need[] = ['done:side?', ...PANELS, ...SLEEVE];
  if (b.has('cap')) easeCap(b, 'sleeve', 'shell', 'cap');
  b.sew('shell', ['cap'], { needs: [...SHOULDERS, ...round, 'eased:cap?', ...hemmed], cautions: ['thick-seam'] });
  b.sew('shell', ['raglan'], { needs: round });
}

/** Bodice sides, with those of the skirt where the waist seam is sewn before them. */
export const sideCodes = (b: PlanBuilder): SeamCode[] =>
  b.g.methods.waist === 'flat' ? ['side', 'side-zip', 'skirt-side', 'skirt-side-zip'] : ['side', 'side-zip'];

/** Sewn flat, a waist seam comes before the sides it runs across. */
export const openWaist = (b: PlanBuilder): Need[] =>
  b.g.methods.waist === 'flat' ? ['done:waist-front?', 'done:waist-back?'] : [];

/** Two rows of long stitches along the cap, where there is more than a little to ease in. */
export function easeCap(b: PlanBuilder, kind: 'sleeve', section: 'shell' | 'inside', code: SeamCode): void {
  const j = b.joints(code)[0];
  const material = section === 'shell' ? 'shell' : 'lining';
  const ease = j ? j.lengthA - j.lengthB : 0;
  // A head that is gathered or pleated is drawn in as all gathers are.
  if (ease < 6 || j?.easeOf === 'gather') return;
  const pieces = b.of(kind, material).map((p) => p.id);
  b.add(section, 'machine', `ease:${code}`, {
    code: 'ease-cap',
    pieces,
    makes: [`eased:${code}`],
    data: { ease, a: j?.lengthA ?? 0 },
  });
}

export const SEAMS = SEAM_WAYS.map((id) =>
  way('seams', id, id === 'felled' ? 1 : 0, (b) =>
    unless(
      b.g.making.joints.some((j) => b.isBare(j)),
      'nothing-bare',
    ),
  ),
);

/** What raw edges are neatened on, as one has it. */
export const NEATENINGS = (['overlocker', 'zigzag'] as const).map((id) => way('neatening', id));

/** Two-piece sleeves have two seams and are closed before they are set. */
const notFlat = (b: PlanBuilder): MisfitReason | null =>
  b.has('elbow')
    ? 'two-piece-round'
    : b.has('cap') && !b.has('side')
      ? 'armhole-is-round'
      : throughBoth(b)
        ? 'sleeves-through-both'
        : unless(b.has('cap', 'raglan'), 'no-sleeves');

export const SLEEVES = [
  way('sleeves', 'round', 0, (b) => (b.has('raglan') ? 'raglan-flat' : unless(b.has('cap'), 'no-sleeves')), sides),
  way('sleeves', 'flat', 0, notFlat, sides),
  way('sleeves', 'none', 0, (b) => unless(!b.has('cap', 'raglan'), 'has-sleeves'), sides),
];
