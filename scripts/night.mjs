// Every property on twenty times as many draws, and thousands of spoilt files of each kind, always the same ones: for a
// night, not for every change.
import { bin, install, node, run } from './tools.mjs';

if (await install()) process.exit(1);
const env = { ...process.env, DRAWS: process.argv[2] ?? '20' };
const HOUR = 3_600_000;
const jest = ['--experimental-vm-modules', '--no-warnings', bin('jest/bin/jest.js'), `--testTimeout=${HOUR}`];
process.exit(await run(node, [...jest, ...process.argv.slice(3)], { env }));
