/** Writes how many browser tests passed, and those that failed with why, for the closing lines. One that passes the second time only has failed. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import type { FullConfig, Reporter, Suite, TestError } from '@playwright/test/reporter';

export default class Counts implements Reporter {
  private suite: Suite | null = null;
  private readonly errors: string[] = [];

  onBegin(_config: FullConfig, suite: Suite): void {
    this.suite = suite;
  }

  onError(error: TestError): void {
    this.errors.push(error.message ?? 'an error without words');
  }

  onEnd(): void {
    const file = process.env.COUNTS_FILE;
    if (!file) return;
    const tests = this.suite?.allTests() ?? [];
    const failed = tests
      .filter((test) => test.outcome() === 'unexpected' || test.outcome() === 'flaky')
      .map((test) => {
        const error = test.results.find((result) => result.error)?.error?.message ?? '';
        return `${test.titlePath().filter(Boolean).join(' › ')} (${test.outcome()})\n${error}`;
      });
    const passed = tests.filter((test) => test.outcome() === 'expected').length;
    mkdirSync(dirname(file), { recursive: true });
    writeFileSync(file, JSON.stringify({ passed, failed: [...this.errors, ...failed] }));
  }

  printsToStdio(): boolean {
    return false;
  }
}
