/** Backups are whole or are not there, and a restore gives back what was there or changes nothing. */
import { backupStateSchema } from '@amber-gauge/contract';
import { createHash, randomUUID } from 'node:crypto';
import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { postgresBin } from '../../scripts/lib/install.mjs';
import { backupKeeper } from '../src/backup/keeper.js';
import { backUpDaily, backupsIn, makeBackup, thinOut } from '../src/backup/make.js';
import { manifestPath } from '../src/backup/manifest.js';
import { TABLES } from '../src/backup/check.js';
import { drill, forgetKept, keptBenches, restore } from '../src/backup/restore.js';
import { BackupRefusal, connected, tool, withDatabase, type Place } from '../src/backup/tools.js';
import { createApp } from '../src/app.js';
import { pino } from 'pino';
import { harness, type Harness, line, newJob, note, sent } from './harness.js';

const NOW = new Date('2026-03-01T10:00:00Z');

let h: Harness;
let place: Place;
let dir: string;
beforeAll(async () => {
  h = await harness({ demo: true });
  place = { url: h.url, pgBin: postgresBin() as string };
  dir = mkdtempSync(join(tmpdir(), 'backup-'));
  const own = newJob();
  await request(h.app).post('/api/v1/jobs').send(own);
  await sent(h.app, own.id, [line(note('mine'))]);
});
afterAll(async () => {
  await h.close();
  await forgetKept(h.url);
  rmSync(dir, { recursive: true });
});

/** One hash over every row of every table, and the counters. */
async function contentOf(url: string): Promise<string> {
  return connected(url, async (client) => {
    const hash = createHash('sha256');
    for (const table of TABLES) {
      const { rows } = await client.query<{ row: string }>(`select t::text as row from ${table} t order by 1`);
      hash.update(table + rows.map((row) => row.row).join('\n'));
    }
    for (const name of ['job_number', 'practice_number', 'job_event_position_seq'])
      hash.update(JSON.stringify((await client.query(`select last_value, is_called from ${name}`)).rows));
    return hash.digest('hex');
  });
}

const refused = async (work: Promise<unknown>, words: RegExp) => {
  const error = await work.catch((one: unknown) => one);
  expect(error).toBeInstanceOf(BackupRefusal);
  expect((error as Error).message).toMatch(words);
};
const inDir = (name: string) => join(dir, name);

describe('a tool that fails', () => {
  it('says which, and the first thing that it said', async () => {
    await expect(tool(place, 'pg_dump', ['--nonsense'])).rejects.toThrow(/^pg_dump: .*nonsense[^\n]*$/);
    await expect(tool({ ...place, pgBin: dir }, 'pg_dump', [])).rejects.toThrow(/ENOENT/);
  });
});

describe('a backup', () => {
  it('is for its owner alone, has a manifest that says what it holds, and leaves nothing half made', async () => {
    const file = inDir('whole.pgdump');
    const manifest = await makeBackup(place, file, NOW);
    expect(statSync(file).mode & 0o777).toBe(0o600);
    expect(statSync(manifestPath(file)).mode & 0o777).toBe(0o600);
    expect(manifest.counts.job).toBe(Number((await h.db('job').count('id as n').first())?.n));
    expect(manifest.sha256).toBe(createHash('sha256').update(readFileSync(file)).digest('hex'));
    await expect(makeBackup({ ...place, pgBin: '/nowhere' }, inDir('none.pgdump'), NOW)).rejects.toThrow();
    expect(readdirSync(dir).filter((name) => /none|partial/.test(name))).toEqual([]);
  });

  it('is made while lines come in: dump and manifest see one moment', async () => {
    const job = newJob();
    await request(h.app).post('/api/v1/jobs').send(job);
    let stop = false;
    const writer = (async () => {
      while (!stop) await sent(h.app, job.id, [line(note('meanwhile'))]);
    })();
    const file = inDir('busy.pgdump');
    await makeBackup(place, file, NOW);
    stop = true;
    await writer;
    // The drill counts the rows against the manifest.
    await drill(place, file);
  });

  it('by itself comes once a day; seven of them and one of each of four weeks are kept, others untouched', async () => {
    const own = mkdtempSync(join(tmpdir(), 'daily-'));
    const day = (n: number) => new Date(Date.UTC(2026, 0, 1, 8) + n * 24 * 3600 * 1000);
    await backUpDaily(place, own, day(0));
    await backUpDaily(place, own, new Date(day(0).getTime() + 3600_000));
    expect(await backupsIn(own)).toHaveLength(1);
    const [first] = await backupsIn(own);
    expect(first?.manifest.madeAt).toBe(day(0).toISOString());
    // Forty days more, without dumping each: the same file under other names and dates.
    const { manifest, file } = first as { manifest: { madeAt: string }; file: string };
    for (let n = 1; n <= 40; n++) {
      const name = join(own, `${day(n).toISOString().slice(0, 10)}-daily.pgdump`);
      writeFileSync(name, readFileSync(file));
      writeFileSync(manifestPath(name), JSON.stringify({ ...manifest, madeAt: day(n).toISOString() }));
    }
    writeFileSync(join(own, 'by-hand.pgdump'), readFileSync(file));
    writeFileSync(manifestPath(join(own, 'by-hand.pgdump')), JSON.stringify(manifest));
    await thinOut(own);
    const left = (await backupsIn(own)).map((one) => one.manifest.madeAt.slice(0, 10));
    expect(left.slice(0, 7)).toEqual(
      Array.from({ length: 7 }, (_, i) =>
        day(40 - i)
          .toISOString()
          .slice(0, 10),
      ),
    );
    expect(left.length).toBeLessThanOrEqual(7 + 4 + 1);
    expect(left.length).toBeGreaterThanOrEqual(7 + 2 + 1);
    expect(existsSync(join(own, 'by-hand.pgdump'))).toBe(true);
    rmSync(own, { recursive: true });
  });
});

