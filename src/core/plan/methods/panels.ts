import { type PlanBuilder } from '../builder.ts';
import { isCurved } from '../curvedseams.ts';
import { type Need, type SeamCode } from '../names.ts';
import { unless, way } from './method.ts';
import { type MisfitReason } from './misfits.ts';

const someCurved = (b: PlanBuilder): MisfitReason | null =>
  unless(
    b.g.making.joints.some((j) => isCurved(b, j)),
    'no-curved-seams',
  );

/** What is done about allowances that are too short to be turned: schools. */
export const CURVES = (['clipped-after', 'clipped-before', 'trimmed'] as const).map((id) =>
  way('curves', id, 0, someCurved),
);

/** Seams of one code, each a run of its own: what is joined on one side of a seam is joined before it. */
function each(b: PlanBuilder, section: 'shell' | 'inside', code: SeamCode, needs: Need[] = []): void {
  for (const j of b.joints(code))
    b.sew(section, [code], {
      only: j,
      needs: [...needs, ...b.across(j)],
      // Gathers are pressed away from themselves.
      ...(j.easeOf === 'gather' && { to_: 'press-to-b' }),
    });
}

/** Yokes, panels, and whatever else the pattern joins beyond one front and one back. */
export function furtherPanels(b: PlanBuilder): void {
  for (const code of ['yoke-join', 'panel', 'other'] as const) each(b, 'shell', code);
}

/** Panels of a skirt, and godets: set in once the seam above them is sewn. */
export const skirtPanels = (b: PlanBuilder): void =>
  each(b, 'shell', 'skirt-panel', ['done:skirt-side?', 'done:skirt-centre-back?']);

/** The same of the lining. */
export function furtherLiningPanels(b: PlanBuilder): void {
  for (const code of ['lining-yoke-join', 'lining-panel', 'lining-other'] as const) each(b, 'inside', code);
}

export const liningSkirtPanels = (b: PlanBuilder): void =>
  each(b, 'inside', 'lining-skirt-panel', ['done:lining-skirt-side?']);
