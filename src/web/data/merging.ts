import { type PatchOperation } from '../../contract/index.ts';
import { applyPatch, comparePatch, PatchFault, touch, valueAt } from '../../contract/patch.ts';
import { type ProjectDocument } from '../../core/document/project.ts';

/** One place that was changed here and elsewhere, or only here: what it is now there, and what it was to be. */
export interface Differing {
  path: string;
  theirs: unknown;
  mine: unknown;
}

/** The project was changed elsewhere while something was changed here: the sewist says what holds. */
export interface Clash {
  /** What was done here, and is not kept. */
  label: string;
  /** What was done elsewhere meanwhile, oldest first. */
  elsewhere: string[];
  differing: Differing[];
  /** What was changed here as a patch on the newer state; null where what it speaks of is no longer there. */
  patch: PatchOperation[] | null;
}

/** The newer document with what was changed here as well; null where both speak of the same place. */
export function mergedOf(
  mine: PatchOperation[],
  theirs: PatchOperation[],
  fresh: ProjectDocument,
): ProjectDocument | null {
  // What is there already as it was to be, as the same step ticked in two places, is no difference.
  const other = mine.filter((op) => op.op === 'remove' || !alike(valueAt(fresh, op.path), op.value));
  return touch(other, theirs) ? null : laid(fresh, other);
}

/** The same; of a step of the bench the same state, whenever it came to be so. */
function alike(a: unknown, b: unknown): boolean {
  const said = (v: unknown): unknown => {
    const step = v as { state?: string; planned?: number } | null | undefined;
    return typeof step?.state === 'string' && step.planned !== undefined ? step.state : v;
  };
  return JSON.stringify(said(a)) === JSON.stringify(said(b));
}

/** The document with a patch laid on it; null where it does not fit. */
export function laid(document: ProjectDocument, patch: PatchOperation[]): ProjectDocument | null {
  try {
    return applyPatch(document, patch);
  } catch (e) {
    if (e instanceof PatchFault) return null;
    throw e;
  }
}

export function clashOf(
  old: ProjectDocument,
  mine: ProjectDocument,
  theirs: ProjectDocument,
  label: string,
  elsewhere: string[],
): Clash {
  const patch = comparePatch(old, mine);
  const differing = patch
    .filter((p) => JSON.stringify(valueAt(theirs, p.path)) !== JSON.stringify(valueAt(mine, p.path)))
    .map((p) => ({ path: p.path, theirs: valueAt(theirs, p.path), mine: valueAt(mine, p.path) }));
  return { label, elsewhere, differing, patch: laid(theirs, patch) ? patch : null };
}
