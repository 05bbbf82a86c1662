import { readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import { PDFDocument } from 'pdf-lib';
import { CURRENT_SCHEMA } from '../contract/index.ts';
import { pathLength, signedArea } from '../core/geometry/index.ts';
import {
  coatSvg,
  draftCoat,
  GREENHOUSE_COAT,
  jacketDxf,
  SHEET,
  seenBy,
  sizesPdf,
  sleeveClicks,
} from '../demo/index.ts';
import { serving } from '../test/api.ts';
import { freshFolder, openFolder } from '../test/folder.ts';
import { type Opened } from './db/open.ts';

const { folder, app, opened, turnTo, ask, edit } = serving('server');
const upload = (id: string, content: string | Uint8Array<ArrayBuffer>, fields: Record<string, string> = {}) => {
  const form = new FormData();
  form.set('file', new File([content], '../../etc/passwd.svg'));
  for (const [k, v] of Object.entries(fields)) form.set(k, v);
  return ask('POST', `/api/projects/${id}/shell`, form);
};
const make = async (name = 'Coat'): Promise<string> =>
  (await ask('POST', '/api/projects', { name, garment: 'coat' })).json.id;
describe('projects', () => {
  test('made, listed, changed, undone, redone, told, deleted', async () => {
    const made = await ask('POST', '/api/projects', { name: ' Potting jacket ', garment: 'jacket' });
    expect([made.status, made.json.name, made.json.revision]).toEqual([201, 'Potting jacket', 0]);
    const id = made.json.id;
    const list = (await ask('GET', '/api/projects')).json.projects;
    expect(list).toContainEqual(
      expect.objectContaining({ id, name: 'Potting jacket', garment: 'jacket', revision: 0 }),
    );
    for (const [i, v] of [70, 80, 90].entries())
      expect((await edit(id, i, '/decisions/facing/front', v, `Facing ${v}`)).json.revision).toBe(i + 1);
    const front = async () => (await ask('GET', `/api/projects/${id}`)).json.document.decisions.facing.front;
    const walk = async (kind: string, revision: number) =>
      (await ask('POST', `/api/projects/${id}/${kind}`, { revision })).json;
    expect((await walk('undo', 3)).steps).toEqual({ undo: 'Facing 80', redo: 'Facing 90' });
    await walk('undo', 4);
    expect(await front()).toBe(70);
    await walk('redo', 5);
    expect(await front()).toBe(80);
    await edit(id, 6, '/decisions/facing/front', 100, 'Facing 100');
    expect((await ask('POST', `/api/projects/${id}/redo`, { revision: 7 })).status).toBe(409);
    const history = (await ask('GET', `/api/projects/${id}/history`)).json.changes;
    expect(history.map((c: { kind: string }) => c.kind)).toEqual(['do', 'redo', 'undo', 'undo', 'do', 'do', 'do']);
    // As it was at every moment: what was set, undone and done again.
    const was = async (at: number) =>
      (await ask('GET', `/api/projects/${id}/at/${at}`)).json.document.decisions.facing.front;
    const usual = await was(0);
    expect(await Promise.all([1, 2, 3, 4, 5, 6, 7].map(was))).toEqual([70, 80, 90, 80, 70, 80, 100]);
    expect([usual === 70, (await ask('GET', `/api/projects/${id}/at/8`)).status]).toEqual([false, 404]);
    expect((await ask('GET', `/api/projects/${id}/at/x`)).status).toBe(422);
    expect((await ask('DELETE', `/api/projects/${id}`)).status).toBe(204);
    expect((await ask('GET', `/api/projects/${id}`)).status).toBe(404);
  });

  test('a stale change is answered 409 with what changed; the stored one stays', async () => {
    const id = await make();
    await edit(id, 0, '/name', 'First', 'Name First');
    const stale = await edit(id, 0, '/name', 'Second');
    expect(stale.json).toMatchObject({ status: 409, revision: 1, since: [{ revision: 1, label: 'Name First' }] });
    expect((await ask('GET', `/api/projects/${id}`)).json.name).toBe('First');
  });

  test('of many changes on one revision exactly one is taken', async () => {
    const id = await make();
    const all = await Promise.all(Array.from({ length: 12 }, (_, i) => edit(id, 0, '/name', `N${i}`)));
    expect(all.map((a) => a.status).sort()).toEqual([200, ...Array(11).fill(409)]);
  });

  test.each<[string, unknown]>([
    ['/decisions/facing/front', Number.NaN],
    ['/decisions/facing/front', 'wide'],
    ['/decisions/facing/front', -5],
    ['/decisions/closure/count', 1.5],
    ['/decisions/nothing/here', 1],
    ['/schema', CURRENT_SCHEMA + 1],
    ['/name', ''],
  ])('a change that cannot be: %s = %p', async (path, value) => {
    const id = await make();
    const r = await edit(id, 0, path, value);
    expect([r.status, r.type]).toEqual([422, 'application/problem+json']);
    expect(r.json.detail).toMatch(/\w+: /);
    expect((await ask('GET', `/api/projects/${id}`)).json.revision).toBe(0);
  });
});

describe('the pattern', () => {
  test('answers figures of the drawn pieces, field by field, and everything derived from them', async () => {
    const id = await make();
    const r = await upload(id, coatSvg(), { lines: 'seam' });
    expect(r.status).toBe(201);
    const drafted = draftCoat(GREENHOUSE_COAT);
    for (const [i, p] of r.json.pieces.entries()) {
      const path = drafted[i]?.edges.flat() ?? [];
      expect(p.name).toBe(drafted[i]?.name);
      expect(p.areaMm2 / Math.abs(signedArea(path))).toBeCloseTo(1, 5);
      expect(p.perimeterMm).toBeCloseTo(pathLength(path), 1);
      for (const e of p.edges)
        expect(e).toEqual(
          expect.objectContaining({
            id: expect.any(String),
            role: expect.any(String),
            lengthMm: expect.any(Number),
            allowanceMm: expect.any(Number),
          }),
        );
      expect(p.bbox.width).toBeGreaterThan(100);
    }
    const { pieces } = (await ask('GET', `/api/projects/${id}/pieces`)).json;
    expect(
      pieces
        .map((p: { material: string }) => p.material)
        .sort()
        .join(' '),
    ).toBe('facing facing interfacing interfacing interfacing lining lining lining lining shell shell shell');
    for (const p of pieces) {
      expect(p.cutLine.areaMm2).toBeGreaterThanOrEqual(p.seamLine.areaMm2);
      if (p.material === 'facing' || p.material === 'lining')
        expect(p.edges.every((e: { role: string; from: unknown }) => e.from)).toBe(true);
    }
    const { seams } = (await ask('GET', `/api/projects/${id}/seams`)).json;
    expect(seams).toHaveLength(26);
    for (const s of seams) {
      expect(s.differenceMm).toBeCloseTo(s.lengthAMm - s.lengthBMm, 9);
      expect(['matches', 'ease-as-meant']).toContain(s.verdict);
    }
    expect((await ask('GET', `/api/projects/${id}/closure`)).json.closure.buttons).toHaveLength(6);
    expect((await ask('GET', `/api/projects/${id}/plan`)).json.findings).toEqual([]);
    expect((await ask('GET', `/api/projects/${id}/cutting`)).json.cutList).toHaveLength(12);
  });

  const svg = (body: string) =>
    `<svg xmlns="http://www.w3.org/2000/svg" width="900mm" height="900mm" viewBox="0 0 900 900">${body}</svg>`;
  test.each<[string, string | Uint8Array<ArrayBuffer>, number, RegExp]>([
    ['empty', '', 422, /empty/],
    ['no SVG', 'hello', 422, /not an SVG/],
    ['bytes', new Uint8Array([137, 80, 78, 71, 0, 255, 254]), 422, /picture or another file/],
    ['cut off', coatSvg().slice(0, 2000), 422, /line \d+/],
    ['an entity', `<!DOCTYPE svg [<!ENTITY x SYSTEM "file:///etc/passwd">]>${svg('&x;')}`, 422, /entities/],
    ['a script', svg('<script>x</script>'), 422, /script/],
    ['NaN', svg('<path id="Collar" d="M0 0L NaN 1L5 5Z"/>'), 422, /"Collar"/],
    ['infinite', svg('<path id="Collar" d="M0 0L 1e999 1L5 5Z"/>'), 422, /"Collar".*no number/],
    ['open', svg('<path id="Collar" d="M10 20H300V300H10V25"/>'), 422, /"Collar" is open.*5 mm.*10, 20 mm/],
    [
      'crossing',
      svg('<path id="Collar" d="M0 0L200 200L200 0L0 200Z"/>'),
      422,
      /"Collar" crosses itself near 100, 100 mm/,
    ],
    ['no area', svg('<path id="Collar" d="M0 0L9 9L0 0Z"/>'), 422, /"Collar" encloses no area/],
    [
      'no unit',
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 600 900"><path d="M0 0H600V900H0Z"/></svg>',
      422,
      /probably drawn in mm/,
    ],
    ['44 MB', `<svg>${' '.repeat(44e6)}</svg>`, 413, /too large.*40 MB/],
  ])(
    '%s: a problem answer that says what and where, nothing stored, the server lives',
    async (_, content, status, words) => {
      const id = await make();
      const r = await upload(id, content);
      expect([r.status, r.type]).toEqual([status, 'application/problem+json']);
      expect(r.json).toMatchObject({
        status,
        type: expect.stringMatching(/^urn:woodbine:problem:/),
        title: expect.any(String),
      });
      expect(r.json.detail).toMatch(words);
      expect(r.text).not.toMatch(/\.ts:|node_modules/);
      expect((await ask('GET', `/api/projects/${id}`)).json).toMatchObject({ revision: 0, document: { shell: null } });
    },
  );

  test('DXF and PDF come in by the same door; a PDF can be looked into first; sizes have to be chosen', async () => {
    const id = await make();
    const jacket = await upload(id, jacketDxf());
    expect([jacket.status, jacket.json.pieces.map((p: { name: string }) => p.name)]).toEqual([
      201,
      ['Front', 'Back', 'Sleeve'],
    ]);
    const sizes = new Uint8Array(await sizesPdf());
    expect((await upload(id, sizes)).json).toMatchObject({ status: 422, type: 'urn:woodbine:problem:choose-size' });
    const form = new FormData();
    form.set('file', new File([sizes], 'x.pdf'));
    const look = await ask('POST', '/api/look', form);
    expect([look.status, look.json.nested, look.json.squares[0].nominal]).toEqual([200, true, 50]);
    const largest = look.json.groups.sort(
      (a: { lengthMm: number }, b: { lengthMm: number }) => b.lengthMm - a.lengthMm,
    )[0];
    const taken = await upload(id, sizes, { groups: largest.id });
    expect(taken.json.pieces[0].bbox.width).toBeCloseTo((1000 + 170) / 4 + 4 + 38 + 28, 1);
    expect((await upload(id, sizes, { columns: '1000' })).json.detail).toMatch(
      /columns has to be a number from 1 to 100/,
    );
  });

  test('a piece traced in a picture is added to the pattern; a bad trace changes nothing', async () => {
    const id = await make();
    const picture = SHEET.map(seenBy);
    const trace = (part: object) =>
      ask('POST', `/api/projects/${id}/trace`, {
        name: 'Sleeve',
        picture,
        table: SHEET,
        points: sleeveClicks(9),
        ...part,
      });
    const first = await trace({});
    expect([first.status, first.json.document.shell.pieces.length]).toEqual([201, 1]);
    expect(first.json.residualMm).toBeLessThan(0.5);
    const second = await trace({ name: 'Second sleeve', lines: 'cut' });
    expect(second.json.document.shell.pieces.map((p: { id: string; drawn: string }) => [p.id, p.drawn])).toEqual([
      ['p1', 'seam'],
      ['p2', 'cut'],
    ]);
    expect((await trace({ picture: picture.slice(0, 3) })).status).toBe(422);
    expect((await trace({ picture: [picture[0], picture[2], picture[1], picture[3]] })).json.detail).toMatch(
      /do not go round a sheet/,
    );
    expect((await ask('GET', `/api/projects/${id}`)).json.revision).toBe(2);
  });

  test('a form without file, with wrong fields, or for no project', async () => {
    const id = await make();
    expect((await ask('POST', `/api/projects/${id}/shell`, new FormData())).json.detail).toMatch(/no file/);
    expect((await upload(id, coatSvg(), { lines: 'both' })).status).toBe(400);
    expect((await upload(id, coatSvg().replace(/ width=.*?mm"/, ''), { unit: 'ell' })).status).toBe(422);
    expect((await upload('nobody', coatSvg())).status).toBe(404);
  });
});

describe('the stash', () => {
  test('is begun once, whoever asks first; it is on no shelf, is changed like a project, and stays', async () => {
    const both = await Promise.all([ask('GET', '/api/stash'), ask('GET', '/api/stash')]);
    expect(both.map((a) => [a.status, a.json.id])).toEqual([
      [200, 'stash'],
      [200, 'stash'],
    ]);
    const shelf = (await ask('GET', '/api/projects')).json.projects;
    expect(shelf.map((p: { id: string }) => p.id)).not.toContain('stash');
    const things = [{ id: 's1', name: 'Horn', kind: 'button', size: 20, count: 7, note: '', taken: [] }];
    expect((await edit('stash', both[0].json.revision, '/decisions/stash/things', things)).status).toBe(200);
    expect((await edit('stash', both[0].json.revision, '/decisions/stash/things', [])).status).toBe(409);
    const bad = [{ ...things[0], count: -1 }];
    expect((await edit('stash', both[0].json.revision + 1, '/decisions/stash/things', bad)).status).toBe(422);
    expect((await ask('DELETE', '/api/projects/stash')).json.detail).toMatch(/The stash stays/);
    expect((await ask('GET', '/api/stash')).json.document.decisions.stash.things).toEqual(things);
  });
});

describe('files out and in', () => {
  test('a project saved as JSON loads back unchanged; what is no project is refused', async () => {
    const demo = (await ask('POST', '/api/projects/demo', { demo: 'greenhouse-coat' })).json;
    const file = (await ask('GET', `/api/projects/${demo.id}/export/project.json`)).json;
    const back = await ask('POST', '/api/projects/import', file);
    expect(back.status).toBe(201);
    expect(back.json.document).toEqual(demo.document);
    expect((await ask('GET', `/api/projects/${back.json.id}/export/project.json`)).json).toEqual(file);
    const spoilt = structuredClone(file);
    spoilt.project.shell.pieces[1].ring[0].path[0].b.x += 5;
    expect((await ask('POST', '/api/projects/import', spoilt)).json.detail).toMatch(/outline of Back is open/);
    expect(
      (
        await ask('POST', '/api/projects/import', {
          woodbine: 1,
          project: { ...file.project, schema: CURRENT_SCHEMA + 1 },
        })
      ).json.detail,
    ).toContain(`version ${CURRENT_SCHEMA + 1}`);
    expect((await ask('POST', '/api/projects/import', { anything: 1 })).status).toBe(422);
  });

  test('PDF, SVG and CSV of the chosen pieces; nothing chosen is told', async () => {
    const { id } = (await ask('POST', '/api/projects/demo', { demo: 'greenhouse-coat' })).json;
    const out = (name: string) => ask('GET', `/api/projects/${id}/export/${name}`);
    expect((await out('pattern.pdf?pieces=back-facing&strip=0&paper=letter')).text.slice(0, 5)).toBe('%PDF-');
    // What is shown of the pages is what is printed.
    const pages = (q: string) => ask('GET', `/api/projects/${id}/pages?${q}`);
    const shown = (await pages('pieces=back-facing&strip=0&paper=letter')).json;
    expect(shown.placed.map((p: { id: string }) => p.id)).toEqual(['back-facing']);
    const address = `http://127.0.0.1/api/projects/${id}/export/pattern.pdf?pieces=back-facing&strip=0&paper=letter`;
    const pdf = await app().request(address, { headers: { host: '127.0.0.1' } });
    expect((await PDFDocument.load(Buffer.from(await pdf.arrayBuffer()))).getPageCount()).toBe(shown.pages);
    expect((await pages('pieces=&strip=0')).json).toMatchObject({ pages: 0, placed: [] });
    expect((await pages('paper=roll841')).status).toBe(422);
    expect((await out('pieces.svg?pieces=back-facing')).text).toContain('Back neck facing');
    const changes = await out('changes.pdf');
    expect(changes.text.slice(0, 5)).toBe('%PDF-');
    expect((await out('changes.pdf?paper=a3')).status).toBe(422);
    expect((await out('cut-list.csv')).text.split('\r\n')).toHaveLength(14);
    expect((await out('pattern.pdf?pieces=&strip=0')).json.detail).toMatch(/Nothing is chosen/);
    expect((await out('pattern.pdf?paper=a3')).status).toBe(422);
  });
});

describe('who gets in', () => {
  test.each<[string, Record<string, string>, number]>([
    ['another host', { host: 'garden.example' }, 403],
    ['another page', { origin: 'http://garden.example' }, 403],
    ['another port', { origin: 'http://127.0.0.1:9999' }, 403],
    ['a page without origin', { origin: 'null' }, 403],
    ['a foreign site', { 'sec-fetch-site': 'cross-site' }, 403],
    ['plain text', { 'content-type': 'text/plain' }, 415],
    ['a bare form', { 'content-type': 'application/x-www-form-urlencoded' }, 415],
    ['our own page', { origin: 'http://127.0.0.1' }, 201],
  ])('%s', async (_, headers, status) => {
    const r = await ask('POST', '/api/projects', JSON.stringify({ name: 'X' }), headers);
    expect(r.status).toBe(status);
    if (status !== 201) expect(r.type).toBe('application/problem+json');
  });

  test('broken JSON, unknown fields, unknown routes: words, and a strict policy on every page', async () => {
    expect((await ask('POST', '/api/projects', '{"name":')).json.detail).toMatch(/not readable JSON/);
    expect((await ask('POST', '/api/projects', { name: 'X', admin: true })).status).toBe(422);
    expect((await ask('GET', '/api/nothing')).json.status).toBe(404);
    const r = await app().request('http://127.0.0.1/api/projects', { headers: { host: '127.0.0.1' } });
    expect(r.headers.get('content-security-policy')).toMatch(/default-src 'self'.*object-src 'none'/);
    const spec = (await ask('GET', '/api/openapi.json')).json;
    // Every address there is, and none that is not, as the router itself lists them.
    const there = app()
      .routes.filter((q) => q.method !== 'ALL' && q.path.startsWith('/api/') && !q.path.includes('*'))
      .map((q) => `${q.method.toLowerCase()} ${q.path.replace(/:(\w+)/g, '{$1}').replace(/\/$/, '')}`);
    const described = Object.entries<object>(spec.paths).flatMap(([path, how]) =>
      Object.keys(how).map((method) => `${method} ${path}`),
    );
    expect(described.sort()).toEqual([...new Set(there)].sort());
    expect(described.length).toBeGreaterThan(40);
    const made = spec.paths['/api/projects'].post;
    expect(made.requestBody.content['application/json'].schema.properties.name.maxLength).toBe(200);
    expect(made.responses['201'].content['application/json'].schema.$ref).toBe('#/components/schemas/Project');
    expect(spec.components.schemas.Project.properties.document.properties.units.enum).toEqual(['mm', 'in']);
  });
});

describe('the data folder', () => {
  const fresh = () => freshFolder('data');
  const names = async (o: Opened) => (await o.store.list()).map((p) => `${p.name} ${p.revision}`).sort();

  test('a second process is refused in words', async () => {
    await expect(openFolder(folder)).rejects.toThrow(/in use by another Woodbine/);
  });

  test('what the database lacks comes back from the journal; a torn last line was never acknowledged', async () => {
    const dir = fresh();
    const first = await openFolder(dir);
    turnTo(first);
    const id = await make('Kept');
    await edit(id, 0, '/decisions/facing/front', 72, 'Facing');
    await upload(id, coatSvg());
    await ask('POST', `/api/projects/${id}/undo`, { revision: 2 });
    const gone = await make('Gone');
    await ask('DELETE', `/api/projects/${gone}`);
    const before = (await ask('GET', `/api/projects/${id}`)).json;
    await first.close();
    rmSync(join(dir, 'db'), { recursive: true });
    writeFileSync(join(dir, 'journal', readdirSync(join(dir, 'journal')).at(-1) as string), '\x1e[99,20,"0', {
      flag: 'a',
    });
    const second = await openFolder(dir);
    turnTo(second);
    expect(await names(second)).toEqual(['Kept 3']);
    expect((await ask('GET', `/api/projects/${id}`)).json).toEqual(before);
    await ask('POST', `/api/projects/${id}/redo`, { revision: 3 });
    await second.backup();
    await edit(id, 4, '/name', 'Kept and renamed');
    const after = (await ask('GET', `/api/projects/${id}`)).json;
    await second.close();
    // A folder torn by a power cut: put aside, rebuilt from the dump, and the journal since then laid on top.
    writeFileSync(join(dir, 'db', 'PG_VERSION'), 'torn');
    writeFileSync(join(dir, 'db', 'global', 'pg_control'), 'torn');
    const third = await openFolder(dir);
    turnTo(third);
    expect((await ask('GET', `/api/projects/${id}`)).json).toEqual(after);
    expect(readdirSync(dir).some((f) => f.startsWith('db-damaged'))).toBe(true);
    await third.close();
    rmSync(dir, { recursive: true });
    turnTo(opened());
  }, 120_000);
});
