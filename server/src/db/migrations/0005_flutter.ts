/** Which standard's figure of wow and flutter stands with the number. */
import type { Knex } from 'knex';

export async function up(db: Knex): Promise<void> {
  await db.schema.alterTable('setting', (t) => {
    t.text('flutter_standard').notNullable().defaultTo('unweighted-peak');
  });
}

export async function down(db: Knex): Promise<void> {
  await db.schema.alterTable('setting', (t) => {
    t.dropColumn('flutter_standard');
  });
}
