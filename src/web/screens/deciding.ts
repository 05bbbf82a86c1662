import { type Decisions } from '../../core/document/project.ts';
import { type Workbook } from '../api/useProject.ts';

/** Lets the questions preview and save one part of the decisions. */
export interface Deciding {
  w: Workbook;
  set: <K extends keyof Decisions>(key: K, part: Partial<Decisions[K]>, label?: string) => void;
}
