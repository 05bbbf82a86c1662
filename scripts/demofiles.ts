// Writes the demo pattern files of each kind into src/demo/files.
import { mkdirSync, writeFileSync } from 'node:fs';
import { chromium } from '@playwright/test';
import { coatSvg, jacketDxf, matPhotoSvg, PHOTO, photoSvg, sizesPdf, tiledPdf } from '../src/demo/index.ts';

const folder = 'src/demo/files';
mkdirSync(folder, { recursive: true });
const files: [string, string | Uint8Array][] = [
  ['greenhouse-coat.svg', coatSvg()],
  ['chore-jacket.dxf', jacketDxf()],
  ['greenhouse-coat-a4.pdf', await tiledPdf()],
  ['greenhouse-coat-sizes.pdf', await sizesPdf()],
];
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: ['--headless', '--no-sandbox', '--disable-gpu'],
});
const page = await browser.newPage({ viewport: PHOTO });
await page.setContent(`<style>body{margin:0}svg{display:block}</style>${photoSvg()}`);
files.push(['sleeve-photo.png', await page.screenshot()]);
await page.setContent(`<style>body{margin:0}svg{display:block}</style>${matPhotoSvg()}`);
files.push(['sleeve-on-mat-photo.png', await page.screenshot()]);
await browser.close();
for (const [name, content] of files) writeFileSync(`${folder}/${name}`, content);
