import { usualPlacket } from '../closure/choices.ts';
import { CLOSING_ONLY, type Decisions, type ProjectDocument, usualDecisions } from './project.ts';

/** No pleat over the shoulder blades, and a lining that hangs free: dresses, skirts (common practice). */
function hangsFree(d: Decisions, above: number): void {
  Object.assign(d.lining, { pleat: 0 });
  Object.assign(d.lining.hem, { kind: 'free', above });
  Object.assign(d.lining.wrist, { kind: 'free' });
}

/** How each garment differs from a lined coat to begin with: common practice, handbook figures from memory. */
const DIFFERS: Record<string, (d: Decisions) => void> = {
  jacket: (d) => {
    d.lining.pleat = 25;
  },
  waistcoat: (d) => {
    d.lining.pleat = 0;
    Object.assign(d.closure, { count: 5, diameter: 15, thickness: 3, bottom: 60 });
  },
  // Unlined, faced narrowly, its buttons small and their holes upright on the band.
  shirt: (d) => {
    hangsFree(d, 15);
    d.lining.on = false;
    d.allowances = { seam: 15, hem: 20, wrist: 15 };
    Object.assign(d.facing, { front: 60, shoulder: 45, back: 50, radius: 30 });
    d.interfacing.frontStrip = 32;
    Object.assign(d.closure, {
      count: 7,
      diameter: 11,
      thickness: 2.5,
      bottom: 110,
      extension: 16,
      direction: 'vertical',
    });
  },
  dress: (d) => {
    hangsFree(d, 25);
    Object.assign(d.facing, { shoulder: 50 });
    d.interfacing.frontStrip = 30;
    Object.assign(d.closure, { diameter: 15, thickness: 3 });
  },
  skirt: (d) => {
    hangsFree(d, 25);
    d.facing.bands.waist = 55;
    d.interfacing.frontStrip = 0;
    d.closure.on = false;
  },
  [CLOSING_ONLY]: (d) => {
    d.closure = usualPlacket();
  },
};

/** The choices a project of this garment begins with; those of a lined coat where nothing else is usual. */
export function usualFor(garment: string): Decisions {
  const d = usualDecisions();
  DIFFERS[garment]?.(d);
  return d;
}

export const emptyDocument = (name: string, garment: string): ProjectDocument => ({
  schema: 16,
  name,
  garment,
  units: 'mm',
  shell: null,
  decisions: usualFor(garment),
});
