/** backup [FILE], restore FILE, restore --forget, reset-demo: the bench's data as a whole. */
import { join, resolve } from 'node:path';
import { DATA_ENTRY, ensureBuilt } from './lib/build.mjs';
import { BACKUP_DIR, openDatabase } from './lib/database.mjs';
import { ensureNpm, ensurePostgres, postgresBin } from './lib/install.mjs';
import { openly } from './lib/run.mjs';
import { Plain, plainly } from './lib/say.mjs';

const [command, file] = process.argv.slice(2);

const stampedFile = (why) =>
  join(BACKUP_DIR, `${new Date().toISOString().slice(0, 19).replace(/:/g, '-')}-${why}.pgdump`);

const named = (name) => (name.startsWith('--') ? name : resolve(name));

/** What is run, in order: a reset backs up first. */
function commands() {
  if (command === 'backup') return [['backup', file ? resolve(file) : stampedFile('by-hand')]];
  if (command === 'restore' && file) return [['restore', named(file)]];
  if (command === 'reset-demo') return [['backup', stampedFile('before-reset-demo')], ['reset-demo']];
  throw new Plain(
    'Say what to do: npm run backup [-- FILE], npm run restore -- FILE, npm run restore -- --forget, npm run reset-demo',
  );
}

await plainly(async () => {
  const wanted = commands();
  await ensureNpm();
  await ensurePostgres();
  await ensureBuilt();
  const database = await openDatabase();
  try {
    const env = { ...process.env, DATABASE_URL: database.url, PG_BIN: postgresBin() };
    for (const args of wanted) {
      if ((await openly(process.execPath, [DATA_ENTRY, ...args], { env })) !== 0)
        throw new Plain('Nothing was changed.');
    }
  } finally {
    await database.stop();
  }
});
