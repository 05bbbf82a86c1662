import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Running, TEMPLATE } from './server.ts';

/** Makes a shelf with the demo projects, to be copied for every server of the tests: making one takes seconds. */
export default async function makeTemplate(): Promise<() => void> {
  const folder = mkdtempSync(join(tmpdir(), 'woodbine-template-'));
  const server = new Running();
  await server.start(true);
  await server.kill('SIGTERM');
  cpSync(server.folder, folder, { recursive: true });
  await server.end();
  process.env[TEMPLATE] = folder;
  return () => rmSync(folder, { recursive: true, force: true });
}
