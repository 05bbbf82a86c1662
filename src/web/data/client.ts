import useSWR, { type SWRConfiguration, type SWRResponse } from 'swr';
import {
  type Answer,
  type Named,
  type PatchOperation,
  type Problem,
  type RouteKey,
  type Sent,
} from '../../contract/index.ts';
import { type PdfChoices, type Progress, type Trace } from '../../core/import/index.ts';

export type ProjectAnswer = Answer<'GET /api/projects/{id}'>;
export type ShelfAnswer = Answer<'GET /api/projects'>;
export type LookAnswer = Answer<'POST /api/look'>;

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

/** What stands for the names in braces. */
type Names<K extends string> = Record<Named<K>, string | number>;
type Getting = Extract<RouteKey, `GET ${string}`>;

/** The address of what is asked. */
export const addressOf = <K extends RouteKey>(route: K, names: Names<K>): string =>
  route.replace(/^\w+ /, '').replace(/\{(\w+)\}/g, (_, n: Named<K>) => encodeURIComponent(names[n]));

/** Asks the server: what is sent along and what comes back are as the contract says. */
async function ask<K extends RouteKey>(route: K, names: Names<K>, body?: Sent<K>, query = ''): Promise<Answer<K>> {
  const init: RequestInit = { method: route.split(' ')[0] as string };
  if (body instanceof FormData) init.body = body;
  else if (body instanceof File) {
    init.body = body;
    init.headers = { 'content-type': 'application/zip' };
  } else if (body !== undefined) {
    init.body = JSON.stringify(body);
    init.headers = { 'content-type': 'application/json' };
  }
  return (await fetched(addressOf(route, names) + query, init)) as Answer<K>;
}

async function fetched(url: string, init: RequestInit): Promise<unknown> {
  const answer = await fetch(url, init).catch(() => {
    throw new Refusal(UNREACHABLE);
  });
  if (answer.status === 204) return undefined;
  const json: unknown = await answer.json().catch(() => ({ ...UNREACHABLE, status: answer.status }));
  if (!answer.ok) throw new Refusal(json as Problem);
  return json;
}

/** What is at an address; known by it wherever it is asked for. */
export const get = (url: string): Promise<unknown> => fetched(url, { method: 'GET' });

/** What the server answers, shared by all that ask the same; nothing is asked where `names` is null. */
export const useAsked = <K extends Getting>(
  route: K,
  names: Names<K> | null,
  how: SWRConfiguration<Answer<K>, Error> = {},
  query = '',
): SWRResponse<Answer<K>, Error> =>
  useSWR<Answer<K>, Error>(
    names && addressOf(route, names) + query,
    (url: string) => get(url) as Promise<Answer<K>>,
    how,
  );

/** What is said of a file beside itself. */
export interface FileChoices extends PdfChoices {
  unit?: string;
  /** A name of our own, to ask how far it is. */
  job?: string;
}

function formOf(file: File, choices: FileChoices): FormData {
  const form = new FormData();
  form.set('file', file);
  for (const [key, value] of Object.entries(choices))
    if (value !== undefined && value !== '') form.set(key, Array.isArray(value) ? value.join(',') : String(value));
  return form;
}

export const api = {
  create: (name: string, garment: string) => ask('POST /api/projects', {}, { name, garment }),
  demo: (demo: string) => ask('POST /api/projects/demo', {}, { demo }),
  load: (file: unknown) => ask('POST /api/projects/import', {}, file as Sent<'POST /api/projects/import'>),
  restore: (id: string) => ask('POST /api/projects/{id}/restore', { id }),
  remove: (id: string, revision: number) =>
    ask('DELETE /api/projects/{id}', { id }, undefined, `?revision=${revision}`),
  stash: () => ask('GET /api/stash', {}),
  project: (id: string) => ask('GET /api/projects/{id}', { id }),
  change: (id: string, revision: number, label: string, patch: PatchOperation[]) =>
    ask('PATCH /api/projects/{id}', { id }, { revision, change: { label, patch } }),
  walk: (id: string, kind: 'undo' | 'redo', revision: number) =>
    ask(`POST /api/projects/{id}/${kind}`, { id }, { revision }),
  look: (file: File, choices: FileChoices = {}) => ask('POST /api/look', {}, formOf(file, choices)),
  /** How far a file is that was sent under this name; null when it is not being read (yet, or any more). */
  progress: (job: string): Promise<Progress | null> => ask('GET /api/jobs/{job}', { job }).catch(() => null),
  /** Gives a file up; one that is in already stays in. */
  stop: (job: string): Promise<void> => ask('DELETE /api/jobs/{job}', { job }).catch(() => undefined),
  at: (id: string, revision: number) => ask('GET /api/projects/{id}/at/{revision}', { id, revision }),
  files: (id: string) => ask('GET /api/projects/{id}/files', { id }),
  shell: (id: string, revision: number, file: File, lines: string, choices: FileChoices) => {
    const form = formOf(file, choices);
    form.set('revision', String(revision));
    form.set('lines', lines);
    return ask('POST /api/projects/{id}/shell', { id }, form);
  },
  trace: (id: string, t: Trace & { lines: 'cut' | 'seam' }) => ask('POST /api/projects/{id}/trace', { id }, t),
  /** Writes into the notebook; with a picture where there is one. */
  entry: (id: string, entry: Sent<'POST /api/projects/{id}/entries'>, picture?: File) => {
    if (!picture) return ask('POST /api/projects/{id}/entries', { id }, entry);
    const form = new FormData();
    form.set('entry', JSON.stringify(entry));
    form.set('picture', picture);
    return ask('POST /api/projects/{id}/entries', { id }, form as never);
  },
  network: (on: boolean) => ask('POST /api/network', {}, { on }),
  seen: (id: string) => ask('POST /api/state/notices/{id}/seen', { id }),
  makeBackup: () => ask('POST /api/backups', {}),
  bringBackup: (file: File) => ask('POST /api/backups/brought', {}, file),
  lookBackup: (name: string) => ask('GET /api/backups/{name}', { name }),
  putBack: (name: string, projects: string[]) => ask('POST /api/backups/{name}/restore', { name }, { projects }),
};
