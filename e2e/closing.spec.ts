import { expect, type Page } from '@playwright/test';
import { MARGIN, OVERLAP } from '../src/core/output/paper.ts';
import { type ReadPage, readPdf } from '../src/test/readpdf.ts';
import { accessible, demoServer, saved } from './demo.ts';
import { blank, count, fill, pick } from './hand.ts';
import { test, visit } from './page.ts';

const { at, open } = demoServer();
/** Beside the answers; what it says is summed up at the foot as well. */
const drawing = (page: Page) => page.getByRole('region', { name: 'Drawing' });
const button = (page: Page, n: number) => page.locator(`[data-button="${n - 1}"]`);
const places = async (page: Page): Promise<number[]> => {
  await expect(page.locator('[data-button]').first()).toBeVisible();
  return page.locator('[data-button]').evaluateAll((all) => all.map((b) => Number(b.getAttribute('aria-valuenow'))));
};

/** Pages of the marking strips, as a PDF library reads the file the link gives. */
async function strips(page: Page): Promise<ReadPage[]> {
  const href = await page.getByRole('link', { name: 'Marking strips, 1:1' }).getAttribute('href');
  const answer = await page.request.get(`${at()}${href}`);
  expect(answer.status()).toBe(200);
  return (await readPdf(new Uint8Array(await answer.body()))).slice(1);
}

/** The buttons of the first strip, mm from its top: the crosses on its centre line, `centre` in from its right edge, the front edge. */
function crosses(pages: ReadPage[], centre: number): number[] {
  // Pages overlap by 10 mm: heights are counted on from page to page.
  const step = (pages[0]?.height ?? 0) - 2 * MARGIN - OVERLAP;
  const level = pages.flatMap((p, row) =>
    p.runs.flatMap((run) =>
      run.slice(1).flatMap((b, i) => {
        const a = run[i] ?? b;
        const flat = Math.abs(a.y - b.y) < 0.01;
        return flat ? [{ left: Math.min(a.x, b.x), long: Math.abs(a.x - b.x), y: a.y + row * step }] : [];
      }),
    ),
  );
  const edges = level.filter((l) => l.long > 50 && l.long < 100);
  const right = Math.min(...edges.map((l) => l.left + l.long));
  const top = Math.min(...edges.map((l) => l.y));
  const on = level.filter((l) => Math.abs(l.long - 10) < 0.01 && Math.abs(right - l.left - 5 - centre) < 0.05);
  return [...new Set(on.map((l) => Math.round((l.y - top) * 100) / 100))].sort((p, q) => p - q);
}

test('without any pattern: a placket of 612, seven or eight buttons of 15; the printed strip measures to 0.1 mm', {
  tag: '@night',
}, async ({ page }) => {
  await visit(page, at());
  await page.getByText('Only buttons, without a pattern').click();
  const length = page.getByLabel('The placket is long');
  // Inches typed as millimetres are told, with the range that works.
  await length.fill('24');
  await length.press('Enter');
  await expect(
    page.getByText('From 40 mm to 3000 mm. If you mean 24 in, type it so. If you mean 24 cm, type it so.'),
  ).toBeVisible();
  await length.fill('612');
  await page.getByRole('button', { name: 'Place them' }).click();
  await expect(page.getByRole('heading', { name: /^[78] buttons of 15 mm \(24 L\), gaps / })).toBeVisible();
  await accessible(page);

  // The answers offer both numbers; taking another moves the buttons.
  const before = await places(page);
  await page.getByRole('radio', { name: /^B: / }).check();
  await saved(page);
  expect(await places(page)).not.toEqual(before);
  const now = await places(page);

  await page.getByRole('link', { name: 'On the garment' }).click();
  await expect(page.getByText(`${now.length + 1} buttons, 15 mm (24 L)`)).toBeVisible();
  const pages = await strips(page);
  const read = crosses(pages, 15);
  expect(read).toHaveLength(now.length);
  for (const [i, y] of read.entries()) expect(Math.abs(y - (now[i] as number))).toBeLessThan(0.1);
});

