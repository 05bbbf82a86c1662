import { expect, test } from '@playwright/test';
import { accessible } from './demo.ts';
import { Running } from './server.ts';

const server = new Running();
let coat = '';
test.beforeAll(async () => {
  await server.start(true);
  const { projects } = await (await fetch(`${server.url}/api/projects`)).json();
  coat = projects.find((p: { name: string }) => p.name === 'Greenhouse coat').id;
});
test.afterAll(() => server.end());

const VIEWS = [
  '',
  'pattern',
  'seams',
  'inside',
  'buttons',
  'buttons/holes',
  'buttons/rest',
  'buttons/garment',
  'plan',
  'paper',
  'history',
];

for (const view of VIEWS) {
  test(`${view || 'shelf'}: no fault of accessibility in light or dark, no sideways scroll on desk or tablet, no error`, async ({
    page,
  }) => {
    const errors: string[] = [];
    page.on('pageerror', (e) => errors.push(e.message));
    page.on('console', (m) => m.type() === 'error' && errors.push(m.text()));
    await page.goto(view ? `${server.url}/project/${coat}/${view}` : server.url, { waitUntil: 'networkidle' });
    for (const [width, height] of [
      [1280, 800],
      [820, 1180],
    ] as const) {
      await page.setViewportSize({ width, height });
      const wide = await page.evaluate(() => document.documentElement.scrollWidth);
      expect(wide).toBeLessThanOrEqual(width);
    }
    await page.setViewportSize({ width: 1280, height: 800 });
    await accessible(page);
    await page.getByRole('button', { name: 'Switch to dark colours' }).click();
    await accessible(page, 'colours');
    expect(errors).toEqual([]);
  });
}

test('nothing is fetched from elsewhere', async ({ page }) => {
  const foreign: string[] = [];
  page.on('request', (r) => !r.url().startsWith(server.url) && !r.url().startsWith('data:') && foreign.push(r.url()));
  await page.goto(`${server.url}/project/${coat}/inside`, { waitUntil: 'networkidle' });
  expect(foreign).toEqual([]);
});
