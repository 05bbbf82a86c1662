import { readFileSync } from 'node:fs';
import { expect, type Locator, type Page } from '@playwright/test';
import { readPdf } from '../src/test/readpdf.ts';
import { accessible, demoServer, saved } from './demo.ts';
import { test } from './page.ts';

const { at, open } = demoServer();
const proved = (page: Page) => expect(page.getByText(/^Proved: /)).toBeVisible();
const step = (page: Page, id: string): Locator => page.locator(`[data-step="${id}"]`);
const own = (page: Page): Locator => page.getByRole('region', { name: 'Your own order' });

test('a step moved too early is complained of with the reason, and moved together with what it needs', async ({
  page,
}) => {
  await open(page, 'Seed hall dress', 'plan');
  await proved(page);
  // Ticked off, and kept so.
  const tick = page.getByRole('checkbox', { name: 'Done: Cut all pieces' });
  await tick.check();
  await saved(page);
  await expect(page.getByRole('button', { name: /^Prepare/ })).toContainText('to do');
  await tick.uncheck();
  // By keyboard: the pressing before the turning.
  await step(page, 'press-turned').getByRole('button').click();
  await page.keyboard.press('Alt+ArrowUp');
  const complaint =
    /“Press the turned edges” comes before step \d+ “Pull the backs through the shoulders to the front”: there is nothing yet to do it to/;
  await expect(own(page).getByText(complaint)).toBeVisible();
  await expect(page.getByRole('article').getByText(complaint)).toBeVisible();
  await own(page)
    .getByRole('button', { name: /^Move “Pull the backs/ })
    .click();
  await expect(page.getByText('It works too: looked over like the proposed one.')).toBeVisible();
  await saved(page);

  // Left out, and brought back.
  await step(page, 'grade:edge').getByRole('button').click();
  await page.getByRole('button', { name: /^Leave out: Grade/ }).click();
  await expect(
    own(page)
      .getByText(/^“Grade, clip and trim: .*” is left out before .*usually it is done/)
      .first(),
  ).toBeVisible();
  await own(page).getByRole('button', { name: 'Bring it back' }).first().click();
  await page.getByRole('button', { name: 'Back to the proposed order' }).click();
  await proved(page);
});

