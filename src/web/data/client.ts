import {
  type BackupLook,
  type HistoryEntry,
  type PatchOperation,
  type Problem,
  type PutBack,
  type Summary,
} from '../../contract/index.ts';
import { type ProjectDocument } from '../../core/document/project.ts';
import { type Box } from '../../core/geometry/index.ts';
import { type Layout, type LineGroup, type PdfChoices, type Progress, type Trace } from '../../core/import/index.ts';
import { type Finding } from '../../core/result.ts';

export interface ProjectAnswer {
  id: string;
  name: string;
  garment: string;
  revision: number;
  document: ProjectDocument;
  steps: { undo: string | null; redo: string | null };
}

export interface ShelfAnswer {
  projects: Summary[];
  demos: { id: string; name: string; garment: string }[];
}

/** A refusal with the sentence the server gave. */
export class Refusal extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

const UNREACHABLE: Problem = {
  type: 'urn:woodbine:problem:unreachable',
  title: 'No answer',
  status: 0,
  detail: 'Woodbine does not answer. Is it still running? Nothing you saved is lost.',
};

async function call<T>(method: string, url: string, body?: unknown): Promise<T> {
  const form = body instanceof FormData;
  const init: RequestInit = { method };
  if (form) init.body = body;
  else if (body instanceof File) {
    init.body = body;
    init.headers = { 'content-type': 'application/zip' };
  } else if (body !== undefined) {
    init.body = JSON.stringify(body);
    init.headers = { 'content-type': 'application/json' };
  }
  const answer = await fetch(url, init).catch(() => {
    throw new Refusal(UNREACHABLE);
  });
  if (answer.status === 204) return undefined as T;
  const json = (await answer.json().catch(() => ({ ...UNREACHABLE, status: answer.status }))) as T;
  if (!answer.ok) throw new Refusal(json as unknown as Problem);
  return json;
}

export const get = <T>(url: string): Promise<T> => call<T>('GET', url);

/** What is said of a file beside itself. */
export interface FileChoices extends PdfChoices {
  unit?: string;
  /** A name of our own, to ask how far it is. */
  job?: string;
}

/** A pattern file as it was put in. */
export interface StoredFile {
  id: string;
  name: string;
  /** Bytes. */
  size: number;
  at: string;
}

/** What a file holds, as the server saw it. */
export interface LookAnswer {
  kind: 'pdf' | 'drawing';
  nested: boolean;
  groups: (Omit<LineGroup, 'paths'> & { d: string })[];
  layout: Layout | null;
  squares: { measured: number; nominal: number | null }[];
  tiles: { trim: Box; d: string[] } | null;
  findings: (Finding & { message: string })[];
}

function formOf(file: File, choices: FileChoices): FormData {
  const form = new FormData();
  form.set('file', file);
  for (const [key, value] of Object.entries(choices))
    if (value !== undefined && value !== '') form.set(key, Array.isArray(value) ? value.join(',') : String(value));
  return form;
}

export const api = {
  create: (name: string, garment: string) => call<ProjectAnswer>('POST', '/api/projects', { name, garment }),
  demo: (demo: string) => call<ProjectAnswer>('POST', '/api/projects/demo', { demo }),
  load: (file: unknown) => call<ProjectAnswer>('POST', '/api/projects/import', file),
  restore: (id: string) => call<ProjectAnswer>('POST', `/api/projects/${id}/restore`),
  remove: (id: string, revision: number) => call<void>('DELETE', `/api/projects/${id}?revision=${revision}`),
  change: (id: string, revision: number, label: string, patch: PatchOperation[]) =>
    call<ProjectAnswer>('PATCH', `/api/projects/${id}`, { revision, change: { label, patch } }),
  walk: (id: string, kind: 'undo' | 'redo', revision: number) =>
    call<ProjectAnswer>('POST', `/api/projects/${id}/${kind}`, { revision }),
  look: (file: File, choices: FileChoices = {}) => call<LookAnswer>('POST', '/api/look', formOf(file, choices)),
  /** How far a file is that was sent under this name; null when it is not being read (yet, or any more). */
  progress: (job: string): Promise<Progress | null> => get<Progress>(`/api/jobs/${job}`).catch(() => null),
  /** Gives a file up; one that is in already stays in. */
  stop: (job: string): Promise<void> => call<void>('DELETE', `/api/jobs/${job}`).catch(() => undefined),
  files: (id: string) => get<{ files: StoredFile[] }>(`/api/projects/${id}/files`),
  shell: (id: string, revision: number, file: File, lines: string, choices: FileChoices) => {
    const form = formOf(file, choices);
    form.set('revision', String(revision));
    form.set('lines', lines);
    return call<{ findings: (Finding & { message: string })[]; revision: number }>(
      'POST',
      `/api/projects/${id}/shell`,
      form,
    );
  },
  trace: (id: string, t: Trace & { lines: string }) =>
    call<{ findings: (Finding & { message: string })[]; residualMm: number; revision: number }>(
      'POST',
      `/api/projects/${id}/trace`,
      t,
    ),
  seen: (notice: string) => call<void>('POST', `/api/state/notices/${notice}/seen`),
  makeBackup: () => call<{ name: string }>('POST', '/api/backups', {}),
  bringBackup: (file: File) => call<BackupLook>('POST', '/api/backups/brought', file),
  lookBackup: (name: string) => get<BackupLook>(`/api/backups/${name}`),
  putBack: (name: string, projects: string[]) =>
    call<{ projects: PutBack[] }>('POST', `/api/backups/${name}/restore`, { projects }),
  history: (id: string) => get<{ changes: HistoryEntry[] }>(`/api/projects/${id}/history`),
};
