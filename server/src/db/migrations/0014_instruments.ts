/** Instruments on the network, by name and address. */
import type { Knex } from 'knex';

export async function up(db: Knex): Promise<void> {
  await db.schema.alterTable('setting', (t) => {
    t.jsonb('instruments').notNullable().defaultTo('[]');
    t.boolean('remote_instruments').notNullable().defaultTo(false);
  });
}

export async function down(db: Knex): Promise<void> {
  await db.schema.alterTable('setting', (t) => {
    t.dropColumn('instruments');
    t.dropColumn('remote_instruments');
  });
}
