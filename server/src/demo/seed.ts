/** Puts the demo in once, never over data that exists, and takes it out again. */
import { refreshState } from '../features/jobs/refresh.js';
import { createHash, randomUUID } from 'node:crypto';
import { figuresOf } from '@amber-gauge/contract';
import {
  speedFromRun,
  toleranceOfUse,
  referenceUncertainty,
  type BenchEvent,
  type ToneSource,
  workSaid,
} from '@amber-gauge/core/bench';
import { familyOf } from '@amber-gauge/core/families';
import { memorySource, writeWav } from '@amber-gauge/core/formats';
import { measureWav, runOfTone, synthTone } from '@amber-gauge/core/speed';
import type { Db } from '../db/connect.js';
import { appendEvents } from '../features/events/repository.js';
import { insertJob, lockJob } from '../features/jobs/repository.js';
import { insertPhoto } from '../features/photos/repository.js';
import { insertRun } from '../features/runs/repository.js';
import { markSeeded, wasSeeded } from '../features/settings/repository.js';
import type { ShelfBody } from '@amber-gauge/core/bench';
import { addShelfLines, removeDemoShelf, shelfLines } from '../features/shelf/repository.js';
import { DEMO_SHELF } from './shelf.js';
import { insertSource, listSources } from '../features/sources/repository.js';
import { seedDesk } from './desk.js';
import { withPower } from './power.js';
import { DEMO_PHOTOS } from './photos.js';
import { demoHistory } from './history.js';
import { DEMO_JOBS, DEMO_SOURCES, type DemoJob, type DemoTone } from './jobs.js';

const DEVICE = 'demo bench';
const SAMPLE_RATE = 16000;

/** Seeds unless it was done before or anything is there already. */
export async function seedDemoOnce(db: Db, now: Date): Promise<boolean> {
  return db.transaction(async (trx) => {
    await trx.raw('lock table setting in exclusive mode');
    if (await wasSeeded(trx)) return false;
    const something = (await trx('job').first('id')) ?? (await trx('tone_source').first('id'));
    await markSeeded(trx, true);
    if (something) return false;
    await seed(trx, now);
    return true;
  });
}

/** Puts the demo in, but for the jobs of `numbers`, which are there. */
async function seed(trx: Db, now: Date, numbers: ReadonlySet<number> = new Set()): Promise<void> {
  const there = (await listSources(trx, true)).filter((source) => source.demo);
  const sources: ToneSource[] = DEMO_SOURCES.map((source) => ({
    ...source,
    id: there.find(({ name }) => name === source.name)?.id ?? randomUUID(),
  }));
  for (const source of sources) await insertSource(trx, source, { demo: true, at: now });
  await trx('setting')
    .where({ shop_name: 'Your bench' })
    .update({ shop_name: 'Skerravik repair room', shop_address: 'Ferry quay, Skerravik' });
  const held = new Map(
    ((await trx('job').where({ demo: true }).select('number', 'id')) as { number: number; id: string }[]).map((one) => [
      one.number,
      one.id,
    ]),
  );
  const wanted = [...demoHistory(now), ...DEMO_JOBS].filter((job) => !numbers.has(job.number));
  const ids = new Map([...held, ...wanted.map((job) => [job.number, randomUUID()] as const)]);
  for (const job of wanted) await seedJob(trx, job, sources, now, ids);
  await seedDesk(trx, sources, now);
  await seedShelf(trx, now);
}

const DAY_MS = 86_400_000;

