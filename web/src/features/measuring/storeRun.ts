/** Storing what was measured: the run first, then its recording; a line of a job's log points to it. */
import { figuresOf, newRunSchema, runSchema, type NewRun, type Run, type RunFile } from '@amber-gauge/contract';
import { speedFromRun, type SpeedBody, type StageId } from '@amber-gauge/core/bench';
import type { FamilySpeed } from '@amber-gauge/core/families';
import type { SpeedRun } from '@amber-gauge/core/speed';
import { call, Unreachable } from '../../shared/api/client.js';
import { keys, queryClient } from '../../shared/api/queries.js';
import { serverNow } from '../../shared/outbox/clock.js';
import { makeLine, submitLines } from '../../shared/outbox/outbox.js';
import type { Measured } from './ways/way.js';

async function post(made: NewRun): Promise<Run> {
  const kept = await call('/runs', runSchema, { method: 'POST', body: newRunSchema.parse(made) });
  queryClient.setQueryData(keys.run(kept.id), kept);
  await queryClient.invalidateQueries({ queryKey: keys.runs(made.jobId) });
  return kept;
}

const stamps = new WeakMap<SpeedRun, Pick<NewRun, 'id' | 'measuredAt'>>();

/** Id and moment of what was measured: tried again after an answer that was lost, it is the same run. */
function stampOf(run: SpeedRun): Pick<NewRun, 'id' | 'measuredAt'> {
  const stamp = stamps.get(run) ?? { id: crypto.randomUUID(), measuredAt: serverNow().toISOString() };
  stamps.set(run, stamp);
  return stamp;
}

/** Stores a run, with its recording when that is to be kept. */
export async function storeRun(measured: Measured, jobId: string | null): Promise<Run> {
  const kept = await post({
    ...stampOf(measured.run),
    jobId,
    fileName: measured.fileName,
    fileBytes: measured.fileBytes,
    sha256: measured.sha256,
    sourceId: measured.source?.id ?? null,
    figures: figuresOf(measured.run),
  });
  if (measured.recording) {
    await call(`/runs/${kept.id}/recording`, runSchema, {
      method: 'PUT',
      raw: { bytes: measured.recording, type: 'audio/wav' },
    });
  }
  return kept;
}

/** Stores a run that was exported before, as a run without a job. */
export function storeImported(file: RunFile): Promise<Run> {
  const { fileName, fileBytes, sha256, measuredAt, figures } = file;
  const id = crypto.randomUUID();
  return post({ id, jobId: null, fileName, fileBytes, sha256, sourceId: null, measuredAt, figures });
}

/**
 * Stores the run of a job and its line. What was counted by hand is not lost to a server that is away:
 * its line waits in the outbox, without the run.
 */
export async function storeInJob(
  measured: Measured,
  jobId: string,
  speed: FamilySpeed,
  stage: StageId,
  taken: Pick<SpeedBody, 'pitch' | 'conditions'>,
): Promise<void> {
  const from = measured.source?.name ?? (measured.sha256 === null ? measured.fileName : null);
  const line = (runId: string | null) =>
    submitLines(
      jobId,
      makeLine(stage, {
        ...speedFromRun(measured.run, speed, from, runId),
        ...taken,
      }),
    );
  try {
    await line((await storeRun(measured, jobId)).id);
  } catch (error) {
    const byHand = measured.run.detail.way === 'strobe' || measured.run.detail.way === 'stopwatch';
    if (!(byHand && error instanceof Unreachable)) throw error;
    await line(null);
  }
}
