import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { expect, type Page } from '@playwright/test';
import { accessible, demoServer, saved } from './demo.ts';
import { aPicture } from './files.ts';
import { blank, fill } from './hand.ts';
import { asks } from './http.ts';
import { test, visit } from './page.ts';

const { at, open } = demoServer();
/** So many steps of a project are done, as the server has it. */
const doneOf = async (id: string): Promise<number> => {
  const { steps } = (await asks(at())('GET', `/api/projects/${id}/progress`)).json;
  return steps.filter((s: { state: string }) => s.state === 'done').length;
};
const idOf = (page: Page): string => /project\/([^/]+)/.exec(page.url())?.[1] ?? '';

test('at the bench: a step at a time by the keys, measured, mended, taken back, and what was done is kept', async ({
  page,
}) => {
  await open(page, 'Chore jacket', 'bench');
  const title = page.getByRole('heading', { level: 1 });
  await expect(title).toHaveText('Cut all pieces');
  await page.keyboard.press(' ');
  await expect(title).not.toHaveText('Cut all pieces');
  await expect(page.getByText(/all: 1 of/)).toBeVisible();
  await page.keyboard.press('ArrowLeft');
  await expect(title).toHaveText('Cut all pieces');
  await expect(page.getByRole('button', { name: 'Next', exact: true })).toBeVisible();
  const ask = asks(at());
  const { json } = await ask('GET', `/api/projects/${idOf(page)}/plan`);
  const seam = json.steps.find((s: { code: string; data: { a?: number } }) => s.code === 'sew' && s.data.a);
  await visit(page, `${at()}/project/${idOf(page)}/bench?step=${seam.id}`);
  await page.getByRole('button', { name: 'I measured …' }).click();
  const a = Math.round(seam.data.a);
  await page.getByLabel('What you measured').fill('a lot');
  await page.getByRole('button', { name: 'Note it' }).click();
  await expect(page.getByRole('alert')).toBeVisible();
  await page.getByLabel('What you measured').fill(`${a + 60} mm and ${a} mm`);
  await page.keyboard.press('Enter');
  await expect(page.getByText(/more on the first.*Too much to ease/)).toBeVisible();
  await accessible(page);
  // Space goes on with the work also when the hand has just touched a button.
  await page.getByRole('button', { name: 'Something is wrong' }).click();
  await page.getByLabel('What is wrong', { exact: true }).fill('Caught a tuck');
  await page.getByRole('button', { name: 'Unpick first' }).click();
  await expect(title).toHaveText('Caught a tuck');
  await page.keyboard.press(' ');
  await expect(title).not.toHaveText('Caught a tuck');
  await page.keyboard.press(' ');
  await expect(page.getByText(/all: 2 of/)).toBeVisible();
  await page.getByRole('button', { name: 'Something is wrong' }).click();
  await page.getByRole('button', { name: /Cut all pieces, and 1 after it/ }).click();
  await expect(page.getByText(/all: 0 of/)).toBeVisible();
  await page.getByRole('link', { name: 'Leave the bench' }).click();
  await expect(page.getByRole('heading', { name: 'What do I do now?' })).toBeVisible();
  await saved(page);
  const steps = (await ask('GET', `/api/projects/${idOf(page)}/progress`)).json.steps;
  expect(steps[0]).toMatchObject({ id: 'cut', state: 'again' });
});

