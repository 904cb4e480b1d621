/** Jobs: what is taken in, what lists show, what one job carries. */
import { POWER_STATES, STAGES, TIMER_KINDS, type JobFacts } from '@amber-gauge/core/bench';
import { modelSheetSchema } from '@amber-gauge/core/families';
import { z } from 'zod';
import { eventSchema, keptEventSchema } from './events.js';
import { practiceSpecSchema } from './practice.js';
import { keySchema, momentSchema, wholeSchema } from './stored.js';
import { say } from '@amber-gauge/core/words';

const originSchema = z.object({
  kind: z.enum(['standard', 'practice', 'sheet', 'chosen']),
  text: z.string().min(1).max(400),
});

/** The tolerance that counts for a job, percent of nominal, with its origin. */
export const jobToleranceSchema = z.object({
  use: z.string().min(1).max(200),
  lowerPercent: z.number().negative().min(-50),
  upperPercent: z.number().positive().max(50),
  origin: originSchema,
});

/** What may be entered and changed; number and ids are the server's. */
export const jobFieldsSchema = z.object({
  familyId: z.string().min(1).max(64),
  make: z.string().trim().max(120),
  model: z.string().trim().max(120),
  serial: z.string().trim().max(120),
  customer: z.string().trim().max(200),
  powerKind: z.enum(['mains', 'pack', 'adapter']),
  ratedVolts: z
    .number()
    .positive(say`Rated volts are above zero`)
    .max(1000, say`Rated volts are at most 1000`)
    .nullable(),
  speedIds: z
    .array(z.string().min(1).max(32))
    .min(1, say`Choose at least one speed`)
    .max(12),
  complaint: z.string().trim().max(4000),
  tried: z.string().trim().max(4000),
  tolerance: jobToleranceSchema,
});
/** What may be entered and changed of a job. */
export type JobFields = z.infer<typeof jobFieldsSchema>;

/** A job as the server keeps it. */
export const jobSchema = jobFieldsSchema.extend({
  id: z.uuid(),
  number: z.number().int().positive(),
  demo: z.boolean(),
  version: z.number().int().positive(),
  createdAt: z.iso.datetime(),
  practice: practiceSpecSchema.optional(),
}) satisfies z.ZodType<JobFacts>;
/** See {@link jobSchema}. */
export type Job = z.infer<typeof jobSchema>;

/** A new unit; `id` is made by the client so that a repeated request makes one job. */
export const newJobSchema = jobFieldsSchema.extend({ id: keySchema, practice: practiceSpecSchema.optional() });

/** A change to some fields, refused when `version` is not the present one. */
export const changeJobSchema = z.object({
  version: wholeSchema.min(1),
  fields: jobFieldsSchema.partial(),
  key: keySchema,
  enteredAt: momentSchema,
  device: z.string().min(1).max(64),
  sequence: wholeSchema,
});

/** A line that stands in the log but cannot be read here: damaged, or written by a newer version. */
export const unreadableLineSchema = z.object({
  position: z.number().int(),
  kind: z.string(),
  receivedAt: z.iso.datetime(),
});
/** A line that this version cannot read: it is shown, never dropped. */
export type UnreadableLine = z.infer<typeof unreadableLineSchema>;

/** A job with its log. */
export const jobDetailSchema = z.object({
  job: jobSchema,
  /** All lines, or those behind the one that was named. */
  events: z.array(keptEventSchema),
  unreadable: z.array(unreadableLineSchema),
  /** Lines in the whole log, with those that cannot be read. */
  lines: z.number().int().nonnegative(),
  /** The lines given are those behind the one named alone. */
  onlyNew: z.boolean(),
});

/** The last line that is known of a log: what is asked for comes behind it. */
export const knownLineSchema = z.object({ after: z.coerce.number().int().optional(), key: keySchema.optional() });
/** See {@link jobDetailSchema}. */
export type JobDetail = z.infer<typeof jobDetailSchema>;

const nullable = z.number().nullable();

/** A speed as a list shows it: the newest reading that counts, with its verdict. */
export const briefSpeedSchema = z.object({
  speedId: z.string(),
  label: z.string(),
  nominalRpm: nullable,
  reading: z
    .object({
      turned: z.boolean(),
      errorPercent: nullable,
      expandedPercent: nullable,
      wowPeakPercent: nullable,
      rpm: nullable,
      verdict: z.enum(['right', 'not-right', 'undecided']),
      side: z.enum(['slow', 'fast']).nullable(),
    })
    .nullable(),
});

