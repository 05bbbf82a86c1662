import { type PlanBuilder } from '../builder.ts';
import { edgesOf, partOf } from '../garmentmodel.ts';
import { type Need, type SeamCode } from '../names.ts';
import { halt } from '../stretches.ts';
import { frontFaced, sidesLate, throughBoth } from './body.ts';
import { hasArmholes } from './edges.ts';
import { LINING_PANELS, LINING_SKIRT, PANELS, SKIRT } from './groups.ts';
import {
  everywhere,
  gap,
  hemCodes,
  openIn,
  opening,
  openingLength,
  openJoint,
  openSeam,
  widestHem,
} from './opening.ts';

/** The hem seam stops this far before the facing, so that hem and facing can still be turned up together. */
export const HEM_STOP = 25;

const closings = (b: PlanBuilder): boolean => b.ops.some((o) => ['sew-edge', 'sew-armholes'].includes(o.id));

const closesLate = (b: PlanBuilder): boolean => hasArmholes(b);

/** Neck and edges are turned through the hem, which is still open; pulled through the shoulders where they are tubes. */
export function turnThrough(b: PlanBuilder): void {
  if (!closings(b)) {
    wrists(b, []);
    return;
  }
  const pull = b.g.methods.armholes === 'pull-through';
  b.add('joining', 'table', 'turn', {
    code: pull ? 'pull-through' : 'turn',
    pieces: everywhere(b),
    needs: ['held:edge?', 'held:armholes?'],
    turns: { how: pull ? 'pull' : 'bag', parts: everywhere(b) },
    makes: closesLate(b) ? ['turned:flat'] : ['turned', 'turned:flat'],
    data: { opening: 0, corners: cornersOut(b) },
  });
  if (closesLate(b))
    b.add('joining', 'iron', 'press-turned', { pieces: everywhere(b), needs: ['turned:flat'], makes: ['turned'] });
  wrists(b, ['turned']);
}

/** Wrists of sleeve and lining joined by reaching between the layers. */
export function wrists(b: PlanBuilder, needs: Need[]): void {
  // A rib closes both layers at once, last of all.
  if (b.g.d.lining.wrist.kind === 'rib') return;
  b.sew('joining', ['wrist', 'wrist-under'], {
    id: 'sew-wrist',
    code: 'sew-wrist',
    reached: true,
    needs: [...needs, 'done:raglan?', 'done:side?', 'done:underarm?', 'inside:sleeves?', 'wrist:pressed?'],
    to_: null,
    makes: ['wrist:joined'],
    allowance: b.g.d.lining.wrist.seam,
  });
}

/**
 * A body that closes into a ring cannot be turned with neck and hem both sewn flat: it is turned first, and its hem joined by
 * reaching in through the opening.
 */
const isRing = (b: PlanBuilder): boolean =>
  !frontFaced(b) ||
  [...b.of('skirt-front'), ...b.of('trouser-front')].some((p) => !p.ring.some((e) => e.role === 'front-edge'));

/** Where a bag stays open until it has been turned. */
export function bag(b: PlanBuilder): void {
  const codes = hemCodes(b);
  const ring = isRing(b);
  if (ring) turnThrough(b);
  else wrists(b, ['held:edge?']);
  hemSeam(b, codes, ring);
  if (!ring) turnOut(b, ['step:sew-hem', 'wrist:joined?', 'held:armholes?']);
  if (tacked(b))
    b.add('finish', 'hand', 'tack-hem', {
      pieces: everywhere(b),
      needs: ['turned?', 'step:sew-hem'],
      sews: b.rest('sew-hem', codes),
      makes: ['hem:done'],
      data: { stop: HEM_STOP, a: 200 },
    });
  closeOpening(b);
}

/** A turned-up hem that a lining is joined to is held by hand at the end. */
const tacked = (b: PlanBuilder): boolean => !b.g.d.lining.self && b.g.d.lining.hem.kind === 'joined';

const beforeFacing = (b: PlanBuilder): boolean => tacked(b) && b.of('front', 'facing').length > 0;

/** Sides that are sewn after the turning are not waited for. */
const SIDES: Need[] = ['done:side?', 'done:lining-side?'];

const HEM_NEEDS: Need[] = [
  'done:centre-back?',
  'done:lining-centre-back?',
  ...PANELS,
  ...LINING_PANELS,
  'held:edge?',
  'wrist:joined?',
  'done:lining-side?',
  'done:side?',
  'hem:pressed?',
  'vent:joined?',
  'hem-rib:on?',
  'done:lining-waist-front?',
  'done:waist-front?',
  ...SKIRT,
  ...LINING_SKIRT,
  'inside:sleeves?',
];

/** Shell and lining along the hem, as far as the facing. */
function hemSeam(b: PlanBuilder, codes: readonly SeamCode[], ring: boolean): void {
  const first = b.joints(...codes)[0];
  if (!first) return;
  const inHem = opening(b) === 'hem';
  const joined = b.g.d.lining.hem.kind === 'joined';
  const sleeves: Need[] = throughBoth(b) ? [] : ['done:cap?', 'done:raglan?'];
  const before: Need[] = ring ? ['turned?', 'done:waist-front?', 'done:lining-waist-front?'] : [];
  b.sew('joining', codes, {
    id: 'sew-hem',
    code: joined ? 'sew-hem' : 'sew-hem-edge',
    reached: ring,
    needs: [...HEM_NEEDS.filter((n) => !(sidesLate(b) && SIDES.includes(n))), ...sleeves, ...before],
    allowance: joined ? b.g.d.lining.hem.seam : first.allowance,
    to_: null,
    // The last stretch beside a facing is sewn by hand once hem and facing are turned up together.
    short: (j) => (j.code === 'hem-front' && beforeFacing(b) ? { to: HEM_STOP } : {}),
    stops: [
      ...halt(beforeFacing(b) && b.has('hem-front'), 'stop-before-facing', HEM_STOP),
      ...halt(inHem, 'opening', openingLength(b)),
    ],
    data: { length: b.joints(...codes).reduce((t, j) => t + j.lengthA, 0) },
    hard: true,
  });
  const widest = widestHem(b);
  if (inHem && widest) openIn(b, 'sew-hem', widest);
}

/** Corners that come out of the edges closed so far. */
const cornersOut = (b: PlanBuilder): number =>
  b.ops.reduce((t, o) => t + (o.sews.length ? (o.data.corners ?? 0) : 0), 0);

function turnOut(b: PlanBuilder, needs: Need[]): void {
  b.add('joining', 'table', 'turn', {
    pieces: everywhere(b),
    needs,
    makes: ['turned', 'turned:flat'],
    turns: { how: 'bag', parts: everywhere(b) },
    data: { opening: opening(b) === 'none' ? 0 : openingLength(b), corners: cornersOut(b) },
  });
}

function closeOpening(b: PlanBuilder): void {
  const at = opening(b);
  const code = at === 'hem' ? widestHem(b) : openSeam(b, at);
  if (!code || at === 'none' || !b.has(code)) return;
  const joints = b.joints(code);
  const { from, to } = gap(b, code);
  const pieces = [...new Set(edgesOf(joints).map(partOf))];
  b.add('finish', at === 'hem' ? 'hand' : 'machine', 'close-opening', {
    pieces,
    about: code ?? null,
    needs: ['turned?', 'step:sew-hem', 'hem:done?', 'wrist:joined?', 'folded:band-waist?'],
    sews: [{ joint: openJoint(b, code)?.id ?? '', from, to }],
    makes: ['closed'],
    thread: 'lining',
    data: { opening: openingLength(b), a: openingLength(b) },
  });
}