test('a choice against what is sewn is asked about before it is kept, and asked again where it is', async ({
  page,
}) => {
  await open(page, 'Greenhouse coat', 'sewing');
  await blank(page, 'Sewn up to step').click();
  await page.getByRole('spinbutton', { name: 'Sewn up to step, number' }).fill('30');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Tick these 30' }).click();
  await expect(page.getByText(/^30 of \d+ steps are done/)).toBeVisible();
  await accessible(page);
  await saved(page);
  await open(page, 'Greenhouse coat', 'inside');
  const dialog = page.getByRole('alertdialog', { name: 'This is sewn otherwise' });
  await fill(page, 'Front facing, width', '100 mm');
  await expect(dialog).toContainText('the front facing is 100 mm now, it was 85 mm');
  await dialog.getByRole('button', { name: 'Leave it as it is sewn' }).click();
  await expect(blank(page, 'Front facing, width')).toHaveText('85 mm');
  await fill(page, 'Front facing, width', '100 mm');
  await dialog.getByRole('button', { name: 'Keep the choice' }).click();
  await saved(page);
  await expect(blank(page, 'Front facing, width')).toHaveText('100 mm');
  await open(page, 'Greenhouse coat', 'sewing');
  const asked = page.getByRole('region', { name: 'Sewn otherwise' });
  await expect(asked).toContainText('The front facing is 100 mm now, it was 85 mm');
  // Only the pieces that are others are cut anew, and only what hangs on them is sewn over.
  await asked.getByRole('button', { name: /^Cut .*facing.* anew, and do \d+ steps again$/ }).click();
  await expect(asked).toHaveCount(0);
  await expect(page.getByText(/^2\d of \d+ steps are done/)).toBeVisible();
  await page.getByRole('link', { name: 'To the machine' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Cut anew: .*[Ff]acing/);
  await page.keyboard.press('Control+z');
  await expect(
    page
      .getByText('It was sewn otherwise', { exact: false })
      .or(page.getByText(/all: 30 of/))
      .first(),
  ).toBeVisible();
});

test('the calendar lays out the hours, says what is short, and what would help does; it goes into a file', {
  tag: '@night',
}, async ({ page }) => {
  await open(page, 'Potting shirt', 'sewing/calendar');
  const sittings = page.getByRole('list', { name: 'Sittings' }).getByRole('heading');
  await expect(sittings.first()).toBeVisible();
  const soon = new Date(Date.now() + 4 * 864e5).toISOString().slice(0, 10);
  await blank(page, 'The day it is wanted for').click();
  await page.locator('input[type=date]').fill(soon);
  await page.keyboard.press('Escape');
  await expect(page.getByText(/you are .* short\.$/)).toBeVisible();
  await accessible(page);
  await page.getByRole('button', { name: /^Take .* as the day$/ }).click();
  await expect(page.getByText(/^In time/)).toBeVisible();
  const link = page.getByRole('link', { name: 'Into my calendar (.ics)' });
  const file = await (await fetch(at() + (await link.getAttribute('href')))).text();
  expect(file).toMatch(/^BEGIN:VCALENDAR\r\n/);
  expect(file.match(/BEGIN:VEVENT/g)?.length).toBe((await sittings.count()) + 1);
});

test('the notebook keeps a test with its picture, finds it, and tells the lesson at its step', async ({ page }) => {
  await open(page, 'Seed hall dress', 'sewing/notebook');
  await page.getByLabel('What happened').fill('Pins along the fold, not across: it lay flat.');
  await blank(page, 'What it is about').click();
  await page.getByLabel('What it is about, of a list').selectOption({ index: 1 });
  await page.locator('input[type=file]').setInputFiles(aPicture);
  await page.getByLabel('Tell me next time').check();
  await page.getByRole('button', { name: 'Write it down' }).click();
  const entry = page.getByRole('article').filter({ hasText: 'Pins along the fold' });
  await expect(entry.getByRole('img')).toHaveJSProperty('complete', true);
  await accessible(page);
  await page.getByRole('searchbox', { name: 'Search all notebooks' }).fill('fold flat');
  await expect(entry).toBeVisible();
  await page.getByRole('searchbox', { name: 'Search all notebooks' }).fill('nowhere written');
  await expect(entry).toHaveCount(0);
});

test('what is finished hangs in the wardrobe, and the next one begins from it; what is practised is noted', async ({
  page,
}) => {
  await open(page, 'Pond trousers', 'sewing');
  const steps = Number(/of (\d+) steps/.exec(await page.getByText(/steps are done/).innerText())?.[1]);
  await blank(page, 'Sewn up to step').click();
  await page.getByRole('spinbutton', { name: 'Sewn up to step, number' }).fill(String(steps));
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: `Tick these ${steps}` }).click();
  await page.getByRole('button', { name: 'It is finished' }).click();
  await saved(page);
  await visit(page, `${at()}/wardrobe`);
  const garment = page.getByRole('article').filter({ hasText: 'Pond trousers' });
  await expect(garment).toContainText('Finished on');
  await garment.getByRole('button', { name: 'Begin the next one from it' }).click();
  await expect(page.getByRole('heading', { name: 'What else do I cut?' })).toBeVisible();
  const { json } = await asks(at())('GET', `/api/projects/${idOf(page)}`);
  expect([json.name, json.document.decisions.bench.steps, json.document.shell.pieces.length > 0]).toEqual([
    'Pond trousers, again',
    [],
    true,
  ]);
  await visit(page, `${at()}/practice?card=mitre`);
  await expect(page.getByText('There are no leftovers in the stash', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: 'They are cut' }).click();
  for (let i = 0; i < 5; i++) await page.getByRole('button', { name: 'Done', exact: true }).click();
  await page.getByLabel('How much').fill('a bit');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toBeVisible();
  await page.getByLabel('How much').fill('0.5 mm');
  await page.getByRole('button', { name: 'Note it' }).click();
  await expect(page.getByRole('article').filter({ hasText: 'A mitre' })).toContainText('Last practised on');
});

