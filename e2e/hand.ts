import { type Page } from '@playwright/test';

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
