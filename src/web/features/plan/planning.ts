import { type Decisions } from '../../../core/document/project.ts';
import { type Plan } from '../../../core/plan/index.ts';
import { setDecision } from '../../data/setDecision.ts';
import { type Workbook } from '../../data/useProject.ts';

/** A plan on screen: its words' names, and a way to change what it follows from. */
export interface Planning {
  w: Workbook;
  plan: Plan;
  names: Record<string, string>;
  set: (label: string, part: Partial<Decisions['making']>) => void;
}

/** Neatens single seams otherwise: the steps follow anew, in the proposed order. */
export const takeFinishes = (p: Planning, label: string, finishes: Record<string, string>): void =>
  p.set(label, { finishes, order: null, left: [] });

/** Takes other ways of making: the steps follow anew, in the proposed order. */
export const takeMethods = (p: Planning, label: string, methods: Record<string, string>): void =>
  p.set(label, { methods, order: null, left: [] });

/** Saves a part of the choices about making up. */
export const setMaking =
  (w: Workbook) =>
  (words: string, part: Partial<Decisions['making']>): void =>
    setDecision(w, 'making', part, { words });