describe('the keeper', () => {
  it('makes one when asked, tries the newest, and says what came of it', async () => {
    const own = mkdtempSync(join(tmpdir(), 'keeper-'));
    const keeper = backupKeeper(place, own, () => NOW, pino({ level: 'silent' }));
    const app = createApp({
      db: h.db,
      now: () => NOW,
      logger: pino({ level: 'silent' }),
      pageDir: null,
      backups: keeper,
    });
    const call = (method: 'get' | 'post', path: string) =>
      request(app)
        [method](`/api/v1/backups${path}`)
        .send(method === 'post' ? {} : undefined);
    expect((await call('get', '')).body).toMatchObject({ newest: null, kept: 0, busy: false });
    const made = backupStateSchema.parse((await call('post', '')).body);
    const jobs = Number((await h.db('job').count('id as n').first())?.n);
    expect(made).toMatchObject({ kept: 1, trouble: null, newest: { jobs } });
    expect((await call('post', '/try')).body.drill).toMatchObject({ name: made.newest?.name, trouble: null });
    const file = join(own, made.newest?.name as string);
    const bytes = readFileSync(file);
    bytes[bytes.length - 100] = (bytes[bytes.length - 100] as number) ^ 1;
    writeFileSync(file, bytes);
    expect((await call('post', '/try')).body.drill.trouble).toContain('damaged');
    keeper.stop();
    expect((await request(h.app).get('/api/v1/backups')).body).toBeNull();
    expect((await request(h.app).post('/api/v1/backups').send({})).status).toBe(404);
    rmSync(own, { recursive: true });
  });
});

