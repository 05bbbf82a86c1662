import { type PlanBuilder } from '../builder.ts';
import { edgesOf, partOf } from '../garmentmodel.ts';
import { type Need, type SeamCode } from '../names.ts';
import { LINING_PANELS, LINING_SKIRT, PANELS, SKIRT, WAIST } from './groups.ts';

/** Seams round openings: cut into a piece, or a cut-out between two. */
const OPENINGS: SeamCode[] = ['band-cut-out', 'opening-armhole', 'opening-neckline', 'opening-cut-out'];

/** Whether a lining, and no facing, meets the shell along these joints. */
const isLined = (b: PlanBuilder, code: SeamCode): boolean =>
  edgesOf(b.joints(code)).some((k) => b.parts.get(partOf(k))?.material === 'lining');

/** Openings that a facing of their own goes round. */
export const openingsOf = (b: PlanBuilder): SeamCode[] => OPENINGS.filter((c) => b.has(c) && !isLined(b, c));

/** Openings between shell and lining: both are turned by then, so that each is sewn from within, one half after the other. */
export function lineOpenings(b: PlanBuilder): void {
  for (const code of OPENINGS) {
    if (!b.has(code) || !isLined(b, code)) continue;
    b.sew('joining', [code], {
      id: `sew:${code}`,
      code: 'sew-cut-out',
      reached: true,
      to_: null,
      needs: [
        'done:side?',
        'done:lining-side?',
        'turned?',
        ...PANELS,
        ...SKIRT,
        ...WAIST,
        ...LINING_PANELS,
        ...LINING_SKIRT,
      ],
      hard: true,
    });
    b.add('joining', 'iron', `press:${code}`, {
      code: 'press-edge',
      about: code,
      pieces: edgesOf(b.joints(code)).map(partOf),
      works: b.joints(code).map((j) => j.id),
      needs: [`sewn:${code}`],
      makes: [`done:${code}`],
    });
  }
  fellToFacing(b);
}

/** The lining to the facing round an opening: both lie as they are worn by then, and it is slipped on by hand. */
function fellToFacing(b: PlanBuilder): void {
  const joint = b.joints('facing-line-opening')[0];
  if (!joint) return;
  b.sew('finish', ['facing-line-opening'], {
    id: 'fell-openings',
    station: 'hand',
    code: 'fell-lining',
    stack: b.fromInside(joint),
    care: 'enclosed',
    to_: null,
    needs: [...openingsOf(b).map((c): Need => `folded:${c}?`), 'turned?', 'done:lining-side?'],
  });
}