/** Lots that lines of one's own speak of stayed: they are not put in a second time, nor are theirs. */
async function seedShelf(trx: Db, now: Date): Promise<void> {
  const day = (ago: number) => new Date(now.getTime() - ago * DAY_MS).toISOString().slice(0, 10);
  const there = await shelfLines(trx, true);
  const parts = new Set(there.flatMap(({ body }) => (body.kind === 'lot' ? [body.part] : [])));
  const keys = new Map<string, string>();
  const bodies = DEMO_SHELF.flatMap((line): { key: string; body: ShelfBody }[] => {
    if ('id' in line) {
      const { id, orderedDaysAgo, expectedDaysAgo, ...lot } = line;
      if (parts.has(lot.part)) return [];
      const key = randomUUID();
      keys.set(id, key);
      const expectedOn = expectedDaysAgo === null ? null : day(expectedDaysAgo);
      return [{ key, body: { kind: 'lot', ...lot, orderedOn: day(orderedDaysAgo), expectedOn, claimDays: 30 } }];
    }
    const lot = keys.get(line.of);
    if (lot === undefined) return [];
    const key = randomUUID();
    if ('arrivedDaysAgo' in line) return [{ key, body: { kind: 'arrived', lot, on: day(line.arrivedDaysAgo) } }];
    if ('good' in line) return [{ key, body: { kind: 'tested', lot, good: line.good, bad: line.bad } }];
    return [{ key, body: { kind: line.kind, lot, quantity: line.quantity, job: line.job } }];
  });
  const at = now.toISOString();
  if (bodies.length > 0)
    await addShelfLines(
      trx,
      bodies.map((one) => ({ ...one, at })),
      { receivedAt: now, demo: true },
    );
}

async function seedJob(
  trx: Db,
  demo: DemoJob,
  sources: readonly ToneSource[],
  now: Date,
  ids: ReadonlyMap<number, string>,
): Promise<void> {
  const { use, ...fields } = demo.fields;
  const id = ids.get(demo.number) ?? randomUUID();
  const first = demo.lines[0]?.hoursAgo ?? 1;
  const at = (hoursAgo: number) => new Date(now.getTime() - hoursAgo * 3_600_000);
  const tolerance = toleranceOfUse(familyOf(fields.familyId), use);
  await insertJob(
    trx,
    { id, ...fields, speedIds: [...fields.speedIds], tolerance },
    { demo: true, at: at(first + 0.1), number: demo.number },
  );
  const keys = new Map(demo.lines.flatMap((line) => (line.id ? [[line.id, randomUUID()] as const] : [])));
  const photos = await insertPhotos(trx, demo, id, now);
  const events: BenchEvent[] = [];
  for (const [sequence, line] of demo.lines.entries()) {
    const when = at(line.hoursAgo);
    const body = 'tone' in line ? await measureDemo(trx, line.tone, { jobId: id, demo, sources, when }) : line.body;
    events.push({
      key: (line.id && keys.get(line.id)) || randomUUID(),
      enteredAt: when.toISOString(),
      device: DEVICE,
      sequence,
      stage: line.stage,
      body: withKeys(said(body, fields.familyId), keys, photos, ids),
    });
  }
  await appendEvents(
    trx,
    id,
    withPower({ number: demo.number, ...fields, speedIds: [...fields.speedIds], tolerance }, events),
    now,
  );
  const job = await lockJob(trx, id);
  if (job) await refreshState(trx, job, now);
}

/** Work of the demo is kept as if it had been typed. */
const said = (body: BenchEvent['body'], familyId: string): BenchEvent['body'] =>
  body.kind === 'work' && body.reach === undefined ? workSaid(familyId, body) : body;

/** Keeps the drawn photos that the job's lines name, and gives their ids by name. */
async function insertPhotos(trx: Db, demo: DemoJob, jobId: string, at: Date): Promise<Map<string, string>> {
  const ids = new Map<string, string>();
  for (const line of demo.lines) {
    if (!('body' in line) || line.body.kind !== 'photo') continue;
    const name = line.body.photoId.replace('photo:', '') as keyof typeof DEMO_PHOTOS;
    const drawn = DEMO_PHOTOS[name];
    const bytes = Buffer.from(drawn.bytes, 'base64');
    const id = randomUUID();
    const sha256 = createHash('sha256').update(bytes).digest('hex');
    const picture = { mediaType: 'image/jpeg', bytes, thumb: Buffer.from(drawn.thumb, 'base64') } as const;
    await insertPhoto(trx, { id, jobId, picture, sha256, at });
    ids.set(name, id);
  }
  return ids;
}

