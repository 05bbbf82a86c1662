import { type PlanBuilder } from '../builder.ts';
import { edgesOf, partOf } from '../garmentmodel.ts';
import { type Need } from '../names.ts';
import { type Part } from '../types.ts';
import { unless, way } from './method.ts';
import { type MisfitReason } from './misfits.ts';

/** Staystitching lies this far inside the allowance from the seam line (1/8"). Common practice. */
const STAY_INSIDE = 3;

const interfaced = (b: PlanBuilder): Part[] => b.g.making.parts.filter((p) => p.fused);

/** Cutting, fusing, staystitching, darts and pleats: what every piece needs before it is joined. */
export function prepare(b: PlanBuilder): void {
  const { parts } = b.g.making;
  b.add('prepare', 'table', 'cut', {
    pieces: parts.map((p) => p.id),
    cautions: ['blades'],
    data: { pieces: parts.reduce((t, p) => t + (p.paired ? 2 : 1), 0) },
  });
  if (interfaced(b).length) b.add('prepare', 'iron', 'test-fuse', { cautions: ['fumes'] });
  for (const p of interfaced(b))
    b.add('prepare', 'iron', `fuse:${p.id}`, {
      code: 'fuse',
      pieces: [p.id],
      needs: ['step:test-fuse'],
      makes: [`ready:${p.id}`],
      cautions: ['fumes'],
    });
  for (const p of parts) {
    if (p.material !== 'shell' || p.layer !== 'outer') continue;
    const neck = p.ring.find(
      (e) => (e.role === 'neckline' || (e.role === 'panel-seam' && e.bends.length > 0)) && !e.onFold,
    );
    if (!neck || !['front', 'back', 'yoke'].includes(p.kind)) continue;
    b.add('prepare', 'machine', `stay:${p.id}`, {
      code: 'staystitch',
      pieces: [p.id],
      needs: [`step:fuse:${p.id}?`],
      makes: [`ready:${p.id}`],
      allowance: Math.max(0, neck.allowance - STAY_INSIDE),
      data: { inside: STAY_INSIDE, a: neck.length },
    });
  }
  for (const p of parts) folds(b, p);
}

/** Whether the darts of a layer are laid as soft pleats. */
const soft = (b: PlanBuilder, p: Part): boolean => p.material === 'lining' && b.g.d.lining.darts === 'pleats';

const someDarts = (b: PlanBuilder): MisfitReason | null =>
  unless(
    b.g.making.parts.some((p) => p.darts && !soft(b, p)),
    'no-darts',
  );

/** How the point of a dart is kept, and which way upright ones are pressed: schools. */
export const DARTS = [
  ...(['tied', 'backstitched', 'run-off'] as const).map((id) => way('darts', id, 0, someDarts)),
  ...(['to-centre', 'to-sides'] as const).map((id) => way('dart-press', id, 0, someDarts)),
];

/** Layers of the lining's back whose pleat lies over their seam: it can't be laid in either of them alone. */
export function pleatedOverSeam(b: PlanBuilder): ReadonlySet<string> {
  const pleated = b.joints('facing-line-back').some((j) => j.easeOf === 'pleat');
  return new Set(pleated ? edgesOf(b.joints('lining-centre-back')).map(partOf) : []);
}

/** Darts sewn and pressed, pleats laid. */
function folds(b: PlanBuilder, p: Part): void {
  const section = p.layer === 'outer' ? 'shell' : 'inside';
  if (p.darts && !soft(b, p)) {
    const { darts: point = 'tied', 'dart-press': press = 'to-centre' } = b.g.methods;
    const needs: Need[] = [`step:stay:${p.id}?`];
    b.add(
      section,
      'machine',
      `darts:${p.id}`,
      { code: 'sew-darts', pieces: [p.id], needs, data: { darts: p.darts, [point]: 1 } },
      true,
    );
    b.add(section, 'iron', `press-darts:${p.id}`, {
      code: 'press-darts',
      pieces: [p.id],
      needs: [`step:darts:${p.id}`],
      makes: [`ready:${p.id}`],
      data: { [press]: 1 },
    });
  }
  const own = p.pleats - (pleatedOverSeam(b).has(p.id) ? 1 : 0);
  if (own > 0 || (p.darts && soft(b, p)))
    b.add(section, 'machine', `pleats:${p.id}`, {
      code: 'baste-pleats',
      pieces: [p.id],
      needs: [`step:stay:${p.id}?`],
      makes: [`ready:${p.id}`],
      data: { pleats: own > 0 ? own : p.darts, pleat: b.g.d.lining.pleat },
    });
}
