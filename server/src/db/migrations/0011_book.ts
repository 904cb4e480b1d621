/** What the Book keeps of each job, in columns its lists and figures are made from. Rows are filled anew by the server. */
import type { Knex } from 'knex';

const COLUMNS = [
  'handed_at',
  'return_of',
  'return_same',
  'faults',
  'mends',
  'stage_minutes',
  'worth',
  'price',
  'advice_rank',
  'proved',
  'follow_ups',
  'follow_next',
  'words',
  'chain',
  'book_at',
];

export async function up(db: Knex): Promise<void> {
  await db.schema.alterTable('job_state', (t) => {
    t.timestamp('handed_at', { useTz: true }).nullable();
    t.uuid('return_of').nullable();
    t.boolean('return_same').notNullable().defaultTo(false);
    t.specificType('faults', 'text[]').notNullable().defaultTo('{}');
    t.specificType('mends', 'text[]').notNullable().defaultTo('{}');
    t.jsonb('stage_minutes').notNullable().defaultTo('{}');
    t.double('worth').nullable();
    t.double('price').nullable();
    t.integer('advice_rank').nullable();
    t.boolean('proved').notNullable().defaultTo(false);
    t.jsonb('follow_ups').notNullable().defaultTo('[]');
    t.date('follow_next').nullable();
    t.specificType('words', 'tsvector').nullable();
    t.jsonb('chain').notNullable().defaultTo('{"blocks": [], "busyUntil": null, "busyWhy": null, "dueOn": null}');
    t.timestamp('book_at', { useTz: true }).nullable();
  });
  await db.raw('create index job_state_words on job_state using gin (words)');
  await db.raw('create index job_state_newest on job_state (moved_at desc, job_id desc)');
  await db.raw('create index job_state_follow on job_state (follow_next) where follow_next is not null');
  await db.raw('create index job_state_return on job_state (return_of) where return_of is not null');
  await db.raw('create index job_state_unfilled on job_state (job_id) where book_at is null');
}

export async function down(db: Knex): Promise<void> {
  await db.schema.alterTable('job_state', (t) => {
    for (const name of COLUMNS) t.dropColumn(name);
  });
  await db.raw('drop index job_state_newest');
}
