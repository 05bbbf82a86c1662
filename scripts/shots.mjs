// Takes one picture of each main view of a running Woodbine with the demo coat. `node scripts/shots.mjs [folder] [url]`
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { CHROMIUM, root, say } from './tools.mjs';

const folder = process.argv[2] ?? join(root, 'docs/screenshots');
const base = process.argv[3] ?? `http://127.0.0.1:${process.env.PORT ?? 4870}`;
mkdirSync(folder, { recursive: true });
const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: ['--headless', '--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run'],
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
const { projects } = await (await fetch(`${base}/api/projects`)).json();
const coat = projects.find((p) => p.name === 'Greenhouse coat');
const views = [
  ['shelf', '/'],
  ...['pattern', 'seams', 'inside', 'buttons', 'plan', 'paper', 'history'].map((v) => [v, `/project/${coat.id}/${v}`]),
  ['lining', `/project/${coat.id}/inside`, 'Lining'],
  ['hems', `/project/${coat.id}/inside`, 'Hems'],
];
for (const [name, path, tab] of views) {
  await page.goto(base + path, { waitUntil: 'networkidle' });
  if (tab) await page.getByRole('tab', { name: tab }).click();
  await page.screenshot({ path: join(folder, `${name}.png`) });
  say(`${name}.png`);
}
await browser.close();
