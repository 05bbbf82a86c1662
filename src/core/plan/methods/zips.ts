import { type PlanBuilder } from '../builder.ts';
import { edgesOf, partOf } from '../garmentmodel.ts';
import { type Need } from '../names.ts';
import { ZIP_CODES } from '../seamfinishes.ts';
import { BESIDE_ZIP, halt } from '../stretches.ts';
import { type Joint, type Sewn, type StopPoint } from '../types.ts';
import { PANELS, SKIRT, WAIST } from './groups.ts';
import { unless, way } from './method.ts';
import { type MisfitReason } from './misfits.ts';

/** The length of the zip, mm; 0 for none. */
export const zipLength = (b: PlanBuilder): number =>
  b.g.methods.zip && b.g.methods.zip !== 'none' ? b.g.d.lining.zip.length : 0;

const codes = (b: PlanBuilder) => ZIP_CODES[b.g.d.lining.zip.at];

/** Seams of the outside that the zip may lie in, those above the waist first. */
const shellSeams = (b: PlanBuilder): Joint[] => b.joints(...codes(b).shell);

/** The stretches of these seams that the zip takes. */
const taken = (b: PlanBuilder, list: Joint[]): Sewn[] =>
  list.flatMap((j) => (b.zipShare(j) > 0 ? [{ joint: j.id, from: 0, to: b.zipShare(j) }] : []));

/** The zip in its seam: edges pressed, strip fused, basted, crossings checked, sewn; inside joined to its tape. */
function zip(b: PlanBuilder, by: 'machine' | 'hand'): void {
  const shell = shellSeams(b).filter((j) => b.zipShare(j) > 0);
  const keys = edgesOf(shell);
  const pieces = [...new Set(keys.map(partOf))];
  const about = shell[0]?.code ?? null;
  const length = zipLength(b);
  const crossings: Need[] = [
    'done:side?',
    'done:centre-back?',
    'done:centre-front?',
    ...PANELS,
    ...SKIRT,
    ...WAIST,
    'turned?',
  ];
  b.add('shell', 'overlocker', 'neaten-zip', {
    code: 'neaten',
    about,
    pieces,
    cares: b.care(keys, 'overlocked'),
    makes: ['zip:edged'],
    data: { a: length * 2 },
  });
  b.add('joining', 'machine', 'baste-zip', {
    about,
    pieces,
    foot: 'zip',
    needs: ['zip:edged', ...crossings],
    makes: ['zip:basted'],
    data: { a: length },
  });
  b.add('joining', 'table', 'check-zip', { pieces, needs: ['zip:basted'] });
  b.add('joining', 'machine', 'sew-zip', {
    about,
    pieces,
    foot: 'zip',
    needs: ['step:check-zip'],
    makes: ['zip:in', 'done:zip'],
    sews: taken(b, shell),
    hard: true,
    data: { a: length * 2, zip: length },
  });
  // From the zip's foot on, the foot close to the stitching, down to where the seam below it begins: no dimple.
  const below = b.ops.flatMap((o) => (o.code === 'sew' ? b.rest(o.id, [...codes(b).shell], 'top') : []));
  if (below.length)
    b.add('joining', 'machine', 'close-below-zip', {
      pieces,
      foot: 'zip',
      needs: ['zip:in'],
      sews: below,
      makes: ['zip:closed-below'],
      data: { below: BESIDE_ZIP, a: BESIDE_ZIP },
    });
  insideToZip(b, by);
  closeNeckEnds(b);
}

/** Beside a zip the neck stays open at its ends by 2", until the inside is on the tape, mm. Common practice. */
const NECK_OPEN = 50;

/** The ends of a joint at which its edge of the outside comes to the zip, where the inside is sewn to the tape by machine. */
function endsAtZip(b: PlanBuilder, j: Joint): { first: boolean; last: boolean } {
  const { at } = b.g.d.lining.zip;
  return b.g.methods.zip === 'machine' && at !== 'side' ? b.meets(j, at) : { first: false, last: false };
}

/** How much of a joint stays open: less where it is short. */
const openOf = (j: Joint): number => Math.min(NECK_OPEN, j.lengthA / 2);

/** How far a joint of the neck stays open for now where it comes to the zip. */
export function shortOfZip(b: PlanBuilder, j: Joint): { from?: number; to?: number } {
  const { first, last } = endsAtZip(b, j);
  return { ...(first && { from: openOf(j) }), ...(last && { to: openOf(j) }) };
}

/** Halts of a run along these joints where it comes to the zip. */
export function haltsAtZip(b: PlanBuilder, joints: Joint[]): StopPoint[] {
  const open = joints.flatMap((j) => Object.values(shortOfZip(b, j)));
  return halt(open.length > 0, 'short-at-zip', Math.max(...open));
}

/** Of stretches that were left unsewn at ends, those beside the zip. */
export const besideZip = (b: PlanBuilder, rest: Sewn[]): Sewn[] =>
  rest.filter((s) => {
    const j = b.g.making.joints.find((x) => x.id === s.joint);
    const { first, last } = j ? endsAtZip(b, j) : { first: false, last: false };
    return (first && s.from < 1e-6) || (last && s.to > 1 - 1e-6);
  });

/** The ends of the neck, once the inside is on the tape. */
function closeNeckEnds(b: PlanBuilder): void {
  const sews = besideZip(
    b,
    b.ops.filter((o) => o.id === 'sew-edge').flatMap((o) => b.rest(o.id, [...new Set(o.seams.map((x) => x.code))])),
  );
  if (!sews.length) return;
  const joints = b.g.making.joints.filter((j) => sews.some((s) => s.joint === j.id));
  const mm = Math.max(...joints.map(openOf));
  b.add('joining', 'machine', 'close-neck-ends', {
    pieces: [...new Set(edgesOf(joints).map(partOf))],
    needs: ['zip:lined?', 'zip:in'],
    sews,
    makes: ['neck:closed'],
    reached: true,
    foot: 'zip',
    data: { open: mm, a: mm },
  });
}

/** Facing and lining to the tape. */
function insideToZip(b: PlanBuilder, by: 'machine' | 'hand'): void {
  const inner = b.joints(...codes(b).inner);
  const sews = taken(b, inner);
  if (!sews.length) return;
  const all = edgesOf(inner);
  b.add('joining', by, by === 'hand' ? 'fell-zip' : 'zip-lining', {
    pieces: [...new Set(all.map(partOf))],
    foot: by === 'hand' ? 'straight' : 'zip',
    needs: [
      'zip:in',
      'done:lining-waist-front?',
      'done:lining-skirt-centre-back?',
      'done:lining-skirt-side?',
      'done:lining-side?',
      'turned?',
    ],
    sews,
    cares: b.care(all, 'enclosed'),
    makes: ['zip:lined'],
    thread: 'lining',
    reached: true,
    data: { a: zipLength(b) * 2 },
  });
}

const zipped = (b: PlanBuilder): MisfitReason | null =>
  unless(b.g.d.lining.zip.length > 0 && shellSeams(b).length > 0, 'no-zip');

export const ZIPS = [
  way('zip', 'machine', 1, zipped, (b) => zip(b, 'machine')),
  way('zip', 'hand', 1, zipped, (b) => zip(b, 'hand')),
  way('zip', 'none', 0, (b) => (zipped(b) ? null : 'has-zip')),
];