test('side seams dragged before the turning: the shoulders form a closed loop, and it says so', {
  tag: '@night',
}, async ({ page }) => {
  await open(page, 'Seed hall dress', 'plan');
  await proved(page);
  const turn = step(page, 'turn');
  await turn.scrollIntoViewIfNeeded();
  const [from, to] = [await step(page, 'sew:side').boundingBox(), await turn.boundingBox()];
  if (!from || !to) throw new Error('no grip');
  await page.mouse.move(from.x + 90, from.y + 12);
  await page.mouse.down();
  await page.mouse.move(to.x + 90, (from.y + to.y) / 2, { steps: 6 });
  await page.mouse.move(to.x + 90, to.y + 8, { steps: 6 });
  await page.mouse.up();
  await expect(
    own(page).getByText(
      /cannot be done: after step \d+ “Sew: side seam and lining side seam” the tubes .* form a closed loop/,
    ),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await proved(page);
});

test('ways of making side by side, one taken; layers of the steps; the choice that cannot be says why', async ({
  page,
}) => {
  await open(page, 'Potting shirt', 'plan');
  await proved(page);
  await page.getByRole('tab', { name: 'How it is made' }).click();
  await page.getByRole('button', { name: 'Compare: Yoke' }).click();
  const table = page.getByRole('region', { name: 'Compare: Yoke' });
  await expect(table.getByRole('columnheader')).toHaveCount(5);
  await expect(table.getByText('holds')).toHaveCount(5);
  await accessible(page, undefined, '[aria-label="Compare: Yoke"]');
  await table.getByRole('button', { name: 'Make it so: Double, topstitched down' }).click();
  await page.getByRole('tab', { name: 'Steps' }).click();
  await expect(page.getByRole('button', { name: /^\d+ Stitch the inner yoke down at the shoulders/ })).toBeVisible();
  await page.getByRole('button', { name: /^\d+ Sew the back between the two yokes/ }).click();
  await expect(
    page.getByRole('img', {
      name: 'For the seam, from the top: Yoke, inner, wrong side up; under it Shirt back, wrong side up; under it Yoke, outer, right side up',
    }),
  ).toBeVisible();
  await page.getByRole('tab', { name: 'How it is made' }).click();
  await page.getByRole('button', { name: 'Compare: Collar' }).click();
  await expect(page.getByText(/^Not here: Notched, with facing; a lapel turns back; a stand closes up/)).toBeVisible();
  await saved(page);
});

test('the plan on paper, as Markdown and as JSON; small sums', { tag: '@night' }, async ({ page }) => {
  await open(page, 'Greenhouse coat', 'plan');
  await proved(page);
  const besides = async (name: string) => {
    await page.getByRole('tab', { name: 'Besides' }).click();
    await page.getByRole('button', { name }).click();
  };
  await besides('Small sums');
  await page.getByLabel('Which sum').selectOption('collar');
  await page.getByLabel('Half the neckline').fill('17 in');
  await page.getByLabel('Half the neckline').press('Enter');
  await expect(page.getByText('863.6 mm', { exact: true })).toBeVisible();
  const take = async (name: string): Promise<string> => {
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name, exact: true }).click(),
    ]);
    return readFileSync(await file.path(), 'utf8');
  };
  await besides('On paper and as files');
  expect(await take('Markdown')).toMatch(
    /^# Greenhouse coat: in what order\n[\s\S]*- \[ \] \*\*1\. Cut all pieces\*\*/,
  );
  expect(JSON.parse(await take('JSON')).steps.length).toBeGreaterThan(40);
  await page.getByRole('link', { name: 'Sheet to print, with boxes to tick' }).click();
  await expect(page.getByText('1. Cut all pieces')).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
  // On paper: margins all round, and the last step never alone on a sheet.
  const sheets = await readPdf(new Uint8Array(await page.pdf({ preferCSSPageSize: true })));
  for (const { words, width, height } of sheets)
    for (const t of words.filter((x) => x.text.trim()))
      expect(Math.min(t.x, width - t.x, t.y - t.height, height - t.y)).toBeGreaterThan(12);
  expect(sheets.at(-1)?.text.match(/\d+\. [A-Z]/g)?.length).toBeGreaterThan(1);
  expect(at()).toContain('127.0.0.1');
});

test('a pasted sheet is held against the steps, line by line, and its order taken', { tag: '@night' }, async ({
  page,
}) => {
  await open(page, 'Potting shirt', 'plan');
  await proved(page);
  await page.getByRole('tab', { name: 'Besides' }).click();
  await page.getByRole('button', { name: 'Compare with your own instructions' }).click();
  await page
    .getByLabel('Your instructions')
    .fill('1. Sew the side seams.\n2. Set in the sleeves.\n3. Attach the cuffs.\n4. Feed the cat.');
  await page.getByRole('button', { name: 'Compare 4 lines' }).click();
  await expect(page.getByText('4 of 4 lines are matched by their words only: look at each.')).toBeVisible();
  await expect(page.getByText('Nothing in it was recognised.')).toHaveCount(1);
  await page.getByRole('button', { name: 'Line 1: so it is' }).click();
  await page.getByLabel('Line 4 is').selectOption('no step of the plan');
  await expect(page.getByText('No step of the plan.')).toBeVisible();
  await page.getByRole('button', { name: 'They are all right' }).click();
  await expect(page.getByText('All 4 lines are as you said.')).toBeVisible();
  await expect(page.getByText('Your sheet does not say, and the garment needs it')).toBeVisible();
  await expect(page.getByText(/^In the order of your sheet, .*can be made\.$/)).toBeVisible();
  await saved(page);
  await accessible(page, undefined, '[aria-label="Your own instructions"]');
  await page.getByRole('button', { name: 'Take this order as mine' }).click();
  await expect(own(page)).toBeVisible();
  // Kept with the project.
  await saved(page);
  await page.reload();
  await expect(page.getByText('All 4 lines are as you said.')).toBeVisible();
});
