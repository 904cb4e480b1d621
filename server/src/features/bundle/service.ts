/** A job out as one open file and in again: everything is looked at before anything is kept, nothing is doubled. */
import { BUNDLE_FORMAT, BUNDLE_VERSION, bundleProblem, bundleSchema, type Bundle } from '@amber-gauge/contract';
import { targetsOf } from '@amber-gauge/core/bench';
import { HttpError } from '../../http/errors.js';
import { clipsOfJob, insertClip, jobsOfClips, sha256Of } from '../clips/repository.js';
import { keptSound } from '../clips/sound.js';
import { appendEvents, jobsOfKeys } from '../events/repository.js';
import { insertJob, lockJob } from '../jobs/repository.js';
import { refreshState } from '../jobs/refresh.js';
import { checkFamily, checkPractice, FURTHEST_AHEAD_MS, jobDetail, type Services } from '../jobs/service.js';
import { keptPicture, type MadePicture } from '../photos/picture.js';
import { insertPhoto, jobsOfPhotos, photosOfJob } from '../photos/repository.js';
import { insertRun, runsOfJob } from '../runs/repository.js';
import { say } from '@amber-gauge/core/words';

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
    // The hash is of the bytes that go out: what stands in the table is that of what was sent in.
    photos: photos.map(({ id, mediaType, bytes }) => ({ id, mediaType, ...attached(bytes) })),
    clips: (await clipsOfJob(db, jobId)).map(({ id, bytes }) => ({ id, ...attached(bytes) })),
  };
}

const attached = (bytes: Buffer) => ({ sha256: sha256Of(bytes), base64: bytes.toString('base64') });

interface Read {
  readonly bundle: Bundle;
  readonly pictures: ReadonlyMap<string, MadePicture>;
  readonly sounds: ReadonlyMap<string, Buffer>;
}

/** @throws HttpError BAD_REQUEST that names what cannot be, before anything is kept. */
async function readBundle(value: unknown, latest: number): Promise<Read> {
  const problem = bundleProblem(value);
  if (problem) throw new HttpError('BAD_REQUEST', { fields: { bundle: problem } });
  const bundle = bundleSchema.parse(value);
  checkFamily(bundle.job);
  if (bundle.job.practice) checkPractice(bundle.job.familyId, bundle.job.practice);
  if (bundle.events.some(({ enteredAt }) => Date.parse(enteredAt) > latest))
    throw refused(say`a line lies more than a day ahead`);
  const keys = new Set(bundle.events.map(({ key }) => key));
  if (keys.size !== bundle.events.length) throw refused(say`two lines have the same key`);
  const stranger = bundle.events.flatMap(({ body }) => targetsOf(body)).find((target) => !keys.has(target));
  if (stranger) throw refused(say`a line speaks of another that is not in the bundle: it was cut short`);
  const photoIds = new Set(bundle.photos.map(({ id }) => id));
  const missing = bundle.events.find(({ body }) => body.kind === 'photo' && !photoIds.has(body.photoId));
  if (missing) throw refused(say`a photo that the log names is not in the bundle: it was cut short`);
  if (bundle.runs.some(({ jobId }) => jobId !== bundle.job.id)) throw refused(say`a run belongs to another job`);
  const clipIds = new Set(bundle.clips.map(({ id }) => id));
  if (bundle.events.some(({ body }) => body.kind === 'clip' && body.sound === true && !clipIds.has(body.clipId)))
    throw refused(say`the sound of a clip that the log names is not in the bundle: it was cut short`);
  return {
    bundle,
    pictures: await opened(bundle.photos, 'photo', 'picture', keptPicture),
    sounds: await opened(bundle.clips, 'clip', 'sound', keptSound),
  };
}

/** Attachments by id, each the bytes its checksum says and of the kind it should be. */
async function opened<T>(
  list: readonly { readonly id: string; readonly sha256: string; readonly base64: string }[],
  name: string,
  kind: string,
  keep: (bytes: Buffer) => Promise<T>,
): Promise<Map<string, T>> {
  const out = new Map<string, T>();
  for (const { id, sha256, base64 } of list) {
    const bytes = Buffer.from(base64, 'base64');
    if (sha256Of(bytes) !== sha256)
      throw refused(say`${name} ${id} is not what its checksum says: the file was changed or cut`);
    try {
      out.set(id, await keep(bytes));
    } catch {
      throw refused(say`attachment ${id} is no ${kind} that can be read: nothing of the bundle was kept`);
    }
  }
  return out;
}

const refused = (why: string): HttpError => new HttpError('BAD_REQUEST', { fields: { bundle: why } });

/** Puts a bundle in, or what is missing of it where the job is here already. */
export async function importBundle({ db, now }: Services, value: unknown) {
  const { bundle, pictures, sounds } = await readBundle(value, now().getTime() + FURTHEST_AHEAD_MS);
  const { id, number: _number, createdAt, ...fields } = bundle.job;
  return db.transaction(async (trx) => {
    const before = await lockJob(trx, id);
    const holders = await jobsOfKeys(
      trx,
      bundle.events.map(({ key }) => key),
    );
    if ([...holders.values()].some((holder) => holder !== id))
      throw refused(say`a line of it belongs to another job here`);
    const photosHere = await jobsOfPhotos(trx, [...pictures.keys()]);
    if ([...photosHere.values()].some((holder) => holder !== id))
      throw refused(say`a photo of it belongs to another job here`);
    const soundsHere = await jobsOfClips(trx, [...sounds.keys()]);
    if ([...soundsHere.values()].some((holder) => holder !== id))
      throw refused(say`a clip of it belongs to another job here`);
    if (!before) await insertJob(trx, { id, ...fields }, { demo: false, at: new Date(createdAt) });
    const runsHere = new Set((await runsOfJob(trx, id)).map((run) => run.id));
    const runs = bundle.runs.filter((run) => !runsHere.has(run.id));
    for (const run of runs) await insertRun(trx, { ...run, sourceId: await knownSource(trx, run.sourceId) }, false);
    for (const [photoId, picture] of pictures)
      if (!photosHere.has(photoId)) {
        const sha256 = sha256Of(picture.bytes);
        await insertPhoto(trx, { id: photoId, jobId: id, picture, sha256, at: now() });
      }
    for (const [clipId, bytes] of sounds)
      if (!soundsHere.has(clipId)) await insertClip(trx, id, { id: clipId, bytes, sha256: sha256Of(bytes) }, now());
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
      clips: sounds.size - soundsHere.size,
    };
  });
}

const CHUNK = 500;

/** The test tape of a run where this bench has it under the same id; else none: its name stands in the line. */
async function knownSource(trx: Services['db'], id: string | null): Promise<string | null> {
  if (id === null) return null;
  return (await trx('tone_source').where({ id }).first('id')) ? id : null;
}
