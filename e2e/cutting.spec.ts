import { expect } from '@playwright/test';
import { accessible, demoServer, saved } from './demo.ts';
import { fill, pick } from './hand.ts';
import { test } from './page.ts';

const { at, open } = demoServer();

test('cloth to lay: found, looked over, moved by hand and told, taken back; too narrow a cloth says by how much', async ({
  page,
}) => {
  await open(page, 'Chore jacket', 'cutting?cloth=lining');
  await fill(page, 'Width, selvedge to selvedge', '55 in');
  await page.getByRole('button', { name: 'Lay the pieces' }).click();
  await page.getByRole('button', { name: 'Good so: keep it' }).click({ timeout: 30_000 });
  await expect(page.getByText('Looked over: nothing overlaps')).toBeVisible();
  await saved(page);
  await accessible(page);
  await page.getByRole('link', { name: 'A sheet for the table' }).click();
  await expect(page.getByRole('heading', { name: 'Chore jacket: Lining cloth' })).toBeVisible();
  await expect(page.getByRole('row', { name: /^1 .* to / })).toBeVisible();
  await page.getByRole('link', { name: 'Back to the cloth' }).click();
  // By hand, half over the edge of the cloth.
  const piece = page.locator('[data-cut]').first();
  await expect(piece).toBeVisible();
  const box = await piece.boundingBox();
  if (!box) throw new Error('no piece');
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2, 75, { steps: 4 });
  await page.mouse.up();
  await expect(page.getByText(/lies over the edge of the cloth/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('Looked over: nothing overlaps')).toBeVisible();
  // What is kept is what other programs see.
  const id = page.url().split('/project/')[1]?.split('/')[0];
  const answer = await (await page.request.get(`${at()}/api/projects/${id}/cutting`)).json();
  const lining = answer.cloths.find((c: { id: string }) => c.id === 'lining');
  expect(lining.faults).toEqual([]);
  expect(lining.placed.length).toBeGreaterThan(3);
  await fill(page, 'Width, selvedge to selvedge', '8 in');
  await page.getByRole('button', { name: 'It is 8"' }).click();
  await expect(page.getByText(/wider than what can be used of this cloth/).first()).toBeVisible();
  await pick(page, 'How it lies', 'folded lengthwise, right sides together');
  await expect(page.getByText('fold', { exact: true })).toBeVisible();
});
