import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const node = (name: string, include: string[], more: object = {}) => ({
  extends: true as const,
  test: { name, include, environment: 'node' as const, ...more },
});

const APART = 'web/src/**/*.apart.test.{ts,tsx}';

const page = (name: string, files: object) => ({
  extends: true as const,
  test: {
    name,
    environment: 'happy-dom' as const,
    testTimeout: 30000,
    setupFiles: ['web/src/test/setup.ts'],
    ...files,
  },
});

export default defineConfig({
  test: {
    // Both cores: on a machine of two the default is one worker.
    maxWorkers: 2,
    // One reading of the modules serves every file of a worker: no test may leave anything behind in them.
    isolate: false,
    // A module is put into JavaScript once for all projects, and once for all runs while it stays as it is.
    experimental: { fsModuleCache: true, fsModuleCachePath: fileURLToPath(new URL('.cache/vitest', import.meta.url)) },
    reporters: ['default', './scripts/reporters/vitest-counts.ts'],
    projects: [
      node('core', ['core/src/**/*.test.ts', 'core/published/**/*.test.ts'], { testTimeout: 60000 }),
      node('contract', ['contract/src/**/*.test.ts'], { testTimeout: 30000 }),
      node('cli', ['cli/src/**/*.test.ts'], { testTimeout: 60000 }),
      // The list of words is heard as the core is read: nothing may have read it before.
      node('scripts', ['scripts/**/*.test.ts', 'benchmarks/**/*.test.ts'], { testTimeout: 30000, isolate: true }),
      node('server', ['server/test/**/*.test.ts'], { testTimeout: 60000, hookTimeout: 60000 }),
      page('web', { include: ['web/src/**/*.test.{ts,tsx}'], exclude: [APART] }),
      // A test that puts another module in a module's place reads everything for itself: what an earlier file of
      // the same worker has read would stand there already, unreplaced.
      page('web-apart', { include: [APART], isolate: true }),
    ],
  },
});
