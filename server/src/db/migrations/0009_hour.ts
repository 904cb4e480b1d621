/** What an hour of the bench costs, in the shop's currency: mends are weighed by it. */
import type { Knex } from 'knex';

export async function up(db: Knex): Promise<void> {
  await db.schema.alterTable('setting', (t) => {
    t.double('hour_money').notNullable().defaultTo(60);
  });
}

export async function down(db: Knex): Promise<void> {
  await db.schema.alterTable('setting', (t) => {
    t.dropColumn('hour_money');
  });
}
