import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { XMLValidator } from 'fast-xml-parser';
import { type Hono } from 'hono';
import { parseDocument } from '../contract/index.ts';
import { cutListCsv } from '../core/cutting/index.ts';
import { compute } from '../core/document/compute.ts';
import { sheetsFor, svgOf } from '../core/output/index.ts';
import { isUnfit, plainName } from '../core/text.ts';
import { coatSvg } from '../demo/index.ts';
import { asking } from '../test/api.ts';
import { freshFolder, openFolder } from '../test/folder.ts';
import { runs } from '../test/runs.ts';
import { coatDocument } from '../test/shells.ts';
import { keyed, keyOf } from './access.ts';
import { createApp } from './app.ts';
import { type Opened } from './db/open.ts';
import { Reader } from './import/run.ts';
import { logIn } from './log.ts';
import { HomeNetwork } from './network.ts';
import { Works } from './work/run.ts';

const folder = freshFolder('security');
let opened: Opened;
let app: Hono;
const parts = (more: object = {}) => ({
  opened,
  names: ['127.0.0.1', 'localhost'],
  fontFiles: [],
  reader: new Reader(null),
  works: new Works(null),
  now: () => new Date(0),
  log: logIn(folder, () => new Date(0)),
  ...more,
});
beforeAll(async () => {
  opened = await openFolder(folder);
  app = createApp(parts());
}, 60_000);
afterAll(async () => {
  await opened.close();
  rmSync(folder, { recursive: true });
});
const { ask, edit } = asking(() => app);

test('every answer, refusals too, carries the security headers, and none of the API is kept by a cache', async () => {
  const { id } = (await ask('POST', '/api/projects', { name: 'Coat', garment: 'coat' })).json;
  const broken = createApp(parts({ opened: { ...opened, store: { revive: async () => false } } }));
  const asked = async (method: string, path: string, headers: object = {}, body?: string, by = app) =>
    by.request(`http://127.0.0.1${path}`, {
      method,
      headers: { host: '127.0.0.1', ...headers },
      ...(body && { body }),
    });
  const json = { 'content-type': 'application/json' };
  for (const [status, r] of [
    [200, await asked('GET', '/api/projects')],
    [200, await asked('GET', '/api/openapi.json')],
    [204, await asked('DELETE', `/api/projects/${id}`)],
    [400, await asked('POST', '/api/projects', json, '{')],
    [400, await asked('GET', '/api/projects/%00')],
    [400, await asked('GET', '/api/projects/%ff')],
    [403, await asked('GET', '/api/projects', { host: 'elsewhere.example' })],
    [403, await asked('GET', '/api/projects', { origin: 'http://elsewhere.example' })],
    [403, await asked('POST', '/api/projects', { ...json, 'sec-fetch-site': 'cross-site' }, '{}')],
    [404, await asked('GET', '/api/none')],
    [404, await asked('GET', '/none')],
    [413, await asked('POST', '/api/projects', { ...json, 'content-length': '99000000' }, '{}')],
    [415, await asked('POST', '/api/projects', { 'content-type': 'text/plain' }, 'x')],
    [422, await asked('POST', '/api/projects', json, '{}')],
    [500, await asked('GET', '/api/projects', {}, undefined, broken)],
  ] as [number, Response][]) {
    expect([r.status, r.headers.get('x-content-type-options'), r.headers.get('x-frame-options')]).toEqual([
      status,
      'nosniff',
      'DENY',
    ]);
    expect(r.headers.get('content-security-policy')).toMatch(/default-src 'self'.*frame-ancestors 'none'/);
    expect(r.headers.get('referrer-policy')).toBe('no-referrer');
    if (r.url === '' && status !== 404) expect(r.headers.get('cache-control')).toBe('no-store');
  }
});

test('characters that are no text are refused in words, wherever they come in; nothing of them is stored', async () => {
  const { id } = (await ask('POST', '/api/projects', { name: 'Näh-Projekt 🌿', garment: 'coat' })).json;
  for (const bad of ['\u0000', 'a\u0007b', '\ud800', 'x\udc00y', '\uffff', '\u001b[31m']) {
    const document = { ...coatDocument(), name: bad };
    for (const r of [
      await ask('POST', '/api/projects', { name: bad, garment: 'coat' }),
      await ask('POST', '/api/projects', { name: 'Coat', garment: bad }),
      await edit(id, 0, '/name', bad),
      await edit(id, 0, '/name', 'Coat', bad),
      await edit(id, 0, `/${bad}`, 1),
      await ask('POST', '/api/projects/import', { woodbine: 1, project: document }),
      await ask('POST', '/api/projects/import', { woodbine: 1, project: { [bad]: 1 } }),
      await ask('POST', '/api/projects/demo', { demo: bad }),
    ]) {
      expect(r.status).toBe(422);
      expect(r.json.detail).toMatch(/no text/);
    }
  }
  expect((await ask('GET', `/api/projects/${id}`)).json).toMatchObject({ name: 'Näh-Projekt 🌿', revision: 0 });
  // Names in a drawing come from outside as well: what cannot be written is left out of them.
  const form = new FormData();
  form.set('file', new File([coatSvg().replaceAll('Front', 'Front\u0085 one')], 'co\u0000at\n.svg'));
  expect((await ask('POST', `/api/projects/${id}/shell`, form)).status).toBe(201);
  const { document } = (await ask('GET', `/api/projects/${id}`)).json;
  expect(document.shell.fileName).toBe('co at .svg');
  for (const p of document.shell.pieces) expect(plainName(p.name)).toBe(p.name);
});