test('the plan as one page from the disk: ticked, opened again, still ticked', async ({ page }) => {
  await open(page, 'Chore jacket', 'plan');
  const html = (await asks(at())('GET', `/api/projects/${idOf(page)}/export/plan.html`)).text;
  const folder = mkdtempSync(join(tmpdir(), 'woodbine-page-'));
  const file = join(folder, 'plan.html');
  writeFileSync(file, html);
  const asked: string[] = [];
  page.on('request', (r) => asked.push(r.url()));
  await page.goto(pathToFileURL(file).href);
  const ticked = page.locator('.step.ticked');
  const was = await ticked.count();
  await page.keyboard.press(' ');
  await page.keyboard.press(' ');
  await expect(ticked).toHaveCount(was + 2);
  await page.locator('figure.layers input').first().fill('100');
  await page.reload();
  await expect(ticked).toHaveCount(was + 2);
  expect(asked.filter((u) => !u.startsWith('file:'))).toEqual([]);
  rmSync(folder, { recursive: true });
});

test('without a way to it the bench goes on: ticks are kept through a closed page, and sent once there is a way', async ({
  browser,
}) => {
  const context = await browser.newContext({ viewport: { width: 820, height: 1180 }, serviceWorkers: 'allow' });
  try {
    const page = await context.newPage();
    await open(page, 'Potting shirt', 'bench');
    const [url, id] = [page.url(), idOf(page)];
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await expect(page.getByRole('button', { name: 'Done', exact: true })).toBeVisible();
    // Seen once with it at hand.
    await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
    await page.reload();
    await expect(page.getByRole('button', { name: 'Done', exact: true })).toBeVisible();
    await page.keyboard.press(' ');
    await expect(page.getByText(/all: 1 of/)).toBeVisible();
    await expect.poll(() => doneOf(id)).toBe(1);
    await context.setOffline(true);
    await page.keyboard.press(' ');
    await expect(page.getByText(/all: 2 of/)).toBeVisible();
    await expect(page.getByRole('alert')).toContainText('not saved yet');
    await page.close({ runBeforeUnload: false });
    const again = await context.newPage();
    await again.goto(url);
    await expect(again.getByText(/all: 2 of/)).toBeVisible();
    await expect(again.getByRole('alert')).toContainText('not saved yet');
    await context.setOffline(false);
    // It is tried again by itself.
    await expect.poll(() => doneOf(id)).toBe(2);
    await expect(again.getByRole('alert')).toHaveCount(0);
  } finally {
    await context.close();
  }
});
