/**
 * The real server on a database of its own for each test that asks for it, with power over its life. The servers
 * of one worker follow each other in one process, which is killed where a test kills its server.
 */
import { test as base, expect, type Locator, type Page } from '@playwright/test';
import { fork, type ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { pathToFileURL } from 'node:url';
import pg from 'pg';

export interface Running {
  readonly url: string;
  readonly databaseUrl: string;
  /** Ends the server at once, as a power cut would. */
  kill(): Promise<void>;
  /** Starts it again on the same port and database. */
  start(): Promise<void>;
  readonly query: (sql: string) => Promise<Record<string, unknown>[]>;
}

const TEMPLATE = 'demo_template';
const program = pathToFileURL(process.env.SERVER_ENTRY ?? '/');
const SERVER_PROGRAM = new URL('serve.mjs', program).href;
const PRINTED = new URL('printed.mjs', program).href;
const admin = process.env.TEST_DATABASE_URL ?? '';
const urlOf = (name: string) => admin.replace(/\/[^/]*$/, `/${name}`);

export async function sql(url: string, text: string): Promise<Record<string, unknown>[]> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    return (await client.query(text)).rows as Record<string, unknown>[];
  } finally {
    await client.end();
  }
}

/** A server in a process of its own, as it is started for a bench. */
export function serve(
  databaseUrl: string,
  port: number,
  seed: boolean,
): Promise<{ child: ChildProcess; port: number }> {
  return new Promise((resolve, reject) => {
    const child = fork(process.env.SERVER_ENTRY ?? '', {
      env: {
        ...process.env,
        DATABASE_URL: databaseUrl,
        PORT: String(port),
        LOG_LEVEL: 'warn',
        SEED_DEMO: seed ? 'yes' : 'no',
      },
    });
    child.once('message', (message) => resolve({ child, port: (message as { port: number }).port }));
    child.once('exit', (code) => reject(new Error(`server ended with ${code}`)));
  });
}

export const ended = (child: ChildProcess, signal: NodeJS.Signals) =>
  new Promise<void>((resolve) => {
    if (child.exitCode !== null || child.signalCode !== null) return resolve();
    child.once('exit', () => resolve());
    child.kill(signal);
  });

/** The process of one test worker that holds its servers; made when it is needed, and anew after it was killed. */
function host() {
  let child: ChildProcess | null = null;
  const tell = (what: object) =>
    new Promise<{ port?: number; failed?: string }>((resolve, reject) => {
      const gone = () => reject(new Error('the process that holds the servers has gone'));
      child!.once('exit', gone);
      child!.once('message', (answer) => {
        child?.off('exit', gone);
        resolve(answer as object);
      });
      child!.send(what);
    });
  const up = async () => {
    if (child) return;
    child = fork(new URL('host.mjs', import.meta.url), { env: { ...process.env, SERVER_PROGRAM } });
    await new Promise((resolve) => child!.once('message', resolve));
  };
  return {
    start: async (databaseUrl: string, port: number): Promise<number> => {
      await up();
      const answer = await tell({ start: { databaseUrl, port, printed: PRINTED } });
      if (answer.port === undefined) throw new Error(answer.failed);
      return answer.port;
    },
    stop: async (port: number) => void (child && (await tell({ stop: port }))),
    /** Ends it at once, with all it holds. */
    kill: async () => {
      const old = child;
      child = null;
      if (old) await ended(old, 'SIGKILL');
    },
  };
}
type Host = ReturnType<typeof host>;

/** A database with the demo, made once before the first test and copied for each. */
export async function makeTemplate(): Promise<void> {
  const there = await sql(admin, `select 1 from pg_database where datname = '${TEMPLATE}'`);
  if (there.length > 0) return;
  const making = `${TEMPLATE}_making`;
  await sql(admin, `drop database if exists ${making}`);
  await sql(admin, `create database ${making}`);
  const { child } = await serve(urlOf(making), 0, true);
  await ended(child, 'SIGTERM');
  await sql(admin, `alter database ${making} rename to ${TEMPLATE}`);
}

async function run(held: Host, withDemo: boolean): Promise<Running & { end(): Promise<void> }> {
  const name = `e2e_${randomUUID().replaceAll('-', '')}`;
  await sql(admin, `create database ${name}${withDemo ? ` template ${TEMPLATE}` : ''}`);
  const port = await held.start(urlOf(name), 0);
  return {
    url: `http://127.0.0.1:${port}`,
    databaseUrl: urlOf(name),
    kill: () => held.kill(),
    start: async () => void (await held.start(urlOf(name), port)),
    query: (text) => sql(urlOf(name), text),
    end: async () => {
      await held.stop(port);
      await sql(admin, `drop database ${name} with (force)`);
    },
  };
}

/** Another server process on the same database. */
export async function secondServer(running: Running): Promise<{ url: string; end(): Promise<void> }> {
  const { child, port } = await serve(running.databaseUrl, 0, false);
  return { url: `http://127.0.0.1:${port}`, end: () => ended(child, 'SIGTERM') };
}

export const test = base.extend<{ bench: Running; demo: Running }, { held: Host }>({
  held: [
    async ({}, use) => {
      const held = host();
      await use(held);
      await held.kill();
    },
    { scope: 'worker' },
  ],
  bench: async ({ held }, use) => {
    const running = await run(held, false);
    await use(running);
    await running.end();
  },
  demo: async ({ held }, use) => {
    const running = await run(held, true);
    await use(running);
    await running.end();
  },
});

/** Opens a demo job by its address, at a stage or where such an address leads. */
export async function openJob(page: Page, demo: Running, number: number, stage = ''): Promise<void> {
  const [row] = await demo.query(`select id from job where number = ${number} and demo`);
  await page.goto(`${demo.url}/job/${String(row?.id)}${stage && `/${stage}`}`);
  await expect(page.getByLabel('Entry line')).toBeVisible();
}

/** Types into the entry line and waits until the line says it is kept. */
export async function enter(page: Page, text: string): Promise<void> {
  await expect(page.getByLabel('Entry line')).toBeVisible();
  const kept = page.locator('[data-status=kept]');
  await expect(page.locator('[data-status=waiting]')).toHaveCount(0);
  const before = await kept.count();
  await page.keyboard.press('Escape');
  await page.keyboard.press('/');
  await page.keyboard.type(text);
  await page.keyboard.press('Enter');
  await expect(kept).toHaveCount(before + 1);
}

export { expect };

/**
 * A figure heard live stands there, percent. A busy machine drops moments of the sound, each up to half a turn of the
 * tone: twenty in ten seconds of 3150 Hz are 0.03 %.
 */
export async function shows(figure: Locator, percent: number): Promise<void> {
  const read = async () => Number((await figure.textContent())?.replace('−', '-').replace(/[^-+0-9.]/g, ''));
  await expect.poll(async () => Math.abs((await read()) - percent), { timeout: 10_000 }).toBeLessThan(0.035);
}
