/** Practice units: what is hidden in one, its lines, and the list of those begun. */
import type { PracticeBody, PracticeSpec } from '@amber-gauge/core/bench';
import { z } from 'zod';

const word = z.string().min(1).max(400);
const minutes = z.number().min(0).max(1e6);
const count = z.number().int().min(0).max(10_000);

/** What a practice unit is made of. */
export const practiceSpecSchema = z.object({
  machine: z.string().min(1).max(64),
  faults: z.array(z.string().min(1).max(64)).max(6),
  seed: z.number().int().min(0).max(2147483647),
  lesson: z.string().min(1).max(64).nullable(),
}) satisfies z.ZodType<PracticeSpec>;

const endSchema = z.object({
  kind: z.literal('practice-end'),
  minutes,
  live: count,
  parts: count,
  wrongParts: count,
  harm: z.array(word).max(20),
  found: z.array(word).max(20),
  left: z.array(word).max(20),
  adviceMinutes: minutes,
  bestMinutes: minutes,
});

/** Bodies of practice. */
export const practiceSchemas = [
  z.object({
    kind: z.literal('practice-act'),
    testId: z.string().min(1).max(64).nullable(),
    name: word,
    words: word,
    minutes,
    harm: word.nullable(),
  }),
  z.object({
    kind: z.literal('practice-turn'),
    trim: z.string().min(1).max(64),
    name: word,
    turns: z.number().min(-20).max(20),
  }),
  z.object({ kind: z.literal('practice-hand'), hand: z.string().min(1).max(64), name: word, on: z.boolean() }),
  endSchema,
] as const;

z.discriminatedUnion('kind', practiceSchemas) satisfies z.ZodType<PracticeBody>;

/** A practice unit as its list shows it. */
export const practiceRowSchema = z.object({
  id: z.uuid(),
  number: z.number().int().positive(),
  familyId: z.string(),
  complaint: z.string(),
  lesson: z.string().nullable(),
  createdAt: z.iso.datetime(),
  lines: z.number().int().nonnegative(),
  /** How it ended; null while it is worked on, or when its line cannot be read. */
  ended: endSchema.nullable(),
});
/** See {@link practiceRowSchema}. */
export type PracticeRow = z.infer<typeof practiceRowSchema>;

/** Practice units shown at most. */
export const PRACTICE_SHOWN = 100;

/** Practice units, newest first, and the lessons that were ended with nothing left. */
export const practiceListSchema = z.object({
  units: z.array(practiceRowSchema),
  lessons: z.array(z.object({ lesson: z.string(), times: z.number().int().positive(), bestMinutes: z.number() })),
});
