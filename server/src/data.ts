/** `reset-demo` on the database itself; backup and restore are PostgreSQL's own tools, run by the scripts. */
import { connect, migrate } from './db/connect.js';
import { demoEntanglement, resetDemo } from './demo/seed.js';

const [command] = process.argv.slice(2);
const url = process.env.DATABASE_URL;
if (!url) throw new Error('DATABASE_URL is not set');
const db = connect(url, { min: 0, max: 2 });

async function run(): Promise<number> {
  await migrate(db);
  const tangled = await demoEntanglement(db);
  if (command === 'check-demo') {
    if (tangled) console.error(tangled);
    return tangled ? 2 : 0;
  }
  if (command !== 'reset-demo') throw new Error(`no such command: ${command}`);
  if (tangled) {
    console.error(tangled);
    return 2;
  }
  await resetDemo(db, new Date());
  console.log('The demo is as new. Your own jobs were left as they are.');
  return 0;
}

process.exitCode = await run().finally(() => db.destroy());
