import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, type Locator, type Page } from '@playwright/test';
import { readPdf } from '../src/test/readpdf.ts';
import { demoServer, saved } from './demo.ts';
import { pickOf } from './hand.ts';
import { test, visit } from './page.ts';

const { at } = demoServer();

/** Most clicks from a pattern file to its printed lining. */
const MOST = 12;

/** Clicks, and how often. */
function hand() {
  let clicks = 0;
  return {
    click: async (at: Locator): Promise<void> => {
      clicks += 1;
      await at.click();
    },
    count: () => clicks,
  };
}

/** From the shelf to the pattern put in, by choosing a file and saying yes. */
async function begin(page: Page, file: string, click: (at: Locator) => Promise<void>): Promise<void> {
  await visit(page, at());
  // Choosing in the system's own window: a click that opens it, and one on the file.
  await page.getByLabel('choose a file').setInputFiles(`src/demo/files/${file}`);
  const asked = page.getByRole('dialog', { name: `Begin with “${file}”` });
  await expect(asked.getByLabel('What it is a pattern of')).toHaveValue('coat');
  await click(asked.getByRole('button', { name: 'Begin' }));
}

/** Through the walk, and on to the lining on paper. */
async function print(page: Page, click: (at: Locator) => Promise<void>, path: string): Promise<string> {
  await click(page.getByRole('button', { name: 'Yes, it is so' }));
  const walk = page.getByRole('region', { name: 'A walk through the pattern' });
  await expect(walk).toContainText('Piece 1 of 3');
  await click(walk.getByRole('button', { name: 'All 3 are right' }));
  await expect(walk.getByText('All 26 seams go together.')).toBeVisible();
  await saved(page);
  await click(page.getByRole('navigation').getByRole('link', { name: 'On to paper' }));
  await click(page.getByRole('button', { name: 'only lining' }));
  await saved(page);
  const wait = page.waitForEvent('download');
  await click(page.getByRole('link', { name: 'PDF, 1:1' }));
  await (await wait).saveAs(path);
  const sheets = await readPdf(new Uint8Array(readFileSync(path)));
  return sheets.map((s) => s.text).join(' ');
}

for (const [what, file, pdf, tags] of [
  ['an SVG', 'greenhouse-coat.svg', [], []],
  ['a PDF with sizes', 'greenhouse-coat-sizes.pdf', ['the largest', 'Take these lines'], ['@night']],
] as const)
  test(`from ${what} to the printed lining in at most ${MOST} clicks`, { tag: [...tags] }, async ({ page }, info) => {
    const { click, count } = hand();
    const opening = 2;
    await begin(page, file, click);
    const seen = page.getByRole('region', { name: 'What the PDF holds' });
    for (const words of pdf) await click(seen.getByText(words).first());
    const printed = await print(page, click, join(info.outputDir, 'lining.pdf'));
    expect(printed).toContain('Front lining');
    expect(printed).not.toContain('Front facing');
    expect(count() + opening).toBeLessThanOrEqual(MOST);
  });

test('a piece named wrongly is set right on the walk in two clicks; Enter goes on', async ({ page }) => {
  const { click } = hand();
  await begin(page, 'greenhouse-coat.svg', click);
  await page.getByRole('button', { name: 'Yes, it is so' }).click();
  const walk = page.getByRole('region', { name: 'A walk through the pattern' });
  await expect(walk).toContainText('This is Front: a front, cut as a mirrored pair.');
  await page.keyboard.press('Enter');
  await expect(walk).toContainText('Piece 2 of 3');
  // Its hem said to be something else: an edge, and its name.
  await page.getByRole('button', { name: /^Hem, / }).click();
  await pickOf(page, 'What this edge is', 'Waist');
  await expect(walk).toContainText('waist');
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.keyboard.press('Escape');
  await walk.getByRole('button', { name: /^Next/ }).click();
  await expect(walk).toContainText('Piece 3 of 3');
  await walk.getByRole('button', { name: /^Next/ }).click();
  await walk.getByRole('link', { name: /what else do I cut/ }).click();
  await expect(page.getByRole('tab', { name: 'Facings', selected: true })).toBeVisible();
});

test('the finder goes to a piece, a seam, a step, and explains a word; a name is changed in place', async ({
  page,
}) => {
  const { click } = hand();
  await begin(page, 'greenhouse-coat.svg', click);
  await page.getByRole('button', { name: 'Yes, it is so' }).click();
  await expect(page.getByText('Piece 1 of 3')).toBeVisible();
  const find = async (words: string) => {
    await page.keyboard.press('Control+k');
    await page.getByRole('combobox', { name: /^Find/ }).fill(words);
  };
  await find('sew the inside to the shell');
  await expect(page.getByRole('option', { name: /^Sew the inside to the shell/ }).first()).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: /^Sew the inside to the shell/ })).toBeVisible();
  await find('sleeve into armhole');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Sleeve into armhole' })).toBeVisible();
  await find('understitch');
  await expect(page.getByRole('option', { name: /so that the facing stays inside/ })).toBeVisible();
  await page.keyboard.press('Escape');
  const name = page.getByRole('textbox', { name: 'Name of the project' });
  await name.fill('Orchard coat');
  await name.press('Enter');
  await saved(page);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(name).toHaveValue('Greenhouse coat');
});