test('of unknown keys and floods of faults the answer is short', async () => {
  const many = Object.fromEntries([...Array(5000)].map((_, i) => [`key${i}`, i]));
  for (const body of [
    { name: 'X', garment: 'coat', ...many },
    { woodbine: 1, project: { ...coatDocument(), ...many } },
    { revision: 0, change: { label: 'x', patch: Array(4000).fill({ op: 'move' }) } },
  ])
    for (const [method, path] of [
      ['POST', '/api/projects'],
      ['POST', '/api/projects/import'],
      ['PATCH', '/api/projects/x'],
    ] as const) {
      const r = await ask(method, path, body);
      expect(r.status).toBe(422);
      expect(r.text.length).toBeLessThan(8000);
    }
  const deep = `${'['.repeat(5000)}1${']'.repeat(5000)}`;
  expect((await ask('POST', '/api/projects', deep)).status).toBe(422);
});

test('an error of our own stands in the log under the number its answer gives, without what a project holds', async () => {
  const failing = createApp(
    parts({
      opened: {
        ...opened,
        store: { list: () => Promise.reject(new Error('of the secret coat')), revive: async () => false },
      },
    }),
  );
  const { ask: askFailing } = asking(() => failing);
  const r = await askFailing('GET', '/api/projects');
  expect(r.json.detail).toMatch(/Try it once more.*ask for help with the number [0-9a-f]{8}/);
  const file = join(folder, 'log/woodbine.log');
  const lines = readFileSync(file, 'utf8')
    .trim()
    .split('\n')
    .map((l) => JSON.parse(l));
  expect(lines.find((l) => l.id === r.json.id)).toMatchObject({ where: 'GET /api/projects', name: 'Error' });
  expect(readFileSync(file, 'utf8')).not.toContain('secret');
  expect(statSync(file).mode & 0o077).toBe(0);
  // It does not grow for ever.
  writeFileSync(file, 'x'.repeat(3e6));
  await askFailing('GET', '/api/projects');
  expect(readdirSync(join(folder, 'log')).sort()).toEqual(['woodbine.log', 'woodbine.log.1']);
});

test('where a key is needed nobody gets in without: by the link once, then by a cookie; scripts by the key; tries are few', async () => {
  const other = mkdtempSync(join(tmpdir(), 'woodbine-key-'));
  const key = keyOf(other);
  expect([keyOf(other), key.length >= 32, statSync(join(other, 'access.key')).mode & 0o777]).toEqual([
    key,
    true,
    0o600,
  ]);
  let from = 'a';
  let clock = 0;
  const locked = createApp(
    parts({
      access: keyed(
        key,
        () => from,
        () => clock,
      ),
    }),
  );
  const get = (path: string, headers: object = {}) =>
    locked.request(`http://127.0.0.1${path}`, { headers: { host: '127.0.0.1', ...headers } });
  const status = async (...a: Parameters<typeof get>) => (await get(...a)).status;
  expect([await status('/api/projects'), await status('/'), await status('/api/health')]).toEqual([401, 401, 200]);
  const let_in = await get(`/?key=${key}`);
  // The key is in the address once; the cookie is not the key, no script reads it, and no other site sends it.
  expect([let_in.status, let_in.headers.get('location')]).toEqual([302, '/']);
  const cookie = let_in.headers.get('set-cookie') ?? '';
  expect(cookie).toMatch(/HttpOnly/);
  expect(cookie).toMatch(/SameSite=Strict/);
  expect(cookie).not.toContain(key);
  expect(await status('/api/projects', { cookie: cookie.split(';')[0] })).toBe(200);
  expect(await status('/api/projects', { authorization: `Bearer ${key}` })).toBe(200);
  expect(await status('/api/projects', { cookie: 'woodbine=guess' })).toBe(401);
  for (let i = 0; i < 12; i++) await status('/api/projects', { authorization: `Bearer guess${i}` });
  const refused = await get('/api/projects', { authorization: `Bearer ${key}` });
  expect([refused.status, refused.headers.get('retry-after')]).toEqual([429, '600']);
  // Others, and who is in already, are not kept out by it.
  expect(await status('/api/projects', { cookie: cookie.split(';')[0] })).toBe(200);
  from = 'b';
  expect(await status('/api/projects', { authorization: `Bearer ${key}` })).toBe(200);
  from = 'a';
  clock += 11 * 60_000;
  expect(await status('/api/projects', { authorization: `Bearer ${key}` })).toBe(200);
  rmSync(other, { recursive: true });
});

