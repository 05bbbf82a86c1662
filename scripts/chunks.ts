// Which script of the pages a module is in.
import react from '@vitejs/plugin-react';
import { build, type Rolldown } from 'vite';

/** What the pages begin with, seen from the folder of the web's code; the service worker is a script of its own. */
export const input = { index: 'src/web/index.html', sw: 'src/web/sw.ts' };

/** The scripts the first page begins with. */
const FIRST = new Set(['index', 'Shelf']);

/** The modules that the first page needs, the shelf: as a build shows that is left to itself, once what nobody uses is left out. */
async function firstPage(): Promise<Set<string>> {
  const made = await build({
    configFile: false,
    root: 'src/web',
    logLevel: 'error',
    plugins: [react()],
    build: { write: false, minify: false, rollupOptions: { input } },
  });
  const outputs = [made].flat().flatMap((m) => ('output' in m ? m.output : []));
  const chunks = new Map(outputs.flatMap((c) => (c.type === 'chunk' ? [[c.fileName, c] as const] : [])));
  const asked = new Set([...chunks.values()].filter((c) => FIRST.has(c.name)));
  for (const { imports } of asked) for (const file of imports) asked.add(chunks.get(file) as Rolldown.OutputChunk);
  return new Set([...asked].flatMap((c) => c.moduleIds));
}

const CORE = /\/src\/core\/|\/node_modules\/(clipper2-ts|earcut)\//;
/** What screens are made of. Charts are no part of it: they are fetched where one is drawn. */
const PARTS =
  /\/src\/web\/|\/node_modules\/(@chakra-ui|@ark-ui|@zag-js|@floating-ui|@internationalized|@dnd-kit|lucide-react|motion)/;

/**
 * Puts what several screens share in three scripts. Left to itself the bundler makes one for each set of screens that share
 * something, 150 in all, of which a screen asks for 80: it is drawn a fifth later. What the first page needs is kept apart,
 * so that it stays small.
 */
export async function shared(): Promise<Rolldown.CodeSplittingOptions> {
  const first = await firstPage();
  const name = (id: string): string | null =>
    first.has(id) ? 'first' : CORE.test(id) ? 'core' : PARTS.test(id) ? 'parts' : null;
  return { includeDependenciesRecursively: false, groups: [{ debugName: 'shared', minShareCount: 2, name }] };
}
