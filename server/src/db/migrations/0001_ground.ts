/** Settings, test sources, jobs, the append-only bench log, speed runs and kept recordings. */
import type { Knex } from 'knex';

export async function up(db: Knex): Promise<void> {
  await db.schema.createTable('setting', (t) => {
    t.integer('id').primary().checkIn(['1']);
    t.text('shop_name').notNullable();
    t.text('shop_address').notNullable();
    t.specificType('currency', 'char(3)').notNullable();
    t.double('mains_volts').notNullable();
    t.integer('mains_hz').notNullable().checkIn(['50', '60']);
    t.text('capture_key').notNullable();
    t.double('clock_limit_ppm').notNullable().checkPositive();
    t.boolean('demo_shown').notNullable();
    t.boolean('demo_seeded').notNullable();
    t.integer('version').notNullable();
  });
  await db('setting').insert({
    id: 1,
    shop_name: 'Your bench',
    shop_address: '',
    currency: 'EUR',
    mains_volts: 230,
    mains_hz: 50,
    capture_key: 'F9',
    clock_limit_ppm: 100,
    demo_shown: true,
    demo_seeded: false,
    version: 1,
  });
  await db.schema.createTable('tone_source', (t) => {
    t.uuid('id').primary();
    t.text('name').notNullable();
    t.double('nominal_hz').notNullable().checkPositive();
    t.double('tolerance_percent').nullable();
    t.boolean('demo').notNullable();
    t.integer('version').notNullable();
    t.timestamp('created_at', { useTz: true }).notNullable();
    t.check('tolerance_percent is null or tolerance_percent > 0', undefined, 'tone_source_tolerance_positive');
  });
  await createJobs(db);
  await createLog(db);
  await createRuns(db);
}

async function createJobs(db: Knex): Promise<void> {
  await db.raw('create sequence job_number start 1');
  await db.schema.createTable('job', (t) => {
    t.uuid('id').primary();
    t.integer('number').notNullable();
    t.text('family_id').notNullable();
    for (const name of ['make', 'model', 'serial', 'customer', 'complaint', 'tried']) t.text(name).notNullable();
    t.text('power_kind').notNullable().checkIn(['mains', 'pack', 'adapter']);
    t.double('rated_volts').nullable();
    t.specificType('speed_ids', 'text[]').notNullable();
    t.jsonb('tolerance').notNullable();
    t.boolean('demo').notNullable().index();
    t.integer('version').notNullable();
    t.timestamp('created_at', { useTz: true }).notNullable();
    t.unique(['number', 'demo']);
    t.check('cardinality(speed_ids) > 0', undefined, 'job_has_speed');
    t.check('rated_volts is null or rated_volts > 0', undefined, 'job_volts_positive');
  });
  await db.schema.createTable('job_state', (t) => {
    t.uuid('job_id').primary().references('job.id').onDelete('CASCADE');
    t.text('next_stage').notNullable();
    t.text('next_kind').notNullable().checkIn(['hands', 'back', 'done']);
    t.text('next_text').notNullable();
    t.text('power').notNullable();
    t.jsonb('speeds').notNullable();
    t.integer('line_count').notNullable();
    t.timestamp('last_at', { useTz: true }).nullable();
    t.index(['next_kind', 'last_at']);
  });
}

async function createLog(db: Knex): Promise<void> {
  await db.schema.createTable('job_event', (t) => {
    t.bigIncrements('position');
    t.uuid('job_id').notNullable().references('job.id').onDelete('CASCADE');
    t.uuid('key').notNullable().unique();
    t.timestamp('entered_at', { useTz: true }).notNullable();
    t.timestamp('received_at', { useTz: true }).notNullable();
    t.text('device').notNullable();
    t.integer('sequence').notNullable();
    t.text('stage').notNullable();
    t.text('kind').notNullable();
    t.jsonb('body').notNullable();
    t.index(['job_id', 'entered_at']);
  });
  // Append-only: a line is never changed; it goes only with its demo job, and only when asked for by name.
  await db.raw(`
    create function job_event_append_only() returns trigger language plpgsql as $$
    begin
      if tg_op = 'DELETE' and current_setting('amber_gauge.remove_demo', true) = 'on' then
        return old;
      end if;
      raise exception 'the bench log is append-only';
    end $$`);
  await db.raw(`
    create trigger job_event_append_only before update or delete on job_event
    for each row execute function job_event_append_only()`);
  await db.raw(`
    create trigger job_event_no_truncate before truncate on job_event
    for each statement execute function job_event_append_only()`);
}

async function createRuns(db: Knex): Promise<void> {
  await db.schema.createTable('speed_run', (t) => {
    t.uuid('id').primary();
    t.uuid('job_id').nullable().references('job.id').onDelete('CASCADE');
    t.uuid('source_id').nullable().references('tone_source.id').onDelete('RESTRICT');
    t.text('file_name').notNullable();
    t.bigInteger('file_bytes').notNullable();
    t.specificType('sha256', 'char(64)').notNullable();
    t.timestamp('measured_at', { useTz: true }).notNullable();
    t.jsonb('figures').notNullable();
    t.double('series_start_s').notNullable();
    t.double('series_step_s').notNullable();
    for (const name of ['series_error_percent', 'series_half_width_percent', 'spectrum_hz', 'spectrum_peak_percent']) {
      t.specificType(name, 'real[]').notNullable();
    }
    t.boolean('demo').notNullable();
    t.index(['job_id', 'measured_at']);
  });
  await db.schema.createTable('recording', (t) => {
    t.uuid('run_id').primary().references('speed_run.id').onDelete('CASCADE');
    t.binary('bytes').notNullable();
    t.check('octet_length(bytes) <= 67108864', undefined, 'recording_size');
  });
}

export async function down(db: Knex): Promise<void> {
  await db.schema.dropTable('recording');
  await db.schema.dropTable('speed_run');
  await db.schema.dropTable('job_event');
  await db.raw('drop function job_event_append_only()');
  await db.schema.dropTable('job_state');
  await db.schema.dropTable('job');
  await db.raw('drop sequence job_number');
  await db.schema.dropTable('tone_source');
  await db.schema.dropTable('setting');
}
