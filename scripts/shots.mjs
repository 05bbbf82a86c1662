// Takes one picture of each main view of a running Woodbine with the demo coat. `node scripts/shots.mjs [folder] [url]`
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { CHROMIUM, root, say } from './tools.mjs';

const folder = process.argv[2] ?? join(root, 'docs/screenshots');
const base = process.argv[3] ?? `http://127.0.0.1:${process.env.PORT ?? 4870}`;
mkdirSync(folder, { recursive: true });
/** Pixels of the demo picture: the sheet's corners, then points along the sleeve, corners of it marked. */
const clicks = [
  [601.8, 280, false],
  [1013, 314, false],
  [979.8, 877.5, false],
  [591.8, 847.2, false],
  [1075.1, 592.1, true],
  [1171.3, 564.2, false],
  [1227.1, 476.1, false],
  [1294.9, 396, false],
  [1394.4, 359.6, false],
  [1499.9, 354.2, false],
  [1601.1, 380.2, false],
  [1687.2, 437.6, false],
  [1732.1, 528.2, false],
  [1769.1, 621.4, false],
  [1861.9, 655.3, true],
  [1641.3, 1449.3, true],
  [1122.9, 1411.1, true],
];

const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: ['--headless', '--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run'],
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
const { projects } = await (await fetch(`${base}/api/projects`)).json();
const coat = projects.find((p) => p.name === 'Greenhouse coat');
const views = [
  ['shelf', '/'],
  ...['pattern', 'seams', 'inside', 'buttons', 'plan', 'paper'].map((v) => [v, `/project/${coat.id}/${v}`]),
  ['lining', `/project/${coat.id}/inside`, 'Lining'],
];
for (const [name, path, tab] of views) {
  await page.goto(base + path, { waitUntil: 'networkidle' });
  if (tab) await page.getByRole('tab', { name: tab }).click();
  if (name === 'paper') await page.getByRole('heading', { name: /pages$/ }).waitFor({ timeout: 60_000 });
  // The cards of the shelf are drawn one after another.
  await page.waitForTimeout(name === 'shelf' ? 4000 : name === 'plan' ? 2500 : 1500);
  await page.screenshot({ path: join(folder, `${name}.png`) });
  say(`${name}.png`);
}
// The plan: a step opened.
const shirt = projects.find((p) => p.name === 'Potting shirt');
// Its layers half turned: with motion, which the other pictures do without.
const moving = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await moving.goto(`${base}/project/${coat.id}/plan?step=sew-edge`, { waitUntil: 'networkidle' });
await moving.getByRole('slider', { name: 'How far the layers are turned' }).focus();
for (let i = 0; i < 3; i++) await moving.keyboard.press('PageUp');
await moving.waitForTimeout(400);
await moving.screenshot({ path: join(folder, 'plan-layers.png') });
await moving.close();
say('plan-layers.png');
// At the machine, on the calendar, in the notebook: on a copy, sewn as far as the lining, that is taken away again.
const begun = await (await fetch(`${base}/api/projects/${coat.id}/export/project.json`)).json();
const send = (method, path, body) =>
  fetch(base + path, { method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });
const { id: half } = await (await send('POST', '/api/projects/import', begun)).json();
const { steps } = await (await fetch(`${base}/api/projects/${half}/progress`)).json();
const done = steps.slice(0, 22).map((s, i) => ({ id: s.id, state: 'done', minutes: 4 + ((i * 7) % 5) }));
await send('PATCH', `/api/projects/${half}/progress`, { steps: done });
for (const entry of [
  {
    kind: 'fusing',
    words: 'On a scrap of the coat cloth. It held after washing; with steam it bubbled.',
    figures: { interfacing: 'light woven', heat: 140, steam: 'none', seconds: 12, result: 'holds, stays soft' },
  },
  {
    words: 'The sleeve went in without a tuck when it was eased over the ham first.',
    step: 'sew:cap',
    again: true,
  },
  {
    kind: 'shrinkage',
    words: 'Washed at 30, dried flat.',
    figures: { alongBefore: 500, alongAfter: 490, acrossBefore: 500, acrossAfter: 497 },
  },
])
  await send('POST', `/api/projects/${half}/entries`, entry);
