/** Writes how many unit tests passed, and those that failed with why, for the closing lines. A module that failed to load counts as one. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import type { Reporter, TestModule } from 'vitest/node';

export default class Counts implements Reporter {
  onTestRunEnd(modules: readonly TestModule[], errors: readonly unknown[]): void {
    const file = process.env.COUNTS_FILE;
    if (!file) return;
    let passed = 0;
    const failed = errors.map(wordsOf);
    for (const module of modules) {
      const failedHere: string[] = [];
      for (const test of module.children.allTests()) {
        const { state, errors: why } = test.result();
        if (state === 'passed') passed++;
        if (state === 'failed')
          failedHere.push(`${module.relativeModuleId} › ${test.fullName}\n${why.map(wordsOf).join('\n')}`);
      }
      if (module.state() === 'failed' && failedHere.length === 0)
        failedHere.push(`${module.relativeModuleId}\n${module.errors().map(wordsOf).join('\n')}`);
      failed.push(...failedHere);
    }
    mkdirSync(dirname(file), { recursive: true });
    writeFileSync(file, JSON.stringify({ passed, failed }));
  }
}

const wordsOf = (error: unknown): string =>
  typeof error === 'object' && error !== null && 'message' in error ? String(error.message) : String(error);
