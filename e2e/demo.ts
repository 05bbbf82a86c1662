import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';
import { test, visit } from './page.ts';
import { Running } from './server.ts';

export const saved = (page: Page) => expect(page.getByText('Saved', { exact: true })).toBeVisible();

/** Colours on their way from light to dark have no contrast to speak of: waits until nothing moves any more. */
export const atRest = (page: Page) =>
  page.evaluate(async () => {
    // Asked frame by frame: what moves outside of what is seen would draw none of its own.
    while (document.getAnimations().some((a) => a.playState === 'running')) await new Promise(requestAnimationFrame);
  });

/** No fault of accessibility. `colours` looks at contrast alone: all else is the same page in other colours. `within`: one part of a long page. */
export async function accessible(page: Page, only?: 'colours', within?: string): Promise<void> {
  await atRest(page);
  // Without frames nothing is to be put together in a page of its own, which takes half the time.
  // What passes is not listed one by one: on a long page that takes longer than looking it over.
  const whole = new AxeBuilder({ page }).setLegacyMode(true).options({ resultTypes: ['violations'], preload: false });
  const axe = within ? whole.include(within) : whole;
  const asked = only ? axe.withRules(['color-contrast']) : axe.withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa']);
  const { violations } = await asked.analyze();
  const first = (v: (typeof violations)[number]) => v.nodes.slice(0, 3).map((n) => n.html);
  expect(violations.map((v) => `${v.id}: ${first(v).join(' | ')}`)).toEqual([]);
}

/** A server with the demo projects for the tests of one file, and a way to open a project by its name. */
export function demoServer() {
  const server = new Running();
  let ids: Record<string, string> = {};
  test.beforeAll(async () => {
    await server.start(true);
    const { projects } = await (await fetch(`${server.url}/api/projects`)).json();
    ids = Object.fromEntries(projects.map((p: { name: string; id: string }) => [p.name, p.id]));
  });
  test.afterAll(() => server.end());
  const open = (page: Page, name: string, view: string) => visit(page, `${server.url}/project/${ids[name]}/${view}`);
  return { server, open };
}
