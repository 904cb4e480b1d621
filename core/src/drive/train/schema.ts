/**
 * A drive train from motor to record or tape, as a list of parts: each stands on the shaft of another or is driven
 * by it. Sizes are diameters in millimetres (teeth for gears), one for all speeds or one a speed where a step or
 * groove is changed.
 */
import { z } from 'zod';

const id = z.string().min(1).max(60);
const words = z.string().trim().min(1).max(80);
/** One for all speeds, or one for each. */
const bySpeed = z.array(z.number()).min(1).max(6);

/** What turns a part. */
export const CONTACTS = [
  'shaft',
  'belt',
  'crossed belt',
  'back of a belt',
  'rim',
  'inside of a rim',
  'gear',
  'ring gear',
  'planetary',
] as const;
/** Names of the contacts. */
export type Contact = (typeof CONTACTS)[number];

/** What a part is; it decides its usual tolerance and its name in drawings. */
export const PART_KINDS = [
  'pulley',
  'idler',
  'flywheel',
  'capstan',
  'platter',
  'drum',
  'hub',
  'gear',
  'fan',
  'load',
] as const;
/** Names of the kinds of parts. */
export type PartKind = (typeof PART_KINDS)[number];

/** Cross-sections of belts. */
export const BELT_SHAPES = ['flat', 'round', 'square'] as const;

const beltSchema = z.object({
  thicknessMm: z.number(),
  shape: z.enum(BELT_SHAPES),
  /** Length along its middle, at rest; null when it is not known. */
  lengthMm: z.number().nullable(),
});

const partSchema = z.object({
  id,
  name: words,
  kind: z.enum(PART_KINDS),
  /** The part that turns it. */
  by: id,
  contact: z.enum(CONTACTS),
  sizes: bySpeed,
  /** Half the tolerance of its diameter, mm; null for what is usual of its kind. */
  toleranceMm: z.number().min(0).max(10).nullable(),
  belt: beltSchema.nullable(),
  /** Distance of the two shafts, mm; null when it is not known. Only belts want it. */
  centreMm: z.number().nullable(),
  slipPercent: z.number(),
});

/** Kinds of motors by what sets their speed. */
export const MOTOR_KINDS = ['synchronous', 'induction', 'governed', 'servo', 'brushless'] as const;
/** Names of the kinds of motors. */
export type MotorKind = (typeof MOTOR_KINDS)[number];

const motorSchema = z.object({
  name: words,
  kind: z.enum(MOTOR_KINDS),
  /** Of synchronous and induction motors; one a speed where poles are switched. */
  poles: bySpeed,
  /** Of induction motors: how far under the synchronous speed, percent. */
  slipPercent: z.number(),
  /** Of the others: turns a minute, one a speed where electronics set it. */
  rpm: bySpeed,
  sense: z.enum(['clockwise', 'counter-clockwise']),
  /** The side its sense was seen from. */
  seenFrom: z.enum(['shaft end', 'rear']),
  /** Where its shaft points, for whoever looks at the drawing. */
  shaft: z.enum(['towards you', 'away from you']),
  /** Bars of the commutator; null for none. */
  segments: z.number().int().min(2).max(200).nullable(),
  /** Pulses of the generator or sensor a turn; null for none. */
  generator: z.number().int().min(1).max(10_000).nullable(),
});

const outputSchema = z.object({
  part: id,
  kind: z.enum(['turns', 'tape']),
  tapeThicknessMm: z.number(),
});

/** See the head of this file; what numbers may be is said by `trainProblems`, at their fields. */
export const trainSchema = z.object({
  motor: motorSchema,
  parts: z.array(partSchema).max(40),
  output: outputSchema,
  /** Nominal: rpm for turns, cm/s for tape; null for none. */
  speeds: z
    .array(z.object({ id, label: words, nominal: z.number().nullable() }))
    .min(1)
    .max(6),
});

/** A drive train. */
export type Train = z.infer<typeof trainSchema>;
/** One part of it. */
export type TrainPart = z.infer<typeof partSchema>;
/** Its motor. */
export type TrainMotor = z.infer<typeof motorSchema>;

/** Id of the motor in `by` and in answers. */
export const MOTOR_ID = 'motor';

/** The value for a speed: lists of one hold for all. */
export const forSpeed = (values: readonly number[], speed: number): number =>
  (values.length === 1 ? values[0] : values[speed]) as number;

/** Belts of any kind. */
export const isBelt = (contact: Contact): boolean =>
  contact === 'belt' || contact === 'crossed belt' || contact === 'back of a belt';
/** Contacts by teeth. */
export const isGear = (contact: Contact): boolean =>
  contact === 'gear' || contact === 'ring gear' || contact === 'planetary';