/** The body with "ref:name", "photo:name" and "job:number" turned into the keys they stand for. */
function withKeys<T extends BenchEvent['body']>(
  body: T,
  keys: ReadonlyMap<string, string>,
  photos: ReadonlyMap<string, string>,
  jobs: ReadonlyMap<number, string>,
): T {
  return JSON.parse(JSON.stringify(body), (_name, value: unknown) => {
    if (typeof value !== 'string') return value;
    if (value.startsWith('job:')) return jobs.get(Number(value.slice(4))) ?? value;
    if (value.startsWith('ref:')) return keys.get(value.slice(4)) ?? value;
    return value.startsWith('photo:') ? (photos.get(value.slice(6)) ?? value) : value;
  }) as T;
}

interface DemoContext {
  readonly jobId: string;
  readonly demo: DemoJob;
  readonly sources: readonly ToneSource[];
  readonly when: Date;
}

/** Synthesises the tone, measures it as a dropped file would be, and stores the run. */
async function measureDemo(trx: Db, wish: DemoTone, { jobId, demo, sources, when }: DemoContext) {
  const source = sources[wish.sourceIndex] as ToneSource;
  const samples = synthTone({
    sampleRate: SAMPLE_RATE,
    durationS: wish.seconds,
    nominalHz: source.nominalHz,
    errorPercent: wish.errorPercent,
    rampPercent: wish.rampPercent ?? 0,
    lines: wish.lines,
    snrDb: wish.snrDb,
    seed: demo.number,
  });
  const bytes = writeWav([samples], SAMPLE_RATE);
  const tone = await measureWav(memorySource(bytes), {
    nominalHz: source.nominalHz,
    referenceUncertaintyPercent: referenceUncertainty(source),
  });
  if (tone.kind !== 'measured') throw new Error(`demo tone of job ${demo.number} was not measured: ${tone.kind}`);
  const run = runOfTone(tone);
  const runId = randomUUID();
  await insertRun(
    trx,
    {
      id: runId,
      jobId,
      fileName: `job-${demo.number}-${wish.speedId}.wav`,
      fileBytes: bytes.length,
      sha256: createHash('sha256').update(bytes).digest('hex'),
      sourceId: source.id,
      measuredAt: when.toISOString(),
      figures: figuresOf(run),
    },
    true,
  );
  const speed = familyOf(demo.fields.familyId).speeds.find((one) => one.id === wish.speedId);
  if (!speed) throw new Error(`demo job ${demo.number} names an unknown speed`);
  return { ...speedFromRun(run, speed, source.name, runId), condition: wish.condition ?? null };
}

/**
 * Puts the demo back as it was. Demo jobs that somebody worked on stay as they are, with their lines and
 * runs and what those speak of; the other rows marked demo are made anew.
 */
export async function resetDemo(db: Db, now: Date): Promise<void> {
  await db.transaction(async (trx) => {
    await trx.raw("set local amber_gauge.remove_demo = 'on'");
    const worked = trx('job')
      .where({ demo: true })
      .where((either) =>
        either
          .whereExists(trx('job_event').whereRaw('job_event.job_id = job.id').whereNot({ device: DEVICE }))
          .orWhereExists(trx('speed_run').whereRaw('speed_run.job_id = job.id').where({ demo: false })),
      );
    const kept = (await worked.select('id', 'number')) as { id: string; number: number }[];
    const ids = kept.map(({ id }) => id);
    await trx('speed_run')
      .where({ demo: true })
      .where((either) => either.whereNull('job_id').orWhereNotIn('job_id', ids))
      .delete();
    const fresh = trx('job').where({ demo: true }).whereNotIn('id', ids).select('id');
    await trx('job_event').whereIn('job_id', fresh).delete();
    await trx('job').where({ demo: true }).whereNotIn('id', ids).delete();
    await trx('tone_source')
      .where({ demo: true })
      .whereNotExists(trx('speed_run').whereRaw('speed_run.source_id = tone_source.id'))
      .delete();
    await removeDemoShelf(trx);
    await trx('setting').update({ demo_shown: true });
    await seed(trx, now, new Set(kept.map(({ number }) => number)));
    await markSeeded(trx, true);
  });
}
