/** Frames of a live reading on their way to a second screen: passed on, never stored. */
import { z } from 'zod';
import { keySchema } from './stored.js';

const percent = z.number().min(-1000).max(1000);

/** What the first device hears, ten times a second at most. Percent of nominal. */
export const liveFrameSchema = z.object({
  /** The page it comes from. */
  sender: keySchema,
  /** "0147 Brenning Dans 33" or the speed desk's machine. */
  what: z.string().max(200),
  speedLabel: z.string().max(60),
  nominalRpm: z.number().positive().max(1e6).nullable(),
  lowerPercent: percent.negative(),
  upperPercent: percent.positive(),
  /** Where the ribbon's edge stands; null while nothing is heard. */
  edgePercent: percent.nullable(),
  meanPercent: percent.nullable(),
  expandedPercent: percent.min(0).nullable(),
  wowPercent: percent.min(0).nullable(),
  /** "mean of the last two turns", "tone ended". */
  words: z.string().max(120),
  /** What to do, when somebody is led: the trim coach's prompt. */
  todo: z.string().max(300).nullable(),
  /** What came of the last capture that a second screen asked for, and how many it asked for since the page opened. */
  kept: z
    .object({ count: z.number().int().min(1).max(1e6), words: z.string().min(1).max(300) })
    .nullable()
    .default(null),
});
/** See {@link liveFrameSchema}. */
export type LiveFrame = z.infer<typeof liveFrameSchema>;

/** What the sender is told: whether anybody follows, and the last capture asked for (0: none). */
export const liveAnswerSchema = z.object({ followed: z.boolean(), capture: z.number().int().min(0) });

/** A capture asked for from the second screen. */
export const liveCaptureSchema = z.object({ sender: keySchema });
