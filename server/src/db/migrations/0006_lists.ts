/**
 * Lists of any length: when a unit moved last, when its next timer is due, and the text it is found by,
 * each where an index serves it.
 */
import type { Knex } from 'knex';

export async function up(db: Knex): Promise<void> {
  await db.raw('create extension if not exists pg_trgm');
  await db.schema.alterTable('job_state', (t) => {
    t.timestamp('moved_at', { useTz: true }).nullable();
    t.timestamp('next_due', { useTz: true }).nullable();
    t.text('search').notNullable().defaultTo('');
  });
  await db.raw(`
    update job_state set
      moved_at = coalesce(job_state.last_at, job.created_at),
      next_due = (select min((timer ->> 'dueAt')::timestamptz) from jsonb_array_elements(timers) timer),
      search = lower(concat_ws(' ', lpad(job.number::text, 4, '0'), make, model, serial, customer, complaint))
    from job where job.id = job_state.job_id`);
  await db.raw('alter table job_state alter column moved_at set not null');
  await db.raw('create index job_state_moved on job_state (next_kind, moved_at desc, job_id desc)');
  await db.raw('create index job_state_due on job_state (next_due) where next_due is not null');
  await db.raw('create index job_state_search on job_state using gin (search gin_trgm_ops)');
  await db.raw('create index job_family on job (family_id, created_at desc)');
}

export async function down(db: Knex): Promise<void> {
  await db.raw('drop index job_family');
  await db.schema.alterTable('job_state', (t) => {
    for (const name of ['moved_at', 'next_due', 'search']) t.dropColumn(name);
  });
  await db.raw('drop extension pg_trgm');
}
