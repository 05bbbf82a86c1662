import { type Locator, type Page } from '@playwright/test';

/** Clicks places of the picture, in its own pixels; a corner with Shift held. */
export async function clicker(page: Page) {
  const table = page.getByRole('application');
  await table.scrollIntoViewIfNeeded();
  // From pixels of the picture to the screen, as the drawing itself has it.
  return async (p: { x: number; y: number; corner?: boolean }) => {
    const at = await table.evaluate((el, q) => {
      const m = (el as unknown as SVGSVGElement).getScreenCTM() as DOMMatrix;
      const s = new DOMPoint(q.x, q.y).matrixTransform(m);
      return { x: s.x, y: s.y };
    }, p);
    if (p.corner) await page.keyboard.down('Shift');
    await page.mouse.click(at.x, at.y);
    if (p.corner) await page.keyboard.up('Shift');
  };
}

/** A blank of a sentence, by what it asks; its text is what is said there. */
export const blank = (page: Page, label: string): Locator =>
  page.getByRole('button', { name: new RegExp(`^${label.replace(/[()]/g, '\\$&')}: `) });

/** Fills a whole number into a blank. */
export async function count(page: Page, label: string, n: number): Promise<void> {
  await blank(page, label).click();
  const field = page.getByRole('spinbutton', { name: `${label}, number` });
  await field.fill(String(n));
  await field.press('Enter');
}

/** Fills a length into a blank. */
export async function fill(page: Page, label: string, words: string): Promise<void> {
  await blank(page, label).click();
  const field = page.getByRole('textbox', { name: `${label}, exact` });
  await field.fill(words);
  await field.press('Enter');
}

/** Fills a name into a blank. */
export async function name(page: Page, label: string, words: string): Promise<void> {
  await blank(page, label).click();
  const field = page.getByRole('textbox', { name: `${label}, in words` });
  await field.fill(words);
  await field.press('Enter');
}

/** Picks one of the ways that a blank offers. */
export async function pick(page: Page, label: string, words: string): Promise<void> {
  await blank(page, label).click();
  await page.getByRole('dialog', { name: label }).getByText(words, { exact: true }).click();
}

/** Picks one out of many, which a blank offers as a list. */
export async function pickOf(page: Page, label: string, words: string): Promise<void> {
  await blank(page, label).click();
  await page.getByLabel(`${label}, of a list`).selectOption({ label: words });
}
