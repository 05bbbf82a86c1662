// Installs what is missing, builds, and starts Woodbine with the demo projects. `--fresh` puts the old data folder aside.
import { existsSync, renameSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { build, install, node, root, run, say } from './tools.mjs';

const data = resolve(process.env.WOODBINE_DATA ?? join(root, 'data'));
if (process.argv.includes('--fresh') && existsSync(data)) {
  const aside = `${data}-before-${new Date().toISOString().replace(/[:.]/g, '-')}`;
  renameSync(data, aside);
  say(`Old data put aside in ${aside}`);
}
if (await install()) {
  say('The packages could not be installed. The lines above say why.');
  process.exit(1);
}
say('Building …');
if (await build()) {
  say('The build failed. The lines above say why.');
  process.exit(1);
}
say(`Starting, data in ${data} …`);
process.exit(
  await run(node, ['dist/server/main.js'], { env: { ...process.env, WOODBINE_DATA: data, WOODBINE_DEMO: '1' } }),
);
