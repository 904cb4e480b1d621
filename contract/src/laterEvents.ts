/** Schemas of the lines of making safe, strip-down, gate, timers and photos. */
import { END_HOWS, GATES, TIMER_KINDS, type LaterBody } from '@amber-gauge/core/bench';
import { LIMIT_KINDS } from '@amber-gauge/core/circuit';
import { RESULTS, TRIALS } from '@amber-gauge/core/diagnosis';
import { z } from 'zod';
import { handBackSchemas, proveSchemas } from './proveEvents.js';
import { practiceSchemas } from './practice.js';
import { keySchema } from './stored.js';
import { say } from '@amber-gauge/core/words';

const key = keySchema;
const short = z.string().max(400);
const word = short.min(1);
const finite = z.number().refine(Number.isFinite);
const positive = finite.positive(say`above zero`);
const nullable = finite.nullable();
const fraction = finite.min(0).max(1);

const fasteners = z.object({
  count: z.number().int().min(1).max(999),
  what: word,
  tray: z.string().min(1).max(20).nullable(),
  odd: z.boolean(),
});
const distance = z.object({ what: word, value: finite, unit: z.string().min(1).max(12), tolerance: finite.min(0) });

const ledgerSchemas = [
  z.object({
    kind: z.literal('step'),
    text: short,
    what: word,
    fasteners: z.array(fasteners).max(20),
    marks: short,
    orientation: short,
    distances: z.array(distance).max(12),
    wires: z.array(z.object({ pin: z.string().min(1).max(8), colour: z.string().min(1).max(40) })).max(64),
    wiresSide: z.enum(['wire-side', 'mating-face']).nullable(),
    owes: z.array(word).max(12),
    traces: short,
    earth: z.boolean(),
    cover: z.boolean(),
    after: z.array(key).max(50),
  }),
  z.object({
    kind: z.literal('open-end'),
    what: word,
    how: z.enum(END_HOWS),
    usualId: z.string().max(64).nullable(),
    stepKey: key.nullable(),
    moveKey: key.nullable(),
  }),
  z.object({ kind: z.literal('close'), target: key, how: short }),
  z.object({
    kind: z.literal('refit'),
    target: key,
    returned: z.array(z.number().int().min(0).max(999)).max(20),
    distances: z.array(nullable).max(12),
    flush: z.boolean().nullable(),
    renewed: z.array(word).max(12),
  }),
  z.object({ kind: z.literal('explain'), finding: word, why: word }),
  z.object({
    kind: z.literal('move'),
    moveId: z.string().min(1).max(64),
    name: word,
    began: key.nullable(),
    dropped: z.boolean().optional(),
  }),
] as const;

const safetySchemas = [
  z.object({ kind: z.literal('safe'), lineId: z.string().min(1).max(64), text: word }),
  z.object({
    kind: z.literal('charge'),
    storeId: z.string().min(1).max(64),
    name: word,
    microfarad: positive,
    volts: positive,
    ohm: positive,
    watts: positive.nullable(),
  }),
  z.object({ kind: z.literal('start-volts'), volts: positive, start: z.enum(['first', 'later']) }),
  z.object({
    kind: z.literal('gate'),
    to: z.enum(GATES),
    accepted: z.array(z.object({ key, why: word })).max(100),
    inPlace: z.array(z.string().max(64)).max(60),
    shortOhm: finite.min(0).nullable(),
    limit: z.object({ kind: z.enum(LIMIT_KINDS), value: positive, unitWatts: positive }).nullable(),
    confirmed: z.array(z.string().max(64)).max(20),
  }),
] as const;

const timerSchemas = [
  z.object({ kind: z.literal('timer'), timer: z.enum(TIMER_KINDS), label: short, minutes: positive.max(60 * 24 * 60) }),
  z.object({ kind: z.literal('timer-end'), target: key, how: z.enum(['stopped', 'answered']) }),
] as const;

const photoSchemas = [
  z.object({
    kind: z.literal('photo'),
    photoId: key,
    caption: short,
    width: z.number().int().min(1).max(20000),
    height: z.number().int().min(1).max(20000),
    about: key.nullable(),
    place: short.nullable(),
  }),
  z.object({
    kind: z.literal('marks'),
    target: key,
    marks: z
      .array(
        z.object({
          shape: z.enum(['arrow', 'label', 'number']),
          x: fraction,
          y: fraction,
          toX: fraction,
          toY: fraction,
          text: z.string().max(80),
        }),
      )
      .max(60),
  }),
] as const;

