/** What the day plan is made from: open jobs with what they still need, the bench's hours, what it has of what jobs share. */
import { SHARED } from '@amber-gauge/core/bench';
import { z } from 'zod';
import { jobSchema } from './jobs.js';
import { hoursSchema } from './settings.js';

const minutes = z.number().min(0);
const blockSchema = z.object({
  id: z.string(),
  words: z.string(),
  handsMin: minutes,
  waitMin: minutes,
  needs: z.array(z.enum(SHARED)),
  keeps: z.array(z.enum(SHARED)),
});

/** A job's chain as it was reckoned when its log last changed. */
export const chainSchema = z.object({
  blocks: z.array(blockSchema),
  busyUntil: z.iso.datetime().nullable(),
  busyWhy: z.string().nullable(),
  dueOn: z.iso.date().nullable(),
});

/** Jobs that a plan holds at most: those that moved last. */
export const DAY_JOBS = 60;

/** See the head of the file. */
export const dayPlanSchema = z.object({
  jobs: z.array(
    z.object({
      job: jobSchema,
      chain: chainSchema,
      /** The day its ordered part is expected; null when it waits for none. */
      partOn: z.iso.date().nullable(),
      part: z.string().nullable(),
    }),
  ),
  hours: hoursSchema,
  /** Jobs put first by hand, in that order. */
  first: z.array(z.uuid()),
  /** Open jobs that the plan leaves out. */
  more: z.number().int().nonnegative(),
});
/** See {@link dayPlanSchema}. */
export type DayPlanInput = z.infer<typeof dayPlanSchema>;

/** Jobs to put first, in this order; none: planned freely again. */
export const dayFirstSchema = z.object({ first: z.array(z.uuid()).max(100) });
