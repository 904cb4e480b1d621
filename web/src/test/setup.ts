/**
 * Around every test of the page: a busy machine is no failure, so what is waited for has five seconds; whatever stands in
 * a function's place goes once the screen has gone; a part that is still being read is waited for, as the next file needs it.
 */
import { configure } from '@testing-library/react';
import { afterAll, afterEach, vi } from 'vitest';

configure({ asyncUtilTimeout: 5000 });
// Asked for before any file's own, so it comes after them.
afterEach(() => void vi.restoreAllMocks());
afterAll(() => vi.dynamicImportSettled());
