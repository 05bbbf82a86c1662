// Everything: packages, types, lint and walls, unit tests, build, interface tests. Ends with "N passed, N failed".
import { chmodSync, existsSync, mkdtempSync, readFileSync, rmSync, statfsSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { bin, build, chromium, install, node, quietly, run, say } from './tools.mjs';

let passed = 0;
let failed = 0;
const out = mkdtempSync(join(inMemory() ?? tmpdir(), 'woodbine-test-'));
// A database server in it runs as a user of its own.
chmodSync(out, 0o711);
// A data folder is a thousand files: laid out and taken away some hundred times, which a disk feels.
process.env.TMPDIR = out;

/** A place for files in memory, where the machine has one with room. */
function inMemory() {
  const shm = '/dev/shm';
  if (!existsSync(shm)) return null;
  const { bavail, bsize } = statfsSync(shm);
  return bavail * bsize > 4 * 2 ** 30 ? shm : null;
}

/** A step without tests of its own counts as one. */
async function step(words, work) {
  say(`— ${words}`);
  const code = await work();
  if (code) {
    failed += 1;
    say(`  failed: ${words}`);
  } else passed += 1;
  return code === 0;
}

const read = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null);

/** Counts tests from a report; a runner that failed without a failing test counts as one failure. */
function count(code, ok, bad) {
  passed += ok;
  failed += bad || (code ? 1 : 0);
}

// What is fetched, and then what looks the code over, goes side by side: each waits or works on one core alone.
const browser = chromium();
if (!(await step('packages', install))) finish();
const [built] = await Promise.all([
  step('build', () => build(quietly)),
  step('types', () => quietly(node, ['scripts/check.mjs'])),
]);
await Promise.all([
  step('lint', () => quietly(node, [bin('@biomejs/biome/bin/biome'), 'check', '.'])),
  step('nothing exported that nobody uses', () => quietly(node, [bin('knip/bin/knip.js')])),
  step('walls between the rooms', () =>
    quietly(node, [bin('dependency-cruiser/bin/dependency-cruise.mjs'), '--config', '.dependency-cruiser.cjs', 'src']),
  ),
]);

say('— unit tests');
const unit = join(out, 'unit.json');
const unitCode = await run(node, ['scripts/unit.mjs', '--json', `--outputFile=${unit}`]);
const unitReport = read(unit);
count(
  unitCode,
  unitReport?.numPassedTests ?? 0,
  unitReport ? unitReport.numFailedTests + unitReport.numRuntimeErrorTestSuites : 1,
);

const lacking = await browser;
if (lacking) {
  say(lacking);
  failed += 1;
} else if (built) {
  say('— interface tests');
  const e2e = join(out, 'e2e.json');
  const code = await run(node, [bin('@playwright/test/cli.js'), 'test'], {
    env: { ...process.env, PLAYWRIGHT_JSON_OUTPUT_NAME: e2e },
  });
  const stats = read(e2e)?.stats;
  count(code, stats?.expected ?? 0, stats ? stats.unexpected : 1);
}
finish();

function finish() {
  rmSync(out, { recursive: true, force: true });
  say(`${passed} passed, ${failed} failed`);
  process.exit(failed ? 1 : 0);
}
