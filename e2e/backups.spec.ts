import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect } from '@playwright/test';
import { unzipSync } from 'fflate';
import { demoServer, saved } from './demo.ts';
import { blank, fill } from './hand.ts';
import { served as test } from './page.ts';

const { at, open } = demoServer(true);
const COAT = 'Greenhouse coat';

test(
  'a backup is made, taken away, looked into, and put back; what it would change is said before',
  { tag: '@night' },
  async ({ page }, info) => {
    await page.goto(at());
    await page.getByRole('link', { name: 'Backups: take away, put back' }).click();
    await page.getByRole('button', { name: 'Make a backup here now' }).click();
    await expect(page.getByRole('status')).toHaveText('The backup is made, and loads.', { timeout: 30_000 });
    const wait = page.waitForEvent('download');
    await page.getByRole('link', { name: 'Take everything away' }).click();
    const path = join(info.outputDir, 'everything.zip');
    await (await wait).saveAs(path);
    expect(Object.keys(unzipSync(readFileSync(path)))).toContain('manifest.json');

    await open(page, COAT, 'inside');
    const width = blank(page, 'Front facing, width');
    const before = await width.innerText();
    await fill(page, 'Front facing, width', '96 mm');
    await saved(page);
    await page.goto(at());
    await page.getByRole('button', { name: 'Delete Chore jacket' }).click();
    await page.getByRole('button', { name: 'Delete it' }).click();
    await expect(page.getByText('"Chore jacket" was taken off the shelf.')).toBeVisible();

    await page.goto(`${at()}/backups`);
    await page.getByLabel('Look into a backup from elsewhere').setInputFiles(path);
    const item = (name: string) => page.getByRole('listitem').filter({ hasText: name });
    await expect(item(COAT)).toContainText('Changed since, and taken back by it: “Front facing, width: 96 mm”.');
    await expect(item('Chore jacket')).toContainText('Taken off the shelf since: it comes back.');
    await expect(item('Potting shirt')).toContainText('As it is on the shelf.');
    await page.getByRole('button', { name: 'Tick all that differ' }).click();
    await page.getByRole('button', { name: 'Put these 2 back' }).click();
    await expect(page.getByRole('status')).toHaveText('2 put back. Each can be undone in its project.');
    await open(page, COAT, 'inside');
    await expect(width).toHaveText(before);
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect(width).toHaveText('96 mm');
    await page.goto(at());
    await expect(page.getByRole('link', { name: 'Open Chore jacket' })).toBeVisible();
    // What is none is refused in words.
    await page.goto(`${at()}/backups`);
    const none = { name: 'holiday.zip', mimeType: 'application/zip', buffer: Buffer.from('no zip') };
    await page.getByLabel('Look into a backup from elsewhere').setInputFiles(none);
    await expect(page.getByRole('alert')).toHaveText('This is not a backup of Woodbine, or it is damaged.');
    // A file taken to the wrong door is shown the right one.
    const project = { name: 'coat.json', mimeType: 'application/json', buffer: Buffer.from('{"woodbine":1}') };
    await page.getByLabel('Look into a backup from elsewhere').setInputFiles(project);
    await expect(page.getByRole('alert')).toHaveText(
      '"coat.json" looks like one saved project: load it from the shelf.',
    );
    await page.goto(at());
    await page.getByLabel('Load a saved project').setInputFiles(none);
    await expect(page.getByRole('alert')).toContainText('"holiday.zip" looks like a backup: look into it under');
  },
);

test('while the disk is full it is said on every screen, what was changed waits, and is saved when there is room', {
  tag: '@night',
}, async ({ page }) => {
  await open(page, COAT, 'inside');
  const width = blank(page, 'Front facing, width');
  // As the server answers then.
  const full = {
    status: 507,
    type: 'urn:woodbine:problem:disk-full',
    title: '',
    detail: 'The disk is full: nothing is saved.',
  };
  let room = false;
  await page.route('**/api/projects/*', (r) =>
    room || r.request().method() !== 'PATCH' ? r.continue() : r.fulfill({ status: 507, json: full }),
  );
  await page.route('**/api/state', (r) => r.fulfill({ json: { saving: room ? 'ok' : 'disk-full', notices: [] } }));
  await fill(page, 'Front facing, width', '94 mm');
  await expect(page.getByText('The disk is full: nothing is saved until there is room.')).toBeVisible();
  await expect(page.getByText('Not saved', { exact: true })).toBeVisible();
  await expect(width).toHaveText('94 mm');
  room = true;
  await saved(page);
  await expect(page.getByText('The disk is full')).toHaveCount(0);
  await page.reload();
  await expect(width).toHaveText('94 mm');
});
