import { z } from 'zod';
import { MOST_LETTERS } from '../core/plan/index.ts';
import { LONGEST_NAME, plainName } from '../core/text.ts';

// What the contract is made of: lengths, places, names, as any of its parts may hold them.

/** A length that a decision may hold, mm. */
export const mm = z.number().min(0).max(5000);
/** A coordinate of a pattern, mm. */
const coordinate = z.number().min(-1e6).max(1e6);
export const point = z.strictObject({ x: coordinate, y: coordinate });
const segment = z.discriminatedUnion('k', [
  z.strictObject({ k: z.literal('L'), a: point, b: point }),
  z.strictObject({ k: z.literal('C'), a: point, c: point, d: point, b: point }),
]);
export const path = z.array(segment).min(1).max(20000);
export const id = z
  .string()
  .min(1)
  .max(64)
  .regex(/^[\w-]+$/);
/** A name that any file can hold: what an older version let in is written with spaces. */
export const words = z
  .string()
  .max(LONGEST_NAME)
  .overwrite((s) => plainName(s));
/** A line of an instruction sheet. */
export const line = z
  .string()
  .min(1)
  .max(MOST_LETTERS)
  .overwrite((s) => plainName(s, MOST_LETTERS));
/** A piece, also one that was drafted: where several are of a kind theirs are told apart by what they are drafted from, behind a dot. */
export const pieceId = z
  .string()
  .min(1)
  .max(160)
  .regex(/^[\w.-]+$/);
/** Name of a method or a step of the plan, which may hold that of a piece. */
export const key = z
  .string()
  .min(1)
  .max(200)
  .regex(/^[\w:.-]+$/);
