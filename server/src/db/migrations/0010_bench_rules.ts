/** A shop's own limits of electrical safety, and when its bench is open with what it has once. */
import type { Knex } from 'knex';

/** As the first version of the page has them; a later change of defaults changes no shop's own. */
const SAFETY = {
  earthOhm: 0.3,
  earthOhmPer: 0.1,
  earthOhmMost: 1,
  insulationMohm: { I: 1, 'I-heating': 0.3, II: 2, III: 0.25 },
  earthCurrentMa: 3.5,
  touchCurrentMa: 0.5,
};
const HOURS = { from: '09:00', to: '17:00', days: [1, 2, 3, 4, 5], places: 2, isolators: 1, variacs: 1, tapes: 1 };

export async function up(db: Knex): Promise<void> {
  await db.schema.alterTable('setting', (t) => {
    t.jsonb('safety').notNullable().defaultTo(JSON.stringify(SAFETY));
    t.jsonb('hours').notNullable().defaultTo(JSON.stringify(HOURS));
  });
}

export async function down(db: Knex): Promise<void> {
  await db.schema.alterTable('setting', (t) => {
    t.dropColumn('safety');
    t.dropColumn('hours');
  });
}