describe('a restore', () => {
  it('gives back what was there and keeps the bench from before', async () => {
    const file = inDir('before.pgdump');
    await makeBackup(place, file, NOW);
    const before = await contentOf(h.url);
    await request(h.app).post('/api/v1/jobs').send(newJob());
    const changed = await contentOf(h.url);
    const { kept } = await restore(place, file);
    expect(await contentOf(h.url)).toBe(before);
    expect(await contentOf(withDatabase(h.url, kept))).toBe(changed);
    expect(await keptBenches(h.url)).toContain(kept);
    // The application goes on with the new one.
    expect((await request(h.app).get('/api/v1/jobs')).status).toBe(200);
    expect(await forgetKept(h.url)).toContain(kept);
  });

  it('loses no acknowledged line while people write', async () => {
    const job = newJob();
    await request(h.app).post('/api/v1/jobs').send(job);
    const file = inDir('written.pgdump');
    await makeBackup(place, file, NOW);
    const acknowledged: string[] = [];
    const app = createApp({ db: h.db, now: () => new Date(), logger: pino({ level: 'silent' }), pageDir: null });
    let stop = false;
    const writers = Array.from({ length: 4 }, async () => {
      while (!stop) {
        const one = line(note('while it runs'));
        const answer = await sent(app, job.id, [one]).catch(() => null);
        if (answer?.status === 201) acknowledged.push(one.key);
      }
    });
    await restore(place, file);
    stop = true;
    await Promise.all(writers);
    const { events } = (await request(h.app).get(`/api/v1/jobs/${job.id}`)).body as { events: { key: string }[] };
    const there = new Set(events.map(({ key }) => key));
    expect(acknowledged.length).toBeGreaterThan(10);
    expect(acknowledged.filter((key) => !there.has(key))).toEqual([]);
    await forgetKept(h.url);
  });

  it('of an earlier version is brought up to the present one', async () => {
    const old = await harness();
    for (let i = 0; i < 3; i++) await old.db.migrate.down();
    await old.db('job').insert({
      id: randomUUID(),
      number: 4711,
      family_id: 'belt-turntable-dc',
      make: 'Old',
      model: 'One',
      serial: '',
      customer: '',
      complaint: 'slow',
      tried: '',
      power_kind: 'mains',
      rated_volts: 230,
      speed_ids: ['33'],
      tolerance: JSON.stringify(newJob().tolerance),
      demo: false,
      version: 1,
      created_at: NOW,
    });
    const file = inDir('old.pgdump');
    await makeBackup({ ...place, url: old.url }, file, NOW);
    // Early backups had no manifest.
    rmSync(manifestPath(file));
    await old.close();
    const fresh = await harness();
    await restore({ ...place, url: fresh.url }, file);
    const { jobs } = (await request(fresh.app).get('/api/v1/jobs')).body as { jobs: unknown[] };
    const found = await fresh.db('job').where({ number: 4711 }).first('make');
    expect(found).toEqual({ make: 'Old' });
    expect(jobs).toBeDefined();
    await fresh.close();
    await forgetKept(fresh.url);
  });

  it('refuses, by name, what is damaged, foreign, newer or carries a program; nothing is changed', async () => {
    const file = inDir('good.pgdump');
    await makeBackup(place, file, NOW);
    const before = await contentOf(h.url);
    const manifest = JSON.parse(readFileSync(manifestPath(file), 'utf8')) as { migrations: string[]; counts: object };
    const copy = (name: string, bytes: Buffer, more: object = {}) => {
      writeFileSync(inDir(name), bytes);
      writeFileSync(manifestPath(inDir(name)), JSON.stringify({ ...manifest, ...more }));
      return inDir(name);
    };
    const bytes = readFileSync(file);
    const sha = (of: Buffer) => ({ bytes: of.length, sha256: createHash('sha256').update(of).digest('hex') });
    await refused(restore(place, inDir('nowhere.pgdump')), /There is no backup/);
    const flipped = Buffer.from(bytes);
    flipped[flipped.length >> 1] = (flipped[flipped.length >> 1] as number) ^ 1;
    await refused(restore(place, copy('flipped.pgdump', flipped)), /damaged/);
    const short = bytes.subarray(0, bytes.length >> 1);
    await refused(restore(place, copy('short.pgdump', short, sha(short))), /cannot be loaded|damaged/);
    const text = Buffer.from('drop table job;');
    await refused(restore(place, copy('text.pgdump', text, sha(text))), /no backup of ours/);
    const newer = { migrations: [...manifest.migrations, '0999_later'] };
    await refused(restore(place, copy('newer.pgdump', bytes, newer)), /newer version \(0999_later\)/);
    const counts = { counts: { ...manifest.counts, job: 1 } };
    await refused(restore(place, copy('counts.pgdump', bytes, counts)), /manifest says 1/);
    writeFileSync(manifestPath(inDir('counts.pgdump')), '{');
    await refused(restore(place, inDir('counts.pgdump')), /no manifest/);

    const foreign = await harness();
    await foreign.db.raw('create table strange (n integer)');
    await makeBackup({ ...place, url: foreign.url }, inDir('foreign.pgdump'), NOW);
    await refused(restore(place, inDir('foreign.pgdump')), /something else .*strange/);
    await foreign.db.raw('drop table strange');
    await foreign.db.raw("create function evil() returns void language sql as 'select pg_sleep(0)'");
    await makeBackup({ ...place, url: foreign.url }, inDir('evil.pgdump'), NOW);
    await refused(restore(place, inDir('evil.pgdump')), /carries a program \(FUNCTION evil/);
    await foreign.close();
    expect(await contentOf(h.url)).toBe(before);
    expect(await keptBenches(h.url)).toEqual([]);
  });

  it('killed at any moment leaves the old bench or the new one, whole', async () => {
    const file = inDir('kill.pgdump');
    await makeBackup(place, file, NOW);
    const backedUp = await contentOf(h.url);
    await request(h.app).post('/api/v1/jobs').send(newJob());
    const present = await contentOf(h.url);
    const entry = new URL('../dist/data.mjs', import.meta.url).pathname;
    const env = { ...process.env, DATABASE_URL: h.url, PG_BIN: place.pgBin };
    const rounds = Number(process.env.TORTURE_ROUNDS ?? 6);
    for (let round = 0; round < rounds; round++) {
      const child = spawn(process.execPath, [entry, 'restore', file], { env, stdio: 'ignore' });
      const ended = new Promise((resolve) => child.on('exit', resolve));
      await Promise.race([ended, new Promise((resolve) => setTimeout(resolve, 250 + (1500 * round) / rounds))]);
      child.kill('SIGKILL');
      await ended;
      expect([present, backedUp]).toContain(await contentOf(h.url));
    }
    // What the killed ones left half made is swept by the next that comes through.
    await restore(place, file);
    await forgetKept(h.url);
    const left = await connected(withDatabase(h.url, 'postgres'), async (client) =>
      client.query<{ datname: string }>(`select datname from pg_database where datname like $1`, [
        `${new URL(h.url).pathname.slice(1)}%`,
      ]),
    );
    expect(left.rows.map(({ datname }) => `/${datname}`)).toEqual([new URL(h.url).pathname]);
  });
});
