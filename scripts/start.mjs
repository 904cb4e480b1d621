/** Brings the application up from nothing and serves it until Ctrl-C. */
import { fork } from 'node:child_process';
import { ensureBuilt, PAGE_DIR, SERVER_ENTRY } from './lib/build.mjs';
import { openDatabase } from './lib/database.mjs';
import { ensureNpm } from './lib/install.mjs';
import { Plain, plainly, step } from './lib/say.mjs';

const FIRST_PORT = 4747;

function serve(url, port) {
  return new Promise((resolve, reject) => {
    const child = fork(SERVER_ENTRY, {
      env: {
        ...process.env,
        DATABASE_URL: url,
        PAGE_DIR,
        PORT: String(port),
        LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn',
      },
    });
    child.once('message', (message) => {
      if (message.kind === 'listening') resolve({ child, port: message.port });
      else reject(Object.assign(new Error('cannot listen'), { code: message.code }));
    });
    child.once('exit', (code) => reject(Object.assign(new Error(`the server ended with ${code}`), { code: 'ENDED' })));
  });
}

/** The wished port, or the next free one when none was wished. */
async function serveSomewhere(url) {
  if (process.env.PORT) {
    return serve(url, Number(process.env.PORT)).catch((error) => {
      throw error.code === 'EADDRINUSE'
        ? new Plain(`Port ${process.env.PORT} is in use. Choose another: PORT=5000 npm start`)
        : error;
    });
  }
  for (let port = FIRST_PORT; port < FIRST_PORT + 20; port++) {
    try {
      return await serve(url, port);
    } catch (error) {
      if (error.code !== 'EADDRINUSE') throw error;
    }
  }
  throw new Plain(`No free port from ${FIRST_PORT} on. Choose one: PORT=5000 npm start`);
}

await plainly(async () => {
  const from = Date.now();
  await ensureNpm();
  await ensureBuilt();
  const database = await openDatabase();
  try {
    const { child, port } = await step('server up (migrated, demo in)', () => serveSomewhere(database.url));
    console.log(
      `\nAmber Gauge: http://127.0.0.1:${port}   (ready after ${((Date.now() - from) / 1000).toFixed(1)} s, Ctrl-C stops)`,
    );
    await new Promise((resolve) => {
      for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill('SIGTERM'));
      child.once('exit', resolve);
    });
  } finally {
    await database.stop();
  }
  console.log('stopped');
});
