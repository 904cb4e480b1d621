/** Schemas of the lines of proving and handing back. */
import { FOLLOW_UP_KINDS, PROTECTION_CLASSES, SAFETY_READINGS, TRIAL_PROVOCATIONS } from '@amber-gauge/core/bench';
import { z } from 'zod';
import { daySchema, keySchema, wholeSchema } from './stored.js';
import { say } from '@amber-gauge/core/words';

const key = keySchema;
const short = z.string().max(400);
const word = short.min(1);
const finite = z.number().refine(Number.isFinite);
const positive = finite.positive(say`above zero`);
const fraction = finite.min(0).max(1);

const level = { db: finite.min(-200).max(200), variance: finite.min(0).max(1e6), count: finite.min(1).max(1e4) };
const noiseSchema = z.object({
  seconds: positive.max(600),
  sampleRate: positive.max(200_000),
  aWeighted: z.object(level),
  octaves: z.array(z.object({ hz: positive.max(20_000), ...level })).max(12),
  ticks: z.object({ hz: positive.max(1000), regularity: fraction }).nullable(),
  hum: z.object({ mainsHz: z.union([z.literal(50), z.literal(60)]), part: fraction }),
});

const checkId = z.string().min(1).max(160);
/** Bodies of proving. */
export const proveSchemas = [
  z.object({ kind: z.literal('proved'), checkId, name: word, good: z.boolean(), words: short }),
  z.object({ kind: z.literal('unproved'), checkId, name: word, why: word }),
  z.object({
    kind: z.literal('trial-phase'),
    began: key.nullable(),
    provocation: z.enum(TRIAL_PROVOCATIONS),
    block: z.string().min(1).max(64),
    name: word,
    phase: z.enum(['rest', 'provoked', 'end']),
  }),
  z
    .object({
      kind: z.literal('coast'),
      speedId: z.string().min(1).max(64),
      fromRpm: positive.max(1e6),
      toRpm: finite.min(0).max(1e6),
      seconds: positive.max(1e5),
      how: z.enum(['pulses', 'gyro', 'taps', 'stopwatch']),
      conditions: short,
    })
    .refine(({ fromRpm, toRpm }) => toRpm < fromRpm, say`it runs down, not up`),
  z.object({
    kind: z.literal('protection-class'),
    protection: z.enum(PROTECTION_CLASSES),
    cordM: positive.max(100),
  }),
  z.object({
    kind: z.literal('safety-reading'),
    reading: z.enum(SAFETY_READINGS),
    value: finite.min(0).max(1e6),
    above: z.boolean(),
    limit: positive.max(1e6),
    instrument: short,
  }),
  z.object({
    kind: z.literal('clip'),
    clipId: key,
    sound: z.boolean().optional(),
    setup: z.object({
      support: word,
      distanceCm: positive.max(1000),
      device: short,
      speedId: z.string().min(1).max(64).nullable(),
    }),
    figures: noiseSchema,
  }),
] as const;

/** Bodies of handing back. */
export const handBackSchemas = [
  z.object({ kind: z.literal('sheet'), photos: z.array(key).max(12), notes: z.array(key).max(200), watch: short }),
  z.object({ kind: z.literal('follow-up'), why: z.enum(FOLLOW_UP_KINDS), what: word, on: daySchema }),
  z.object({ kind: z.literal('follow-up-done'), target: key, how: z.enum(['done', 'dropped']), words: short }),
  z.object({ kind: z.literal('return'), number: wholeSchema, jobId: key, same: z.boolean() }),
] as const;
