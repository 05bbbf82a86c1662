import { type Decisions, type ProjectDocument } from './project.ts';

/** A list is decided as a whole, anything else in part. */
export type Part<K extends keyof Decisions> = Decisions[K] extends readonly unknown[]
  ? Decisions[K]
  : Partial<Decisions[K]>;

/** A project with one part of its decisions otherwise. */
export function decided<K extends keyof Decisions>(doc: ProjectDocument, key: K, part: Part<K>): ProjectDocument {
  const { decisions } = doc;
  const next = Array.isArray(part) ? part : { ...decisions[key], ...part };
  return { ...doc, decisions: { ...decisions, [key]: next } };
}
