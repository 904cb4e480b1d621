/** Damaged backups: each is refused by name or loads whole, and the bench before it stays as it was. */
import { createHash } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { postgresBin } from '../../scripts/lib/install.mjs';
import { makeBackup } from '../src/backup/make.js';
import { manifestPath } from '../src/backup/manifest.js';
import { drill } from '../src/backup/restore.js';
import { BackupRefusal, connected, withDatabase, type Place } from '../src/backup/tools.js';
import { harness, type Harness, line, newJob, note, sent } from './harness.js';

const ROUNDS = Number(process.env.STORABLE_RUNS ?? 8);

let h: Harness;
let place: Place;
let dir: string;
beforeAll(async () => {
  h = await harness();
  place = { url: h.url, pgBin: postgresBin() as string };
  dir = mkdtempSync(join(tmpdir(), 'backup-fuzz-'));
  const job = newJob();
  await request(h.app).post('/api/v1/jobs').send(job);
  const events = Array.from({ length: 40 }, (_, i) => line(note(`remark ${i}`)));
  await sent(h.app, job.id, events);
});
afterAll(async () => {
  await h.close();
  rmSync(dir, { recursive: true });
});

/** Numbers from 0 to 1, the same for the same seed. */
function numbers(seed: number) {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}

/** A few bytes changed, a piece cut out, or a piece doubled. */
function damaged(bytes: Buffer, next: () => number): Buffer {
  const at = Math.floor(next() * bytes.length);
  const length = 1 + Math.floor(next() * 200);
  const kind = next();
  if (kind < 0.3) return Buffer.concat([bytes.subarray(0, at), bytes.subarray(at + length)]);
  if (kind < 0.5) return Buffer.concat([bytes.subarray(0, at + length), bytes.subarray(at)]);
  const copy = Buffer.from(bytes);
  for (let i = 0; i < 3; i++) copy[Math.floor(next() * copy.length)] = Math.floor(next() * 256);
  return copy;
}

describe('a damaged backup', () => {
  it(
    'is refused in one sentence, even where its manifest was made to fit, and leaves nothing behind',
    async () => {
      const file = join(dir, 'whole.pgdump');
      await makeBackup(place, file, new Date('2026-03-01T10:00:00Z'));
      const whole = readFileSync(file);
      const manifest = JSON.parse(readFileSync(manifestPath(file), 'utf8')) as object;
      const next = numbers(20260301);
      for (let round = 0; round < ROUNDS; round++) {
        const bytes = damaged(whole, next);
        const path = join(dir, `damaged-${round}.pgdump`);
        writeFileSync(path, bytes);
        const sum = { bytes: bytes.length, sha256: createHash('sha256').update(bytes).digest('hex') };
        writeFileSync(manifestPath(path), JSON.stringify({ ...manifest, ...sum }));
        const outcome: unknown = await drill(place, path).then(
          () => 'whole',
          (error: unknown) => error,
        );
        if (outcome !== 'whole') {
          expect(outcome, `round ${round}`).toBeInstanceOf(BackupRefusal);
          expect((outcome as Error).message).toContain(path);
        }
        rmSync(path);
      }
      const { rows } = await connected(withDatabase(h.url, 'postgres'), (client) =>
        client.query<{ datname: string }>('select datname from pg_database where datname like $1', [
          `${new URL(h.url).pathname.slice(1)}_%`,
        ]),
      );
      expect(rows).toEqual([]);
      expect(await h.db('job_event').count('* as n').first()).toEqual({ n: 40 });
    },
    30_000 + 5_000 * ROUNDS,
  );
});
