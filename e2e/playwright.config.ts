import { BROWSER, QUIET_FLAGS } from './support/microphone.js';
import { defineConfig } from '@playwright/test';

/** What lives by the clock runs after the others, which take all of the cores; by itself it takes a third of one. */
const LIVE = /live\.spec/;

/** Debian's Chromium, no network; three workers for two cores, since a test waits for its page a third of its time. */
export default defineConfig({
  testDir: 'tests',
  outputDir: 'results',
  workers: 3,
  globalSetup: './support/before.ts',
  projects: [
    { name: 'beside', testIgnore: LIVE },
    { name: 'live', testMatch: LIVE, fullyParallel: true, dependencies: ['beside'] },
  ],
  // The second run tells a broken test from one that wavers; both count as failed in the closing line.
  retries: 1,
  timeout: 90_000,
  // A machine that others share stands still for seconds: waiting longer costs nothing where it comes.
  expect: { timeout: 20_000 },
  reporter: [['list'], ['../scripts/reporters/playwright-counts.ts']],
  use: {
    viewport: { width: 1280, height: 680 },
    // Pictures of a movement prove nothing here and cost a core.
    contextOptions: { reducedMotion: 'reduce' },
    // Only the test of the reload without a server has it: the others look at what the server answers.
    serviceWorkers: 'block',
    trace: 'off',
    launchOptions: {
      executablePath: BROWSER,
      args: QUIET_FLAGS,
    },
  },
});
