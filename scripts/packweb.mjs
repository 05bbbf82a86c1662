// Tells the service worker what there is, and lays a packed copy beside everything the pages are built of, so that the server need not pack it at every load.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { gzipSync } from 'node:zlib';
import { injectManifest } from 'workbox-build';

const web = join(dirname(fileURLToPath(import.meta.url)), '../dist/web');
// All that is built, for the service worker to keep at hand; what carries a sum of itself in its name needs no other.
await injectManifest({
  swSrc: join(web, 'sw.js'),
  swDest: join(web, 'sw.js'),
  globDirectory: web,
  globPatterns: ['**/*.{js,css,html,woff2,webmanifest,svg}'],
  globIgnores: ['sw.js'],
  dontCacheBustURLsMatching: /^assets\//,
  maximumFileSizeToCacheInBytes: 8 * 1024 * 1024,
});
for (const name of readdirSync(web, { recursive: true }))
  if (/\.(js|css|html|svg)$/.test(name)) {
    const file = join(web, name);
    writeFileSync(`${file}.gz`, gzipSync(readFileSync(file), { level: 9 }));
  }
