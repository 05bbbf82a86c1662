// How soon the server answers others while it works on the largest project of the trade: as a ratio of 100 ms.
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { greenhouseCoat } from '../src/demo/index.ts';

const [PORT, GOAL] = ['4899', 100];
const SITE = `http://127.0.0.1:${PORT}`;
const JSON_TYPE = { 'content-type': 'application/json' };

/** The coat's front as a thousand pieces of 96 curves. */
function largest(): object {
  const made = greenhouseCoat();
  if (!made.ok) throw new Error('the demo coat cannot be read');
  const coat = made.value;
  const front = coat.shell?.pieces[0];
  if (!coat.shell || !front) throw new Error('the demo coat has no pieces');
  const [side, count] = [24, 96];
  const at = (i: number) => ({
    x: 300 * Math.cos((2 * Math.PI * i) / count),
    y: 500 * Math.sin((2 * Math.PI * i) / count),
  });
  const curve = (i: number) => {
    const [a, b] = [at(i), at((i + 1) % count)];
    const between = (t: number) => ({ x: a.x + t * (b.x - a.x), y: a.y + t * (b.y - a.y) });
    return { k: 'C', a, c: between(0.34), d: between(0.67), b };
  };
  const ring = ['hem', 'side', 'neckline', 'armhole'].map((role, k) => ({
    ...front.ring[0],
    id: `e${k + 1}`,
    role,
    path: [...Array(side).keys()].map((i) => curve(k * side + i)),
  }));
  const pieces = [...Array(1000).keys()].map((i) => ({
    ...front,
    id: `p${i}`,
    name: `Piece ${i}`,
    ring,
    notches: [],
    lines: [],
    marks: [],
  }));
  return { ...coat, name: 'As large as may be', shell: { ...coat.shell, pieces } };
}

const folder = mkdtempSync(join(tmpdir(), 'woodbine-bench-'));
const env = { ...process.env, PORT, WOODBINE_DATA: folder, WOODBINE_DEMO: '0' };
const child = spawn(process.execPath, ['dist/server/main.js'], { env, stdio: ['ignore', 'pipe', 'inherit'] });
await new Promise<void>((up) => {
  child.stdout.on('data', (d) => String(d).includes('Woodbine is at') && up());
});

// Asked from a thread: what this one sends and reads itself is not to be counted as the server's being slow.
const prober = new Worker(
  `const { parentPort } = require('node:worker_threads');
  let times = [];
  parentPort.on('message', () => { parentPort.postMessage(times); times = []; });
  (async () => {
    for (;;) {
      const t = performance.now();
      await (await fetch('${SITE}/api/health')).text();
      times.push(performance.now() - t);
      await new Promise((done) => setTimeout(done, 10));
    }
  })();`,
  { eval: true },
);
/** How long each answer took since this was asked last, ms. */
const timesSince = (): Promise<number[]> =>
  new Promise((done) => {
    prober.once('message', done);
    prober.postMessage('');
  });

/** Does one thing, and says how late the slowest in a hundred of the others were answered meanwhile. */
async function meanwhile(words: string, work: () => Promise<{ text: () => Promise<string> }>): Promise<string> {
  await timesSince();
  const text = await (await work()).text();
  const times = await timesSince();
  const late = times.sort((a, b) => a - b)[Math.floor(times.length * 0.99)] ?? 0;
  console.log(`${words.padEnd(58)} ${(late / GOAL).toFixed(2).padStart(7)}  of ${GOAL} ms`);
  return text;
}

const post = (path: string, body: string) => fetch(SITE + path, { method: 'POST', headers: JSON_TYPE, body });
const sent = JSON.stringify({ woodbine: 1, project: largest() });
const { id } = JSON.parse(
  await meanwhile('others, while the largest project comes in', () => post('/api/projects/import', sent)),
);
const at = `/api/projects/${id}`;
const value = (JSON.parse(sent) as { project: { shell: unknown } }).project.shell;
const change = { label: 'All of it', patch: [{ op: 'replace', path: '/shell', value }] };
await meanwhile('… while all of it is changed', () =>
  fetch(SITE + at, { method: 'PATCH', headers: JSON_TYPE, body: JSON.stringify({ revision: 0, change }) }),
);
await meanwhile('… while that is undone', () => post(`${at}/undo`, JSON.stringify({ revision: 1 })));
for (const part of ['pieces', 'plan', 'export/pieces.svg'])
  await meanwhile(`… while its ${part} are worked out`, () => fetch(`${SITE}${at}/${part}`));
await meanwhile('… while a backup is taken and tried', () => post('/api/backups', '{}'));
await prober.terminate();
child.kill('SIGTERM');
await new Promise((done) => child.once('close', done));
rmSync(folder, { recursive: true, force: true });
