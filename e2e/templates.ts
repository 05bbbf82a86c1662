import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Running, TEMPLATES } from './server.ts';

/** Makes an empty shelf and one with the demo projects, to be copied by every file of tests: making one takes seconds. */
export default async function makeTemplates(): Promise<() => void> {
  const folder = mkdtempSync(join(tmpdir(), 'woodbine-templates-'));
  const server = new Running();
  for (const [name, demo] of [
    ['empty', false],
    ['demo', true],
  ] as const) {
    await server.start(demo);
    await server.kill('SIGTERM');
    cpSync(server.folder, join(folder, name), { recursive: true });
  }
  await server.end();
  process.env[TEMPLATES] = folder;
  return () => rmSync(folder, { recursive: true, force: true });
}
