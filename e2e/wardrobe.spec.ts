import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect } from '@playwright/test';
import { accessible, demoServer, saved } from './demo.ts';
import { blank, pick, pickOf } from './hand.ts';
import { test, visit } from './page.ts';

const { at, open, first } = demoServer();

test('the dress: lining cut from the shell with changes, a zip more or less, choices held and compared', {
  tag: '@night',
}, async ({ page }) => {
  await open(page, 'Seed hall dress', 'inside');
  await page.getByRole('tab', { name: 'Lining' }).click();
  await expect(page.getByText('All 12 seams of the inside go together')).toBeVisible();
  await pick(page, 'I cut the lining', "from the shell's pattern, with changes");
  const front = page.getByRole('listitem');
  await expect(front.filter({ hasText: 'Hem: cut off 25 mm.' })).toHaveCount(2);
  await expect(front.filter({ hasText: 'Armhole: cut off 3 mm.' })).toHaveCount(2);
  await expect(front.filter({ hasText: 'Centre back: cut off 10 mm.' })).toHaveCount(1);
  await accessible(page);

  await pick(page, 'I cut the lining', 'from pieces of its own');
  await page.getByRole('button', { name: 'Hold these choices and try others against them' }).click();
  await expect(page.getByText('Nothing differs yet')).toBeVisible();
  await pick(page, 'There is a zip in a seam', 'nowhere');
  await expect(page.getByRole('cell', { name: 'Back lining', exact: true })).toBeVisible();
  await saved(page);
  await page.getByRole('button', { name: 'Go back to them' }).click();
  await expect(page.getByText('Nothing differs yet')).toBeVisible();
  await expect(blank(page, 'Its length from the upper end of the seam')).toBeVisible();

  await page.getByRole('tab', { name: 'Facings' }).click();
  await pick(page, 'What else is faced', 'A bias strip at the neck instead');
  await expect(page.getByText('Why the neck bias strip?')).toBeVisible();
  await saved(page);
  await accessible(page);
});

test('the shirt: yoke, stand and cuffs walked, their interfacing, and the choices of another project', async ({
  page,
}) => {
  await open(page, 'Potting shirt', 'seams');
  await expect(page.getByText(/^All \d+ seams go together\./)).toBeVisible();
  await page.getByRole('button', { name: /Collar stand to neckline/ }).click();
  await expect(page.getByRole('heading', { name: 'Collar stand to neckline' })).toBeVisible();
  // The garment laid open shows the same seam, and a click on one of its edges another.
  const table = page.getByRole('group', { name: 'The garment laid open, seen from the inside' });
  await expect(table.getByText('Cuff', { exact: true })).toHaveCount(2);
  await table.locator('[data-edge="underarm"]').first().dispatchEvent('click');
  await expect(page.getByRole('heading', { name: 'Underarm seam of the sleeve' })).toBeVisible();
  // An edge and then its partner; a cuff sewn to nothing is told, and is taken back with one click.
  await table.locator('[data-edge="cuff-seam"]').first().dispatchEvent('click');
  await expect(page.getByText(/^It is sewn to Sleeve \(wrist\): /)).toBeVisible();
  await page.getByRole('button', { name: 'Sew it to another edge' }).click();
  await page.getByLabel('The edge it is sewn to').selectOption({ label: 'Collar (collar, neck edge)' });
  await expect(page.getByText(/^It is sewn to Collar \(collar, neck edge\): /)).toBeVisible();
  await saved(page);
  await page.getByRole('button', { name: 'As suggested' }).click();
  await expect(page.getByText(/^It is sewn to Sleeve \(wrist\): /)).toBeVisible();
  await saved(page);
  await open(page, 'Potting shirt', 'inside');
  await page.getByRole('tab', { name: 'Interfacing' }).click();
  await expect(page.getByText('Why the cuff interfacing?')).toBeVisible();
  await pick(page, 'What else is interfaced', 'Bias strips in the hems');
  await expect(page.getByText('Why the shirt front hem strip, bias?')).toBeVisible();
  await page.getByLabel('Take over all choices of another project').selectOption(first('Greenhouse coat'));
  await expect(page.getByText('Why the front edge interfacing?')).toBeVisible();
  await saved(page);
  await open(page, 'Potting shirt', 'history');
  await expect(page.getByRole('button', { name: /Choices of Greenhouse coat$/ })).toBeVisible();
  // The pieces as they were before, and back there with one click, and here again with another.
  await page.getByRole('button', { name: /Bias strips in the hems$/ }).click();
  await page.getByRole('button', { name: 'Go back to this' }).click();
  await expect(page.getByRole('button', { name: /Back to as it was after “Bias strips in the hems”$/ })).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await saved(page);
  await open(page, 'Potting shirt', 'plan');
  await expect(page.getByText(/^Proved: /)).toBeVisible();
  await expect(page.getByText(/Roll the shirt up and close the shoulders inside/)).toHaveCount(0);
});

