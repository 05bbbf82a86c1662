import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: 'e2e',
  globalSetup: './e2e/templates.ts',
  // Every file has a server of its own; while one waits for its database the other can go on.
  workers: 2,
  fullyParallel: false,
  // What takes long and seldom changes is for the night, which looks at everything.
  ...(!process.env.NIGHT && { grepInvert: /@night/ }),
  timeout: 120_000,
  // A machine that is held up by others for a while is no fault of a page.
  expect: { timeout: 20_000 },
  reporter: [['list'], ['json', { outputFile: process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ?? 'test-results/e2e.json' }]],
  use: {
    viewport: { width: 1280, height: 800 },
    reducedMotion: 'reduce',
    // What is kept at hand for when there is no way is tried in its own test: every other page would fetch it all first.
    serviceWorkers: 'block',
    // Recording a trace of every test costs a third of the time; asked for when one fails.
    trace: process.env.TRACE ? 'retain-on-failure' : 'off',
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
      args: [
        '--headless',
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});
