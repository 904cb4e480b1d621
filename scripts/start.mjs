/** Brings the application up from nothing and serves it until Ctrl-C; what ends by itself is started again. */
import { fork } from 'node:child_process';
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { ensureBuilt, PAGE_DIR, SERVER_ENTRY } from './lib/build.mjs';
import { BACKUP_DIR, openDatabase } from './lib/database.mjs';
import { ensureNpm, postgresBin } from './lib/install.mjs';
import { takeLock } from './lib/lock.mjs';
import { makeLike } from './lib/owner.mjs';
import { ROOT } from './lib/run.mjs';
import { Plain, plainly, step } from './lib/say.mjs';

const FIRST_PORT = 4747;
const PORT_FILE = join(ROOT, '.data', 'port');
/** Waits before the server is started again, seconds; back to the first once it has run for a minute. */
const WAITS_S = [0.5, 1, 2, 5, 15, 30];
const RAN_WELL_MS = 60_000;
const LOOK_EVERY_MS = 1000;

function serve(database, port) {
  return new Promise((resolve, reject) => {
    const child = fork(SERVER_ENTRY, {
      env: {
        ...process.env,
        DATABASE_URL: database.appUrl,
        OWNER_URL: database.url,
        PAGE_DIR,
        PG_BIN: postgresBin() ?? '',
        BACKUP_DIR,
        PORT: String(port),
        LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn',
      },
    });
    child.once('message', (message) => {
      if (message.kind === 'listening') resolve({ child, port: message.port });
      else if (message.code === 'NO_DATABASE')
        reject(new Plain(`The database does not answer (${message.why}). Is DATABASE_URL right, and its server up?`));
      else reject(Object.assign(new Error('cannot listen'), { code: message.code }));
    });
    child.once('exit', (code) => reject(Object.assign(new Error(`the server ended with ${code}`), { code: 'ENDED' })));
  });
}

/** The port of the last start; null before the first. */
function lastPort() {
  const port = existsSync(PORT_FILE) ? Number(readFileSync(PORT_FILE, 'utf8')) : NaN;
  return Number.isInteger(port) && port > 0 && port <= 65535 ? port : null;
}

/** Takes this checkout for ourselves, or says where it runs already. */
function alone() {
  if (process.env.DATABASE_URL) return { say: () => undefined, release: () => undefined };
  const lock = takeLock(join(ROOT, '.data', 'started'));
  if (!lock.owner) return lock;
  const { pid, port } = lock.owner;
  throw new Plain(
    `This bench runs already${port ? `: http://127.0.0.1:${port}` : ' and is just starting'} (process ${pid}). Use that one, or stop it first.`,
  );
}

/** The port that was asked for, null when none was. */
function wishedPort() {
  const { PORT } = process.env;
  if (!PORT) return null;
  const port = Number(PORT);
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new Plain(`PORT is “${PORT}”, which is no port. Choose one from 1024 to 65535: PORT=5000 npm start`);
  return port;
}

/** The wished port, or the next free one when none was wished. */
async function serveSomewhere(database, wished) {
  if (wished !== null) {
    return serve(database, wished).catch((error) => {
      throw error.code === 'EADDRINUSE'
        ? new Plain(`Port ${wished} is in use. Choose another: PORT=5000 npm start`)
        : error.code === 'EACCES'
          ? new Plain(`Port ${wished} is not for everybody to use. Choose one above 1024: PORT=5000 npm start`)
          : error;
    });
  }
  // The port of last time first: what a browser still holds, it holds under that address.
  const last = lastPort();
  for (const port of new Set([...(last ? [last] : []), ...Array.from({ length: 20 }, (_, i) => FIRST_PORT + i)])) {
    try {
      const served = await serve(database, port);
      if (last && port !== last)
        console.log(`\n  (port ${last} of last time is in use; lines that wait in a browser wait under that address)`);
      makeLike(dirname(PORT_FILE));
      rmSync(PORT_FILE, { force: true });
      writeFileSync(PORT_FILE, String(port));
      return served;
    } catch (error) {
      if (error.code !== 'EADDRINUSE') throw error;
    }
  }
  throw new Plain(`No free port from ${FIRST_PORT} on. Choose one: PORT=5000 npm start`);
}

/** Keeps server and database up until `stopping`; each start after the first is said. */
async function supervise(first, database, stopping) {
  let { child } = first;
  let failures = 0;
  while (!stopping.now) {
    const began = Date.now();
    const ended = new Promise((resolve) => child.once('exit', (code, signal) => resolve(code ?? signal)));
    stopping.child = child;
    const how = await ended;
    if (stopping.now) return;
    if (Date.now() - began > RAN_WELL_MS) failures = 0;
    for (;;) {
      const seconds = WAITS_S[Math.min(failures, WAITS_S.length - 1)];
      failures++;
      console.log(`• the server ended (${how}); it is started again in ${seconds} s`);
      await wait(1000 * seconds);
      if (stopping.now) return;
      await database.revive();
      try {
        ({ child } = await serve(database, first.port));
        console.log('• server up again');
        break;
      } catch (error) {
        console.log(`• ${error.message}`);
      }
    }
  }
}

/** Looks after the database: when it is gone it is started again on its port. */
function watchDatabase(database, stopping) {
  const timer = setInterval(() => {
    if (!stopping.now) void database.revive().catch((error) => console.log(`• ${error.message}`));
  }, LOOK_EVERY_MS);
  return () => clearInterval(timer);
}

await plainly(async () => {
  const from = Date.now();
  const wished = wishedPort();
  const lock = alone();
  await ensureNpm();
  await ensureBuilt();
  const database = await openDatabase();
  const stopping = { now: false, child: null };
  const unwatch = watchDatabase(database, stopping);
  try {
    const first = await step('server up (migrated, demo in)', () => serveSomewhere(database, wished));
    lock.say({ port: first.port });
    console.log(
      `\nAmber Gauge: http://127.0.0.1:${first.port}   (ready after ${((Date.now() - from) / 1000).toFixed(1)} s, Ctrl-C stops)`,
    );
    for (const signal of ['SIGINT', 'SIGTERM'])
      process.on(signal, () => {
        stopping.now = true;
        stopping.child?.kill('SIGTERM');
      });
    await supervise(first, database, stopping);
  } finally {
    stopping.now = true;
    unwatch();
    await database.stop();
    lock.release();
  }
  console.log('stopped');
});