test(
  'a drawing of a hundred dense outlines: kept as few curves, found by name, and its file given back',
  { tag: '@night' },
  async ({ page }, info) => {
    const ring = Array.from({ length: 400 }, (_, i) => {
      const t = (2 * Math.PI * i) / 400;
      return `${(200 + 150 * Math.cos(t)).toFixed(3)},${(200 + 120 * Math.sin(t)).toFixed(3)}`;
    }).join(' ');
    const pieces = Array.from(
      { length: 100 },
      (_, i) =>
        `<polygon id="Panel ${i + 1}" transform="translate(${(i % 10) * 400} ${Math.floor(i / 10) * 400})" points="${ring}"/>`,
    );
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="4000mm" height="4000mm" viewBox="0 0 4000 4000">${pieces.join('')}</svg>`;
    await visit(page, at());
    await page.getByLabel('Its name').fill('A hundred panels');
    await page.getByRole('button', { name: 'Begin', exact: true }).click();
    await page
      .getByLabel('Pattern file')
      .setInputFiles({ name: 'panels.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(svg) });
    await expect(page.getByText(/100 of them, 40000 lines\) are kept as \d{3,4} curves/)).toBeVisible();
    await expect(page.getByRole('button', { name: /^Panel/ })).toHaveCount(40);
    await page.getByLabel('Find a piece by its name').fill('panel 97');
    await expect(page.getByRole('button', { name: /^Panel/ })).toHaveCount(1);
    await page.getByRole('button', { name: /^Panel 97/ }).click();
    await expect(blank(page, 'Name of this piece')).toHaveText('Panel 97');
    const wait = page.waitForEvent('download');
    await page.getByRole('link', { name: 'panels.svg' }).click();
    const path = join(info.outputDir, 'panels.svg');
    await (await wait).saveAs(path);
    expect(readFileSync(path, 'utf8')).toBe(svg);
  },
);

test('a project taken off the shelf by mistake is put back with one click', async ({ page }) => {
  await page.request.post(`${at()}/api/projects`, { data: { name: 'Fern house jacket', garment: 'jacket' } });
  await visit(page, at());
  await page.getByRole('button', { name: 'Delete Fern house jacket' }).click();
  await page.getByRole('button', { name: 'Delete it' }).click();
  await expect(page.getByText('"Fern house jacket" was taken off the shelf.')).toBeVisible();
  await expect(page.getByRole('link', { name: 'Open Fern house jacket' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Put it back' }).click();
  await expect(page.getByRole('link', { name: 'Open Fern house jacket' })).toBeVisible();
  await expect(page.getByText('was taken off the shelf')).toHaveCount(0);
});

test('a drawing that takes long shows how far it is, and is given up when it is stopped: nothing is stored of it', async ({
  page,
}) => {
  // Few bytes and much to think about: what each of 160 corners of 30 pieces parts is weighed for many seconds.
  const star = Array.from({ length: 160 }, (_, i) => {
    const [t, r] = [(2 * Math.PI * i) / 160, i % 2 ? 300 : 260];
    return `${(400 + r * Math.cos(t)).toFixed(2)},${(500 + 1.6 * r * Math.sin(t)).toFixed(2)}`;
  }).join(' ');
  const pieces = Array.from(
    { length: 30 },
    (_, i) => `<polygon transform="translate(${i * 900} 0)" points="${star}"/>`,
  );
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="27000mm" height="1000mm" viewBox="0 0 27000 1000">${pieces.join('')}</svg>`;
  await visit(page, at());
  await page.getByLabel('Its name').fill('Too much of it');
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  await page
    .getByLabel('Pattern file')
    .setInputFiles({ name: 'huge.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(svg) });
  await expect(page.getByRole('progressbar', { name: 'How far the file is read' })).toBeVisible();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByText('You stopped the reading. Nothing was changed.')).toBeVisible();
  const id = page.url().split('/project/')[1]?.split('/')[0];
  const project = await (await page.request.get(`${at()}/api/projects/${id}`)).json();
  expect([project.document.shell, project.revision]).toEqual([null, 0]);
  expect(await (await page.request.get(`${at()}/api/projects/${id}/files`)).json()).toEqual({ files: [] });
  // The next file is read as if nothing had been.
  await page.getByLabel('Pattern file').setInputFiles('src/demo/files/greenhouse-coat.svg');
  await expect(blank(page, 'Name of this piece')).toHaveText('Front');
});

test('said of edges: cut with other allowances and what to trim, layers on the opened-out garment, ties, interfacing', {
  tag: '@night',
}, async ({ page }) => {
  await open(page, 'Greenhouse coat', 'pattern');
  await pick(page, 'The lines drawn in the file', 'cut lines: the seam lies inside');
  await pickOf(page, 'Edges to cut otherwise', 'Side seam');
  await page.getByRole('button', { name: 'Cut them so' }).click();
  await expect(page.getByText('trim 9 mm off')).toHaveCount(2);
  await page.getByRole('link', { name: 'Print what to trim' }).click();
  await expect(page.getByRole('heading', { name: 'Greenhouse coat: before cutting' })).toBeVisible();
  await expect(page.getByText('trim 9 mm off')).toHaveCount(2);

  await open(page, 'Greenhouse coat', 'seams');
  await page.getByRole('button', { name: 'F · Facing' }).click();
  await page.locator('path[data-piece="front-facing"]').first().dispatchEvent('click');
  await page.getByRole('link', { name: 'See how it is drafted' }).click();
  await expect(page).toHaveURL(/part=facing/);

  await page.getByRole('tab', { name: 'Ties' }).click();
  await page.getByRole('button', { name: 'Add tie' }).click();
  await expect(page.getByText('Why the tie?')).toBeVisible();
  await page.getByRole('tab', { name: 'Interfacing' }).click();
  await page.getByRole('button', { name: 'Interface another edge or piece' }).click();
  await pickOf(page, 'Interfaced place 1', 'Back, hem');
  await expect(page.getByText('Back interfacing, hem').first()).toBeVisible();
  await saved(page);
  await accessible(page);
});
