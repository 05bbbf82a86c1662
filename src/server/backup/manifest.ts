import { z } from 'zod';

/** Entries of a backup file: a zip of JSON, JSON lines and the uploaded files, that any program can look into. */
export const MANIFEST = 'manifest.json';
/** SHA-256 of the manifest, hex. */
export const MANIFEST_SUM = 'manifest.sha256';
export const FILES = 'files.jsonl';
export const NOTICES = 'notices.jsonl';
export const projectEntry = (id: string): string => `projects/${id}/project.json`;
export const changesEntry = (id: string): string => `projects/${id}/changes.jsonl`;
export const originalEntry = (id: string): string => `originals/${id}`;

const id = z.string().regex(/^[\w-]{1,64}$/);

/** What a backup holds, and the checksum (SHA-256, hex) and length (bytes) of each of its entries. */
export const manifestShape = z.object({
  woodbine: z.literal(1),
  /** When it was taken, and the number of the last journal record that is in it for certain. */
  at: z.iso.datetime(),
  seq: z.number().int().min(0),
  /** Whether it holds every project, or only those that were asked for. */
  whole: z.boolean(),
  projects: z.array(
    z.object({
      id,
      name: z.string(),
      garment: z.string(),
      revision: z.number().int().min(0),
      deleted: z.boolean(),
      updatedAt: z.string(),
      /** SHA-256 of its document as JSON text. */
      sum: z.string().length(64),
    }),
  ),
  files: z.array(z.object({ id, project: id, sum: z.string() })),
  entries: z.record(z.string(), z.object({ bytes: z.number().int().min(0), sum: z.string().length(64) })),
});
export type Manifest = z.infer<typeof manifestShape>;

/** A project as a backup holds it, beside its document and changes. */
export interface ProjectHead {
  id: string;
  name: string;
  garment: string;
  revision: number;
  deleted: boolean;
  createdAt: string;
  updatedAt: string;
}
