import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { expect } from '@playwright/test';
import { PDFDocument } from 'pdf-lib';
import { PARTS } from '../src/server/work/ask.ts';
import { runs, SEED } from '../src/test/runs.ts';
import { chance, spoil, spoilBytes, spoilJson } from '../src/test/spoil.ts';
import { demoText } from './files.ts';
import { type Answer, asks } from './http.ts';
import { served as test } from './page.ts';
import { Running } from './server.ts';

/** So many spoilt files of each kind: thousands by night. Fewer of what is ours alone, or is long looked at. */
const PATTERNS = runs(80).numRuns;
const [OURS, BACKUPS] = [40, 3].map((n) => runs(n, true).numRuns) as [number, number];
/** Longest the server may work on an answer, ms of its own time: other processes beside it make nothing look like a hang. */
const PATIENCE = 2000;
/** What the server holds once it has read and worked out a few patterns, MB: up to there it only fills what it keeps at hand. */
const WARM = 320;
/** Longest an answer may take all the same, ms. */
const AT_ALL = 30_000;

const server = new Running();
test.setTimeout(60_000 + PATTERNS * 300);
test.beforeAll(() => server.start(true));
test.afterAll(() => server.end());

/** Memory the server holds, MB. */
const resident = (): number =>
  Number(readFileSync(`/proc/${server.pid}/status`, 'utf8').match(/VmRSS:\s+(\d+)/)?.[1]) / 1024;

/** How long the server has worked, all its threads, ms (proc(5): fields 14 and 15, hundredths of a second). */
function worked(): number {
  const stat = readFileSync(`/proc/${server.pid}/stat`, 'utf8');
  const [user, system] = stat
    .slice(stat.lastIndexOf(')') + 2)
    .split(' ')
    .slice(11, 13)
    .map(Number) as [number, number];
  return (user + system) * 10;
}

/** Uploaded files that are kept, with their sizes. */
const originals = (): string[] => {
  const folder = join(server.folder, 'originals');
  return readdirSync(folder)
    .sort()
    .map((f) => `${f} ${statSync(join(folder, f)).size}`);
};

/** A page with a front of darts and curves, and a sleeve: as an export from a drawing program. */
async function pagePdf(): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  const page = pdf.addPage([1200, 1200]);
  const front = 'M 0 0 C 60 40 90 70 160 60 L 330 110 C 300 190 310 260 360 330 L 350 800 C 240 820 120 830 0 830 Z';
  page.drawSvgPath(front, { x: 80, y: 1100, borderWidth: 1 });
  page.drawSvgPath('M 0 120 C 60 0 180 -20 240 0 C 300 10 360 60 420 120 L 370 600 L 60 600 Z', {
    x: 600,
    y: 900,
    borderWidth: 1,
  });
  return pdf.save({ useObjectStreams: false });
}

type Ask = ReturnType<typeof asks>;

/** What stands on the shelf and in the folder of files: a change of any project shows here. */
async function standing(ask: Ask): Promise<string> {
  const shelf = (await ask('GET', '/api/projects')).json.projects as { id: string; revision: number }[];
  return JSON.stringify([shelf.map((p) => [p.id, p.revision]), originals()]);
}

/** A project to the letter, with the list of its files. */
async function letter(ask: Ask, id: string): Promise<string> {
  const parts = await Promise.all(['', '/files'].map((part) => ask('GET', `/api/projects/${id}${part}`)));
  return parts.map((a) => a.text).join();
}
/** So often a project is read to the letter while what comes is refused. */
const OFTEN = 10;

/** What was taken is a project like any other: a part of what is worked out of it, each time another, is answered. */
async function unanswered(ask: Ask, id: string, i: number): Promise<string | null> {
  const part = PARTS[i % PARTS.length];
  const { status, text } = await ask('GET', `/api/projects/${id}/${part}`);
  return status === 200 ? null : `${part} ${status} ${text.slice(0, 300)}`;
}

interface Met {
  took: number;
  work: number;
  /** What stood before and stands after. */
  before: string;
  after: string;
  text: string;
  now: string;
}

