// Builds and runs demofiles.ts.
import { bin, node, run } from './tools.mjs';

const vite = bin('vite/bin/vite.js');
const built = await run(node, [
  vite,
  'build',
  '--ssr',
  'scripts/demofiles.ts',
  '--outDir',
  'dist/demofiles',
  '--logLevel',
  'error',
]);
process.exit(built || (await run(node, ['dist/demofiles/demofiles.js'])));
