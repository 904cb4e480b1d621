/** Sounds of clips, kept with their job: level-matched listening needs them on any device. */
import type { Knex } from 'knex';

export async function up(db: Knex): Promise<void> {
  await db.schema.createTable('clip_sound', (t) => {
    t.uuid('id').primary();
    t.uuid('job_id').notNullable().references('job.id').onDelete('CASCADE').index();
    t.binary('bytes').notNullable();
    t.specificType('sha256', 'char(64)').notNullable();
    t.timestamp('created_at', { useTz: true }).notNullable();
    t.check('octet_length(bytes) <= 3145728', undefined, 'clip_sound_size');
  });
}

export async function down(db: Knex): Promise<void> {
  await db.schema.dropTable('clip_sound');
}
