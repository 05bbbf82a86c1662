// Everything: packages, types, lint and walls, unit tests, build, interface tests. Ends with "N passed, N failed".
import { existsSync, mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { bin, build, chromium, install, node, run, say } from './tools.mjs';

let passed = 0;
let failed = 0;
const out = mkdtempSync(join(tmpdir(), 'woodbine-test-'));

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

if (!(await step('packages', install))) finish();
await step('types', () => run(node, ['scripts/check.mjs']));
await step('lint', () => run(node, [bin('@biomejs/biome/bin/biome'), 'check', '.']));
await step('walls between the rooms', () =>
  run(node, [bin('dependency-cruiser/bin/dependency-cruise.mjs'), '--config', '.dependency-cruiser.cjs', 'src']),
);

say('— unit tests');
const unit = join(out, 'unit.json');
const unitCode = await run(node, [
  '--experimental-vm-modules',
  '--no-warnings',
  bin('jest/bin/jest.js'),
  '--json',
  `--outputFile=${unit}`,
]);
const unitReport = read(unit);
count(
  unitCode,
  unitReport?.numPassedTests ?? 0,
  unitReport ? unitReport.numFailedTests + unitReport.numRuntimeErrorTestSuites : 1,
);

const built = await step('build', build);
const lacking = await chromium();
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
  say(`${passed} passed, ${failed} failed`);
  process.exit(failed ? 1 : 0);
}