test('a coat worn belted: the belt stays clear, a dragged button stays and the rest gives way, what is cut never moves', {
  tag: '@night',
}, async ({ page }) => {
  await open(page, 'Greenhouse coat', 'buttons');
  const waist = 336;
  const clear = async () => {
    for (const at of await places(page)) expect(Math.abs(at - waist)).toBeGreaterThanOrEqual(45 / 2 + 10 - 0.5);
  };
  await clear();
  await expect(page.getByText('Best of all: no other placing has fewer points.')).toBeVisible();
  await expect(page.getByRole('img', { name: /^Pull between the buttons: answer A \d+ %/ })).toBeVisible();
  await expect(page.getByText(/it compares spacings, and measures nothing/)).toBeVisible();

  // By keyboard, and let go again; then with the mouse.
  const start = await places(page);
  await button(page, 3).focus();
  await page.keyboard.press('Shift+ArrowUp');
  await saved(page);
  expect((await places(page))[2]).toBe((start[2] as number) - 10);
  await button(page, 3).focus();
  await page.keyboard.press('Delete');
  await saved(page);
  expect(await places(page)).toEqual(start);
  const circle = button(page, 5).locator('circle').first();
  await circle.scrollIntoViewIfNeeded();
  const box = await circle.boundingBox();
  if (!box) throw new Error('no button');
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  // On the way over its neighbours nothing fits: the drawing stays, and the hand may come back.
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 - 240, { steps: 6 });
  await expect(drawing(page).getByText(/^No placing of 6 buttons/)).toBeVisible();
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 + 12, { steps: 5 });
  await page.mouse.up();
  await expect(drawing(page).getByText(/^No placing of/)).toBeHidden();
  await saved(page);
  const dragged = await places(page);
  expect(dragged[4]).toBeGreaterThan((start[4] as number) + 5);
  await clear();

  // Impossible: told with what to let go, and a press of the button mends it.
  await fill(page, 'Belt, wide', '200');
  await count(page, 'How many buttons', 20);
  await pick(page, 'A button at bust level', 'lies on it');
  await expect(drawing(page).getByText(/^No placing of 20 buttons meets all that is asked/)).toBeVisible();
  await page
    .getByRole('button', { name: /^(As near as can be|Take \d+|A belt of .*|Let it move)$/ })
    .first()
    .click();
  await expect(drawing(page).getByText(/^No placing of/)).toBeHidden();
  await saved(page);
  for (let i = 0; i < 4; i++) {
    await page.getByRole('button', { name: 'Undo' }).click();
    await saved(page);
  }

  await page.getByRole('link', { name: 'On the garment' }).click();
  await page.getByLabel('Hole 1 cut').check();
  await page.getByLabel('Hole 2 sewn').check();
  await saved(page);
  await page.getByRole('link', { name: 'Places', exact: true }).click();
  const held = await places(page);
  await page.getByRole('link', { name: 'On the garment' }).click();
  const measured = page.getByLabel('Measured on the garment');
  const drawn = Number.parseFloat(await measured.inputValue());
  await measured.fill(`${drawn - 4}`);
  await measured.press('Enter');
  await expect(page.getByRole('main').getByText(/4 mm shorter than drawn/)).toBeVisible();
  await saved(page);
  await page.getByRole('link', { name: 'Places', exact: true }).click();
  const after = await places(page);
  expect(after.slice(0, 2)).toEqual(held.slice(0, 2));
});

test('a shirt: a hole across in the stand, link cuffs, twelve holes in all, the holes’ order and a practice hole noted', {
  tag: '@night',
}, async ({ page }) => {
  await open(page, 'Potting shirt', 'buttons');
  await expect(page.getByRole('heading', { name: /^8 buttons of 11 mm/ })).toBeVisible();
  await expect(button(page, 1)).toHaveAttribute('aria-valuetext', /above$/);
  const [first, second] = await places(page);
  expect((second as number) - (first as number)).toBe(70);

  await page.getByRole('link', { name: 'Else closed' }).click();
  await expect(page.getByText(/^4 holes, opening 13\.5 mm, on both together/)).toBeVisible();
  await accessible(page);
  // A detachable collar is measured from the pattern's own neckline.
  await page.getByLabel('What else closes').selectOption('collar');
  await page.getByRole('button', { name: 'Add' }).click();
  const collar = page.getByRole('region', { name: 'Detachable collar' });
  await expect(blank(page, 'Half neckline, on the seam line')).not.toHaveText('215 mm');
  await expect(collar.getByText(/from centre back, both halves alike/)).toBeVisible();
  await fill(page, 'Across', '80');
  await expect(page.getByText('From 4 mm to 50 mm.', { exact: false })).toBeVisible();
  await page.keyboard.press('Escape');

  await page.getByRole('link', { name: 'Holes', exact: true }).click();
  await expect(page.getByText('4, 5, 3, 6, 2, 7, 1, 8')).toBeVisible();
  await page.getByLabel('What it told').fill('Button goes through with a push');
  await page.getByRole('button', { name: 'Note it' }).click();
  await expect(page.getByText(/density 0\.5, stabiliser under: Button goes through with a push/)).toBeVisible();
  await accessible(page);

  await page.getByRole('link', { name: 'On the garment' }).click();
  await expect(page.getByText('9 buttons, 11 mm (17 L)')).toBeVisible();
  await expect(page.getByText('1 stand + 7 front + 1 spare')).toBeVisible();
  await expect(page.getByRole('row').filter({ has: page.getByRole('checkbox') })).toHaveCount(8 + 4 + 3);
  await accessible(page);
  // The front of the pattern carries the marks too, and both strips are printed.
  const pages = await strips(page);
  const text = pages.map((p) => p.text).join(' ');
  expect(text).toContain('right front');
  expect(text).toContain('left front');

  await page.getByRole('link', { name: /^Sheet to print/ }).click();
  await expect(page.getByRole('heading', { name: 'Practice card' })).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
  await expect(page.getByText('1: 16 mm above')).toBeVisible();
});
