/** Writes how many unit tests passed and failed, for the closing line. A module that failed to load counts as one. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import type { Reporter, TestModule } from 'vitest/node';

export default class Counts implements Reporter {
  onTestRunEnd(modules: readonly TestModule[], errors: readonly unknown[]): void {
    const file = process.env.COUNTS_FILE;
    if (!file) return;
    let passed = 0;
    let failed = errors.length;
    for (const module of modules) {
      let failedHere = 0;
      for (const test of module.children.allTests()) {
        const { state } = test.result();
        if (state === 'passed') passed++;
        if (state === 'failed') failedHere++;
      }
      failed += module.state() === 'failed' ? Math.max(1, failedHere) : failedHere;
    }
    mkdirSync(dirname(file), { recursive: true });
    writeFileSync(file, JSON.stringify({ passed, failed }));
  }
}
