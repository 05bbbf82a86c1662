import { type ClosureChoice, type Features } from '../../../core/closure/index.ts';
import { CLOSING_ONLY } from '../../../core/document/project.ts';
import { type Workbook } from '../../data/useProject.ts';
import { blanks, type PutPart } from '../../ui/fields.tsx';
import { type Put } from './closing.ts';
import { kindFields } from './fields.ts';

export interface Props {
  w: Workbook;
  put: Put;
}
export interface Asked extends Props {
  c: ClosureChoice;
  features: Features | null;
}

/** Changes one of the parts that are decided together. */
export const putIn =
  <K extends 'stand' | 'group' | 'waist' | 'double'>(c: ClosureChoice, put: Put, key: K): PutPart<ClosureChoice[K]> =>
  (part, words) =>
    put({ [key]: { ...c[key], ...part } }, words);

/** Whether it closes at all. */
export const Closes = ({ w, put }: Props) => (
  <>Along the front {blanks(kindFields(w.doc.units), w.doc.decisions.closure, w.doc.units, put).on}.</>
);

/** What lengths along the line are measured from. */
export const topOf = (w: Workbook): string => (w.doc.garment === CLOSING_ONLY ? 'the top' : 'the neck seam');
