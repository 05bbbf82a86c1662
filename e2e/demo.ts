import { expect, type Page } from '@playwright/test';
import axe from 'axe-core';
import { served, visit } from './page.ts';
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
  // To read the half megabyte of the script takes longer than to look a page over with it: once for every page that is loaded.
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source);
  const faults = await page.evaluate(
    async ({ within, runOnly }) => {
      const { axe } = window as unknown as { axe: typeof import('axe-core') };
      // What passes is not listed one by one: on a long page that takes longer than looking it over.
      const options = { runOnly, resultTypes: ['violations' as const], preload: false };
      const { violations } = await axe.run(within ?? document, options);
      return violations.map(
        (v) =>
          `${v.id}: ${v.nodes
            .slice(0, 3)
            .map((n) => n.html)
            .join(' | ')}`,
      );
    },
    { within, runOnly: only ? ['color-contrast'] : ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'] },
  );
  expect(faults).toEqual([]);
}

/** The demo projects of a server by their names, as it had them before anything was copied. */
const firsts = new Map<string, Map<string, string>>();

async function firstsOf(url: string): Promise<Map<string, string>> {
  const { projects } = await (await fetch(`${url}/api/projects`)).json();
  return new Map(projects.map((p: { id: string; name: string }) => [p.name, p.id]));
}

/**
 * The demo projects for the tests of one file, and a way to open one by its name: as a copy of the file's own, since what one
 * file does to a project is no business of the next. `own`: on a server of its own, where what is tried takes all of it.
 */
export function demoServer(own = false) {
  let server: Running;
  const copies: Record<string, string> = {};
  served.beforeAll(async ({ garden }) => {
    server = own ? new Running() : garden;
    if (own) await server.start(true);
    if (!firsts.has(server.url)) firsts.set(server.url, await firstsOf(server.url));
  });
  served.afterAll(async () => {
    if (own) await server.end();
  });
  /** The number of a demo project itself: others of its name are copies that some test has changed. */
  const first = (name: string): string => firsts.get(server.url)?.get(name) ?? '';
  const copyOf = async (name: string): Promise<string> => {
    const project = await (await fetch(`${server.url}/api/projects/${first(name)}/export/project.json`)).text();
    const headers = { 'content-type': 'application/json' };
    return (await (await fetch(`${server.url}/api/projects/import`, { method: 'POST', headers, body: project })).json())
      .id;
  };
  const open = async (page: Page, name: string, view: string): Promise<void> => {
    copies[name] ??= await copyOf(name);
    await visit(page, `${server.url}/project/${copies[name]}/${view}`);
  };
  /** A demo project itself, only to be looked at. */
  const look = (page: Page, name: string, view: string): Promise<void> =>
    visit(page, `${server.url}/project/${first(name)}/${view}`);
  return { at: () => server.url, open, look, first };
}
