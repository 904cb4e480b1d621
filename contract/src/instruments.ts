/** Readings of instruments on the network. */
import { METER_FUNCTIONS, type MeterFunctionId } from '@amber-gauge/core/instruments';
import { z } from 'zod';
import { keySchema } from './stored.js';

const functionSchema = z.enum(Object.keys(METER_FUNCTIONS) as [MeterFunctionId, ...MeterFunctionId[]]);

/** A reading that is asked for: the present one, or the next that the instrument's own trigger gives. */
export const askReadingSchema = z.object({
  id: keySchema,
  /** What is asked for; another function is refused. Null takes what stands there. */
  wanted: functionSchema.nullable(),
  trigger: z.boolean(),
});

/** A reading as the instrument gave it, SI units. */
export const takenSchema = z.object({
  name: z.string(),
  function: functionSchema,
  unit: z.string(),
  /** Null where it was beyond the range. */
  value: z.number().nullable(),
});
/** See {@link takenSchema}. */
export type Taken = z.infer<typeof takenSchema>;

/** An address tried out. */
export const tryInstrumentSchema = z.object({ address: z.string().max(120) });
/** Who answers there. */
export const identitySchema = z.object({
  maker: z.string(),
  model: z.string(),
  serial: z.string(),
  version: z.string(),
});

/** A meter's own trigger is waited for so long, milliseconds. */
export const TRIGGER_WAIT_MS = 60_000;

/** A trace that is asked for of a scope. */
export const askTraceSchema = z.object({ id: keySchema });
/** The trace as a table of seconds and volts. */
export const traceSchema = z.object({ name: z.string(), csv: z.string() });
