import { type Decisions } from '../document/project.ts';
import { partOf } from './garmentmodel.ts';
import { type SeamCode } from './names.ts';
import { type GarmentModel, type Joint } from './types.ts';

// The garment as a choice changes its layers and seams.

/** The garment with a yoke of one layer only. */
export function singleYoke(m: GarmentModel): GarmentModel {
  const inner = new Set(m.parts.filter((p) => p.kind === 'yoke' && p.id !== p.of).map((p) => p.id));
  if (!inner.size) return m;
  const kept = (list: string[]): string[] => list.filter((k) => !inner.has(partOf(k)));
  return {
    ...m,
    parts: m.parts.filter((p) => !inner.has(p.id)).map((p) => (p.kind === 'yoke' ? { ...p, covered: false } : p)),
    joints: m.joints
      .filter((j) => j.code !== 'yoke-back-in' && j.code !== 'yoke-shoulder-in')
      .map((j) => ({ ...j, a: kept(j.a), b: kept(j.b) })),
  };
}

/** Seams of the sides, of which one half may have a zip, each with what that half is called. */
const SIDES: Readonly<Partial<Record<SeamCode, SeamCode>>> = {
  side: 'side-zip',
  'skirt-side': 'skirt-side-zip',
  'lining-side': 'lining-side-zip',
  'lining-skirt-side': 'lining-skirt-side-zip',
  'facing-side': 'facing-side-zip',
};

/** With a zip in one side only, that half of each side seam is a joint of its own: the other is sewn whole. */
export const withSideZip = (m: GarmentModel, { lining }: Pick<Decisions, 'lining'>): GarmentModel =>
  lining.zip.length > 0 && lining.zip.at === 'side'
    ? {
        ...m,
        joints: m.joints.flatMap((j): Joint[] => {
          const code = SIDES[j.code];
          return code ? [j, { ...j, id: `${j.id}:zip`, code, halfOf: j.id }] : [j];
        }),
      }
    : m;
