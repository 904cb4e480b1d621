/** Writes how many browser tests passed and failed, for the closing line. One that passes the second time only has failed. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import type { FullConfig, Reporter, Suite } from '@playwright/test/reporter';

export default class Counts implements Reporter {
  private suite: Suite | null = null;
  private errors = 0;

  onBegin(_config: FullConfig, suite: Suite): void {
    this.suite = suite;
  }

  onError(): void {
    this.errors++;
  }

  onEnd(): void {
    const file = process.env.COUNTS_FILE;
    if (!file) return;
    const outcomes = this.suite?.allTests().map((test) => test.outcome()) ?? [];
    const failed = outcomes.filter((outcome) => outcome === 'unexpected' || outcome === 'flaky').length + this.errors;
    const passed = outcomes.filter((outcome) => outcome === 'expected').length;
    mkdirSync(dirname(file), { recursive: true });
    writeFileSync(file, JSON.stringify({ passed, failed }));
  }

  printsToStdio(): boolean {
    return false;
  }
}
