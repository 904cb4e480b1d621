/** Sounds of clips, kept with their job for any device; jobs that the shop put first in its day plan. */
import type { Knex } from 'knex';

export async function up(db: Knex): Promise<void> {
  await db.schema.createTable('clip_sound', (t) => {
    t.uuid('id').primary();
    t.uuid('job_id').notNullable().references('job.id').onDelete('CASCADE').index();
    t.binary('bytes').notNullable();
    t.specificType('sha256', 'char(64)').notNullable();
    t.timestamp('created_at', { useTz: true }).notNullable();
    t.check('octet_length(bytes) <= 4194304', undefined, 'clip_sound_size');
  });
  await db.schema.alterTable('setting', (t) => void t.jsonb('day_first').notNullable().defaultTo('[]'));
}

export async function down(db: Knex): Promise<void> {
  await db.schema.alterTable('setting', (t) => void t.dropColumn('day_first'));
  await db.schema.dropTable('clip_sound');
}
