import { decided, type Part } from '../../core/document/decided.ts';
import { type Decisions } from '../../core/document/project.ts';
import { type Workbook } from './useProject.ts';

/** How a decision is taken. */
export interface Taken {
  /** Under which it is kept; without words it is tried only, as while a slider moves. */
  words?: string | undefined;
  /** Told at once, with the way back. */
  told?: boolean;
}

/** The one way to decide: what of, what, and under which words it is kept. */
export function setDecision<K extends keyof Decisions>(w: Workbook, key: K, part: Part<K>, how: Taken = {}): void {
  const next = decided(w.now(), key, part);
  if (how.words === undefined) w.preview(next);
  else w.save(how.words, next, how.told);
}
