import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, relative } from 'node:path';
import { expect, test } from '@jest/globals';
import { freshFolder, openFolder } from '../../test/folder.ts';
import { runs } from '../../test/runs.ts';
import { coatDocument } from '../../test/shells.ts';

/** All files below a folder. */
const filesIn = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((f) =>
    f.isDirectory() ? filesIn(join(folder, f.name)) : [join(folder, f.name)],
  );

const SPOIL: [string, (file: string) => void][] = [
  ['zeroed', (f) => writeFileSync(f, Buffer.alloc(statSync(f).size))],
  ['cut', (f) => truncateSync(f, statSync(f).size >> 1)],
  ['deleted', (f) => rmSync(f)],
  [
    'scrawled',
    (f) =>
      writeFileSync(
        f,
        readFileSync(f).map((b, i) => (i % 97 === 50 ? b ^ 0xff : b)),
      ),
  ],
];

/** By night a thousand files take their time. */
const HOURS = runs(5).numRuns > 5 ? 4 * 3_600_000 : 300_000;

test(
  'whatever file of the database is zeroed, cut, deleted or overwritten, with the newest backup damaged too: it starts, and nothing is missing',
  async () => {
    const folder = freshFolder('damage');
    const first = await openFolder(folder);
    const ids = [];
    for (const name of ['One', 'Two', 'Three']) {
      const { id } = await first.store.create({ ...coatDocument(), name });
      await first.store.change(id, 0, 'Name', [{ op: 'replace', path: '/name', value: `${name} renamed` }]);
      ids.push(id);
      if (name !== 'Three') await first.backup();
    }
    await first.close();
    const backups = readdirSync(join(folder, 'backups')).filter((f) => f.endsWith('.zip'));
    expect(backups.length).toBe(2);
    const newest = join('backups', backups.sort().at(-1) as string);
    // Tables and indexes of our own, what the database cannot open without, and its log; by night every file.
    const all = filesIn(join(folder, 'db')).map((f) => relative(folder, f));
    const own = all.filter((f) => /base\/5\/1[6-9]\d{3}$/.test(f) && statSync(join(folder, f)).size > 0);
    const vital = all.filter((f) => /pg_control|PG_VERSION|filenode.map|pg_wal\/0|pg_xact\/0|global\/1262$/.test(f));
    const many = runs(5).numRuns;
    const night = many > 5;
    const chosen = night ? all : [...own, ...vital].filter((_, i, l) => i % Math.ceil(l.length / many) === 0);
    const wrong: string[] = [];
    // What matters most is spoilt in every way, the many catalogue files each in one.
    const weighty = new Set([...own, ...vital]);
    const ways = (i: number, file: string): typeof SPOIL =>
      night && weighty.has(file) ? SPOIL : [SPOIL[i % SPOIL.length] as (typeof SPOIL)[number]];
    let looked = 0;
    for (const [i, file] of chosen.entries())
      for (const [word, spoil] of ways(i, file)) {
        looked += 1;
        const copy = mkdtempSync(join(tmpdir(), 'woodbine-spoilt-'));
        cpSync(folder, copy, { recursive: true });
        spoil(join(copy, file));
        if (i % 2) truncateSync(join(copy, newest), 1000);
        const opened = await openFolder(copy).catch((e: Error) => e.message);
        if (typeof opened === 'string') wrong.push(`${file} ${word}: ${opened}`);
        else {
          const names = (await opened.store.list()).map((p) => `${p.name} ${p.revision} ${p.pieces}`).sort();
          if (names.join() !== 'One renamed 1 3,Three renamed 1 3,Two renamed 1 3')
            wrong.push(`${file} ${word}: ${names}`);
          for (const id of ids)
            if ((await opened.store.history(id)).length !== 1) wrong.push(`${file} ${word}: history`);
          await opened.store.create(coatDocument());
          await opened.close();
        }
        rmSync(copy, { recursive: true });
      }
    expect(wrong).toEqual([]);
    expect(looked).toBeGreaterThanOrEqual(night ? all.length : many - 1);
    rmSync(folder, { recursive: true });
  },
  HOURS,
);
