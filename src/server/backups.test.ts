import { readdirSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { unzipSync, zipSync } from 'fflate';
import { coatSvg } from '../demo/index.ts';
import { appOf, asking } from '../test/api.ts';
import { freshFolder, openFolder } from '../test/folder.ts';
import { type Opened } from './db/open.ts';
import { type Disk, realDisk } from './disk/disk.ts';

const folder = freshFolder('backups');
/** Bytes left on the disk, and what a write to it comes to; changed by the tests. */
let room = 1e12;
let refuses: string | null = null;
const disk: Disk = {
  ...realDisk,
  free: async () => room,
  async open(path, how) {
    const file = await realDisk.open(path, how);
    const write: typeof file.write = async (bytes, at) => {
      if (refuses) throw Object.assign(new Error(refuses), { code: refuses });
      return file.write(bytes, at);
    };
    return { ...file, write };
  },
};
let opened: Opened;
beforeAll(async () => {
  opened = await openFolder(folder, { disk });
}, 60_000);
afterAll(async () => {
  await opened.close();
  rmSync(folder, { recursive: true });
});
const { ask, edit } = asking(() => appOf(opened));
const make = async (name: string): Promise<string> =>
  (await ask('POST', '/api/projects', { name, garment: 'coat' })).json.id;
const shelf = async () =>
  (await ask('GET', '/api/projects')).json.projects
    .map((p: { name: string; revision: number }) => `${p.name} ${p.revision}`)
    .sort();
const bring = async (bytes: Uint8Array) => {
  const headers = { host: '127.0.0.1', 'content-type': 'application/zip' };
  const body = new Blob([new Uint8Array(bytes)]);
  const r = await appOf(opened).request('http://127.0.0.1/api/backups/brought', { method: 'POST', headers, body });
  return {
    status: r.status,
    json: (await r.json()) as { name: string; detail: string; projects: { standing: string }[] },
  };
};

describe('a backup', () => {
  test('is taken away as a zip, looked into, and put back: all of it, or one project, told first', async () => {
    const [kept, changed, gone] = [await make('Kept'), await make('Changed'), await make('Gone')];
    const form = new FormData();
    form.set('file', new File([coatSvg()], 'coat.svg'));
    expect((await ask('POST', `/api/projects/${gone}/shell`, form)).status).toBe(201);
    const { name } = (await ask('POST', '/api/backups', {})).json;
    const r = await appOf(opened).request('http://127.0.0.1/api/backups/everything.zip', {
      headers: { host: '127.0.0.1' },
    });
    const zip = new Uint8Array(await r.arrayBuffer());
    // Open to any program: a zip of JSON and of the files as they were uploaded.
    const entries = unzipSync(zip);
    const text = (n: string) => Buffer.from(entries[n] ?? []).toString();
    expect(JSON.parse(text(`projects/${kept}/project.json`)).document.name).toBe('Kept');
    const [file] = (await ask('GET', `/api/projects/${gone}/files`)).json.files;
    expect(text(`originals/${file.id}`)).toBe(coatSvg());
    await edit(changed, 0, '/name', 'Changed since', 'Name');
    await edit(changed, 1, '/units', 'in', 'Inches');
    await ask('DELETE', `/api/projects/${gone}`);
    await make('New since');
    const before = await shelf();
    const look = (await ask('GET', `/api/backups/${name}`)).json;
    const standing = Object.fromEntries(look.projects.map((p: { id: string; standing: string }) => [p.id, p.standing]));
    expect(standing).toEqual({ [kept]: 'same', [changed]: 'differs', [gone]: 'deleted' });
    const told = look.projects.find((p: { id: string }) => p.id === changed);
    expect([told.since, told.nameNow]).toEqual([['Inches', 'Name'], 'Changed since']);
    expect(await shelf()).toEqual(before);
    // One project; what is on the shelf otherwise stays.
    expect((await ask('POST', `/api/backups/${name}/restore`, { projects: [changed] })).json.projects).toEqual([
      { id: changed, name: 'Changed', done: 'put back' },
    ]);
    expect(await shelf()).toEqual(['Changed 3', 'Kept 0', 'New since 0']);
    // It is a change like others: it can be undone.
    expect((await ask('POST', `/api/projects/${changed}/undo`, { revision: 3 })).json.name).toBe('Changed since');
    // The zip that was taken away, on a shelf that knows nothing of it.
    const elsewhere = freshFolder('elsewhere');
    const here = opened;
    opened = await openFolder(elsewhere);
    const brought = await bring(zip);
    expect([brought.status, brought.json.projects.map((p) => p.standing)]).toEqual([200, Array(3).fill('absent')]);
    await ask('POST', `/api/backups/${brought.json.name}/restore`, { projects: [kept, changed, gone] });
    expect(await shelf()).toEqual(['Changed 0', 'Gone 1', 'Kept 0']);
    expect((await ask('GET', `/api/projects/${gone}/files/${file.id}`)).text).toBe(coatSvg());
    expect(
      (await ask('GET', `/api/projects/${gone}/history`)).json.changes.map((h: { label: string }) => h.label),
    ).toEqual(['Pattern file']);
    expect((await ask('POST', `/api/projects/${gone}/undo`, { revision: 1 })).json.document.shell).toBeNull();
    await opened.close();
    // And all of it again after the next start: it was written down like any other change.
    rmSync(join(elsewhere, 'db'), { recursive: true });
    opened = await openFolder(elsewhere);
    expect(await shelf()).toEqual(['Changed 0', 'Gone 2', 'Kept 0']);
    await opened.close();
    rmSync(elsewhere, { recursive: true });
    opened = here;
  }, 60_000);

  test('that is damaged or none is refused in words, and nothing of it is kept', async () => {
    await opened.backup();
    const r = await appOf(opened).request('http://127.0.0.1/api/backups/everything.zip', {
      headers: { host: '127.0.0.1' },
    });
    const zip = new Uint8Array(await r.arrayBuffer());
    const entries = unzipSync(zip);
    const some = Object.keys(entries).find((n) => n.endsWith('project.json')) as string;
    const { 'manifest.json': _, ...without } = entries;
    const files = readdirSync(join(folder, 'backups'));
    for (const [bytes, words] of [
      [Buffer.from('hello'), /not a backup of Woodbine, or it is damaged/],
      [zip.subarray(0, zip.length >> 1), /not a backup of Woodbine, or it is damaged/],
      [zipSync({ 'a.txt': Buffer.from('a') }), /no list of what is in it/],
      [zipSync(without), /no list of what is in it/],
      [
        zipSync({ ...entries, [some]: Buffer.from('{"name":"other"}') }),
        /damaged: "projects\/.*" in it is not what was written/,
      ],
      [zipSync({ ...entries, 'manifest.json': Buffer.from('{}') }), /list of what is in this backup is damaged/],
    ] as [Uint8Array, RegExp][]) {
      const answer = await bring(bytes);
      expect([answer.status, answer.json.detail]).toEqual([422, expect.stringMatching(words)]);
    }
    expect(readdirSync(join(folder, 'backups'))).toEqual(files);
    for (const name of ['nothing.zip', '..%2Fjournal', 'woodbine-2026.zip'])
      expect((await ask('GET', `/api/backups/${name}`)).status).toBe(404);
  }, 60_000);

  test('the newest five are kept, and the journal they need; one that cannot be made leaves the others alone', async () => {
    for (let i = 0; i < 7; i++) {
      await make(`Number ${i}`);
      await opened.backup();
    }
    const kept = () => readdirSync(join(folder, 'backups')).filter((f) => f.startsWith('woodbine-'));
    const before = kept();
    expect(before.length).toBe(5);
    const journal = readdirSync(join(folder, 'journal')).length;
    expect(journal).toBeLessThanOrEqual(6);
    refuses = 'ENOSPC';
    await expect(opened.backup()).rejects.toThrow('ENOSPC');
    refuses = null;
    expect(kept()).toEqual(before);
  }, 60_000);
});

describe('when nothing can be written', () => {
  test.each([
    [
      'the disk is full',
      () => (room = 1000),
      507,
      'disk-full',
      /The disk is full: nothing is saved until there is room\. Your project is as it was\./,
    ],
    ['writing fails for want of room', () => (refuses = 'ENOSPC'), 507, 'disk-full', /The disk is full/],
    [
      'the folder became read-only',
      () => (refuses = 'EROFS'),
      503,
      'read-only',
      /cannot be written: nothing is saved until it can be\. Your project/,
    ],
    ['the disk refuses', () => (refuses = 'EIO'), 503, 'failing', /refuses what is written/],
  ])(
    '%s: every change is refused and kept nowhere, reading goes on, and it recovers by itself',
    async (_, begin, status, state, words) => {
      const id = await make('Full');
      await edit(id, 0, '/name', 'Full 1');
      const form = () => {
        const f = new FormData();
        f.set('file', new File([coatSvg()], 'coat.svg'));
        return f;
      };
      const before = [await shelf(), readdirSync(join(folder, 'originals'))];
      begin();
      const refused = [
        await edit(id, 1, '/name', 'Not kept'),
        await ask('DELETE', `/api/projects/${id}`),
        await ask('POST', '/api/projects', { name: 'Not made', garment: 'coat' }),
        await ask('POST', `/api/projects/${id}/undo`, { revision: 1 }),
        await ask('POST', `/api/projects/${id}/shell`, form()),
      ];
      for (const r of refused) expect([r.status, r.json.detail]).toEqual([status, expect.stringMatching(words)]);
      expect((await ask('GET', '/api/state')).json.saving).toBe(state);
      expect([await shelf(), readdirSync(join(folder, 'originals'))]).toEqual(before);
      expect((await ask('GET', `/api/projects/${id}/pieces`)).status).toBe(200);
      [room, refuses] = [1e12, null];
      expect((await edit(id, 1, '/name', 'Full 2')).status).toBe(200);
      expect((await ask('GET', '/api/state')).json.saving).toBe('ok');
    },
    60_000,
  );

  test('nothing of what was refused comes up at the next start, even without the database', async () => {
    const now = await shelf();
    await opened.close();
    rmSync(join(folder, 'db'), { recursive: true });
    opened = await openFolder(folder, { disk });
    expect(await shelf()).toEqual(now);
    const { notices } = (await ask('GET', '/api/state')).json;
    expect(notices.length).toBeGreaterThan(0);
    for (const n of notices) {
      expect(n.message).toMatch(/made anew from the backup/);
      expect((await ask('POST', `/api/state/notices/${n.id}/seen`)).status).toBe(204);
    }
    expect((await ask('GET', '/api/state')).json.notices).toEqual([]);
  }, 60_000);

  test('a folder that cannot be written at the start is told in words, and nothing in it is touched', async () => {
    const other = freshFolder('read-only');
    const first = await openFolder(other);
    await first.store.create((await import('../test/shells.ts')).coatDocument());
    await first.close();
    const before = readdirSync(other, { recursive: true });
    refuses = 'EROFS';
    await expect(openFolder(other, { disk })).rejects.toThrow(/cannot be written: EROFS.*Nothing was changed/);
    refuses = null;
    room = 0;
    await expect(openFolder(other, { disk })).rejects.toThrow(/disk is full, so nothing could be saved/);
    room = 1e12;
    expect(readdirSync(other, { recursive: true })).toEqual(before);
    const again = await openFolder(other, { disk });
    expect(await again.store.list()).toHaveLength(1);
    await again.close();
    // The folder itself is the owner's alone.
    expect(statSync(join(other, 'originals')).mode & 0o077).toBe(0);
    rmSync(other, { recursive: true });
  }, 60_000);
});
