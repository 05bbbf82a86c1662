import { expect, type Page } from '@playwright/test';
import { demoServer, saved } from './demo.ts';
import { blank, fill } from './hand.ts';
import { served as test } from './page.ts';

const { at, open } = demoServer();
const COAT = 'Greenhouse coat';
const WIDTH = 'Front facing, width';
const front = (page: Page) => blank(page, WIDTH);
/** A page behind another draws one frame a second, and every click waits for some: it is brought to the front first. */
const put = async (page: Page, words: string): Promise<void> => {
  await page.bringToFront();
  await fill(page, WIDTH, words);
};

/** What another tab did is not heard of at once, as on a slow line: what is done here is done on the older state. */
const deaf = async (page: Page): Promise<void> => {
  await page.route('**/api/events', (r) => r.abort());
  // What it reads is what it knows, until it is told that it is behind.
  let known: string | null = null;
  await page.route('**/api/projects/*', async (r) => {
    const asks = r.request().method() === 'GET';
    if (asks && known) return r.fulfill({ contentType: 'application/json', body: known });
    const answer = await r.fetch();
    known = answer.ok() ? await answer.text() : null;
    return r.fulfill({ response: answer });
  });
  await page.addInitScript(() => {
    Object.defineProperty(navigator, 'locks', { value: undefined });
    window.BroadcastChannel = class {
      postMessage(): void {}
    } as unknown as typeof BroadcastChannel;
  });
};

test('another tab shows at once what was changed, and says so', async ({ page, context }) => {
  await open(page, COAT, 'inside');
  const other = await context.newPage();
  await open(other, COAT, 'inside');
  await put(other, '83 mm');
  await saved(other);
  await expect(front(page)).toHaveText('83 mm');
  await expect(page.getByRole('status').filter({ hasText: 'Changed elsewhere just now' })).toBeVisible();
  await put(page, '84 mm');
  await saved(page);
  await expect(front(other)).toHaveText('84 mm');
});

test('two tabs: what touches is shown and asked, what does not is kept beside, and nothing is kept over without a word', async ({
  page,
  context,
}) => {
  await deaf(page);
  await open(page, COAT, 'inside');
  const other = await context.newPage();
  await open(other, COAT, 'inside');
  await put(other, '80 mm');
  await saved(other);
  await put(page, '92 mm');
  const asked = page.getByRole('alertdialog', { name: 'Changed elsewhere meanwhile' });
  await expect(asked).toContainText('It is now 80 mm; yours is 92 mm.');
  await expect(page.getByText('Not saved', { exact: true })).toBeVisible();
  await expect(front(page)).toHaveText('80 mm');
  await asked.getByRole('button', { name: 'Take theirs: 80 mm' }).click();
  await expect(asked).toBeHidden();
  await saved(page);
  await put(other, '81 mm');
  await saved(other);
  await put(page, '93 mm');
  await asked.getByRole('button', { name: 'Keep mine: 93 mm' }).click();
  await saved(page);
  await expect(front(page)).toHaveText('93 mm');
  // What does not touch is kept beside what was done there, and said.
  const shoulder = (p: Page) => blank(p, 'Width at the shoulder');
  await expect(front(other)).toHaveText('93 mm');
  await fill(other, 'Width at the shoulder', '58 mm');
  await saved(other);
  await put(page, '94 mm');
  await saved(page);
  await expect(page.getByRole('status').filter({ hasText: 'Changed elsewhere meanwhile' })).toBeVisible();
  await expect(shoulder(page)).toHaveText('58 mm');
  await expect(front(page)).toHaveText('94 mm');
});

test('undo says what it undid and where, with the way back; a piece taken out is told and comes back', async ({
  page,
}) => {
  await open(page, COAT, 'inside');
  await put(page, '88 mm');
  await saved(page);
  await page.getByRole('link', { name: 'In what order?' }).click();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  const note = page.getByRole('status').filter({ hasText: 'Undone' });
  await expect(note).toContainText('Undone: Front facing, width: 88 mm, among facings and lining');
  await note.getByRole('link', { name: 'Look there' }).click();
  await expect(front(page)).not.toHaveText('88 mm');
  await page.getByRole('button', { name: 'Back again' }).click();
  await expect(front(page)).toHaveText('88 mm');
  await page.getByRole('link', { name: 'Is this my pattern?' }).click();
  await page.getByRole('button', { name: /^Sleeve [0-9]/ }).click();
  await page.getByRole('button', { name: 'This is no piece of mine: remove it' }).click();
  await expect(page.getByRole('button', { name: /^Sleeve [0-9]/ })).toBeHidden();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByRole('button', { name: /^Sleeve [0-9]/ })).toBeVisible();
});

test('a drag that is given up leaves nothing; what cannot be sent stays on screen as not saved', async ({ page }) => {
  await open(page, COAT, 'inside');
  const before = await front(page).innerText();
  await front(page).click();
  const thumb = page.getByRole('slider', { name: 'Front facing, width' });
  // It comes to lie at its blank first.
  await thumb.hover();
  const box = await thumb.boundingBox();
  if (!box) throw new Error('no slider');
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + 40, box.y + box.height / 2, { steps: 4 });
  await expect(page.getByText('Trying it')).toBeVisible();
  await page.evaluate(() => window.dispatchEvent(new PointerEvent('pointercancel')));
  await expect(front(page)).toHaveText(before);
  await page.mouse.up();
  await page.keyboard.press('Escape');
  await page.route('**/api/projects/*', (r) => (r.request().method() === 'PATCH' ? r.abort() : r.continue()));
  await put(page, '97 mm');
  await expect(page.getByRole('alert')).toContainText('Your change is still here and not saved yet.');
  await expect(page.getByText('Not saved', { exact: true })).toBeVisible();
  await page.unroute('**/api/projects/*');
  await page.getByRole('button', { name: 'Save again' }).click();
  await saved(page);
  await page.reload();
  await expect(front(page)).toHaveText('97 mm');
});

test('an unknown address and a page that stops each say so, with a way on', async ({ page }) => {
  await page.goto(`${at()}/nowhere/at/all`);
  await expect(page.getByRole('heading', { name: 'There is nothing at this address' })).toBeVisible();
  await page.getByRole('link', { name: 'To the shelf' }).click();
  await expect(page.getByRole('heading', { name: 'What are you making?' })).toBeVisible();
  await open(page, COAT, 'nothing-here');
  await page.getByRole('link', { name: 'To the pattern of this project' }).click();
  await expect(page.getByRole('heading', { name: 'Is this my pattern, at the right size?' })).toBeVisible();
  // An answer no screen can work with: half of a document.
  await page.route('**/api/projects/*/history*', (r) => r.fulfill({ json: { changes: [{ at: 'never' }] } }));
  await page.getByRole('link', { name: 'What did I change?' }).click();
  await expect(page.getByRole('alert')).toContainText('This page stopped');
  await page.getByRole('link', { name: 'Will it go together?' }).click();
  await expect(page.getByText(/seams go together/)).toBeVisible();
});
