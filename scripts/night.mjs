// Every property on twenty times as many draws, and thousands of spoilt files of each kind, always the same ones: for a
// night, not for every change.
import { bin, build, install, node, run } from './tools.mjs';

if (await install()) process.exit(1);
const env = { ...process.env, DRAWS: process.argv[2] ?? '20' };
const HOUR = 3_600_000;
const only = process.argv.slice(3);
const units = await run(node, ['scripts/unit.mjs', `--testTimeout=${HOUR}`, ...only], { env });
if (only.length) process.exit(units);
// Ten thousand spoilt files over HTTP: 240 patterns are named, of which a fifth is tried by day and 45 times as many here.
const spoiling = { ...env, DRAWS: process.argv[2] ?? '45', NIGHT: '1' };
const playwright = [bin('@playwright/test/cli.js'), 'test'];
// With all interface tests, those beside that are too long for every change.
const screens = (await build()) || (await run(node, playwright, { env: spoiling }));
process.exit(units || screens);
