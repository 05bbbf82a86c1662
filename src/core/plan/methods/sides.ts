import { type PlanBuilder } from '../builder.ts';
import { edgesOf, partOf } from '../garmentmodel.ts';
import { type Need, type SeamCode, when } from '../names.ts';
import { halt } from '../stretches.ts';
import { type Joint } from '../types.ts';
import { doubled, openWaist, sideCodes, sidesLate } from './body.ts';
import { LINING_SKIRT } from './groups.ts';
import { linings as liningParts } from './opening.ts';

// Side seams that are sewn once the layers have been joined above them.

/** Waist seams of both layers sewn flat, before the late sides run across them. */
export const flatLate = (b: PlanBuilder): boolean => sidesLate(b) && b.g.methods.waist === 'flat';

/** What is sewn with late sides, or into them, is not waited for by a waist that runs across. */
const LATE = ['done:lining-skirt-side?', 'done:lining-skirt-panel?'];

export function liningWaist(b: PlanBuilder, needs: Need[]): void {
  b.sew(sidesLate(b) ? 'joining' : 'inside', ['lining-waist-front', 'lining-waist-back'], {
    needs: [...needs, ...LINING_SKIRT.filter((n) => !(flatLate(b) && LATE.includes(n)))],
  });
}

/** Sides stop so far above the hem until it is levelled and turned (3"). Common practice. */
const ABOVE_HEM = 75;

/** Whether an edge's own piece ends at a hem. */
const atHem = (b: PlanBuilder, key: string): boolean =>
  b.parts.get(partOf(key))?.ring.some((e) => e.role === 'hem') ?? false;

/** Fronts cut double beside a back without a lining: their second layer is caught in the side seams. */
function basteFronts(b: PlanBuilder): void {
  const keys = b.unmet(liningParts(b), 'side');
  if (!keys.length || !doubled(b)) return;
  b.add('joining', 'machine', 'baste-fronts', {
    pieces: [...new Set(keys.map(partOf)), ...b.of('front').map((p) => p.id)],
    needs: ['turned?', 'held:edge?'],
    cares: b.care(keys, 'enclosed'),
    makes: ['fronts:basted'],
    data: { a: b.joints('side')[0]?.lengthA ?? 0 },
  });
}

/** Sides a garment was turned through: the shell's sewn from within, the lining's slipped together by hand. */
export function sidesOnceTurned(b: PlanBuilder): void {
  b.sew('joining', sideCodes(b), {
    id: 'sew:side',
    reached: true,
    plain: true,
    needs: ['turned', 'pocket:set?', 'loops:on?'],
    makes: ['done:side'],
  });
  b.sew('finish', ['lining-side', 'lining-side-zip', 'facing-side', 'facing-side-zip'], {
    id: 'fell-sides',
    station: 'hand',
    code: 'fell-sides',
    to_: null,
    plain: true,
    needs: ['done:side'],
    makes: ['done:lining-side'],
  });
}

/** Shell and lining sides in one run, matched at the underarm. */
export function lateSides(b: PlanBuilder): void {
  basteFronts(b);
  if (flatLate(b)) liningWaist(b, ['turned?']);
  const linings: SeamCode[] = ['lining-side', 'lining-side-zip'];
  if (flatLate(b)) linings.push('lining-skirt-side', 'lining-skirt-side-zip');
  const codes: SeamCode[] = [...sideCodes(b), 'facing-side', 'facing-side-zip', ...linings];
  // Only a side that runs down to a hem stops above it; a bodice's ends at its waist.
  const hangs = b.has('lining-side') && b.g.d.lining.hem.kind === 'free';
  const low = (j: Joint): boolean => hangs && edgesOf([j]).some((k) => atHem(b, k));
  const stops = halt(b.joints(...codes).some(low), 'stop-above-hem', ABOVE_HEM);
  b.sew('joining', codes, {
    id: 'sew:side',
    needs: [
      'turned?',
      'pocket:set?',
      'loops:on?',
      'fronts:basted?',
      'neatened:sides?',
      ...openWaist(b),
      ...when(flatLate(b), 'done:lining-waist-front?'),
    ],
    plain: true,
    short: (j) => (low(j) ? { to: ABOVE_HEM } : {}),
    stops,
  });
  const rest = b.rest('sew:side', codes, 'foot');
  if (stops.length && rest.length)
    b.add('finish', 'machine', 'close-sides', {
      pieces: [...new Set(b.joints(...codes).flatMap((j) => edgesOf([j]).map(partOf)))],
      needs: ['step:sew:side', 'step:try-on?', 'hem:pressed?'],
      sews: rest,
      makes: ['sides:closed'],
      data: { a: rest.length * ABOVE_HEM },
    });
  neatenSides(b);
  if (!flatLate(b)) liningWaist(b, ['done:lining-side?']);
}

/** Sides that nothing covers: both allowances as one, after the seam; beside a pocket's mouth each edge by itself, before it. */
function neatenSides(b: PlanBuilder): void {
  const bare = b.joints(...sideCodes(b)).filter((j) => b.isBare(j));
  if (!bare.length) return;
  const apart = bare.some((j) => b.g.making.mouths[j.id]);
  b.add('joining', 'overlocker', 'neaten:sides', {
    code: apart ? 'neaten' : 'neaten-together',
    about: 'side',
    pieces: edgesOf(bare).map(partOf),
    works: bare.map((j) => j.id),
    needs: when(!apart, 'done:side'),
    makes: apart ? ['neatened:sides'] : [],
    cares: b.care(edgesOf(bare), 'overlocked'),
    data: { a: bare.reduce((t, j) => t + j.lengthA, 0) * (apart ? 2 : 1) },
  });
}