const findSchemas = [
  z.object({
    kind: z.literal('answer'),
    testId: z.string().min(1).max(64),
    name: word,
    outcome: z.string().min(1).max(64).nullable(),
    words: short,
    value: nullable,
    unit: z.string().max(12).nullable(),
    instrument: z.string().min(1).max(60).optional(),
  }),
  z.object({
    kind: z.literal('mended'),
    repairId: z.string().min(1).max(64),
    name: word,
    rank: z.number().int().min(1).max(500).optional(),
    loses: word.optional(),
  }),
  z.object({
    kind: z.literal('suspect'),
    block: z.string().min(1).max(64),
    name: word,
    verdict: z.enum(['ruled-out', 'pinned', 'outside']),
  }),
  z.object({ kind: z.literal('unreachable'), testId: z.string().min(1).max(64), name: word }),
  z.object({
    kind: z.literal('tried'),
    block: z.string().min(1).max(64),
    name: word,
    trial: z.enum(TRIALS),
    result: z.enum(RESULTS),
    amps: z.number().min(0).max(1000).nullable(),
  }),
] as const;

const money = finite.min(0).max(1e9);

const mendSchemas = [
  z.object({
    kind: z.literal('terms'),
    worth: money.nullable(),
    price: money.nullable(),
    ceiling: money.nullable(),
    wantedBy: z.iso.date().nullable(),
  }),
  z.object({
    kind: z.literal('working'),
    workingId: z.string().min(1).max(64),
    name: word,
    inputs: z.array(z.object({ id: z.string().min(1).max(64), text: z.string().max(2000) })).max(40),
    words: z.string().max(2000),
    verdict: short.nullable(),
    expects: z
      .object({ place: word, unit: z.string().min(1).max(12), low: finite, high: finite })
      .refine(({ low, high }) => low <= high, say`the lower limit comes first`)
      .nullable(),
  }),
  z.object({
    kind: z.literal('mend-step'),
    repairId: z.string().min(1).max(64),
    stepId: z.string().min(1).max(64),
    what: word,
  }),
  z.object({
    kind: z.literal('quote'),
    optionId: z.string().min(1).max(64),
    name: word,
    money,
    days: z.number().int().min(0).max(3650).nullable(),
  }),
  z.object({ kind: z.literal('decision-dropped'), optionId: z.string().min(1).max(64), name: word }),
  z.object({
    kind: z.literal('decision'),
    optionId: z.string().min(1).max(64),
    also: z.array(z.string().min(1).max(64)).max(8).optional(),
    name: word,
    reason: short,
    chance: fraction,
    minutes: finite.min(0).max(1e6),
    money,
    expectedCost: money,
    beside: short,
  }),
] as const;

const trimId = z.string().min(1).max(64);
const turns = finite.min(-1000).max(1000);
const coachSchemas = [
  z.object({
    kind: z.literal('coach-begin'),
    task: z.object({
      speeds: z
        .array(
          z.object({
            id: trimId,
            label: word,
            lowerPercent: finite.min(-50).negative(say`below zero`),
            upperPercent: finite.max(50).positive(say`above zero`),
          }),
        )
        .min(1)
        .max(6),
      trims: z
        .array(
          z.object({
            id: trimId,
            name: word,
            serves: z.array(trimId).min(1).max(6),
            faster: z.enum(['clockwise', 'counter-clockwise']).nullable(),
            travelTurns: finite
              .positive(say`above zero`)
              .max(100)
              .nullable(),
            stoodTurns: turns.nullable(),
          }),
        )
        .min(1)
        .max(6),
      watched: z.enum(['live', 'typed']),
    }),
    checks: z.array(trimId).max(20),
  }),
  z.object({ kind: z.literal('coach-turned'), trimId, name: word, turns: turns.nullable() }),
  z.object({ kind: z.literal('coach-stands'), trimId, name: word, turns }),
] as const;

/** Bodies of all these lines. */
export const laterBodySchemas = [
  ...safetySchemas,
  ...ledgerSchemas,
  ...timerSchemas,
  ...photoSchemas,
  ...findSchemas,
  ...mendSchemas,
  ...coachSchemas,
  ...proveSchemas,
  ...handBackSchemas,
  ...practiceSchemas,
] as const;

// Held to the core's own types: a kind that differs does not compile.
z.discriminatedUnion('kind', laterBodySchemas) satisfies z.ZodType<LaterBody>;
