import { z } from 'zod';
import { STEP_STATES } from '../core/bench/log.ts';
import { LONGEST_NAME } from '../core/text.ts';
import { key } from './figures.ts';

export const newProject = z.strictObject({
  name: z
    .string()
    .trim()
    .min(1, 'give the project a name')
    .max(LONGEST_NAME, `a name has at most ${LONGEST_NAME} characters`),
  garment: z.string().trim().min(1).max(40).default('coat'),
});

/** Operations of RFC 6902, as far as a change of a project uses them; entries of lists by their ids (`patch.ts`). */
export const operation = z.discriminatedUnion('op', [
  z.strictObject({
    op: z.literal('add'),
    path: z.string().max(400),
    value: z.unknown(),
    /** In a list with ids: the entry it goes behind, null for the first place. */
    after: z.string().max(64).nullable().optional(),
  }),
  z.strictObject({ op: z.literal('replace'), path: z.string().max(400), value: z.unknown() }),
  z.strictObject({ op: z.literal('remove'), path: z.string().max(400) }),
]);
export type PatchOperation = z.infer<typeof operation>;

export const change = z.strictObject({
  label: z.string().min(1).max(LONGEST_NAME),
  patch: z.array(operation).min(1).max(5000),
});
export const patchBody = z.strictObject({ revision: z.number().int().min(0), change });
/** Steps ticked elsewhere: each with its state, when that was, and the minutes it took. */
export const ticksBody = z.strictObject({
  revision: z.number().int().min(0).optional(),
  steps: z
    .array(
      z.strictObject({
        id: key,
        state: z.enum([...STEP_STATES, 'todo']),
        at: z.iso.datetime({ precision: 3 }).optional(),
        minutes: z
          .number()
          .min(0)
          .max(24 * 60)
          .nullable()
          .optional(),
      }),
    )
    .min(1)
    .max(400),
});
/** The home network: to be let in, or shut out. */
export const networkBody = z.strictObject({ on: z.boolean() });
export type TicksBody = z.infer<typeof ticksBody>;
/** For what a revision may be carried by: then it is refused on another one. */
export const maybeRevision = z.strictObject({ revision: z.number().int().min(0).optional() });
export const revisionBody = z.strictObject({ revision: z.number().int().min(0) });
/** Which projects of a backup are put back. */
export const putBackBody = z.strictObject({ projects: z.array(z.string().min(1).max(64)).min(1).max(5000) });
export const demoBody = z.strictObject({ demo: z.string().max(60) });

const place = z.strictObject({ x: z.number(), y: z.number() });
/** A piece traced in a picture: known corners there (px) and on the table (mm), points along its edge (px). */
export const traceBody = z.strictObject({
  name: z.string().trim().min(1, 'give the piece a name').max(80),
  lines: z.enum(['cut', 'seam']).default('seam'),
  picture: z.array(place).min(4).max(400),
  table: z.array(place).min(4).max(400),
  points: z
    .array(z.strictObject({ x: z.number(), y: z.number(), corner: z.boolean() }))
    .min(3)
    .max(2000),
  size: z.strictObject({ width: z.number().min(1).max(1e5), height: z.number().min(1).max(1e5) }).optional(),
});

/** The most that is laid in one request: outlines, cuts of them all, corners of an outline, seconds. Own figures. */
const MOST_LAID = { outlines: 400, cuts: 500, corners: 2000, seconds: 60 };
const corner = z.tuple([z.number().min(-1e5).max(1e5), z.number().min(-1e5).max(1e5)]);

/** Outlines to be laid on a strip: mm, x across it and y along it. */
export const layBody = z
  .strictObject({
    widthMm: z.number().min(1).max(1e5),
    gapMm: z.number().min(0).max(100).default(0),
    seconds: z.number().min(0).max(MOST_LAID.seconds).default(5),
    seed: z
      .int()
      .min(0)
      .max(2 ** 31)
      .default(1),
    pieces: z
      .array(
        z.strictObject({
          id: z.string().min(1).max(64),
          outline: z.array(corner).min(3).max(MOST_LAID.corners),
          count: z.int().min(1).max(MOST_LAID.cuts).default(1),
          turns: z.array(z.number().min(0).lt(360)).min(1).max(8).default([0]),
          mirror: z.boolean().default(false),
        }),
      )
      .min(1)
      .max(MOST_LAID.outlines),
  })
  .refine((b) => new Set(b.pieces.map((p) => p.id)).size === b.pieces.length, {
    path: ['pieces'],
    message: 'two pieces have the same id',
  })
  .refine((b) => b.pieces.reduce((t, p) => t + p.count, 0) <= MOST_LAID.cuts, {
    path: ['pieces'],
    message: `no more than ${MOST_LAID.cuts} are laid at once`,
  });
