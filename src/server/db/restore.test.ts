import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@jest/globals';
import { layEmptyDatabase } from '../../test/emptydb.ts';
import { freshFolder, openFolder } from '../../test/folder.ts';
import { coatDocument } from '../../test/shells.ts';
import { createApp } from '../app.ts';
import { Reader } from '../import/run.ts';
import { Works } from '../work/run.ts';

test('a deleted project can be put back with all its changes, also when everything is made again from the journal', async () => {
  const folder = freshFolder('restore');
  const open = () => openFolder(folder);
  let opened = await open();
  const ask = async (method: string, path: string): Promise<number> => {
    const app = createApp({
      opened,
      names: ['localhost'],
      fontFiles: [],
      reader: new Reader(null),
      works: new Works(null),
      now: () => new Date(0),
      log: { error: () => 'none' },
    });
    return (await app.request(`http://localhost/api/projects${path}`, { method, headers: { host: 'localhost' } }))
      .status;
  };
  const coat = await opened.store.create(coatDocument());
  const other = await opened.store.create(coatDocument());
  await opened.store.change(coat.id, 0, 'Name', [{ op: 'replace', path: '/name', value: 'Rain coat' }]);
  expect(await ask('POST', `/${coat.id}/restore`)).toBe(404);
  for (const id of [coat.id, other.id]) expect(await ask('DELETE', `/${id}`)).toBe(204);
  expect(await ask('GET', `/${coat.id}`)).toBe(404);
  expect([await ask('POST', `/${coat.id}/restore`), await ask('POST', `/${coat.id}/restore`)]).toEqual([200, 404]);
  expect(await ask('GET', `/${coat.id}`)).toBe(200);
  await opened.close();
  // The database is lost; the journal alone has to give the same shelf.
  rmSync(join(folder, 'db'), { recursive: true });
  layEmptyDatabase(folder);
  opened = await open();
  expect((await opened.store.list()).map((p) => [p.name, p.revision])).toEqual([['Rain coat', 1]]);
  expect((await opened.store.history(coat.id)).map((h) => h.label)).toEqual(['Name']);
  expect(await ask('POST', `/${other.id}/restore`)).toBe(200);
  expect(await opened.store.list()).toHaveLength(2);
  await opened.close();
  rmSync(folder, { recursive: true });
}, 90_000);