for (const [name, path] of [
  ['bench', 'bench'],
  ['calendar', 'sewing/calendar'],
  ['notebook', 'sewing/notebook'],
]) {
  await page.goto(`${base}/project/${half}/${path}`, { waitUntil: 'networkidle' });
  await page.waitForTimeout(2500);
  await page.screenshot({ path: join(folder, `${name}.png`) });
  say(`${name}.png`);
}
await fetch(`${base}/api/projects/${half}`, { method: 'DELETE' });
// The cutting table: the lay is looked for a while and kept, then taken back.
await page.goto(`${base}/project/${coat.id}/cutting`, { waitUntil: 'networkidle' });
await page.getByRole('button', { name: 'Lay the pieces' }).click();
await page.getByText('20 seconds gone.').waitFor();
await page.getByRole('button', { name: 'Lay anew' }).waitFor({ timeout: 60_000 });
await page.waitForTimeout(800);
await page.screenshot({ path: join(folder, 'cloth.png') });
await page.getByRole('button', { name: 'Undo' }).click();
await page.waitForTimeout(800);
say('cloth.png');
// Holes that are sewn already, on a copy that is taken away again.
const saved = await (await fetch(`${base}/api/projects/${shirt.id}/export/project.json`)).json();
saved.project.decisions.closure.done = [0, 1, 2].map((index) => ({
  line: 'front',
  index,
  at: [-16, 54, 139][index],
  state: index === 2 ? 'marked' : 'cut',
}));
const copy = await fetch(`${base}/api/projects/import`, {
  method: 'POST',
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify(saved),
});
const { id: sewn } = await copy.json();
await page.goto(`${base}/project/${sewn}/buttons/garment`, { waitUntil: 'networkidle' });
await page.waitForTimeout(400);
await page.screenshot({ path: join(folder, 'buttons-garment.png') });
say('buttons-garment.png');
// A cloth of the stash cut for it, and what is left of that.
await page.goto(`${base}/stash`, { waitUntil: 'networkidle' });
await page.getByRole('button', { name: 'Put something else in' }).click();
await page.getByRole('button', { name: 'Put a cloth in' }).click();
await page.getByRole('button', { name: 'What the cloth is called: A cloth' }).click();
await page.getByLabel('What the cloth is called, in words').fill('Moss poplin');
await page.keyboard.press('Enter');
await page.waitForTimeout(1200);
await page.goto(`${base}/project/${sewn}/cutting`, { waitUntil: 'networkidle' });
await page.getByRole('button', { name: /^Where the cloth comes from/ }).click();
await page
  .getByRole('dialog')
  .getByText(/^is from the stash: Moss poplin/)
  .click();
await page.getByRole('button', { name: 'Lay the pieces' }).click();
await page.getByRole('button', { name: 'It is cut: take it from the stash' }).click({ timeout: 60_000 });
await page.getByText('It is cut; what is left of it').waitFor();
await page.goto(`${base}/stash`, { waitUntil: 'networkidle' });
await page.waitForTimeout(800);
await page.screenshot({ path: join(folder, 'stash.png') });
say('stash.png');
await page.getByRole('button', { name: 'It was not: put it back whole' }).click();
await page.getByRole('button', { name: 'It is no more there' }).click();
await page.getByRole('button', { name: 'No more there', exact: true }).click();
await page.waitForTimeout(800);
await fetch(`${base}/api/projects/${sewn}`, { method: 'DELETE' });
// What a file holds, before it is taken in: on a project of its own that is taken away again.
const made = await fetch(`${base}/api/projects`, {
  method: 'POST',
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify({ name: 'Opening-day coat' }),
});
const { id } = await made.json();
for (const [name, file] of [
  ['pdf-sizes', 'greenhouse-coat-sizes.pdf'],
  ['photo', 'sleeve-photo.png'],
]) {
  await page.goto(`${base}/project/${id}/pattern`, { waitUntil: 'networkidle' });
  await page.getByLabel('Pattern file').setInputFiles(join(root, 'src/demo/files', file));
  const shown = page.getByRole(name === 'photo' ? 'application' : 'region').last();
  await shown.waitFor();
  if (name === 'photo') await trace(shown);
  await shown.evaluate((el) => el.scrollIntoView({ block: 'start' }));
  await page.screenshot({ path: join(folder, `${name}.png`) });
  say(`${name}.png`);
}
await fetch(`${base}/api/projects/${id}`, { method: 'DELETE' });
// A backup looked into after something was changed; what was changed is taken back.
const json = { 'content-type': 'application/json' };
await fetch(`${base}/api/backups`, { method: 'POST', headers: json, body: '{}' });
const { revision } = await (await fetch(`${base}/api/projects/${coat.id}`)).json();
const changes = [
  ['Front facing, width: 92 mm', '/decisions/facing/front', 92],
  ['Centre back pleat, in all: 36 mm', '/decisions/lining/pleat', 36],
  ['Front facing grown on, the edge a fold', '/decisions/facing/kind', 'cut-on'],
];
for (const [i, [label, path, value]] of changes.entries())
  await fetch(`${base}/api/projects/${coat.id}`, {
    method: 'PATCH',
    headers: json,
    body: JSON.stringify({ revision: revision + i, change: { label, patch: [{ op: 'replace', path, value }] } }),
  });
await page.goto(`${base}/backups`, { waitUntil: 'networkidle' });
await page
  .getByRole('button', { name: /^Look into the backup/ })
  .first()
  .click();
await page.getByRole('checkbox').first().waitFor();
await page.screenshot({ path: join(folder, 'backups.png') });
say('backups.png');
// What was changed, and the pieces as they were before the last of it.
await page.goto(`${base}/project/${coat.id}/history?at=${revision + 2}`, { waitUntil: 'networkidle' });
await page.waitForTimeout(800);
await page.screenshot({ path: join(folder, 'history.png') });
say('history.png');
for (const i of changes.keys())
  await fetch(`${base}/api/projects/${coat.id}/undo`, {
    method: 'POST',
    headers: json,
    body: JSON.stringify({ revision: revision + changes.length + i }),
  });
await browser.close();

/** Corners of the sheet and some points of the sleeve, at places read off the demo picture. */
async function trace(table) {
  for (const [x, y, corner] of clicks) {
    const at = await table.evaluate(
      (el, q) => {
        const p = new DOMPoint(q[0], q[1]).matrixTransform(el.getScreenCTM());
        return { x: p.x, y: p.y };
      },
      [x, y],
    );
    if (corner) await page.keyboard.down('Shift');
    await page.mouse.click(at.x, at.y);
    if (corner) await page.keyboard.up('Shift');
  }
}
