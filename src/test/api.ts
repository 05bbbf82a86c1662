import { rmSync } from 'node:fs';
import { afterAll, beforeAll } from '@jest/globals';
import { type Hono } from 'hono';
import { createApp } from '../server/app.ts';
import { type Opened } from '../server/db/open.ts';
import { Reader } from '../server/import/run.ts';
import { Works } from '../server/work/run.ts';
import { freshFolder, openFolder } from './folder.ts';

/** The server's app on an opened store, as the tests ask it: no fonts, no reader's worker, a clock that stands still. */
export const appOf = (o: Opened): Hono =>
  createApp({
    opened: o,
    names: ['127.0.0.1', 'localhost'],
    fontFiles: [],
    reader: new Reader(null),
    works: new Works(null),
    now: () => new Date(0),
    log: { error: () => 'none' },
  });

export interface Answer {
  status: number;
  type: string;
  // biome-ignore lint/suspicious/noExplicitAny: answers are looked at from outside, as a caller without our types would.
  json: any;
  text: string;
}

/** What a caller from outside would do: requests and their answers. */
export function asking(app: () => Hono) {
  async function ask(
    method: string,
    path: string,
    body?: unknown,
    headers: Record<string, string> = {},
  ): Promise<Answer> {
    const form = body instanceof FormData;
    const init: RequestInit = {
      method,
      headers: {
        host: '127.0.0.1',
        ...(body !== undefined && !form && { 'content-type': 'application/json' }),
        ...headers,
      },
    };
    if (body !== undefined) init.body = form || typeof body === 'string' ? (body as string) : JSON.stringify(body);
    const r = await app().request(`http://127.0.0.1${path}`, init);
    const text = await r.text();
    const type = r.headers.get('content-type') ?? '';
    return { status: r.status, type, text, json: type.includes('json') ? JSON.parse(text) : null };
  }
  const edit = (id: string, revision: number, path: string, value: unknown, label = 'Change') =>
    ask('PATCH', `/api/projects/${id}`, { revision, change: { label, patch: [{ op: 'replace', path, value }] } });
  return { ask, edit };
}

/** The server on a folder of its own, opened before the tests of a file and taken away after them. */
export function serving(name: string) {
  const folder = freshFolder(name);
  let opened: Opened;
  let app: Hono;
  beforeAll(async () => {
    opened = await openFolder(folder);
    app = appOf(opened);
  }, 60_000);
  afterAll(async () => {
    await opened.close();
    rmSync(folder, { recursive: true });
  });
  /** From now on another store is asked. */
  const turnTo = (o: Opened): void => {
    app = appOf(o);
  };
  return { folder, app: () => app, opened: () => opened, turnTo, ...asking(() => app) };
}
