import { z } from 'zod';
import { type Calendar, type Estimate, STEP_STATES } from '../core/bench/index.ts';

// What is asked of the bench, and what it answers.

export const desk = z.object({
  by: z
    .string()
    .optional()
    .describe('the day it is wanted for, as 2026-12-24; as the project says where it is left out'),
  today: z.string().optional().describe("the day it is where one sits; the server's own where it is left out"),
  clock: z.int().min(0).max(1439).optional().describe('how late it is there, minutes after midnight'),
});

export const networkAnswer = z
  .object({
    can: z.boolean().describe('it can be opened and shut from here'),
    on: z.boolean(),
    links: z.array(z.string()),
  })
  .meta({ id: 'Network' });

export const progressAnswer = z
  .object({
    revision: z.int(),
    steps: z.array(
      z.object({
        id: z.string(),
        number: z.int(),
        state: z.enum([...STEP_STATES, 'todo']),
        touched: z.boolean().describe('it was done otherwise than the plan has it now'),
        at: z.string().nullable(),
        minutes: z.number().nullable(),
        redone: z.int(),
      }),
    ),
    gone: z.array(z.object({ id: z.string(), at: z.string() })).describe('done, and no more in the plan'),
    left: z.custom<Estimate>(),
  })
  .meta({ id: 'Progress' });

/** The calendar of one project; what the others take of the same hours, by day and project. */
export interface CalendarAnswer extends Calendar {
  others: { day: string; project: string; name: string; minutes: number }[];
}
