/** The shelf: lines that are added and never changed, in the order they came. */
import type { Knex } from 'knex';

export async function up(db: Knex): Promise<void> {
  await db.schema.createTable('shelf_line', (t) => {
    t.bigIncrements('position');
    t.uuid('key').notNullable().unique();
    t.timestamp('at', { useTz: true }).notNullable();
    t.jsonb('body').notNullable();
    t.boolean('demo').notNullable();
    t.timestamp('received_at', { useTz: true }).notNullable().index();
  });
}

export async function down(db: Knex): Promise<void> {
  await db.schema.dropTable('shelf_line');
}
