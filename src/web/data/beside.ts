import { type ProjectDocument } from '../../core/document/project.ts';

/** What of the making changes nothing of the plan: her own sheet held against it. */
export const BESIDE = { sheet: null };
/** What of all decisions does not: what is done of it, and what was written down. */
const APART = { bench: null, notebook: null, week: null, stash: null };

/** Whether two states of a project differ at most in what changes nothing of the plan. */
export function onlyBeside(a: ProjectDocument, b: ProjectDocument): boolean {
  const rest = ({ decisions: d, units, garment }: ProjectDocument): string =>
    JSON.stringify([units, garment, { ...d, ...APART, making: { ...d.making, ...BESIDE } }]);
  return a.shell === b.shell && rest(a) === rest(b);
}
