/** A job out as one open file and in again: everything is looked at before anything is kept, nothing is doubled. */
import { createHash } from 'node:crypto';
import { BUNDLE_FORMAT, BUNDLE_VERSION, bundleProblem, bundleSchema, type Bundle } from '@amber-gauge/contract';
import { targetsOf } from '@amber-gauge/core/bench';
import { HttpError } from '../../http/errors.js';
import { appendEvents, jobsOfKeys } from '../events/repository.js';
import { insertJob, lockJob } from '../jobs/repository.js';
import { refreshState } from '../jobs/refresh.js';
import { checkFamily, FURTHEST_AHEAD_MS, jobDetail, type Services } from '../jobs/service.js';
import { keptPicture, type MadePicture } from '../photos/picture.js';
import { insertPhoto, jobsOfPhotos, photosOfJob } from '../photos/repository.js';
import { insertRun, runsOfJob } from '../runs/repository.js';

/** Everything of a job. */
export async function bundleOf(services: Services, jobId: string): Promise<Bundle> {
  const { db, now } = services;
  const { job, events } = await jobDetail(services, jobId);
  const { demo: _demo, version: _version, ...fields } = job;
  const photos = await photosOfJob(db, jobId);
  return {
    format: BUNDLE_FORMAT,
    version: BUNDLE_VERSION,
    madeAt: now().toISOString(),
    job: fields,
    events: events.map(({ key, enteredAt, device, sequence, stage, body }) => ({
      key,
      enteredAt,
      device,
      sequence,
      stage,
      body,
    })),
    runs: await runsOfJob(db, jobId),
    photos: photos.map(({ id, mediaType, bytes, sha256 }) => ({
      id,
      mediaType,
      sha256,
      base64: bytes.toString('base64'),
    })),
  };
}

interface Read {
  readonly bundle: Bundle;
  readonly pictures: ReadonlyMap<string, MadePicture>;
}

/** @throws HttpError BAD_REQUEST that names what cannot be, before anything is kept. */
async function readBundle(value: unknown, latest: number): Promise<Read> {
  const problem = bundleProblem(value);
  if (problem) throw new HttpError('BAD_REQUEST', { fields: { bundle: problem } });
  const bundle = bundleSchema.parse(value);
  checkFamily(bundle.job);
  if (bundle.events.some(({ enteredAt }) => Date.parse(enteredAt) > latest))
    throw refused('a line lies more than a day ahead');
  const keys = new Set(bundle.events.map(({ key }) => key));
  if (keys.size !== bundle.events.length) throw refused('two lines have the same key');
  const stranger = bundle.events.flatMap(({ body }) => targetsOf(body)).find((target) => !keys.has(target));
  if (stranger) throw refused('a line speaks of another that is not in the bundle: it was cut short');
  const photoIds = new Set(bundle.photos.map(({ id }) => id));
  const missing = bundle.events.find(({ body }) => body.kind === 'photo' && !photoIds.has(body.photoId));
  if (missing) throw refused('a photo that the log names is not in the bundle: it was cut short');
  if (bundle.runs.some(({ jobId }) => jobId !== bundle.job.id)) throw refused('a run belongs to another job');
  const pictures = new Map<string, MadePicture>();
  for (const photo of bundle.photos) {
    const bytes = Buffer.from(photo.base64, 'base64');
    if (createHash('sha256').update(bytes).digest('hex') !== photo.sha256)
      throw refused(`photo ${photo.id} is not what its checksum says: the file was changed or cut`);
    try {
      pictures.set(photo.id, await keptPicture(bytes));
    } catch {
      throw refused(`attachment ${photo.id} is no picture that can be read: nothing of the bundle was kept`);
    }
  }
  return { bundle, pictures };
}

const refused = (why: string): HttpError => new HttpError('BAD_REQUEST', { fields: { bundle: why } });

/** Puts a bundle in, or what is missing of it where the job is here already. */
export async function importBundle({ db, now }: Services, value: unknown) {
  const { bundle, pictures } = await readBundle(value, now().getTime() + FURTHEST_AHEAD_MS);
  const { id, number: _number, createdAt, ...fields } = bundle.job;
  return db.transaction(async (trx) => {
    const before = await lockJob(trx, id);
    const holders = await jobsOfKeys(
      trx,
      bundle.events.map(({ key }) => key),
    );
    if ([...holders.values()].some((holder) => holder !== id))
      throw refused('a line of it belongs to another job here');
    const photosHere = await jobsOfPhotos(trx, [...pictures.keys()]);
    if ([...photosHere.values()].some((holder) => holder !== id))
      throw refused('a photo of it belongs to another job here');
    if (!before) await insertJob(trx, { id, ...fields }, { demo: false, at: new Date(createdAt) });
    const runsHere = new Set((await runsOfJob(trx, id)).map((run) => run.id));
    const runs = bundle.runs.filter((run) => !runsHere.has(run.id));
    for (const run of runs) await insertRun(trx, { ...run, sourceId: await knownSource(trx, run.sourceId) }, false);
    for (const [photoId, picture] of pictures)
      if (!photosHere.has(photoId)) {
        const sha256 = createHash('sha256').update(picture.bytes).digest('hex');
        await insertPhoto(trx, { id: photoId, jobId: id, picture, sha256, at: now() });
      }
    const lines = bundle.events.filter(({ key }) => !holders.has(key));
    for (let i = 0; i < lines.length; i += CHUNK) await appendEvents(trx, id, lines.slice(i, i + CHUNK), now());
    const job = await lockJob(trx, id);
    if (!job) throw new HttpError('INTERNAL');
    await refreshState(trx, job, now());
    return {
      id,
      number: job.number,
      known: before !== null,
      lines: lines.length,
      runs: runs.length,
      photos: pictures.size - photosHere.size,
    };
  });
}

const CHUNK = 500;

/** The test tape of a run where this bench has it under the same id; else none: its name stands in the line. */
async function knownSource(trx: Services['db'], id: string | null): Promise<string | null> {
  if (id === null) return null;
  return (await trx('tone_source').where({ id }).first('id')) ? id : null;
}
