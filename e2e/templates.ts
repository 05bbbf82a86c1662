import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Running, TEMPLATES } from './server.ts';

/** Makes an empty shelf and one with the demo projects, to be copied by every file of tests: making one takes seconds. */
export default async function makeTemplates(): Promise<() => void> {
  const folder = mkdtempSync(join(tmpdir(), 'woodbine-templates-'));
  const lay = async (name: string, demo: boolean): Promise<void> => {
    const server = new Running();
    await server.start(demo);
    await server.kill('SIGTERM');
    cpSync(server.folder, join(folder, name), { recursive: true });
    await server.end();
  };
  await Promise.all([lay('empty', false), lay('demo', true)]);
  process.env[TEMPLATES] = folder;
  return () => rmSync(folder, { recursive: true, force: true });
}
