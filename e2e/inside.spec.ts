import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, type Page } from '@playwright/test';
import { accessible, demoServer, saved } from './demo.ts';
import { blank, fill, pick } from './hand.ts';
import { test, visit } from './page.ts';

const { at, open } = demoServer();
/** Opens a step beside the list. */
const step = (page: Page, title: RegExp) => page.getByRole('button', { name: title }).click();
/** Nothing in the short list that is to be mended. */
const holds = (page: Page) => expect(page.getByLabel('To mend')).toHaveCount(0);

test('a joining step of the plan has its layers drawn and said, and its place on the garment', async ({ page }) => {
  await open(page, 'Greenhouse coat', 'plan');
  await step(page, /^\d+ Sew: shoulder seam/);
  await expect(
    page.getByRole('img', { name: 'For the seam, from the top: Front, wrong side up; under it Back, right side up' }),
  ).toBeVisible();
  await step(page, /^\d+ Sew the inside to the shell/);
  await expect(page.getByText('Allowances between the layers, graded: Front 10 mm, Front facing 6 mm.')).toBeVisible();
  // On the map of the garment: what is sewn so far, and the seam of this step.
  await expect(page.getByRole('group', { name: /^The garment laid open, seen from the inside: green/ })).toBeVisible();
});

test('the coat: its vent turned round, the front faced in three ways, the back down to the armholes', async ({
  page,
}) => {
  await open(page, 'Greenhouse coat', 'inside');
  await page.getByRole('tab', { name: 'Lining' }).click();
  await expect(page.getByText('Why the left back lining, overlap?')).toBeVisible();
  await pick(page, 'At the vent, as worn', 'right laps over left');
  await expect(page.getByText('Why the right back lining, overlap?')).toBeVisible();
  await page.getByText('Why the left back lining, underlap?').click();
  await expect(page.getByText('R = 2A − s1 − s2 = 2 × 15 mm − 10 mm − 10 mm = 10 mm')).toBeVisible();
  await pick(page, 'I cut the lining', "from the shell's pattern, with changes");
  await expect(page.getByRole('listitem').filter({ hasText: 'Vent, long edge: cut off 100 mm.' })).toHaveCount(1);
  await saved(page);
  await accessible(page);

  await page.getByRole('tab', { name: 'Facings' }).click();
  await pick(page, 'The front facing', 'grown on, the edge a fold');
  await expect(page.getByText('Why the front, facing cut on?')).toBeVisible();
  await holds(page);
  await pick(page, 'The front facing', 'turned back with a lapel or shawl');
  await expect(blank(page, 'Drawn out at the top of the lapel')).toBeVisible();
  await pick(page, 'The back is faced', 'down to the armholes');
  await expect(page.getByText('Why the back facing?')).toBeVisible();
  await holds(page);
  await fill(page, 'Its depth at centre back', '320 mm');
  await expect(
    page
      .getByRole('region', { name: 'Drawing' })
      .getByText(/does not come out at the armhole of "Back"\. From \d+ mm to \d+ mm would\./),
  ).toBeVisible();
  await saved(page);
  await accessible(page);
});

test('the jacket: ribs at hem and wrist with their sums; worn on both sides nothing is faced', async ({ page }) => {
  await open(page, 'Chore jacket', 'inside');
  await page.getByRole('tab', { name: 'Hems' }).click();
  for (const at of ['hem', 'wrist']) await pick(page, `At the ${at} the lining is`, 'sewn with the shell to a rib');
  await page.getByText('Why the hem rib, of knit?').click();
  await expect(
    page.getByText(/85 % of the edge \(.*\), so that it draws in, and a seam of 5\/8"/).first(),
  ).toBeVisible();
  await expect(page.getByText('Why the wrist rib, of knit?')).toBeVisible();
  await holds(page);
  await saved(page);
  await accessible(page);
  await page.getByRole('tab', { name: 'Interfacing' }).click();
  await pick(page, 'On the front itself, under the facing', 'shaped, from shoulder and underarm');
  await pick(page, 'What else is interfaced', 'A patch behind each buttonhole');
  await expect(page.getByText('Why the buttonhole patch?')).toBeVisible();
  await page.getByRole('tab', { name: 'Lining' }).click();
  await pick(page, 'It is', 'worn on both sides: the lining is the shell again');
  await expect(page.getByText('Why the front, second layer?')).toBeVisible();
  await holds(page);
  await page.getByRole('tab', { name: 'Facings' }).click();
  await expect(page.getByText('No facing here')).toBeVisible();
  await open(page, 'Chore jacket', 'plan');
  await expect(page.getByText(/^Proved: /)).toBeVisible();
  await expect(page.getByRole('button', { name: /^\d+ Join the layers along the hem/ })).toBeVisible();
});

test(
  'a front drawn whole is halved by one click, and lined; the change sheets come as a PDF',
  { tag: '@night' },
  async ({ page }, info) => {
    // Neckline, shoulders, armholes, sides and hem of a whole top, as drawn lines in millimetres.
    const half = [
      'M0 90C45 90 75 60 75 0',
      'L190 40',
      'C178 120 205 190 250 200',
      'L262 600',
      'L-262 600',
      'L-250 200',
      'C-205 190 -178 120 -190 40',
      'L-75 0',
      'C-75 60 -45 90 0 90Z',
    ].join('');
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="700mm" height="700mm" viewBox="-350 -50 700 700"><g id="Front"><title>Front</title><path fill="none" stroke="#222" d="${half}"/></g></svg>`;
    await visit(page, at());
    await page.getByLabel('Its name').fill('Seedling top');
    await page.getByRole('button', { name: 'Begin', exact: true }).click();
    await page
      .getByLabel('Pattern file')
      .setInputFiles({ name: 'top.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(svg) });
    await page.getByRole('link', { name: 'What else do I cut?' }).click();
    await expect(page.getByRole('region', { name: 'Drawing' }).getByText('"Front" is drawn whole.')).toBeVisible();
    await page.getByRole('button', { name: 'Take half of it, on the fold' }).click();
    await expect(page.getByRole('region', { name: 'Drawing' }).getByText('"Front" is drawn whole.')).toHaveCount(0);
    await page.getByRole('tab', { name: 'Lining' }).click();
    await expect(page.getByText('Why the front lining?')).toBeVisible();
    await saved(page);
    await page.getByRole('link', { name: 'On to paper' }).click();
    const wait = page.waitForEvent('download');
    await page.getByRole('link', { name: 'Change sheets for the lining' }).click();
    const path = join(info.outputDir, 'changes.pdf');
    await (await wait).saveAs(path);
    expect(readFileSync(path).subarray(0, 5).toString()).toBe('%PDF-');
  },
);
