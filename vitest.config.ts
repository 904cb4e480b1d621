import { defineConfig } from 'vitest/config';

const node = (name: string, include: string[], more: object = {}) => ({
  extends: true as const,
  test: { name, include, environment: 'node' as const, ...more },
});

export default defineConfig({
  test: {
    // Both cores: on a machine of two the default is one worker.
    maxWorkers: 2,
    // One reading of the modules serves every file of a worker: no test may leave anything behind in them.
    isolate: false,
    reporters: ['default', './scripts/reporters/vitest-counts.ts'],
    projects: [
      node('core', ['core/src/**/*.test.ts', 'core/published/**/*.test.ts'], { testTimeout: 30000 }),
      node('contract', ['contract/src/**/*.test.ts']),
      node('cli', ['cli/src/**/*.test.ts'], { testTimeout: 60000 }),
      node('scripts', ['scripts/**/*.test.ts', 'benchmarks/**/*.test.ts']),
      node('server', ['server/test/**/*.test.ts'], { testTimeout: 30000, hookTimeout: 60000 }),
      {
        extends: true,
        test: { name: 'web', include: ['web/src/**/*.test.{ts,tsx}'], environment: 'happy-dom' },
      },
    ],
  },
});
