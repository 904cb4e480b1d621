/** Reads what a backup holds before anything is done with it, and refuses by name what is not ours or not whole. */
import { existsSync, statSync } from 'node:fs';
import { MIGRATION_NAMES } from '../db/migrations/index.js';
import { hashOf, manifestOf, type Manifest } from './manifest.js';
import { BackupRefusal, tool, type Place } from './tools.js';

/** Tables in an order in which each comes behind those that it speaks of. */
export const TABLES = [
  'setting',
  'tone_source',
  'model_sheet',
  'shelf_line',
  'job',
  'job_state',
  'job_event',
  'photo',
  'clip_sound',
  'speed_run',
  'recording',
] as const;

/** Programs that our own schema has; any other in a backup is refused. */
const OWN_PROGRAMS = new Set([
  'FUNCTION job_event_append_only()',
  'FUNCTION tell_job_changed()',
  'TRIGGER job_event job_event_append_only',
  'TRIGGER job_event job_event_no_truncate',
  'TRIGGER job_state job_state_tells',
  'EXTENSION pg_trgm',
]);

/** Kinds of entry that hold data or the shape of tables. Longer names first: the list has no separators. */
const HARMLESS = [
  'SEQUENCE OWNED BY',
  'SEQUENCE SET',
  'SEQUENCE',
  'TABLE DATA',
  'TABLE',
  'FK CONSTRAINT',
  'CHECK CONSTRAINT',
  'CONSTRAINT',
  'DEFAULT',
  'INDEX',
  'COMMENT',
  'SCHEMA',
  'ENCODING',
  'STDSTRINGS',
  'SEARCHPATH',
];

/** One line of pg_restore's list. */
interface Entry {
  /** The line as it stands: it goes into the list of what is restored. */
  readonly line: string;
  readonly what: string;
}

export interface CheckedBackup {
  readonly file: string;
  /** Null with backups of early versions, which had none. */
  readonly manifest: Manifest | null;
  readonly migrations: readonly string[];
  /** Lines of pg_restore's list for the data alone, in the order in which they may be loaded. */
  readonly load: readonly string[];
}

/** Reads and checks `file`. @throws BackupRefusal with one sentence. */
export async function checkBackup(place: Place, file: string): Promise<CheckedBackup> {
  if (!existsSync(file) || !statSync(file).isFile())
    throw new BackupRefusal(`There is no backup ${file}. Name the file: npm run restore -- FILE`);
  const manifest = await manifestOf(file);
  if (manifest && (statSync(file).size !== manifest.bytes || (await hashOf(file)) !== manifest.sha256))
    throw new BackupRefusal(`${file} is damaged: it is not the file its manifest speaks of. Restore another backup.`);
  const entries = await listOf(place, file);
  refuseForeign(file, entries);
  const migrations = manifest?.migrations ?? (await migrationsIn(place, file));
  const newer = migrations.filter((name) => !MIGRATION_NAMES.includes(name));
  if (newer.length > 0)
    throw new BackupRefusal(
      `${file} comes from a newer version (${newer.join(', ')}). Bring this checkout up to date, then restore.`,
    );
  if (migrations.some((name, i) => MIGRATION_NAMES[i] !== name))
    throw new BackupRefusal(`${file} has been through other changes than this version knows. Nothing was restored.`);
  return { file, manifest, migrations, load: loadOrder(entries) };
}

async function listOf(place: Place, file: string): Promise<Entry[]> {
  const list = await tool(place, 'pg_restore', ['--list', file]).catch(() => {
    throw new BackupRefusal(`${file} is damaged or no backup of ours: it cannot be read. Restore another backup.`);
  });
  return list.split('\n').flatMap((line) => {
    const what = /^\d+; \d+ \d+ (.+)$/.exec(line)?.[1];
    return what ? [{ line, what }] : [];
  });
}

/** "TABLE public job owner" without schema and owner: "TABLE job". An extension has no owner there. */
const named = ({ what }: Entry): string =>
  what
    .replace(/ \S*$/, '')
    .replace(/ public /, ' ')
    .replace(/ - /, ' ');

function refuseForeign(file: string, entries: readonly Entry[]): void {
  const program = entries.find(
    (entry) => !HARMLESS.some((kind) => entry.what.startsWith(`${kind} `)) && !OWN_PROGRAMS.has(named(entry)),
  );
  if (program)
    throw new BackupRefusal(
      `${file} carries a program (${named(program)}): it is no backup of ours. Nothing was restored.`,
    );
  const tables = entries.flatMap((entry) => /^TABLE (?!DATA)(\S+)$/.exec(named(entry))?.[1] ?? []);
  const known = new Set<string>([...TABLES, 'migration', 'migration_lock']);
  const strange = tables.find((table) => !known.has(table));
  if (strange || !tables.includes('job') || !tables.includes('migration'))
    throw new BackupRefusal(
      `${file} is the backup of something else${strange ? ` (it holds a table ${strange})` : ''}.`,
    );
}

function loadOrder(entries: readonly Entry[]): string[] {
  const data = TABLES.flatMap((table) => entries.filter((entry) => named(entry) === `TABLE DATA ${table}`));
  const counters = entries.filter(
    (entry) => entry.what.startsWith('SEQUENCE SET ') && !/ migration/.test(named(entry)),
  );
  return [...data, ...counters].map((entry) => entry.line);
}

/** Names of the migrations in a backup without a manifest. */
async function migrationsIn(place: Place, file: string): Promise<string[]> {
  const text = await tool(place, 'pg_restore', ['--data-only', '--table=migration', '--file=-', file]);
  const rows = /COPY public\.migration \(([^)]*)\) FROM stdin;\n([\s\S]*?)\n\\\./.exec(text);
  const column = rows?.[1]?.split(', ').indexOf('name') ?? -1;
  return (rows?.[2] ?? '').split('\n').flatMap((row) => row.split('\t')[column] ?? []);
}
