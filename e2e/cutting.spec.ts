import { expect } from '@playwright/test';
import { accessible, demoServer, saved } from './demo.ts';
import { aPicture } from './files.ts';
import { fill, name, pick } from './hand.ts';
import { asks } from './http.ts';
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
  // The drawing is put up anew once its room is measured.
  await expect(async () => expect(await piece.boundingBox()).not.toBeNull()).toPass();
  const box = (await piece.boundingBox()) as { x: number; y: number; width: number; height: number };
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
  expect(answer.shopping.map((b: { what: string }) => b.what)).toContain('cloth');
  // What is pinned stays where it lies while the rest is laid anew.
  const pin = lining.placed[0];
  const cut = page.locator(`[data-cut="${pin.id}/${pin.copy}"]`);
  await cut.focus();
  await cut.press('p');
  await expect(cut).toHaveAttribute('aria-label', /, pinned/);
  await page.getByRole('button', { name: 'Lay the rest anew' }).click();
  await page.getByRole('button', { name: 'Good so: keep it' }).click({ timeout: 30_000 });
  await expect(page.getByText('Looked over: nothing overlaps')).toBeVisible();
  await saved(page);
  const again = await (await page.request.get(`${at()}/api/projects/${id}/cutting`)).json();
  const same = again.cloths
    .find((c: { id: string }) => c.id === 'lining')
    .placed.find((q: typeof pin) => q.id === pin.id && q.copy === pin.copy);
  expect(same.outline).toEqual(pin.outline);
  const svg = await (await page.request.get(`${at()}/api/projects/${id}/export/lay.svg?cloth=lining`)).text();
  expect(svg).toContain(`id="${pin.id}-${pin.copy}"`);
  await page.getByRole('link', { name: 'What to buy' }).click();
  const thread = page.getByRole('checkbox', { name: /^I have it: thread for the shell/ });
  await thread.check();
  await saved(page);
  await page.reload();
  await expect(thread).toBeChecked();
  await page.getByRole('link', { name: 'Back to the cloth' }).click();
  const lined = page.getByRole('tab', { name: 'Lining cloth' });
  await lined.click();
  await expect(lined).toHaveAttribute('aria-selected', 'true');
  await fill(page, 'Width, selvedge to selvedge', '8 in');
  await page.getByRole('button', { name: 'It is 8"' }).click();
  await expect(page.getByText(/wider than what can be used of this cloth/).first()).toBeVisible();
  await pick(page, 'How it lies', 'folded lengthwise');
  await expect(page.getByText('fold', { exact: true })).toBeVisible();
});

test('a cloth of the stash and a leftover are taken for a shirt, what is left of them comes back; given back, they are whole again', async ({
  page,
}) => {
  await page.goto(`${at()}/stash`);
  await page.getByRole('button', { name: 'Put a cloth in' }).click();
  await name(page, 'What the cloth is called', 'Moss poplin');
  await fill(page, 'How long the cloth is', '1.5 m');
  await saved(page);
  await page.locator('input[type=file]').setInputFiles(aPicture);
  await expect(page.getByRole('img', { name: 'Moss poplin' })).toBeVisible();
  await accessible(page);
  await saved(page);
  // A leftover beside it: neither is enough alone.
  const ask = asks(at());
  const { revision, document } = (await ask('GET', '/api/stash')).json;
  const [moss] = document.decisions.stash.cloths;
  const fern = { ...moss, id: 's2', name: 'Fern poplin', width: 900, length: 1100 };
  const change = {
    label: 'A leftover',
    patch: [{ op: 'replace', path: '/decisions/stash/cloths', value: [moss, fern] }],
  };
  expect((await ask('PATCH', '/api/projects/stash', { revision, change })).status).toBe(200);
  await open(page, 'Potting shirt', 'cutting');
  await pick(page, 'Where the cloth comes from', 'is from the stash: Moss poplin, 1400 mm by 1500 mm');
  await pick(page, 'A further length', 'Fern poplin, 900 mm by 1100 mm');
  await expect(page.getByText('2 lengths: 1400 mm by 1500 mm, 900 mm by 1100 mm.')).toBeVisible();
  await expect(page.getByText('Once its pieces are laid, it can be cut from the stash.')).toBeVisible();
  await page.getByRole('button', { name: 'Lay the pieces' }).click();
  await page.getByRole('button', { name: 'Good so: keep it' }).click({ timeout: 30_000 });
  await page.getByRole('button', { name: 'It is cut: take it from the stash' }).click();
  await expect(page.getByText('It is cut; what is left of it lies in the stash.')).toBeVisible();
  const stash = async () => (await (await page.request.get(`${at()}/api/stash`)).json()).document.decisions.stash;
  const { cloths } = await stash();
  const left = (of: string) => cloths.filter((c: { of: string }) => c.of === of).map((c: { name: string }) => c.name);
  expect(cloths.slice(0, 2).map((c: { used: { name: string } }) => c.used.name)).toEqual(
    Array(2).fill('Potting shirt'),
  );
  for (const c of cloths.slice(0, 2)) expect(left(c.id)).toContain(`${c.name}, left over`);
  await page.getByRole('link', { name: 'See the stash' }).click();
  await expect(page.getByText('Moss poplin was cut for Potting shirt.')).toBeVisible();
  await accessible(page);
  for (let n = 2; n > 0; n--) {
    await page.getByRole('button', { name: 'It was not: put it back whole' }).first().click();
    await expect(page.getByText('was cut for')).toHaveCount(n - 1);
    await saved(page);
  }
  expect((await stash()).cloths).toMatchObject(['Moss poplin', 'Fern poplin'].map((c) => ({ name: c, used: null })));
  // It is no project: the shelf has none of it.
  const { projects } = await (await page.request.get(`${at()}/api/projects`)).json();
  expect(projects.map((p: { name: string }) => p.name)).not.toContain('Stash');
});
