/** The migrations as imported modules, so that the bundled server carries them. */
import type { Knex } from 'knex';
import * as ground from './0001_ground.js';
import * as ways from './0002_ways.js';
import * as ledger from './0003_ledger.js';
import * as sheets from './0004_sheets.js';
import * as flutter from './0005_flutter.js';
import * as lists from './0006_lists.js';
import * as logGuard from './0007_log_guard.js';
import * as shelf from './0008_shelf.js';
import * as hour from './0009_hour.js';
import * as benchRules from './0010_bench_rules.js';
import * as book from './0011_book.js';
import * as clips from './0012_clips.js';
import * as practice from './0013_practice.js';
import * as instruments from './0014_instruments.js';
import * as waiting from './0015_waiting.js';

interface Migration {
  readonly name: string;
  readonly up: (db: Knex) => Promise<void>;
  readonly down: (db: Knex) => Promise<void>;
}

const MIGRATIONS: readonly Migration[] = [
  { name: '0001_ground', ...ground },
  { name: '0002_ways', ...ways },
  { name: '0003_ledger', ...ledger },
  { name: '0004_sheets', ...sheets },
  { name: '0005_flutter', ...flutter },
  { name: '0006_lists', ...lists },
  { name: '0007_log_guard', ...logGuard },
  { name: '0008_shelf', ...shelf },
  { name: '0009_hour', ...hour },
  { name: '0010_bench_rules', ...benchRules },
  { name: '0011_book', ...book },
  { name: '0012_clips', ...clips },
  { name: '0013_practice', ...practice },
  { name: '0014_instruments', ...instruments },
  { name: '0015_waiting', ...waiting },
];

/** Names of all migrations that this version knows, in order. */
export const MIGRATION_NAMES: readonly string[] = MIGRATIONS.map((one) => one.name);

export const migrationSource: Knex.MigrationSource<Migration> = {
  getMigrations: () => Promise.resolve([...MIGRATIONS]),
  getMigrationName: (migration) => migration.name,
  getMigration: (migration) => Promise.resolve({ up: migration.up, down: migration.down }),
};