test('the door to the home network is shut until it is opened, lets in by its link alone, has no switch of its own, and shuts for good', async () => {
  const network: HomeNetwork = new HomeNetwork(
    (key) => createApp(parts({ names: ['127.0.0.1'], access: keyed(key, () => 'tablet') })),
    '127.0.0.1',
    () => ['127.0.0.1'],
  );
  const home = createApp(parts({ network }));
  const switched = (on: unknown) =>
    home.request('http://127.0.0.1/api/network', {
      method: 'POST',
      headers: { host: '127.0.0.1', 'content-type': 'application/json' },
      body: JSON.stringify({ on }),
    });
  expect(network.links()).toEqual([]);
  expect((await switched('yes')).status).toBe(422);
  expect(network.open).toBe(false);
  const { on, links } = await (await switched(true)).json();
  expect([on, links.length]).toEqual([true, 1]);
  const { origin } = new URL(links[0]);
  expect((await fetch(`${origin}/api/projects`)).status).toBe(401);
  const paired = await fetch(links[0], { redirect: 'manual' });
  const cookie = (paired.headers.get('set-cookie') ?? '').split(';')[0] as string;
  expect((await fetch(`${origin}/api/projects`, { headers: { cookie } })).status).toBe(200);
  // Who came in by it neither sees the link nor shuts or opens anything.
  const seen = await (await fetch(`${origin}/api/network`, { headers: { cookie } })).json();
  expect(seen).toEqual({ can: false, on: true, links: [] });
  const headers = { cookie, 'content-type': 'application/json' };
  expect((await fetch(`${origin}/api/network`, { method: 'POST', headers, body: '{"on":false}' })).status).toBe(403);
  // Shut it cuts off who is in, and the link from before opens nothing when it is opened anew.
  const listening = await fetch(`${origin}/api/events`, { headers: { cookie } });
  await Promise.all([switched(false), switched(false)]);
  await expect(listening.text()).rejects.toThrow();
  await expect(fetch(`${origin}/api/projects`, { headers: { cookie } })).rejects.toThrow();
  const again = await (await switched(true)).json();
  const now = new URL(again.links[0]);
  expect(now.searchParams.get('key')).not.toBe(new URL(links[0]).searchParams.get('key'));
  expect((await fetch(`${now.origin}/api/projects`, { headers: { cookie } })).status).toBe(401);
  await network.turn(false);
});

test('whatever names are in a project, what is exported can be read by others: XML, and CSV without formulas', () => {
  const name = fc.oneof(
    fc.string({ unit: 'binary', maxLength: 40 }),
    fc.constantFrom(
      '=1+1',
      '\n=cmd()',
      '  @x',
      '＝SUM(A1)',
      '＋1',
      'a\r\n-2',
      '\t=3',
      '"]]>&<',
      '\ufffe\uffff',
      '\ud83d',
    ),
  );
  fc.assert(
    fc.property(name, name, (a, b) => {
      const doc = coatDocument();
      const pieces = doc.shell?.pieces ?? [];
      if (pieces[0]) pieces[0].name = `${a}x`;
      if (pieces[1]) pieces[1].name = b || 'y';
      // As an older version may have stored it.
      const parsed = parseDocument(JSON.parse(JSON.stringify(doc)));
      if (!parsed.ok) return;
      for (const d of [parsed.document, doc]) {
        const x = compute(d);
        const svg = svgOf(sheetsFor(x, null, true, 'mm'), `${a}${b}`);
        expect(XMLValidator.validate(svg)).toBe(true);
        // XML 1.0, production 2: no control characters but tab and line ends, no half surrogate pairs.
        expect(isUnfit(svg)).toBe(false);
        for (const line of cutListCsv(x, 'mm').matchAll(/"((?:[^"]|"")*)"/g))
          expect(/(^|[\r\n])\s*[=+\-@＝＋－＠]/.test(line[1] as string)).toBe(false);
      }
      for (const p of parsed.document.shell?.pieces ?? []) expect(isUnfit(p.name)).toBe(false);
    }),
    runs(9),
  );
});
