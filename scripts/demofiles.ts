// Writes the demo pattern files of each kind into src/demo/files.
import { mkdirSync, writeFileSync } from 'node:fs';
import { coatSvg, jacketDxf, sizesPdf, tiledPdf } from '../src/demo/index.ts';

const folder = 'src/demo/files';
mkdirSync(folder, { recursive: true });
const files: [string, string | Uint8Array][] = [
  ['greenhouse-coat.svg', coatSvg()],
  ['chore-jacket.dxf', jacketDxf()],
  ['greenhouse-coat-a4.pdf', await tiledPdf()],
  ['greenhouse-coat-sizes.pdf', await sizesPdf()],
];
for (const [name, content] of files) writeFileSync(`${folder}/${name}`, content);
