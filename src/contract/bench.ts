import { z } from 'zod';
import { isDay } from '../core/bench/days.ts';
import { MENDS, STEP_STATES } from '../core/bench/log.ts';
import { ENTRY_KINDS } from '../core/bench/notebook.ts';
import { plainName } from '../core/text.ts';
import { id, key, mm, words } from './figures.ts';

/** The longest an entry of the notebook may be, letters. Own figure. */
const MOST_WRITTEN = 8000;
/** A whole day, minutes. */
const DAY = 24 * 60;

const instant = z.iso.datetime({ precision: 3 });
/** A day there is, as a calendar has it. */
export const day = z.string().refine(isDay, 'a day is written as 2026-11-30');
/** What a figure of a step is called. */
const figure = z.string().min(1).max(120);
const minutes = z.number().min(0).max(DAY);
export const stepState = z.enum(STEP_STATES);

const stepLog = z.strictObject({
  id: key,
  state: stepState,
  at: instant,
  minutes: minutes.nullable(),
  redone: z.int().min(0).max(1000),
  code: z.string().max(80),
  station: z.string().max(40),
  planned: minutes,
  sewn: z.record(figure, z.number().min(-1e9).max(1e9)),
  under: z.string().max(64),
});

/** What is done of a garment. */
export const bench = z.strictObject({
  steps: z.array(stepLog).max(1000),
  choices: z
    .array(z.strictObject({ id, said: z.record(figure, z.union([z.number(), z.string().max(200), z.boolean()])) }))
    .max(200),
  mends: z
    .array(
      z.strictObject({
        ...{ id, before: key, kind: z.enum(MENDS), words: words.min(1), done: z.boolean(), at: instant },
      }),
    )
    .max(400),
  measured: z
    .array(z.strictObject({ id, step: key, at: instant, values: z.array(mm.min(0.1)).min(1).max(8) }))
    .max(2000),
  by: day.nullable(),
  finished: day.nullable(),
});

const written = z
  .string()
  .max(MOST_WRITTEN)
  .overwrite((s) =>
    s
      .split('\n')
      .map((row) => plainName(row, MOST_WRITTEN))
      .join('\n'),
  );

const entryFields = {
  kind: z.enum(ENTRY_KINDS),
  words: written,
  step: z.string().max(200),
  piece: z.string().max(160),
  seam: z.string().max(160),
  cloth: z.string().max(64),
  figures: z.record(z.string().min(1).max(40), z.union([z.number().min(-1e6).max(1e6), words])),
  again: z.boolean(),
};

/** An entry as it is sent: what is not said of it is nothing. */
export const entryBody = z.strictObject({
  kind: entryFields.kind.default('note'),
  words: entryFields.words.default(''),
  step: entryFields.step.default(''),
  piece: entryFields.piece.default(''),
  seam: entryFields.seam.default(''),
  cloth: entryFields.cloth.default(''),
  figures: entryFields.figures.default({}),
  again: entryFields.again.default(false),
  at: instant.optional(),
});
export type EntryBody = z.infer<typeof entryBody>;

/** Entries of the notebook. */
export const notebook = z
  .array(
    z.strictObject({
      ...{ id, at: instant, pictures: z.array(id).max(20) },
      ...entryFields,
    }),
  )
  .max(2000);

/** Hours for sewing. */
export const week = z.strictObject({
  days: z
    .array(
      z.strictObject({
        from: z
          .int()
          .min(0)
          .max(DAY - 1),
        minutes: z.int().min(0).max(DAY),
      }),
    )
    .length(7),
  except: z.array(z.strictObject({ id: day, minutes: z.int().min(0).max(DAY) })).max(400),
});
