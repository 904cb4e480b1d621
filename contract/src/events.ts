/** Schemas of the bench log, held to the core's own types. */
import {
  PITCH_POSITIONS,
  POWER_STATES,
  SPEED_METHODS,
  STAGES,
  WORK_ACTIONS,
  type BenchEvent,
  type EventBody,
} from '@amber-gauge/core/bench';
import { z } from 'zod';
import { laterBodySchemas } from './laterEvents.js';
import { keySchema, momentSchema, wholeSchema } from './stored.js';

const key = keySchema;
const short = z.string().max(400);
const text = z.string().max(4000);
const finite = z.number().refine(Number.isFinite);
const nullable = finite.nullable();
const instrumentName = z.string().min(1).max(60);
const condition = z.enum(['cold', 'warm']).nullable();

/** A speed reading; errors and uncertainties in percent. */
export const speedBodySchema = z.object({
  kind: z.literal('speed'),
  text: short,
  speedId: short.min(1),
  method: z.enum(SPEED_METHODS),
  turned: z.boolean(),
  errorPercent: nullable,
  expandedPercent: nullable,
  referenceIncluded: z.boolean(),
  wowPeakPercent: nullable,
  rpm: nullable,
  sourceName: short.nullable(),
  runId: key.nullable(),
  condition,
  pitch: z.enum(PITCH_POSITIONS).optional(),
  conditions: short.optional(),
});

/** The body of a line of the log, by its kind. */
export const eventBodySchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('reading'),
    text: short,
    values: z.array(finite).max(64),
    unit: z.string().max(12).nullable(),
    qualifier: z.enum(['dc', 'ac', 'pp', 'rms']).nullable(),
    bound: z.enum(['exact', 'above', 'below', 'between', 'open', 'short', 'overload']),
    place: short.nullable(),
    speedId: short.nullable(),
    condition,
    holdKey: key.nullable(),
    instrument: instrumentName.optional(),
  }),
  z.object({ kind: z.literal('note'), text: text.min(1) }),
  speedBodySchema,
  z.object({
    kind: z.literal('work'),
    action: z.enum(WORK_ACTIONS),
    what: short.min(1),
    blocks: z.array(short.min(1)).max(40).optional(),
    reach: z.enum(['circuit', 'mechanics']).optional(),
  }),
  z.object({
    kind: z.literal('power'),
    state: z.enum(POWER_STATES),
    conditions: z.array(short).max(20),
    wasOn: z.boolean().optional(),
  }),
  z.object({ kind: z.literal('hold'), prompt: short }),
  z.object({ kind: z.literal('place'), target: key, place: short.min(1) }),
  z.object({ kind: z.literal('strike'), target: key, reason: short.min(1) }),
  z.object({ kind: z.literal('field'), field: short, from: text, to: text }),
  z.object({ kind: z.literal('hand-back'), leftUndone: text }),
  ...laterBodySchemas,
]) satisfies z.ZodType<EventBody>;

/** A line of the log as it is sent. */
export const eventSchema = z.object({
  key,
  enteredAt: momentSchema,
  device: z.string().min(1).max(64),
  sequence: wholeSchema,
  stage: z.enum(STAGES),
  body: eventBodySchema,
}) satisfies z.ZodType<BenchEvent>;

/** A line as the server keeps it: with its place in the log and when it came in. */
export const keptEventSchema = eventSchema.extend({ position: z.number().int(), receivedAt: z.iso.datetime() });
/** A line that the server has kept, with its place. */
export type KeptEvent = z.infer<typeof keptEventSchema>;
