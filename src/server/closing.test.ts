import { describe, expect, test } from '@jest/globals';
import { serving } from '../test/api.ts';

const { ask, edit } = serving('closing');

describe('a closing without a pattern', () => {
  const begin = async () => (await ask('POST', '/api/projects', { name: 'Apron', garment: 'closing' })).json;
  const closure = async (id: string) => (await ask('GET', `/api/projects/${id}/closure`)).json;

  test('is placed from its length alone, re-placed with every change, and undone', async () => {
    const { id } = await begin();
    const first = await closure(id);
    expect([7, 8]).toContain(first.closure.buttons.length);
    expect(first.closure.lengthMm).toBe(600);
    const longer = await edit(id, 0, '/decisions/closure/length', 612, 'Length: 612 mm');
    expect(longer.status).toBe(200);
    const second = await closure(id);
    expect(second.closure.lengthMm).toBe(612);
    expect(second.closure.answers[0].at).toEqual(second.closure.buttons.map((b: { at: number }) => b.at));
    await ask('POST', `/api/projects/${id}/undo`, { revision: 1 });
    expect((await closure(id)).closure.buttons).toEqual(first.closure.buttons);
  });

  test('where nothing fits it is answered in words, each with its figures', async () => {
    const { id } = await begin();
    await edit(id, 0, '/decisions/closure/waist', { keepClear: true, at: 300, belt: 700 });
    const covered = await closure(id);
    expect(covered.closure).toBeNull();
    expect(covered.findings[0].message).toMatch(/^The belt keeps clear all from .* Make it narrower\.$/);
    await edit(id, 1, '/decisions/closure/waist', { keepClear: true, at: 20, belt: 40 });
    const { findings } = await closure(id);
    expect(findings[0].code).toBe('no-placement');
    expect(findings.slice(1).map((f: { code: string }) => f.code)).toContain('loosen-zone');
    for (const f of findings) expect(f.message).not.toMatch(/undefined|NaN/);
  });

  test.each<[string, unknown]>([
    ['/decisions/closure/length', 0],
    ['/decisions/closure/diameter', -3],
    ['/decisions/closure/count', 0],
    ['/decisions/closure/pins', [{ index: 1, at: 1e9 }]],
    ['/decisions/closure/done', [{ line: 'front', index: 0, at: 20, state: 'torn' }]],
    ['/decisions/closure/others', [{ id: 'c1', kind: 'cuff' }]],
    ['/decisions/closure/tries', [{ opening: 18, density: 0, stabiliser: 'under', words: '' }]],
    ['/decisions/closure/double', { columns: 9, across: 60, working: 2 }],
  ])('what cannot be is refused whole: %s = %j', async (path, value) => {
    const { id } = await begin();
    const r = await edit(id, 0, path, value);
    expect(r.status).toBe(422);
    expect(r.json.detail).toContain(path.slice(1).replaceAll('/', '.'));
    expect((await ask('GET', `/api/projects/${id}`)).json.revision).toBe(0);
  });
});
