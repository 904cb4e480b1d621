/** SQL of speed runs: figures as JSON, series as float arrays, recordings only when kept. */
import type { NewRun, Run, RunBrief } from '@amber-gauge/contract';
import type { Db } from '../../db/connect.js';

interface RunRow {
  id: string;
  job_id: string | null;
  source_id: string | null;
  file_name: string;
  file_bytes: number;
  sha256: string | null;
  measured_at: Date;
  figures: RunBrief['figures'];
  series_start_s: number | null;
  series_step_s: number | null;
  series_error_percent: number[] | null;
  series_half_width_percent: number[] | null;
  spectrum_hz: number[] | null;
  spectrum_peak_percent: number[] | null;
  demo: boolean;
  has_recording: boolean;
}

const HAS_RECORDING = 'exists (select 1 from recording where recording.run_id = speed_run.id) as has_recording';
const BRIEF = ['id', 'job_id', 'source_id', 'file_name', 'file_bytes', 'sha256', 'measured_at', 'figures', 'demo'];

const toBrief = (row: RunRow): RunBrief => ({
  id: row.id,
  jobId: row.job_id,
  sourceId: row.source_id,
  fileName: row.file_name,
  fileBytes: row.file_bytes,
  sha256: row.sha256,
  measuredAt: row.measured_at.toISOString(),
  demo: row.demo,
  hasRecording: row.has_recording,
  figures: row.figures,
});

/** As a single-precision column holds them: what is too small for it is 0 before the database refuses it. */
const singles = (values: readonly number[] | undefined): number[] | null => values?.map(Math.fround) ?? null;

/** Stores a run once; a known id is left as it is. */
export async function insertRun(db: Db, run: NewRun, demo: boolean): Promise<void> {
  const { series, spectrum, ...figures } = run.figures;
  await db('speed_run')
    .insert({
      id: run.id,
      job_id: run.jobId,
      source_id: run.sourceId,
      file_name: run.fileName,
      file_bytes: run.fileBytes,
      sha256: run.sha256,
      measured_at: run.measuredAt,
      figures: JSON.stringify(figures),
      series_start_s: series?.startS ?? null,
      series_step_s: series?.stepS ?? null,
      series_error_percent: singles(series?.errorPercent),
      series_half_width_percent: singles(series?.halfWidthPercent),
      spectrum_hz: singles(spectrum?.frequencyHz),
      spectrum_peak_percent: singles(spectrum?.peakPercent),
      demo,
    })
    .onConflict('id')
    .ignore();
}

export async function findRun(db: Db, id: string): Promise<Run | null> {
  const row = (await db('speed_run').where({ id }).select('speed_run.*').select(db.raw(HAS_RECORDING)).first()) as
    RunRow | undefined;
  if (!row) return null;
  return {
    ...toBrief(row),
    figures: { ...row.figures, series: seriesOf(row), spectrum: spectrumOf(row) },
  };
}

/** Runs of a job with their series, oldest first. */
export async function runsOfJob(db: Db, jobId: string): Promise<NewRun[]> {
  const rows = (await db('speed_run').where({ job_id: jobId }).orderBy(['measured_at', 'id'])) as RunRow[];
  return rows.map((row) => {
    const { demo: _demo, hasRecording: _kept, ...run } = toBrief({ ...row, has_recording: false });
    return { ...run, figures: { ...row.figures, series: seriesOf(row), spectrum: spectrumOf(row) } };
  });
}

function seriesOf(row: RunRow): Run['figures']['series'] {
  const { series_start_s: startS, series_step_s: stepS } = row;
  const { series_error_percent: errorPercent, series_half_width_percent: halfWidthPercent } = row;
  if (startS === null || stepS === null || errorPercent === null || halfWidthPercent === null) return null;
  return { startS, stepS, errorPercent, halfWidthPercent };
}

function spectrumOf(row: RunRow): Run['figures']['spectrum'] {
  const { spectrum_hz: frequencyHz, spectrum_peak_percent: peakPercent } = row;
  return frequencyHz && peakPercent ? { frequencyHz, peakPercent } : null;
}

/** Runs of a job, or those filed nowhere yet, newest first, without their series. */
export async function listRuns(db: Db, jobId: string | null, withDemo: boolean): Promise<RunBrief[]> {
  const query = db<RunRow>('speed_run').where({ job_id: jobId }).orderBy('measured_at', 'desc').limit(200);
  if (!withDemo) void query.where({ demo: false });
  return ((await query.select(...BRIEF).select(db.raw(HAS_RECORDING))) as RunRow[]).map(toBrief);
}

/** Files a run that belongs to no job yet; false when it does already. */
export async function fileRun(db: Db, id: string, jobId: string): Promise<boolean> {
  return (await db('speed_run').where({ id, job_id: null }).update({ job_id: jobId })) === 1;
}

export async function keepRecording(db: Db, runId: string, bytes: Buffer): Promise<void> {
  await db('recording').insert({ run_id: runId, bytes }).onConflict('run_id').ignore();
}

export async function recordingOf(db: Db, runId: string): Promise<Buffer | null> {
  const row = (await db('recording').where({ run_id: runId }).first('bytes')) as { bytes: Buffer } | undefined;
  return row?.bytes ?? null;
}
