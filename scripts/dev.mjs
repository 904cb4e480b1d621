/** Page with hot reload, server restarted on changes; the same database as `npm start`. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { openDatabase } from './lib/database.mjs';
import { ensureNpm } from './lib/install.mjs';
import { ROOT } from './lib/run.mjs';
import { plainly } from './lib/say.mjs';

const API_PORT = process.env.API_PORT ?? '4780';

await plainly(async () => {
  await ensureNpm();
  const database = await openDatabase();
  const env = { ...process.env, DATABASE_URL: database.url, PORT: API_PORT, API_PORT, LOG_LEVEL: 'warn' };
  const bin = (name) => join(ROOT, 'node_modules', '.bin', name);
  const server = spawn(bin('tsx'), ['watch', '--clear-screen=false', 'src/main.ts'], {
    cwd: join(ROOT, 'server'),
    env,
    stdio: 'inherit',
  });
  const page = spawn(bin('vite'), ['--port', process.env.PORT ?? '4747'], {
    cwd: join(ROOT, 'web'),
    env,
    stdio: 'inherit',
  });
  await new Promise((resolve) => {
    const end = () => {
      server.kill('SIGTERM');
      page.kill('SIGTERM');
      resolve();
    };
    for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, end);
    server.once('exit', end);
    page.once('exit', end);
  });
  await database.stop();
});