export type LayBody = z.infer<typeof layBody>;

/** Outlines as they lie, from the lower corner of the strip; what is wider than it is not placed. */
export const layAnswer = z
  .object({
    lengthMm: z.number(),
    density: z.number(),
    placed: z.array(
      z.object({
        id: z.string(),
        copy: z.number(),
        mirrored: z.boolean(),
        turnDeg: z.number(),
        outline: z.array(z.tuple([z.number(), z.number()])),
      }),
    ),
    notPlaced: z.array(z.object({ id: z.string(), copy: z.number() })),
  })
  .meta({ id: 'Lay' });
export type LayAnswer = z.infer<typeof layAnswer>;

export const summary = z.object({
  id: z.string(),
  name: z.string(),
  garment: z.string(),
  revision: z.number(),
  pieces: z.number(),
  updatedAt: z.string(),
});
export type Summary = z.infer<typeof summary>;

export const historyEntry = z.object({
  revision: z.number(),
  label: z.string(),
  /** `lost`: a change that could not be read any more. */
  kind: z.enum(['do', 'undo', 'redo', 'lost']),
  at: z.string(),
});
export type HistoryEntry = z.infer<typeof historyEntry>;

/** RFC 9457 problem details; `problems` names each place with its sentence. */
export const problemAnswer = z
  .looseObject({
    type: z.string(),
    title: z.string(),
    status: z.number(),
    detail: z.string(),
    problems: z.array(z.object({ code: z.string(), where: z.unknown().optional(), message: z.string() })).optional(),
  })
  .meta({ id: 'Problem' });
export type Problem = z.infer<typeof problemAnswer>;

/** Whether anything can be written down just now, and if not, why. */
export const saving = z.enum(['ok', 'disk-full', 'read-only', 'failing']);
export type Saving = z.infer<typeof saving>;

export const stateAnswer = z.object({
  saving,
  /** What is to be told about the data, each with its sentence. */
  notices: z.array(z.object({ id: z.string(), code: z.string(), at: z.string(), message: z.string() })),
});
export type StateAnswer = z.infer<typeof stateAnswer>;

export const backupAnswer = z.object({
  name: z.string(),
  /** ISO time. */
  at: z.string(),
  projects: z.number(),
  /** Bytes. */
  size: z.number(),
  /** Made by Woodbine here, or brought from elsewhere. */
  own: z.boolean(),
});
export type BackupAnswer = z.infer<typeof backupAnswer>;

/** How a project of a backup stands to the shelf: as it is there; otherwise; taken off it; unknown to it. */
const standing = z.enum(['same', 'differs', 'deleted', 'absent']);

const compared = z.object({
  id: z.string(),
  name: z.string(),
  garment: z.string(),
  standing,
  /** Its name on the shelf now, where that differs. */
  nameNow: z.string().nullable(),
  /** When it was last changed, in the backup and now. */
  at: z.string(),
  atNow: z.string().nullable(),
  /** What was changed since, newest first; putting it back takes these back, as one change. */
  since: z.array(z.string()),
});
export type Compared = z.infer<typeof compared>;

export const backupLook = z.object({ name: z.string(), at: z.string(), projects: z.array(compared) });
export type BackupLook = z.infer<typeof backupLook>;

export const putBackAnswer = z.object({
  projects: z.array(
    z.object({ id: z.string(), name: z.string(), done: z.enum(['put back', 'as it was', 'unreadable']) }),
  ),
});
export type PutBack = z.infer<typeof putBackAnswer>['projects'][number];

/** A pattern file as it was put in. */
export const storedFile = z.object({
  id: z.string(),
  name: z.string(),
  /** Bytes. */
  size: z.number(),
  at: z.string(),
});

/** Something was changed: which project, how far it has come, and what was done. */
export interface LiveEvent {
  project: string;
  /** Null where the project was taken off the shelf or put back. */
  revision: number | null;
  label: string;
}
