import { expect } from '@playwright/test';
import { demoText } from './files.ts';
import { asks } from './http.ts';
import { served as test } from './page.ts';
import { POSTGRES, startPostgres } from './postgres.ts';
import { Running } from './server.ts';

const CLIENTS = 20;
const name = (value: string) => [{ op: 'replace', path: '/name', value }];
const numbers = (n: number) => [...Array(n).keys()];

/** Revisions of the changes a server tells of, as they come in. */
async function hearing(url: string): Promise<{ heard: number[]; leave: () => void }> {
  const over = new AbortController();
  const answer = await fetch(`${url}/api/events`, { signal: over.signal });
  const heard: number[] = [];
  const listen = async () => {
    let text = '';
    for await (const part of answer.body as unknown as AsyncIterable<Uint8Array>) {
      text += Buffer.from(part).toString();
      const events = text.split('\n\n');
      text = events.pop() ?? '';
      for (const e of events) {
        const said = e.match(/^event: change$/m) && e.match(/^data: (.*)$/m)?.[1];
        if (said) heard.push(JSON.parse(said).revision);
      }
    }
  };
  void listen().catch(() => undefined);
  return { heard, leave: () => over.abort() };
}

// Debian's PostgreSQL is used where it is installed; it is said where it is not.
if (POSTGRES)
  test(
    'three processes on one PostgreSQL server: linear histories, nothing overwritten unseen',
    { tag: '@night' },
    shared,
  );
else process.stderr.write('PostgreSQL is not installed here: three processes on one server are not tried.\n');

async function shared(): Promise<void> {
  const database = startPostgres();
  const servers = numbers(3).map(() => new Running({ DATABASE_URL: database.url }));
  // All at once: one of them makes the tables.
  await Promise.all(servers.map((s) => s.start(false)));
  const [a, b, c] = servers.map((s) => asks(s.url)) as [
    ReturnType<typeof asks>,
    ReturnType<typeof asks>,
    ReturnType<typeof asks>,
  ];
  const { heard, leave } = await hearing(servers[1]?.url ?? '');
  const { id } = (await a('POST', '/api/projects', { name: 'Shared' })).json;
  const at = `/api/projects/${id}`;
  // Each client writes on what it saw last, and looks again when it is refused.
  let refused = 0;
  const client = async (n: number): Promise<void> => {
    const ask = [a, b, c][n % 3] as typeof a;
    for (;;) {
      const { revision } = (await ask('GET', at)).json;
      const change = { label: `Client ${n}`, patch: name(`Client ${n}`) };
      const w = await ask('PATCH', at, { revision, change });
      if (w.status === 200) return;
      expect([w.status, w.json.since.length > 0]).toEqual([409, true]);
      refused += 1;
    }
  };
  await Promise.all(numbers(CLIENTS).map(client));
  const history = (await b('GET', `${at}/history`)).json.changes as { revision: number; label: string }[];
  expect(history.map((h) => h.revision)).toEqual(numbers(CLIENTS).map((n) => CLIENTS - n));
  expect(new Set(history.map((h) => h.label)).size).toBe(CLIENTS);
  expect((await c('GET', at)).json.document.name).toBe(history[0]?.label);
  expect(refused).toBeGreaterThan(0);
  await expect.poll(() => [...heard].sort((x, y) => x - y)).toEqual(numbers(CLIENTS + 1));
  leave();
  // A pattern put in by one is read by the others, its file too; undo over another process.
  const put = await a('POST', `${at}/shell`, { file: demoText('greenhouse-coat.svg'), name: 'coat.svg' });
  expect(put.status).toBe(201);
  expect((await b('GET', `${at}/files/${put.json.fileId}`)).text).toBe(demoText('greenhouse-coat.svg'));
  expect((await b('POST', `${at}/undo`, { revision: CLIENTS + 1 })).status).toBe(200);
  expect((await c('GET', at)).json.document.shell).toBeNull();
  // A backup is the same kind of file.
  expect((await b('POST', '/api/backups', {})).status).toBe(201);
  expect((await b('GET', '/api/backups')).json.backups.map((k: { projects: number }) => k.projects)).toEqual([1]);
  // One process is killed while it writes, and the database goes down: nothing is taken that is not kept.
  await servers[2]?.kill();
  database.stop('immediate');
  const lost = { revision: CLIENTS + 2, change: { label: 'x', patch: name('Lost') } };
  expect((await a('PATCH', at, lost)).status).toBeGreaterThanOrEqual(500);
  database.start();
  await servers[2]?.start(false);
  for (const ask of [a, b, c])
    await expect
      .poll(async () => {
        const { status, json } = await ask('GET', at);
        return [status, json.revision, json.name];
      })
      .toEqual([200, CLIENTS + 2, history[0]?.label]);
  for (const s of servers) await s.end();
  database.end();
}
