import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@jest/globals';
import { emptyDocument } from '../../core/document/usual.ts';
import { FaultyDisk } from '../../test/faultydisk.ts';
import { MemoryDatabase, MIGRATIONS } from '../../test/memorydb.ts';
import { toolsHere } from '../backup/tools.ts';
import { journalFolder, nameOf, nothingMet, readJournal } from './journal.ts';
import { openStore } from './open.ts';
import { framed, type JournalRecord } from './record.ts';

const encode = (seq: number, record: JournalRecord): Uint8Array => framed(seq, JSON.stringify(record));
const PATH = join(journalFolder('/data'), nameOf(1));
const RECORDS: JournalRecord[] = [1, 2, 3, 4, 5, 6].map((n) => ({
  t: 'notice',
  notice: { id: `n${n}`, code: 'x', data: { words: 'né"\\\u001e\n'.repeat(n * 7) }, at: `${n}` },
}));
const parts = RECORDS.map((r, i) => encode(i + 1, r));
const whole = Buffer.concat(parts);
/** Where each record begins. */
const starts = parts.map((_, i) => parts.slice(0, i).reduce((n, p) => n + p.length, 0));

const never = (): number => 0;

async function read(bytes: Uint8Array) {
  const disk = new FaultyDisk(never);
  disk.spoil(PATH, bytes);
  const met = nothingMet();
  const records: JournalRecord[] = [];
  for await (const e of readJournal(disk, '/data', 0, met)) records.push(e.record);
  return { met, ids: records.map((r) => (r as { notice: { id: string } }).notice.id), records };
}

test('a record is a JSON text sequence (RFC 7464), read again to the letter', async () => {
  // Each text begins with RS, holds no other RS, ends with LF, and is JSON by itself.
  for (const p of parts) {
    expect([p[0], p.indexOf(0x1e, 1), p.at(-1)]).toEqual([0x1e, -1, 0x0a]);
    expect((JSON.parse(Buffer.from(p.subarray(1)).toString()) as unknown[]).length).toBe(4);
  }
  const { records, met } = await read(whole);
  expect(records).toEqual(RECORDS);
  expect(met).toEqual({ last: 6, end: { name: nameOf(1), at: whole.length }, damages: [], lacking: 0, gap: '' });
});

test('cut at any byte: every record before is there, one that lacks only its end too, and the rest is told', async () => {
  for (let length = 0; length <= whole.length; length++) {
    const { ids, met } = await read(whole.subarray(0, length));
    // "]" and the line's end hold nothing.
    const right = parts.filter((p, i) => (starts[i] as number) + p.length - 2 <= length).length;
    expect([length, ids.length]).toEqual([length, right]);
    const clean =
      starts.includes(length) || length >= whole.length - 2 || starts.some((s) => s - length <= 2 && s > length);
    expect([length, met.damages.length > 0]).toEqual([length, !clean]);
    expect(met.end === null).toBe(!clean);
  }
});

test('a damaged byte costs one record at most, a block of zeros those it lies on, and both are told', async () => {
  for (let at = 0; at < whole.length; at += 7) {
    const bytes = Buffer.from(whole);
    bytes[at] = (bytes[at] as number) ^ 0x55;
    const { ids, met } = await read(bytes);
    const i = starts.filter((s) => s <= at).length - 1;
    const end = (starts[i] as number) + (parts[i] as Uint8Array).length;
    expect([at, ids]).toEqual([at, RECORDS.map((_, k) => `n${k + 1}`).filter((_, k) => k !== i || at >= end - 2)]);
    if (at < end - 2) expect([met.damages.length, met.lacking]).toEqual([1, i === parts.length - 1 ? 0 : 1]);
  }
  for (let at = 0; at + 200 < whole.length; at += 31) {
    const bytes = Buffer.from(whole).fill(0, at, at + 200);
    const { ids, met } = await read(bytes);
    const untouched = starts.flatMap((s, i) =>
      s + (parts[i] as Uint8Array).length - 2 <= at || s >= at + 200 ? [`n${i + 1}`] : [],
    );
    expect([at, ids, met.damages.length > 0]).toEqual([at, untouched, true]);
  }
});

