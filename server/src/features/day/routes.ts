/** What the day plan is made from; the page makes it. */
import { DAY_JOBS, dayFirstSchema, dayPlanSchema, type DayPlanInput } from '@amber-gauge/contract';
import { shelfOf, type Shelf } from '@amber-gauge/core/bench';
import type { Router } from 'express';
import { apiRouter, body, send } from '../../http/wire.js';
import { toJob, type JobRow } from '../jobs/repository.js';
import type { Services } from '../jobs/service.js';
import { presentSettings } from '../settings/repository.js';
import { shelfLines } from '../shelf/repository.js';

const OPEN = ['hands', 'waits', 'back'];

export function dayRoutes({ db, now }: Services): Router {
  const router = apiRouter();
  router.get('/day-plan', async (_req, res) => {
    const { demoShown, hours } = await presentSettings(db);
    const query = db('job_state').join('job', 'job.id', 'job_state.job_id').whereIn('next_kind', OPEN);
    if (!demoShown) void query.where('job.demo', false);
    const { n } = (await query.clone().count('* as n').first()) as unknown as { n: number };
    const rows = (await query
      .select('job.*', 'job_state.chain')
      .orderBy('moved_at', 'desc')
      .limit(DAY_JOBS)) as (JobRow & { chain: DayPlanInput['jobs'][number]['chain'] })[];
    const shelf = shelfOf(await shelfLines(db, demoShown), now().toISOString().slice(0, 10));
    send(res, dayPlanSchema, {
      jobs: rows.map((row) => ({ job: toJob(row), chain: row.chain, ...partFor(shelf, row.number) })),
      hours,
      first: await firstOf(db),
      more: Number(n) - rows.length,
    });
  });
  router.put('/day-plan/first', async (req, res) => {
    const { first } = body(req, dayFirstSchema);
    await db('setting').update({ day_first: JSON.stringify([...new Set(first)]) });
    send(res, dayFirstSchema, { first: await firstOf(db) });
  });
  return router;
}

/** What was put first by hand; what is no list of ids any more counts as none. */
async function firstOf(db: Services['db']): Promise<string[]> {
  const row = (await db('setting').first('day_first')) as { day_first: unknown } | undefined;
  return dayFirstSchema.safeParse({ first: row?.day_first }).data?.first ?? [];
}

/** The last of the parts set aside for a job that are still on their way. */
function partFor({ lots }: Shelf, number: number): { partOn: string | null; part: string | null } {
  const coming = lots
    .filter(({ reserved, arrivedOn, lot }) => reserved.has(number) && arrivedOn === null && lot.expectedOn !== null)
    .sort((a, b) => ((a.lot.expectedOn ?? '') < (b.lot.expectedOn ?? '') ? 1 : -1));
  const [last] = coming;
  return { partOn: last?.lot.expectedOn ?? null, part: last?.lot.part ?? null };
}
