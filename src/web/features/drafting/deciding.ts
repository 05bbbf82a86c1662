import { type Part } from '../../../core/document/decided.ts';
import { type Decisions } from '../../../core/document/project.ts';
import { type Workbook } from '../../data/useProject.ts';

/** Lets the questions preview and save one part of the decisions. */
export interface Deciding {
  w: Workbook;
  set: <K extends keyof Decisions>(key: K, part: Part<K>, label?: string) => void;
}
