/** A database of its own for each test file, on the server that TEST_DATABASE_URL names. */
import type { Express } from 'express';
import { randomUUID } from 'node:crypto';
import knex, { type Knex } from 'knex';
import { pino } from 'pino';
import request from 'supertest';
import { createApp } from '../src/app.js';
import { connect, migrate, type Db } from '../src/db/connect.js';
import { seedDemoOnce } from '../src/demo/seed.js';
import { toleranceOfUse, type BenchEvent, type EventBody } from '@amber-gauge/core/bench';
import { familyOf } from '@amber-gauge/core/families';

export interface Harness {
  readonly db: Db;
  readonly app: Express;
  readonly url: string;
  readonly setNow: (iso: string) => void;
  readonly close: () => Promise<void>;
}

const base = process.env.TEST_DATABASE_URL;

const anew = () => `test_${randomUUID().replaceAll('-', '')}`;
const urlOf = (name: string) => (base ?? '').replace(/\/[^/]*$/, `/${name}`);

/** When the demo of the tests was put in. */
export const DEMO_AT = new Date('2026-03-01T10:00:00Z');

/** Migrated databases, a bare one and one with the demo, made once by each process and copied for each file. */
const templates = new Map<boolean, Promise<string>>();
async function makeTemplate(admin: Knex, demo: boolean): Promise<string> {
  const name = anew();
  await admin.raw(`create database ${name}`);
  const db = connect(urlOf(name));
  await migrate(db);
  if (demo) await seedDemoOnce(db, DEMO_AT);
  await db.destroy();
  return name;
}

/** Makes a fresh, migrated database and an application on it; with the demo where it is asked for. */
export async function harness({ demo = false } = {}): Promise<Harness> {
  if (!base) throw new Error('TEST_DATABASE_URL is not set: run "npm run test:api"');
  const admin = knex({ client: 'pg', connection: base, pool: { min: 0, max: 1 } });
  const template = templates.get(demo) ?? makeTemplate(admin, demo);
  templates.set(demo, template);
  const name = anew();
  await admin.raw(`create database ${name} template ${await template}`);
  const url = urlOf(name);
  const db = connect(url);
  let now = new Date('2026-03-01T10:00:00Z');
  const app = createApp({
    db,
    now: () => now,
    logger: pino({ level: 'silent' }),
    pageDir: null,
    requestsPerMinute: 1e6,
  });
  return {
    db,
    app,
    url,
    setNow: (iso) => void (now = new Date(iso)),
    close: async () => {
      await db.destroy();
      await admin.raw(`drop database ${name} with (force)`);
      await admin.destroy();
    },
  };
}

/** A unit as the page would send it. */
export function newJob(more: object = {}) {
  const family = familyOf('belt-turntable-dc');
  return {
    id: randomUUID(),
    familyId: family.id,
    make: 'Made',
    model: 'Up',
    serial: '1',
    customer: 'School',
    powerKind: 'mains',
    ratedVolts: 230,
    speedIds: ['33', '45'],
    complaint: 'slow',
    tried: '',
    tolerance: toleranceOfUse(family),
    ...more,
  };
}

let sequence = 0;
export function line(body: EventBody, more: Partial<BenchEvent> = {}): BenchEvent {
  return {
    key: randomUUID(),
    enteredAt: '2026-03-01T09:00:00.000Z',
    device: 'test',
    sequence: sequence++,
    stage: 'find',
    body,
    ...more,
  };
}

/** Sends lines of a job as the page would; the answer is asked of what comes back. */
export const sent = (app: Express, jobId: string | undefined, events: readonly unknown[]) =>
  request(app).post(`/api/v1/jobs/${jobId}/events`).send({ events });

export const note = (text: string): EventBody => ({ kind: 'note', text });

export const ohms = (value: number): EventBody => ({
  kind: 'reading',
  text: `winding ${value} ohm`,
  values: [value],
  unit: 'Ω',
  qualifier: null,
  bound: 'exact',
  place: 'winding',
  speedId: null,
  condition: null,
  holdKey: null,
});
