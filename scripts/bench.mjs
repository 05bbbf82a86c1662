// Builds and runs the benchmarks: ratios, not times.
import { bin, build, install, node, run } from './tools.mjs';

if (await install()) process.exit(1);

async function bench(name) {
  const vite = ['build', '--ssr', `scripts/${name}.ts`, '--outDir', 'dist/bench', '--logLevel', 'error'];
  const built = await run(node, [bin('vite/bin/vite.js'), ...vite]);
  return built || run(node, [`dist/bench/${name}.js`]);
}

process.exit((await bench('bench')) || (await bench('benchlay')) || (await build()) || (await bench('benchserver')));
