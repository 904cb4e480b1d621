/** backup [FILE], restore FILE, reset-demo: the bench's data as a whole. */
import { existsSync, mkdirSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { DATA_ENTRY, ensureBuilt } from './lib/build.mjs';
import { openDatabase } from './lib/database.mjs';
import { ensureNpm, ensurePostgres, postgresBin } from './lib/install.mjs';
import { openly, quietly, ROOT } from './lib/run.mjs';
import { Plain, plainly, step } from './lib/say.mjs';

const [command, file] = process.argv.slice(2);

const stampedFile = (why) => {
  const dir = process.env.BACKUP_DIR ?? join(ROOT, '.data', 'backups');
  mkdirSync(dir, { recursive: true });
  return join(dir, `${new Date().toISOString().replace(/[:.]/g, '-')}-${why}.pgdump`);
};

const dump = (url, to) =>
  step(`backup to ${to}`, () =>
    quietly(join(postgresBin(), 'pg_dump'), ['--format=custom', '--no-owner', '--file', to, url], { log: 'pg_dump' }),
  );

async function restore(url, from) {
  if (!existsSync(from)) throw new Plain(`There is no backup ${from}. Name the file: npm run restore -- FILE`);
  await dump(url, stampedFile('before-restore'));
  const args = [
    '--clean',
    '--if-exists',
    '--no-owner',
    '--single-transaction',
    '--exit-on-error',
    '--dbname',
    url,
    from,
  ];
  await step(`restored from ${from}`, () => quietly(join(postgresBin(), 'pg_restore'), args, { log: 'pg_restore' }));
}

async function resetDemo(url) {
  const env = { ...process.env, DATABASE_URL: url };
  if ((await openly(process.execPath, [DATA_ENTRY, 'check-demo'], { env })) !== 0) {
    throw new Plain('The demo was left as it is: it cannot be told apart from your own work.');
  }
  await dump(url, stampedFile('before-reset-demo'));
  if ((await openly(process.execPath, [DATA_ENTRY, 'reset-demo'], { env })) !== 0)
    throw new Plain('The demo was left as it is.');
}

await plainly(async () => {
  await ensureNpm();
  await ensurePostgres();
  if (command === 'reset-demo') await ensureBuilt();
  const database = await openDatabase();
  try {
    if (command === 'backup') await dump(database.url, file ? resolve(file) : stampedFile('backup'));
    else if (command === 'restore' && file) await restore(database.url, resolve(file));
    else if (command === 'reset-demo') await resetDemo(database.url);
    else throw new Plain('Say what to do: npm run backup [-- FILE], npm run restore -- FILE, npm run reset-demo');
  } finally {
    await database.stop();
  }
});
