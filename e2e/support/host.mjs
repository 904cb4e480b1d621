/**
 * A process that holds the servers of one test worker, one after the other, so that their program is read
 * once. Told `{ start: settings }` it answers `{ port }` or `{ failed }`, told `{ stop: port }` `{ stopped: port }`.
 */
import { pino } from 'pino';

const { serve } = await import(process.env.SERVER_PROGRAM);
const logger = pino({ level: 'warn' });
const held = new Map();

async function start({ databaseUrl, port, printed }) {
  const served = await serve(
    {
      databaseUrl,
      ownerUrl: databaseUrl,
      port,
      pageDir: process.env.PAGE_DIR,
      seedDemo: false,
      printed: new URL(printed),
      pgBin: null,
      backupDir: null,
    },
    logger,
  );
  held.set(served.port, served);
  return { port: served.port };
}

async function stop(port) {
  await held.get(port)?.stop();
  held.delete(port);
  return { stopped: port };
}

process.on('message', (told) => {
  const done = told.start ? start(told.start) : stop(told.stop);
  done.catch((error) => ({ failed: String(error) })).then((answer) => process.send(answer));
});
process.on('disconnect', () => process.exit(0));
process.send('here');
