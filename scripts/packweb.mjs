// Lays a packed copy beside everything the pages are built of, so that the server need not pack it at every load.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { gzipSync } from 'node:zlib';

const web = join(dirname(fileURLToPath(import.meta.url)), '../dist/web');
for (const name of readdirSync(web, { recursive: true }))
  if (/\.(js|css|html|svg)$/.test(name)) {
    const file = join(web, name);
    writeFileSync(`${file}.gz`, gzipSync(readFileSync(file), { level: 9 }));
  }
