/** Many made-up jobs at once, by SQL: for plans and benchmarks, never for what a figure is checked by. */
import { toleranceOfUse } from '@amber-gauge/core/bench';
import { familyOf } from '@amber-gauge/core/families';
import type { Db } from '../src/db/connect.js';

/** `jobs` units, nearly all handed back, each with `lines` lines (notes, every fourth a reading, the last a mend), spread over three years. */
export async function fillBench(db: Db, jobs: number, lines: number): Promise<void> {
  const tolerance = JSON.stringify(toleranceOfUse(familyOf('belt-turntable-dc')));
  const families = ['belt-turntable-dc', 'cassette-deck', 'washer-front', 'vacuum', 'stand-mixer'];
  const known = families.filter((id) => {
    try {
      return familyOf(id) !== undefined;
    } catch {
      return false;
    }
  });
  await db.raw(
    `insert into job (id, number, family_id, make, model, serial, customer, complaint, tried, power_kind, rated_volts,
       speed_ids, tolerance, demo, version, created_at)
     select gen_random_uuid(), n, (?::text[])[1 + n % ?], 'Made ' || n % 40, 'Up ' || n % 300, 'S' || n,
       'Customer ' || n, case when n % 9 = 0 then 'slow in the school hall' else 'hums and wanders' end, '', 'mains', 230,
       array['33', '45'], ?::jsonb, false, 1, timestamptz '2023-03-01' + n * interval '20 minutes'
     from generate_series(1, ?) n`,
    [known, known.length, tolerance, jobs],
  );
  await db.raw(
    `insert into job_event (job_id, key, entered_at, received_at, device, sequence, stage, kind, body)
     select id, gen_random_uuid(), created_at + k * interval '1 minute', created_at + k * interval '1 minute', 'bench', k,
       'find', line.body ->> 'kind', line.body
     from job cross join generate_series(1, ?) k cross join lateral (select case
       when k % 4 = 0 then jsonb_build_object('kind', 'reading', 'text', 'supply', 'values', jsonb_build_array(11.5 + number % 10 / 10.0),
         'unit', 'V', 'qualifier', 'dc', 'bound', 'exact', 'place', 'supply', 'speedId', null, 'condition', null, 'holdKey', null)
       when k = ? - 1 then jsonb_build_object('kind', 'work', 'action', 'replace', 'what', 'belt')
       else jsonb_build_object('kind', 'note', 'text', 'a note of some length, number ' || k) end as body) line
     where not demo`,
    [lines, lines],
  );
  await db.raw(
    `insert into job_state (job_id, next_stage, next_kind, next_text, power, speeds, line_count, last_at, moved_at, search,
       handed_at, faults, mends, stage_minutes, price, words, book_at)
     select id, 'hand-back', case when number % 500 = 0 then 'hands' when number % 501 = 0 then 'back' else 'done' end,
       'Handed back', 'unplugged-unknown', '[]', ?, created_at + interval '1 hour', created_at + interval '1 hour',
       lower(concat_ws(' ', lpad(number::text, 4, '0'), make, model, serial, customer, complaint)),
       case when number % 500 = 0 or number % 501 = 0 then null else created_at + number % 40 * interval '1 day' end,
       array['belt.slips'], array['new-belt'], '{"find": 12, "mend": 20}', 30 + number % 50,
       to_tsvector('simple', concat_ws(' ', lpad(number::text, 4, '0'), make, model, serial, customer, complaint,
         'replaced the belt, note of some length number ' || number % 97)), now()
     from job where not demo on conflict do nothing`,
    [lines],
  );
  await db.raw(`select setval('job_number', ?)`, [jobs]);
  for (const table of ['job', 'job_state', 'job_event']) await db.raw(`analyze ${table}`);
}