/** A timer as lists and the tab's title show it. */
export const listTimerSchema = z.object({
  key: z.uuid(),
  timer: z.enum(TIMER_KINDS),
  label: z.string(),
  startedAt: z.iso.datetime(),
  dueAt: z.iso.datetime(),
});
/** A timer as lists show it. */
export type ListTimer = z.infer<typeof listTimerSchema>;

/** A job as lists show it, computed when its log last changed. */
export const jobListItemSchema = z.object({
  job: jobSchema,
  next: z.object({
    stage: z.enum(STAGES),
    kind: z.enum(['hands', 'waits', 'back', 'done']),
    text: z.string(),
    until: z.iso.datetime().nullable(),
  }),
  power: z.enum(POWER_STATES),
  speeds: z.array(briefSpeedSchema),
  /** Timers that run or are done and unanswered. */
  timers: z.array(listTimerSchema),
  lineCount: z.number().int(),
  lastAt: z.iso.datetime().nullable(),
  /** Its place in a list: what is asked for next comes before it. */
  movedAt: z.iso.datetime(),
});
/** See {@link jobListItemSchema}. */
export type JobListItem = z.infer<typeof jobListItemSchema>;
/** Rows of one kind that a first look brings, and rows of a page. */
export const LIST_FIRST = { hands: 60, waits: 60, back: 60, done: 20 } as const;
/** Jobs on one page of a list. */
export const LIST_PAGE = 60;
/** Units with timers that a first look brings beside them. */
export const LIST_TIMED = 200;

/** What a list is asked for: nothing (the bench at a glance), a page of one kind, a search, or a family's open units. */
export const listQuerySchema = z.object({
  kind: z.enum(['hands', 'waits', 'back', 'done']).optional(),
  beforeAt: momentSchema.optional(),
  beforeId: keySchema.optional(),
  search: z.string().trim().max(200).optional(),
  family: z.string().max(64).optional(),
});

const kindCount = z.number().int().nonnegative();

/** A page of jobs with the counts of each kind. */
export const jobListSchema = z.object({
  jobs: z.array(jobListItemSchema),
  /** How many there are of each kind in all; null where a list was searched. */
  counts: z.object({ hands: kindCount, waits: kindCount, back: kindCount, done: kindCount }).nullable(),
  /** Jobs whose rows cannot be read here. */
  unreadable: z.array(z.object({ id: z.string(), number: z.number().int() })),
});

/** See {@link jobListSchema}. */
export type JobList = z.infer<typeof jobListSchema>;

/** A message of the stream: which job changed, and its row as lists show it now; null where none is shown. */
export const jobChangedSchema = z.object({ id: z.uuid(), item: jobListItemSchema.nullable().catch(null) });

/** Lines to be kept, 200 at most in one request. */
export const postEventsSchema = z.object({ events: z.array(eventSchema).min(1).max(200) });
/** The lines as they were kept. */
export const eventsKeptSchema = z.object({ kept: z.array(keptEventSchema) });

/** What this bench has confirmed of a family: units, and how often each fault mode. */
const confirmedSchema = z.object({
  units: z.number().int().nonnegative(),
  modes: z.record(z.string(), z.number().nonnegative()),
});

/** What this bench knows: faults of the family's other models and of this model, and values of healthy units of it. */
export const benchKnowledgeSchema = z.object({
  family: confirmedSchema,
  model: confirmedSchema,
  healthy: z.record(z.string(), z.array(z.number())),
  cured: z.record(z.string(), z.number()).default({}),
  opening: z.array(z.string()).default([]),
});

/** A model's sheet as it is kept; version 0 where none was kept yet. */
export const keptSheetSchema = z.object({
  model: z.string(),
  version: wholeSchema,
  sheet: modelSheetSchema,
});
/** A model's sheet with its version. */
export type KeptSheet = z.infer<typeof keptSheetSchema>;

/** A change of a sheet, refused when `version` is not the present one. */
export const changeSheetSchema = z.object({
  model: z
    .string()
    .trim()
    .min(1, say`Name the model`)
    .max(240),
  version: wholeSchema,
  sheet: modelSheetSchema,
});
