/** SQL of the list of practice units: the newest, each with how it ended. */
import { practiceRowSchema, PRACTICE_SHOWN, type PracticeRow } from '@amber-gauge/contract';
import type { Db } from '../../db/connect.js';

interface Row {
  id: string;
  number: number;
  family_id: string;
  complaint: string;
  lesson: string | null;
  created_at: Date;
  lines: number;
  ended: unknown;
}

/** A line that was not struck out. */
const STANDING = `not exists (select 1 from job_event strike where strike.job_id = line.job_id
  and strike.kind = 'strike' and strike.body ->> 'target' = line.key::text)`;

/** The newest practice units. An end that cannot be read counts as none. */
export async function listPractice(db: Db): Promise<PracticeRow[]> {
  const { rows } = await db.raw<{ rows: Row[] }>(
    `select id, number, family_id, complaint, practice ->> 'lesson' as lesson, created_at,
       (select count(*)::int from job_event line where line.job_id = job.id) as lines,
       (select body from job_event line where line.job_id = job.id and kind = 'practice-end' and ${STANDING}
        order by position desc limit 1) as ended
     from job where practice is not null order by created_at desc limit ?`,
    [PRACTICE_SHOWN],
  );
  return rows.map((row) => {
    const base = {
      id: row.id,
      number: row.number,
      familyId: row.family_id,
      complaint: row.complaint,
      lesson: row.lesson,
      createdAt: row.created_at.toISOString(),
      lines: row.lines,
    };
    const whole = practiceRowSchema.safeParse({ ...base, ended: row.ended });
    return whole.success ? whole.data : { ...base, ended: null };
  });
}

/** Lessons that ended with nothing left and no harm: how often, and the fewest minutes. */
export async function lessonsDone(db: Db): Promise<{ lesson: string; times: number; bestMinutes: number }[]> {
  const { rows } = await db.raw<{ rows: { lesson: string; times: number; bestMinutes: number }[] }>(
    `select practice ->> 'lesson' as lesson, count(*)::int as times, min((body ->> 'minutes')::float8) as "bestMinutes"
     from job join job_event line on line.job_id = job.id and line.kind = 'practice-end' and ${STANDING}
     where practice ->> 'lesson' is not null
       and jsonb_array_length(body -> 'left') = 0 and jsonb_array_length(body -> 'harm') = 0
     group by 1`,
  );
  return rows;
}
