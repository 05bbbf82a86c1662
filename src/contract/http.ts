import { z } from 'zod';
import { LONGEST_NAME } from '../core/text.ts';

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

export interface Summary {
  id: string;
  name: string;
  garment: string;
  revision: number;
  pieces: number;
  updatedAt: string;
}

export interface HistoryEntry {
  revision: number;
  label: string;
  /** `lost`: a change that could not be read any more. */
  kind: 'do' | 'undo' | 'redo' | 'lost';
  at: string;
}

/** RFC 9457 problem details; `problems` names each place with its sentence. */
export interface Problem {
  type: string;
  title: string;
  status: number;
  detail: string;
  problems?: { code: string; where?: unknown; message: string }[];
  [more: string]: unknown;
}

/** Whether anything can be written down just now, and if not, why. */
export type Saving = 'ok' | 'disk-full' | 'read-only' | 'failing';

export interface StateAnswer {
  saving: Saving;
  /** What is to be told about the data, each with its sentence. */
  notices: { id: string; code: string; at: string; message: string }[];
}

export interface BackupAnswer {
  name: string;
  /** ISO time. */
  at: string;
  projects: number;
  /** Bytes. */
  size: number;
  /** Made by Woodbine here, or brought from elsewhere. */
  own: boolean;
}

/** How a project of a backup stands to the shelf: as it is there; otherwise; taken off it; unknown to it. */
export type Standing = 'same' | 'differs' | 'deleted' | 'absent';

export interface Compared {
  id: string;
  name: string;
  garment: string;
  standing: Standing;
  /** Its name on the shelf now, where that differs. */
  nameNow: string | null;
  /** When it was last changed, in the backup and now. */
  at: string;
  atNow: string | null;
  /** What was changed since, newest first; putting it back takes these back, as one change. */
  since: string[];
}

export interface BackupLook {
  name: string;
  at: string;
  projects: Compared[];
}

export interface PutBack {
  id: string;
  name: string;
  done: 'put back' | 'as it was' | 'unreadable';
}

/** Something was changed: which project, how far it has come, and what was done. */
export interface LiveEvent {
  project: string;
  /** Null where the project was taken off the shelf or put back. */
  revision: number | null;
  label: string;
}
