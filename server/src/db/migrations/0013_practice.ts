/** Practice units: jobs of their own number series that stand in no list and no figure. */
import type { Knex } from 'knex';

export async function up(db: Knex): Promise<void> {
  await db.schema.alterTable('job', (t) => {
    t.jsonb('practice').nullable();
    t.dropUnique(['number', 'demo']);
  });
  await db.raw('create unique index job_number_demo_practice on job (number, demo, (practice is null))');
  await db.raw('create index job_practice on job (created_at desc) where practice is not null');
  await db.raw('create sequence practice_number start 1');
}

export async function down(db: Knex): Promise<void> {
  await db.raw(`set local amber_gauge.remove_demo = 'on'`);
  await db.raw('delete from job where practice is not null');
  await db.raw('drop sequence practice_number');
  await db.raw('drop index job_practice');
  await db.raw('drop index job_number_demo_practice');
  await db.schema.alterTable('job', (t) => {
    t.unique(['number', 'demo']);
    t.dropColumn('practice');
  });
}
