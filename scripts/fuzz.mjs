// Spoils thousands of pattern files of each kind, always the same ones: for a night, not for every change.
import { bin, install, node, run } from './tools.mjs';

if (await install()) process.exit(1);
const env = { ...process.env, FUZZ_RUNS: process.argv[2] ?? '4000' };
process.exit(await run(node, ['--experimental-vm-modules', '--no-warnings', bin('jest/bin/jest.js'), 'fuzz'], { env }));