test('a block the disk does not give any more counts as damaged; the records beside it are read', async () => {
  const disk = new FaultyDisk(never);
  const far = Buffer.concat([
    ...parts,
    encode(7, { t: 'seen', id: 'x'.repeat(9000) }),
    encode(8, { t: 'seen', id: 'y' }),
  ]);
  disk.spoil(PATH, far);
  const open = disk.open.bind(disk);
  disk.open = async (path, how) => {
    const file = await open(path, how);
    return {
      ...file,
      read: async (at, length) => {
        if (at < 8000 && at + length > 6000) throw Object.assign(new Error('EIO'), { code: 'EIO' });
        return file.read(at, length);
      },
    };
  };
  const met = nothingMet();
  const seqs: number[] = [];
  for await (const e of readJournal(disk, '/data', 0, met)) seqs.push(e.seq);
  expect([seqs, met.damages.length, met.lacking]).toEqual([[1, 2, 3, 4, 5, 6, 8], 1, 1]);
});

test('a damaged record with the database gone too: what came after stands, what is lost is named, and it is not met again', async () => {
  const place = await MemoryDatabase.make();
  const second = await MemoryDatabase.make();
  const folder = mkdtempSync(join(tmpdir(), 'woodbine-damage-'));
  const disk = new FaultyDisk(never);
  const memory = () => {
    second.present = false;
    return second.open();
  };
  let n = 0;
  const open = (d: FaultyDisk) =>
    openStore({ folder, migrations: MIGRATIONS, disk: d, place, tools: toolsHere(d, memory), newId: () => `p${++n}` });
  const first = await open(disk);
  await first.store.create(emptyDocument('Coat', 'coat'));
  const set = async (revision: number, path: string, value: unknown) => {
    const w = await first.store.change('p1', revision, `${path} ${value}`, [{ op: 'replace', path, value }]);
    expect(w.ok).toBe(true);
  };
  await set(0, '/name', 'One');
  await set(1, '/decisions/facing/front', 91);
  await set(2, '/name', 'Three');
  await set(3, '/units', 'in');
  await first.store.remove('p1');
  await first.store.restore('p1');
  await first.close();
  const path = join(journalFolder(folder), nameOf(1));
  const bytes = disk.bytes(path);
  const lines = bytes.toString('latin1').split('\x1e');
  for (const [record, name, units] of [
    [2, 'Three', 'in'],
    [4, 'One', 'in'],
    // No later change of the project tells that one lacks: the numbers of the journal do.
    [5, 'Three', 'mm'],
  ] as const) {
    const spoilt = disk.copy();
    const damaged = Buffer.from(bytes);
    damaged.fill(0, Buffer.from(lines.slice(0, record).join('\x1e'), 'latin1').length + 40);
    const after = lines.slice(record + 1).map((l) => `\x1e${l}`);
    const rest = Buffer.from(after.join(''), 'latin1');
    spoilt.spoil(path, Buffer.concat([damaged.subarray(0, damaged.length - rest.length), rest]));
    place.present = false;
    const again = await open(spoilt);
    const doc = (await again.store.get('p1'))?.document;
    expect([record, doc?.name, doc?.units]).toEqual([record, name, units]);
    const codes = (await again.store.notices()).map((x) => x.code).sort();
    expect(codes).toEqual(['database-rebuilt', 'journal-damaged', record < 5 ? 'changes-lost' : 'records-lost'].sort());
    const history = (await again.store.history('p1')).map((h) => h.kind);
    expect(history).toEqual(
      record === 5 ? ['do', 'do', 'do'] : [...Array(4)].map((_, i) => (i === 5 - record ? 'lost' : 'do')),
    );
    await again.close();
    // The next start meets nothing any more, and nothing is told twice.
    const third = await open(spoilt);
    expect((await third.store.notices()).length).toBe(codes.length);
    await third.close();
  }
  await place.close();
  await second.close();
  rmSync(folder, { recursive: true });
}, 60_000);
