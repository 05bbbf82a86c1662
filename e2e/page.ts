import { test as base, expect, type Page } from '@playwright/test';
import { Running } from './server.ts';

/**
 * Tests, each with a page of its own, beside a server with the demo projects. All files share what a process of tests holds, used or not:
 * for files that hold other things a new process would be started, its server and its browser with it.
 */
export const served = base.extend<object, { garden: Running; window: Page }>({
  // One server with the demo projects for all files of tests that a process goes through: to start one takes as long as a test.
  garden: [
    async ({ browserName: _ }, use) => {
      const server = new Running();
      await server.start(true);
      await use(server);
      await server.end();
    },
    { scope: 'worker' },
  ],
  window: [
    async ({ browser }, use) => {
      const context = await browser.newContext({ viewport: DESK, reducedMotion: 'reduce', serviceWorkers: 'block' });
      await use(await context.newPage());
      await context.close();
    },
    { scope: 'worker' },
  ],
});

/**
 * Tests that go on in one window after the other, as a sewist would: Woodbine is loaded once for a file of tests instead of for
 * every test, which costs more than most of them. What a test hung on the page is taken off after it.
 */
export const test = served.extend({
  page: async ({ window: page }, use) => {
    await use(page);
    for (const event of ['pageerror', 'console', 'request'] as const) page.removeAllListeners(event);
    await page.unrouteAll({ behavior: 'ignoreErrors' });
    await page.emulateMedia({ media: null });
    const size = page.viewportSize();
    if (size?.width !== DESK.width || size.height !== DESK.height) await page.setViewportSize(DESK);
  },
});

const DESK = { width: 1280, height: 800 };

/** Goes to an address as a link does: within Woodbine without loading it anew; and waits until all is worked out there. */
export async function visit(page: Page, url: string): Promise<void> {
  if (page.url().startsWith(new URL(url).origin))
    await page.evaluate((to) => {
      history.pushState(null, '', to);
      dispatchEvent(new PopStateEvent('popstate'));
    }, url);
  else await page.goto(url);
  // What is still drawn of the project before must not be taken for this one.
  const id = /\/project\/([^/?]+)/.exec(url)?.[1];
  if (id) await expect(page.locator(`[data-project="${id}"], [role="alert"]`).first()).toBeVisible();
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await expect(page.getByText(/(Opening|Working|Looking|Reading)[^.]* …$/)).toHaveCount(0);
}
