import { expect, it } from 'vitest';
import type { BackupState } from '@amber-gauge/contract';
import { newestWords, triedWords } from './Backups.js';

const state: BackupState = {
  newest: { name: 'a-daily.pgdump', madeAt: '2020-03-01T10:00:00.000Z', bytes: 1_234_000, jobs: 24, lines: 310 },
  kept: 8,
  drill: null,
  trouble: null,
  busy: false,
};

it('names the newest backup with what it holds', () => {
  expect(newestWords(state)).toMatch(/^a-daily\.pgdump: .*, 24 jobs, 310 lines, 1\.2 MB\. 7 older kept\.$/);
  expect(newestWords({ ...state, kept: 1 })).toMatch(/1\.2 MB\.$/);
  expect(newestWords({ ...state, newest: null })).toContain('no backup yet');
});

it('says of the try only what was of this backup', () => {
  const at = '2020-03-01T11:00:00.000Z';
  expect(triedWords({ ...state, drill: { name: 'a-daily.pgdump', at, trouble: null } })).toContain('every row counted');
  expect(triedWords({ ...state, drill: { name: 'a-daily.pgdump', at, trouble: 'Damaged.' } })).toBe('Damaged.');
  expect(triedWords({ ...state, drill: { name: 'older.pgdump', at, trouble: null } })).toBeNull();
});