/** What is wrong with an answer. In plain comparisons: the runner keeps a record of each of its own, for thousands of them. */
function faultOf(answer: Answer, { took, work, before, after, text, now }: Met): string | null {
  if (answer.status >= 500) return 'a fault of the server';
  if (work > PATIENCE || took > AT_ALL) return `took ${took} ms, ${work} ms of work`;
  if (answer.status < 400) return null;
  if (!/\.$/.test(answer.json?.detail)) return 'refused without a sentence';
  if (after !== before) return `half stored: ${after.slice(0, 300)} after ${before.slice(0, 300)}`;
  return now === text ? null : `changed: ${now.slice(0, 300)} after ${text.slice(0, 300)}`;
}

/** Sends spoilt files one after another, and looks that each is taken whole or refused without a trace. */
async function throwAt(
  send: (ask: Ask, id: string, random: () => number) => Promise<Answer>,
  seed: number,
  times = PATTERNS,
): Promise<void> {
  const ask = asks(server.url);
  const id = (await ask('POST', '/api/projects', { name: 'Spoilt' })).json.id as string;
  const random = chance(seed);
  const held: number[] = [];
  let [before, text] = [await standing(ask), await letter(ask, id)];
  const tally: Record<number, number> = {};
  for (let i = 0; i < times; i++) {
    const [t, begun] = [performance.now(), worked()];
    const answer = await send(ask, id, random);
    const [took, work] = [performance.now() - t, worked() - begun];
    tally[answer.status] = (tally[answer.status] ?? 0) + 1;
    const after = await standing(ask);
    const refused = answer.status >= 400;
    const now = !refused || i % OFTEN === 0 || i === times - 1 ? await letter(ask, id) : text;
    const wrong =
      faultOf(answer, { took, work, before, after, text, now }) ??
      (refused ? null : await unanswered(ask, answer.json.id ?? id, i));
    if (wrong) throw new Error(`number ${i}, ${answer.status} ${answer.text.slice(0, 300)}: ${wrong}`);
    [before, text] = [after, now];
    held.push(resident());
  }
  process.stdout.write(`      ${JSON.stringify(tally)}, ${held[0]?.toFixed()} to ${held.at(-1)?.toFixed()} MB\n`);
  const most = (list: number[]): number => Math.max(...list);
  const half = held.length >> 1;
  expect(most(held.slice(half))).toBeLessThan(1.2 * Math.max(WARM, most(held.slice(0, half))));
}

const upload =
  (name: string, make: (random: () => number) => string | Uint8Array) => (ask: Ask, id: string, random: () => number) =>
    ask('POST', `/api/projects/${id}/shell`, { file: make(random), name });

/** Mostly JSON still, with values that are none. */
const odd = (json: string, random: () => number): string => (random() < 0.8 ? spoilJson : spoil)(json, random);

test('spoilt SVG', () =>
  throwAt(
    upload('x.svg', (r) => spoil(demoText('greenhouse-coat.svg'), r)),
    SEED,
  ));
test('spoilt DXF', () =>
  throwAt(
    upload('x.dxf', (r) => spoil(demoText('chore-jacket.dxf'), r)),
    SEED + 1,
  ));
test('spoilt PDF', async () => {
  const good = await pagePdf();
  await throwAt(
    upload('x.pdf', (r) => spoilBytes(good, r)),
    SEED + 2,
  );
});
test('spoilt project', async () => {
  const ask = asks(server.url);
  const [first] = (await ask('GET', '/api/projects')).json.projects;
  const { text } = await ask('GET', `/api/projects/${first.id}/export/project.json`);
  await throwAt((a, _, r) => a('POST', '/api/projects/import', odd(text, r)), SEED + 3, OURS);
});
test('spoilt backup', async () => {
  const ask = asks(server.url);
  const { name } = (await ask('POST', '/api/backups', {})).json;
  const good = new Uint8Array(readFileSync(join(server.folder, 'backups', name)));
  await throwAt((a, _, r) => a('POST', '/api/backups/brought', { bytes: spoilBytes(good, r) }), SEED + 4, BACKUPS);
});
test('spoilt change', async () => {
  const good = JSON.stringify({
    revision: 0,
    change: {
      label: 'Named',
      patch: [
        { op: 'replace', path: '/name', value: 'Other' },
        { op: 'replace', path: '/decisions/facing/front', value: 80 },
      ],
    },
  });
  await throwAt((a, id, r) => a('PATCH', `/api/projects/${id}`, odd(good, r)), SEED + 5, OURS);
});
