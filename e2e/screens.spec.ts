import { gzipSync } from 'node:zlib';
import { expect } from '@playwright/test';
import { documentOf, type Garment } from '../src/demo/drawn.ts';
import { CUTS } from '../src/test/pile.ts';
import { accessible, demoServer } from './demo.ts';
import { pickOf } from './hand.ts';
import { test, visit } from './page.ts';

const { at, look } = demoServer();

/** What belongs to no project. */
const BESIDE = ['backups', 'wardrobe', 'practice'];
const VIEWS = [
  '',
  'pattern',
  'seams',
  'inside',
  'buttons',
  'buttons/holes',
  'buttons/rest',
  'buttons/garment',
  'plan',
  'sewing',
  'sewing/calendar',
  'sewing/notebook',
  'paper',
  'history',
];

/** Looked over, with what they open, by the tests of their own: here in other colours and widths, by night. */
const LOOKED_OVER = new Set([
  ...['inside', 'buttons', 'buttons/holes', 'buttons/rest', 'buttons/garment'],
  ...['sewing', 'sewing/calendar', 'sewing/notebook'],
]);

const COAT = 'Greenhouse coat';

for (const view of [...VIEWS, ...BESIDE]) {
  const words = `${view || 'shelf'}: no fault of accessibility in light or dark, no sideways scroll on desk or tablet, no error`;
  test(words, { tag: LOOKED_OVER.has(view) ? '@night' : '@day' }, async ({ page }) => {
    const errors: string[] = [];
    page.on('pageerror', (e) => errors.push(e.message));
    // The window may still stand at the server of other tests, which is gone.
    page.on('console', (m) => m.type() === 'error' && m.location().url.startsWith(at()) && errors.push(m.text()));
    await (view && !BESIDE.includes(view) ? look(page, COAT, view) : visit(page, `${at()}/${view}`));
    if (!LOOKED_OVER.has(view)) await accessible(page);
    await page.getByRole('button', { name: /^Switch to (dark|light) colours$/ }).click();
    await accessible(page, 'colours');
    const wide = () => page.evaluate(() => document.documentElement.scrollWidth);
    expect(await wide()).toBeLessThanOrEqual(1280);
    // Last, since nothing is clicked after: the tablet's width.
    await page.setViewportSize({ width: 820, height: 1180 });
    expect(await wide()).toBeLessThanOrEqual(820);
    expect(errors).toEqual([]);
  });
}

test('a front without hem or waist, buttons on: every screen opens, says what is amiss, and the pattern can be mended', {
  tag: '@night',
}, async ({ page }) => {
  const doc = documentOf(CUTS.jacket?.({ w: 262, l: 700, s: 126 }) as Garment);
  for (const e of doc.shell?.pieces[0]?.ring ?? []) if (e.role === 'hem') e.role = 'plain';
  const made = await page.request.post(`${at()}/api/projects/import`, { data: { woodbine: 1, project: doc } });
  const { id } = await made.json();
  const errors: string[] = [];
  page.on('pageerror', (e) => errors.push(e.message));
  for (const view of VIEWS.filter(Boolean)) {
    await visit(page, `${at()}/project/${id}/${view}`);
    await expect(page.getByText('That is a fault of Woodbine')).toHaveCount(0);
  }
  await visit(page, `${at()}/project/${id}/pattern`);
  const edge = page.getByRole('button', { name: /^Not named yet/ });
  await edge.first().focus();
  await page.keyboard.press('Enter');
  await pickOf(page, 'What this edge is', 'Hem');
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  expect(errors).toEqual([]);
});

test('the shelf stands after at most 250 kB of script, as it goes over the line; the rest is fetched when it is asked for', async ({
  browser,
}) => {
  const context = await browser.newContext();
  const page = await context.newPage();
  const scripts: Promise<number>[] = [];
  // What is fetched once the shelf stands may still be on its way when the page is closed.
  const gone = (): number => 0;
  // What draws the cards comes once the shelf stands: it is held back here.
  await page.route('**/assets/ShelfCover*.js', () => undefined);
  page.on('response', (r) => {
    if (r.url().endsWith('.js')) scripts.push(r.body().then((b) => gzipSync(b).length, gone));
  });
  await page.goto(at());
  await expect(page.getByRole('link', { name: 'Open Greenhouse coat' }).first()).toBeVisible();
  const size = (await Promise.all(scripts)).reduce((t, x) => t + x, 0);
  expect(size).toBeGreaterThan(50_000);
  expect(size).toBeLessThan(250_000);
  await context.close();
});

test('nothing is fetched from elsewhere', async ({ page }) => {
  const foreign: string[] = [];
  page.on('request', (r) => !r.url().startsWith(at()) && !r.url().startsWith('data:') && foreign.push(r.url()));
  await look(page, COAT, 'inside');
  await page.reload({ waitUntil: 'networkidle' });
  expect(foreign).toEqual([]);
});
