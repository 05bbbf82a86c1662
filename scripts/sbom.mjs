// The list of all packages Woodbine is made of (CycloneDX, JSON), from what is installed. `node scripts/sbom.mjs [file]`
import { spawnSync } from 'node:child_process';
import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { root, say } from './tools.mjs';

const file = process.argv[2] ?? join(root, 'dist/sbom.cdx.json');
const made = spawnSync('npm', ['sbom', '--sbom-format=cyclonedx', '--omit=dev'], {
  cwd: root,
  encoding: 'utf8',
  maxBuffer: 64 * 1024 * 1024,
  shell: process.platform === 'win32',
});
if (made.status) {
  process.stderr.write(made.stderr);
  process.exit(made.status);
}
const bom = JSON.parse(made.stdout);
mkdirSync(dirname(file), { recursive: true });
writeFileSync(file, made.stdout);
say(`${bom.components.length} packages, ${bom.bomFormat} ${bom.specVersion}: ${file}`);
