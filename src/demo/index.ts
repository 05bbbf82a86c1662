import { intakeSvg } from '../core/intake/index.ts';
import { emptyDocument, type ProjectDocument, type Shell } from '../core/project.ts';
import { ok, type Result } from '../core/result.ts';
import { draftCoat, draftSvg, GREENHOUSE_COAT } from './draft.ts';

export * from './draft.ts';

export interface Demo {
  id: string;
  name: string;
  garment: string;
}

/** The made-up wardrobe of the volunteers of a small botanical garden. */
export const DEMOS: Demo[] = [{ id: 'greenhouse-coat', name: 'Greenhouse coat', garment: 'coat' }];

/** The coat's shell as the SVG file it would be dropped as. */
export const coatSvg = (): string => draftSvg(draftCoat(GREENHOUSE_COAT), GREENHOUSE_COAT.extension);

/** The greenhouse coat, complete: knee-length, lined to front and neck facings, worn with a belt. */
export function greenhouseCoat(): Result<ProjectDocument> {
  const read = intakeSvg(coatSvg());
  if (!read.ok) return read;
  const doc = emptyDocument('Greenhouse coat', 'coat');
  const shell: Shell = { fileName: 'greenhouse-coat.svg', lines: 'seam', pieces: read.value.pieces };
  doc.decisions.closure.waist = { keepClear: true, at: 336, belt: 45 };
  doc.decisions.closure.bottom = 250;
  return ok({ ...doc, shell });
}
