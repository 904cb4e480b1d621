/** The Book: every job, found by words or by field; the figures of the shop; what is due later. */
import { FOLLOW_UP_KINDS, STAGES } from '@amber-gauge/core/bench';
import Papa from 'papaparse';
import { z } from 'zod';
import { jobSchema, type Job } from './jobs.js';
import { daySchema, keySchema, momentSchema } from './stored.js';

const nullable = z.number().nullable();
const count = z.number().int().nonnegative();

/** A job as the Book lists it. */
export const bookRowSchema = z.object({
  job: jobSchema,
  handedAt: z.iso.datetime().nullable(),
  returnOf: z.uuid().nullable(),
  /** Number of a later job that this unit came back as; null when it did not. */
  returnedAs: count.nullable(),
  faults: z.array(z.string()),
  mends: z.array(z.string()),
  minutes: z.partialRecord(z.enum(STAGES), z.number()),
  worth: nullable,
  price: nullable,
  proved: z.boolean(),
  movedAt: z.iso.datetime(),
});
/** See {@link bookRowSchema}. */
export type BookRow = z.infer<typeof bookRowSchema>;

/** Rows of a page of the Book. */
export const BOOK_PAGE = 50;

/** What the Book is asked for: words in its text, and fields; a page begins behind a row. */
export const bookQuerySchema = z.object({
  words: z.string().trim().max(200).optional(),
  family: z.string().max(64).optional(),
  model: z.string().trim().max(240).optional(),
  customer: z.string().trim().max(200).optional(),
  fault: z.string().max(130).optional(),
  state: z.enum(['open', 'handed', 'returned']).optional(),
  from: daySchema.optional(),
  to: daySchema.optional(),
  beforeAt: momentSchema.optional(),
  beforeId: keySchema.optional(),
});
/** See {@link bookQuerySchema}. */
export type BookQuery = z.infer<typeof bookQuerySchema>;

/** A page of the Book, newest movement first. */
export const bookPageSchema = z.object({ rows: z.array(bookRowSchema), more: z.boolean() });

const shareSchema = z.object({ hits: count, of: count, low: z.number(), high: z.number() });
/** A share with its Wilson 95 % interval. */
export type Share = z.infer<typeof shareSchema>;

/** Figures of the shop over a stretch of time. */
export const bookFiguresSchema = z.object({
  taken: count,
  handed: count,
  /** Days from taking in to handing back: median and the one that nine of ten are under. */
  turnaround: z.object({ medianDays: nullable, p90Days: nullable }),
  /** Handed back and not returned with the same complaint. */
  firstTime: shareSchema,
  proved: shareSchema,
  /** Where the mended part stood when it was mended. */
  advice: z.object({ first: shareSchema, firstThree: shareSchema }),
  faults: z.array(z.object({ family: z.string(), fault: z.string(), jobs: count })),
  models: z.array(z.object({ model: z.string(), jobs: count, returned: count })),
  mends: z.array(z.object({ mend: z.string(), jobs: count, returned: count })),
  stages: z.array(z.object({ stage: z.enum(STAGES), medianMin: z.number() })),
  months: z.array(z.object({ month: z.string(), taken: count, handed: count })),
  price: nullable,
  worth: nullable,
  /** Minutes of hands that the log shows, summed. */
  handsMin: z.number(),
});
/** See {@link bookFiguresSchema}. */
export type BookFigures = z.infer<typeof bookFiguresSchema>;

/** Something due on a day, with its job. */
export const followUpRowSchema = z.object({
  job: jobSchema,
  key: z.uuid(),
  why: z.enum(FOLLOW_UP_KINDS),
  what: z.string(),
  on: z.iso.date(),
});
/** See {@link followUpRowSchema}. */
export type FollowUpRow = z.infer<typeof followUpRowSchema>;
/** Follow-ups shown at most. */
export const FOLLOW_UPS_SHOWN = 500;
/** What is due, soonest first. */
export const followUpListSchema = z.object({ due: z.array(followUpRowSchema) });

/** Heads of the Book as a table. */
export const BOOK_HEADS = [
  'number',
  'taken in',
  'handed back',
  'days',
  'kind',
  'make',
  'model',
  'serial',
  'customer',
  'complaint',
  'faults',
  'mends',
  'price',
  'worth',
  'minutes',
  'proved',
  'came back as',
] as const;

const DAY_MS = 86_400_000;

/** Rows of the Book as lines of a table, without its heads; formulas of a spreadsheet are made harmless. */
export const bookToCsv = (rows: readonly BookRow[], familyName: (job: Job) => string): string =>
  Papa.unparse(
    rows.map(({ job, handedAt, faults, mends, minutes, price, worth, proved, returnedAs }) => [
      job.number,
      job.createdAt,
      handedAt ?? '',
      handedAt ? ((Date.parse(handedAt) - Date.parse(job.createdAt)) / DAY_MS).toFixed(1) : '',
      familyName(job),
      job.make,
      job.model,
      job.serial,
      job.customer,
      job.complaint,
      faults.join(' '),
      mends.join(' '),
      price ?? '',
      worth ?? '',
      Object.values(minutes).reduce((sum, one) => sum + one, 0),
      proved ? 'yes' : 'no',
      returnedAs ?? '',
    ]),
    { escapeFormulae: true, header: false },
  );
