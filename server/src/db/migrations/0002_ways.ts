/**
 * Speed runs of every way of measuring: series and hash may be absent, tone figures take the common
 * shape. The sound card's clock gets a correction.
 */
import type { Knex } from 'knex';

const SERIES = [
  'series_start_s',
  'series_step_s',
  'series_error_percent',
  'series_half_width_percent',
  'spectrum_hz',
  'spectrum_peak_percent',
  'sha256',
];

export async function up(db: Knex): Promise<void> {
  await db.schema.alterTable('setting', (t) => t.double('clock_correction_ppm').notNullable().defaultTo(0));
  for (const column of SERIES) await db.raw('alter table speed_run alter column ?? drop not null', [column]);
  await db.raw(`
    update speed_run set figures = jsonb_build_object(
      'unit', 'Hz',
      'nominal', figures->'nominalHz',
      'mean', figures->'meanHz',
      'errorPercent', figures->'meanErrorPercent',
      'expandedPercent', figures->'meanErrorExpandedUncertaintyPercent',
      'uncertainty', figures->'uncertainty',
      'driftPercent', figures->'driftPercent',
      'flutter', jsonb_build_object(
        'unweightedPeakPercent', figures->'unweightedPeakPercent',
        'unweightedRmsPercent', figures->'unweightedRmsPercent',
        'weighted2SigmaPercent', figures->'weighted2SigmaPercent',
        'weightedQuasiPeakPercent', figures->'weightedQuasiPeakPercent',
        'weightedRmsPercent', figures->'weightedRmsPercent'),
      'lines', figures->'lines',
      'warnings', figures->'warnings',
      'detail', (figures->'tone') || '{"way": "tone", "live": false}'::jsonb)
    where figures->'meanHz' is not null`);
}

/** Runs that the older shape cannot hold are taken out. */
export async function down(db: Knex): Promise<void> {
  await db.raw(`delete from speed_run where figures->'detail'->>'way' <> 'tone' or sha256 is null`);
  await db.raw(`
    update speed_run set figures = (figures->'flutter') || jsonb_build_object(
      'nominalHz', figures->'nominal',
      'meanHz', figures->'mean',
      'meanErrorPercent', figures->'errorPercent',
      'meanErrorExpandedUncertaintyPercent', figures->'expandedPercent',
      'uncertainty', figures->'uncertainty',
      'driftPercent', figures->'driftPercent',
      'lines', figures->'lines',
      'warnings', figures->'warnings',
      'tone', (figures->'detail') - 'way' - 'live')`);
  for (const column of SERIES) await db.raw('alter table speed_run alter column ?? set not null', [column]);
  await db.schema.alterTable('setting', (t) => t.dropColumn('clock_correction_ppm'));
}
