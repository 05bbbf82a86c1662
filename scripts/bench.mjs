// Builds and runs the benchmark: ratios, not times.
import { bin, install, node, run } from './tools.mjs';

if (await install()) process.exit(1);
const built = await run(node, [
  bin('vite/bin/vite.js'),
  'build',
  '--ssr',
  'scripts/bench.ts',
  '--outDir',
  'dist/bench',
  '--logLevel',
  'error',
]);
process.exit(built || (await run(node, ['dist/bench/bench.js'])));
