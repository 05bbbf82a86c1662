import { type Decisions } from '../../core/document/project.ts';
import { type Workbook } from '../api/useProject.ts';

/** Saves a part of the decisions under its words, with the way back offered at once. */
export const decide = (w: Workbook, words: string, part: Partial<Decisions>): void =>
  w.save(words, { ...w.doc, decisions: { ...w.doc.decisions, ...part } }, true);

/** Lets the questions preview and save one part of the decisions. */
export interface Deciding {
  w: Workbook;
  set: <K extends keyof Decisions>(key: K, part: Partial<Decisions[K]>, label?: string) => void;
}
