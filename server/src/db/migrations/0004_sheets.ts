/** One sheet per model: the drive path as it is fitted there. */
import type { Knex } from 'knex';

export async function up(db: Knex): Promise<void> {
  await db.schema.createTable('model_sheet', (t) => {
    t.text('family_id').notNullable();
    t.text('model_key').notNullable();
    t.text('model').notNullable();
    t.jsonb('sheet').notNullable();
    t.integer('version').notNullable();
    t.timestamp('changed_at', { useTz: true }).notNullable();
    t.primary(['family_id', 'model_key']);
  });
}

export async function down(db: Knex): Promise<void> {
  await db.schema.dropTable('model_sheet');
}
