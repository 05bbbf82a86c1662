import { type HistoryEntry } from '../../contract/index.ts';
import { type ProjectDocument } from '../../core/document/project.ts';

/** A project as it stands: its document as JSON text, which is parsed only where it is asked for. */
export class Stored {
  constructor(
    readonly id: string,
    readonly revision: number,
    readonly name: string,
    readonly garment: string,
    readonly json: string,
  ) {}

  get document(): ProjectDocument {
    return JSON.parse(this.json) as ProjectDocument;
  }
}

export interface Steps {
  undo: string | null;
  redo: string | null;
}

export interface StoredFile {
  id: string;
  name: string;
  /** Bytes. */
  size: number;
  at: string;
}

/** A stored project that does not fit the contract: what is wrong with it, and where. */
export class Unreadable extends Error {
  constructor(
    readonly project: string,
    readonly problems: { path: string; message: string }[],
  ) {
    super(`the project ${project} cannot be read`);
  }
}

/** Why a write was not done. */
export type Refused =
  | { ok: false; why: 'missing' }
  | { ok: false; why: 'stale'; revision: number; since: HistoryEntry[] }
  | { ok: false; why: 'invalid'; problems: { path: string; message: string }[] }
  | { ok: false; why: 'nothing' };
