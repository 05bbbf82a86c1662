import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { afterAll, afterEach, expect, test } from '@jest/globals';
import { type IntakeJob } from './read.ts';
import { Reader } from './run.ts';

const dir = mkdtempSync(join(tmpdir(), 'woodbine-reader-'));
afterAll(() => rmSync(dir, { recursive: true }));

/** A worker that does what the file's name says, so that every course of a reading can be had at will. */
const script = join(dir, 'worker.mjs');
writeFileSync(
  script,
  `import { parentPort } from 'node:worker_threads';
   parentPort.on('message', ({ id, job: { job } }) => {
     const say = (m) => parentPort.postMessage({ id, ...m });
     say({ progress: { stage: 'pieces', done: 3, of: 12 } });
     if (job.name === 'crash') setTimeout(() => { throw new Error('out of room'); }, 5);
     if (job.name === 'fault') say({ failed: 'no such thing' });
     if (job.name === 'good') say({ answer: { ok: true, value: { pieces: [], findings: [] } } });
   });`,
);
let reader = new Reader(pathToFileURL(script));
afterEach(async () => {
  await reader.close();
  reader = new Reader(pathToFileURL(script));
});
const job = (name: string): IntakeJob => ({ name, bytes: new Uint8Array(), unit: undefined, choices: {} });
const codes = (r: Awaited<ReturnType<Reader['pieces']>>): string[] => (r.ok ? [] : r.findings.map((f) => f.code));
const until = async (ready: () => boolean): Promise<void> => {
  for (let i = 0; i < 400 && !ready(); i++) await new Promise((r) => setTimeout(r, 5));
  expect(ready()).toBe(true);
};

test('a reading that is stopped is refused, and the next file is read by a new worker', async () => {
  const stuck = reader.pieces(job('endless'), 'a');
  await until(() => reader.progress('a')?.stage === 'pieces');
  expect(reader.progress('a')).toEqual({ stage: 'pieces', done: 3, of: 12 });
  const waiting = reader.pieces(job('good'), 'b');
  expect(reader.progress('b')?.stage).toBe('waiting');
  // It does not wait for the one before it.
  expect((await waiting).ok).toBe(true);
  expect(reader.cancel('a')).toBe(true);
  expect(codes(await stuck)).toEqual(['reading-stopped']);
  const [one, other, third] = ['endless', 'endless', 'good'].map((name, i) => reader.pieces(job(name), `${i}`));
  await until(() => reader.progress('1')?.stage === 'pieces');
  expect([reader.progress('2')?.stage, reader.cancel('0'), (await third)?.ok, reader.cancel('1')]).toEqual([
    'waiting',
    true,
    true,
    true,
  ]);
  await Promise.all([one, other]);
  expect([reader.progress('a'), reader.progress('b'), reader.cancel('a')]).toEqual([null, null, false]);
});

test('one that still waits can be stopped without touching the one before it', async () => {
  const busy = reader.pieces(job('endless'), 'c');
  const first = reader.pieces(job('endless'), 'a');
  const second = reader.pieces(job('good'), 'b');
  expect(reader.cancel('b')).toBe(true);
  await until(() => reader.progress('a')?.stage === 'pieces');
  reader.cancel('a');
  expect(codes(await first)).toEqual(['reading-stopped']);
  expect(codes(await second)).toEqual(['reading-stopped']);
  reader.cancel('c');
  await busy;
});

test('a worker that dies refuses its file alone; a fault inside it is told', async () => {
  expect(codes(await reader.pieces(job('crash')))).toEqual(['file-too-heavy']);
  expect(codes(await reader.pieces(job('fault')))).toEqual(['file-unreadable']);
  expect((await reader.pieces(job('good'))).ok).toBe(true);
});

test('what is being stored can no longer be stopped', async () => {
  let stored: () => void = () => undefined;
  reader.storing('a', new Promise<void>((done) => (stored = done)));
  expect(reader.progress('a')?.stage).toBe('storing');
  expect(reader.cancel('a')).toBe(false);
  stored();
  await until(() => reader.progress('a') === null);
});
