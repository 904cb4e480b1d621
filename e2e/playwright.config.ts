import { defineConfig } from '@playwright/test';

/** Debian's Chromium, no network, one worker: the machine has two cores and a database to run. */
export default defineConfig({
  testDir: 'tests',
  outputDir: 'results',
  workers: 1,
  // A test that passes the second time only is named as flaky in the list; two cores shared with others miss a moment now and then.
  retries: 1,
  timeout: 90_000,
  expect: { timeout: 10_000 },
  reporter: [['list'], ['../scripts/reporters/playwright-counts.ts']],
  use: {
    viewport: { width: 1280, height: 680 },
    // Only the test of the reload without a server has it: the others look at what the server answers.
    serviceWorkers: 'block',
    trace: 'off',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});
