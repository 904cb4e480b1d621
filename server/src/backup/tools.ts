/** PostgreSQL's own tools, and plain connections, for what is done with whole databases. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import pg from 'pg';

/** A bench's database and where PostgreSQL's programs lie. */
export interface Place {
  readonly url: string;
  readonly pgBin: string;
}

/** What a person is told, in one sentence, when a backup or a restore cannot be. */
export class BackupRefusal extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'BackupRefusal';
  }
}

/** The same server, another database (and another login). */
export function withDatabase(url: string, database: string, login?: { user: string; password: string }): string {
  const other = new URL(url);
  other.pathname = `/${database}`;
  if (login) [other.username, other.password] = [login.user, login.password];
  return other.href;
}

/** Name of the database that `url` names. */
export const databaseOf = (url: string): string => decodeURIComponent(new URL(url).pathname.slice(1));

/**
 * Runs one of PostgreSQL's programs on `url`; what it printed. The password goes by the environment:
 * arguments are for everybody to see in the list of processes.
 */
export async function tool({ url, pgBin }: Place, name: string, args: readonly string[]): Promise<string> {
  const { hostname, port, username, password } = new URL(url);
  const env = {
    ...process.env,
    PGHOST: hostname,
    PGPORT: port || '5432',
    PGUSER: decodeURIComponent(username),
    PGPASSWORD: decodeURIComponent(password),
    PGAPPNAME: 'amber-gauge-backup',
  };
  return new Promise((resolve, reject) => {
    const child = spawn(join(pgBin, name), args, { env, stdio: ['ignore', 'pipe', 'pipe'] });
    let out = '';
    let errors = '';
    child.stdout.on('data', (chunk: Buffer) => (out += chunk.toString()));
    child.stderr.on('data', (chunk: Buffer) => (errors += chunk.toString()));
    child.on('error', reject);
    child.on('exit', (code) =>
      code === 0 ? resolve(out) : reject(new Error(`${name}: ${errors.trim().split('\n')[0] ?? ''}`)),
    );
  });
}

/** Runs `work` on one connection of its own. */
export async function connected<T>(url: string, work: (client: pg.Client) => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: url, application_name: 'amber-gauge-backup' });
  // A connection that is ended by the server tells its query; without this it would end the process.
  client.on('error', () => undefined);
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end().catch(() => undefined);
  }
}
