/**
 * Strip-down ledger, gate and timers are lines of the log; lists learn to show what runs by itself.
 * Photos lie beside the log. Every change of a job is told to all who listen.
 */
import type { Knex } from 'knex';

const KINDS = 'job_state_next_kind_check';

/** The check on next_kind, whatever name it was given. */
async function dropKindCheck(db: Knex): Promise<void> {
  const { rows } = await db.raw<{ rows: { conname: string }[] }>(
    `select conname from pg_constraint where conrelid = 'job_state'::regclass and contype = 'c'
     and pg_get_constraintdef(oid) like '%next_kind%'`,
  );
  for (const { conname } of rows) await db.raw('alter table job_state drop constraint ??', [conname]);
}

export async function up(db: Knex): Promise<void> {
  await dropKindCheck(db);
  await db.raw(`alter table job_state add constraint ?? check (next_kind in ('hands', 'waits', 'back', 'done'))`, [
    KINDS,
  ]);
  await db.schema.alterTable('job_state', (t) => {
    t.timestamp('next_until', { useTz: true }).nullable();
    t.jsonb('timers').notNullable().defaultTo('[]');
  });
  await db.schema.createTable('photo', (t) => {
    t.uuid('id').primary();
    t.uuid('job_id').notNullable().references('job.id').onDelete('CASCADE').index();
    t.text('media_type').notNullable().checkIn(['image/jpeg', 'image/png', 'image/webp']);
    t.binary('bytes').notNullable();
    t.binary('thumb').nullable();
    t.specificType('sha256', 'char(64)').notNullable();
    t.timestamp('created_at', { useTz: true }).notNullable();
    t.check('octet_length(bytes) <= 8388608', undefined, 'photo_size');
    t.check('thumb is null or octet_length(thumb) <= 262144', undefined, 'photo_thumb_size');
  });
  await db.raw(`
    create function tell_job_changed() returns trigger language plpgsql as $$
    begin
      perform pg_notify('job_changed', coalesce(new.job_id, old.job_id)::text);
      return null;
    end $$`);
  await db.raw(`
    create trigger job_state_tells after insert or update on job_state
    for each row execute function tell_job_changed()`);
}

export async function down(db: Knex): Promise<void> {
  await db.raw('drop trigger job_state_tells on job_state');
  await db.raw('drop function tell_job_changed()');
  await db.schema.dropTable('photo');
  await db.raw(`update job_state set next_kind = 'hands' where next_kind = 'waits'`);
  await dropKindCheck(db);
  await db.raw(`alter table job_state add constraint ?? check (next_kind in ('hands', 'back', 'done'))`, [KINDS]);
  await db.schema.alterTable('job_state', (t) => {
    t.dropColumn('next_until');
    t.dropColumn('timers');
  });
}
