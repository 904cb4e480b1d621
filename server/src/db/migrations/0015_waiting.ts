/** What waiting costs and how long parts usually take: mends are weighed by it. */
import type { Knex } from 'knex';

export async function up(db: Knex): Promise<void> {
  await db.schema.alterTable('setting', (t) => {
    t.double('day_money').notNullable().defaultTo(1);
    t.integer('parts_days').notNullable().defaultTo(7);
  });
}

export async function down(db: Knex): Promise<void> {
  await db.schema.alterTable('setting', (t) => {
    t.dropColumn('day_money');
    t.dropColumn('parts_days');
  });
}
