import { OpenOutline } from '../geometry/index.ts';
import { type Finding, stop } from '../result.ts';

/** What is computed of a project, part by part: one that fails leaves the others standing. */
export const PARTS = [
  'pattern',
  'seam-line',
  'cut-line',
  'seams',
  'facing',
  'lining',
  'interfacing',
  'rib',
  'hood',
  'closure',
  'patch',
  'strips',
  'faults',
  'joins',
  'plan',
] as const;
export type Part = (typeof PARTS)[number];

/** The piece a part is of, as far as it is of one. */
export interface Of {
  id: string;
  name: string;
}

/** Where an outline came out open is the place to look at; other faults know only their piece. */
function failed(part: Part, e: unknown, of?: Of): Finding {
  const open = e instanceof OpenOutline && Number.isFinite(e.at.x) && Number.isFinite(e.at.y) ? e : null;
  const at = open && { x: open.at.x, y: open.at.y };
  const where = of || at ? { ...(of && { piece: of.id }), ...at } : undefined;
  return stop('part-failed', where, { part, ...(of && { name: of.name }), ...(open && { gap: open.gap }) });
}

/**
 * Works out one part on its own. What it throws becomes a finding with its place, and `otherwise` stands in its stead: no
 * state of a project may keep its other parts, or the screen that mends it, from opening.
 */
export function apart<T>(part: Part, findings: Finding[], otherwise: T, work: () => T, of?: Of): T {
  try {
    return work();
  } catch (e) {
    findings.push(failed(part, e, of));
    return otherwise;
  }
}
