/** The bench's data as a whole, for the scripts: back up, restore, reset the demo. */
import { resolve } from 'node:path';
import { makeBackup } from './backup/make.js';
import { forgetKept, restore } from './backup/restore.js';
import { BackupRefusal, type Place } from './backup/tools.js';
import { connect, migrate } from './db/connect.js';
import { resetDemo } from './demo/seed.js';

const [command, file] = process.argv.slice(2);
const { DATABASE_URL: url, PG_BIN: pgBin } = process.env;
if (!url || !pgBin) throw new Error('DATABASE_URL and PG_BIN are not set');
const place: Place = { url, pgBin };

/** Rows a person counts by. */
const words = (counts: Readonly<Record<string, number>>): string =>
  `${counts.job ?? 0} jobs, ${counts.job_event ?? 0} lines, ${counts.speed_run ?? 0} runs, ${counts.photo ?? 0} photos`;

async function backUp(to: string): Promise<void> {
  const { counts, bytes } = await makeBackup(place, to, new Date());
  console.log(`Backed up ${words(counts)} to ${to} (${(bytes / 1e6).toFixed(1)} MB).`);
}

async function bringBack(from: string): Promise<void> {
  const { kept, carried } = await restore(place, from);
  console.log(`Restored from ${from}.`);
  if (carried > 0) console.log(`${carried} lines that came in meanwhile were carried over.`);
  console.log(`The bench from before is kept as database ${kept}. To be rid of it: npm run restore -- --forget`);
}

async function demoAnew(): Promise<void> {
  const db = connect(place.url, { min: 0, max: 2 });
  try {
    await migrate(db);
    await resetDemo(db, new Date());
    console.log('The demo is as new. Your own jobs, and demo jobs that you worked on, were left as they are.');
  } finally {
    await db.destroy();
  }
}

async function run(): Promise<void> {
  if (command === 'backup' && file) return backUp(resolve(file));
  if (command === 'restore' && file === '--forget') {
    const gone = await forgetKept(place.url);
    return console.log(gone.length > 0 ? `Dropped ${gone.join(', ')}.` : 'No bench from before a restore is kept.');
  }
  if (command === 'restore' && file) return bringBack(resolve(file));
  if (command === 'reset-demo') return demoAnew();
  throw new Error(`no such command: ${command}`);
}

await run().catch((error: unknown) => {
  if (!(error instanceof BackupRefusal)) throw error;
  console.error(error.message);
  process.exitCode = 1;
});
