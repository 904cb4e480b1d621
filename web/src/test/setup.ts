/**
 * Around every test of the page: a busy machine is no failure, so what is waited for has five seconds; the screen goes, then
 * whatever stands in a function's or a global's place; a part that is still being read is waited for, as the next file needs it.
 */
import { cleanup, configure } from '@testing-library/react';
import { afterAll, afterEach, vi } from 'vitest';

configure({ asyncUtilTimeout: 5000 });
// The page of the tests has no locks of its own: here nobody else holds one.
Object.defineProperty(navigator, 'locks', {
  configurable: true,
  value: { request: (_name: string, work: () => unknown) => work() },
});
// Asked for before any file's own, so it comes after them.
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
});
afterAll(() => vi.dynamicImportSettled());
