import { type FindingCode } from './findingcodes.ts';

/** A refusal as data: what could not be done, where, with which numbers. Words are made in the interface. */
export interface Finding {
  code: FindingCode;
  severity: 'stop' | 'warn' | 'note';
  /** Piece, edge and point (mm) concerned, as far as they are known. */
  where?: { piece?: string; edge?: string; x?: number; y?: number };
  /** The numbers and names the sentence needs. */
  data?: Record<string, number | string>;
}

export type Result<T> = { ok: true; value: T } | { ok: false; findings: Finding[] };

export const ok = <T>(value: T): Result<T> => ({ ok: true, value });

export const refuse = (...findings: Finding[]): { ok: false; findings: Finding[] } => ({ ok: false, findings });

export const stop = (code: FindingCode, where?: Finding['where'], data?: Finding['data']): Finding => ({
  code,
  severity: 'stop',
  ...(where && { where }),
  ...(data && { data }),
});

/** The same of what is to be looked at and stops nothing. */
export const warn = (...of: Parameters<typeof stop>): Finding => ({ ...stop(...of), severity: 'warn' });

/** Where a rule comes from: common practice, a published source from memory, derived here, or the sewist's choice. */
export type Mark = 'practice' | 'memory' | 'derived' | 'choice';

/** Why a derived number is what it is. `rule` names the sentence and the formula, `inputs` the values in it (mm). */
export interface Reason {
  rule: string;
  value: number;
  inputs: Record<string, number>;
  mark: Mark;
}

export const because = (rule: string, mark: Mark, value: number, inputs: Record<string, number> = {}): Reason => ({
  rule,
  value,
  inputs,
  mark,
});
