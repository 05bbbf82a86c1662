import { type Decisions, type HemChoice } from './project.ts';

const EDGE: Pick<HemChoice, 'kind'> = { kind: 'edge' };

/** What a garment that is worn on both sides leaves of the choices: both layers are the shell, seamed edge to edge. */
function worn(d: Decisions): Decisions {
  const { lining, facing } = d;
  return {
    ...d,
    facing: { ...facing, on: false },
    lining: {
      ...lining,
      ...{ pleat: 0, raise: 0, out: 0, smaller: 0, darts: 'sewn', skirt: true, body: true, sleeves: true },
      zip: { ...lining.zip, length: 0 },
      slit: { ...lining.slit, length: 0 },
      hem: { ...lining.hem, ...EDGE },
      wrist: { ...lining.wrist, ...EDGE },
    },
  };
}

/**
 * The choices as they work on each other: a garment worn on both sides has no facings; an edge that is faced, sewn to a rib or
 * to the other layer has a seam's allowance and not a hem's.
 */
export function resolveDecisions(raw: Decisions): Decisions {
  const d = raw.lining.on && raw.lining.self ? worn(raw) : raw;
  const { seam } = d.allowances;
  const seamed = (role: 'hem' | 'wrist'): boolean =>
    (d.facing.on && d.facing.bands[role] > 0) || d.lining[role].kind === 'rib' || d.lining[role].kind === 'edge';
  if (!seamed('hem') && !seamed('wrist')) return d;
  const at = (role: 'hem' | 'wrist'): number =>
    seamed(role) ? Math.min(seam, d.allowances[role]) : d.allowances[role];
  return { ...d, allowances: { seam, hem: at('hem'), wrist: at('wrist') } };
}
