/** Removing lines of the log is bound to demo jobs in the database itself: no setting lifts it for one's own. */
import type { Knex } from 'knex';

const guard = (allowed: string): string => `
  create or replace function job_event_append_only() returns trigger language plpgsql as $$
  begin
    if tg_op = 'DELETE' and current_setting('amber_gauge.remove_demo', true) = 'on'${allowed} then
      return old;
    end if;
    raise exception 'the bench log is append-only';
  end $$`;

export async function up(db: Knex): Promise<void> {
  await db.raw(guard(' and exists (select 1 from job where job.id = old.job_id and job.demo)'));
}

export async function down(db: Knex): Promise<void> {
  await db.raw(guard(''));
}
