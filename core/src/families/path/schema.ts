/**
 * The shape of a drive path: blocks and the signals between them, fault modes as ordered tables, tests
 * and repairs. Data only; the engine that reads it knows no machine.
 */
import { z } from 'zod';
import { said } from '../../words/index.js';

const id = z.string().regex(/^[a-z0-9][a-z0-9.-]*$/);
/** A word that other parts of the path name: a state, a place, a mark. */
const words = z.string().min(1);
/** What is shown and named nowhere: said when it is read. */
const text = words.transform(said);
const chance = z.number().gt(0).lt(1);

/** A range of a measured quantity that stands for a state; open where an end is null. */
const bandSchema = z.object({
  state: words,
  from: z.number().nullable(),
  to: z.number().nullable(),
});

/** Where and in what a signal is measured, with the bands of its states. */
const measureSchema = z.object({
  place: words,
  unit: words,
  /** Rated volts that the bands are written for: they grow and shrink with those of the unit's plate. Null where they do not. */
  rated: z.number().positive().nullable().default(null),
  /** Read otherwise than direct: alternating volts, or a trace from top to bottom. */
  by: z.enum(['volts-ac', 'scope']).optional(),
  bands: z.array(bandSchema).min(1),
  origin: z.object({ kind: z.enum(['standard', 'practice', 'sheet', 'bench', 'chosen']), text }),
});

const signalSchema = z.object({
  id,
  name: text,
  states: z.array(words).min(2),
  /** The state before anything runs; propagation starts there. */
  rest: words,
  measure: measureSchema.nullable(),
  /** States that read as any of these, each alike: what is a little off, or wanders, looks right at one glance and not at the next. */
  readsAs: z.record(words, z.array(words).min(1)).default({}),
  /** What a part further on takes from the one that drives it: nothing rests on it. */
  takes: z.boolean().default(false),
});

/** A state, the same state as another signal ("=id"), or a distribution over states. */
const outSchema = z.union([words, z.record(words, z.number().gt(0).max(1))]);

/** Conditions name signals or, with @, keys of the context; a list means any of these; what is not named is anything. */
const rowSchema = z.object({
  when: z.record(words, z.union([words, z.array(words).min(1)])),
  out: z.record(words, outSchema),
});

/** What is done to a part to make its fault come or go. */
const PROVOCATIONS = ['cold', 'heat', 'tap', 'breath', 'load'] as const;

const modeSchema = z.object({
  id,
  name: text,
  /** Chance that a unit of the family that comes in has it. */
  prior: chance,
  /** First row that fits and names a signal decides it; then the healthy table. */
  rows: z.array(rowSchema),
  /** A fault that work on the block brings in: left off, crossed, misaligned, a broken joint. */
  byWork: z.boolean(),
  /** Why power must stay off while this may be so, by id of the ban; null when it need not. */
  bans: id.nullable(),
  /** What it leaves for nose, skin or owner to tell of, each with its chance: burnt, tingle, blew, wet, swollen. */
  marks: z.record(words, chance),
  /** Speed errors that it can make, percent without sign, smallest and largest; null where any size fits. */
  sizes: z.tuple([z.number().positive(), z.number().positive()]).nullable(),
  /** Provocations at the part that change it. */
  provoked: z.array(z.enum(PROVOCATIONS)),
});

const pathBlockSchema = z.object({
  id,
  name: text,
  lane: z.enum(['supply', 'control', 'mechanical', 'feedback']),
  inputs: z.array(id),
  outputs: z.array(id).min(1),
  healthy: z.array(rowSchema).min(1),
  modes: z.array(modeSchema),
});

const outcomeSchema = z.object({
  id,
  words: text,
  /** States of the signal that this outcome stands for. */
  states: z.array(words),
  /** Modes of the block, or "healthy", that this outcome stands for. */
  modes: z.array(words),
  /** The mark it tells of, in a question about marks; null for none of them. */
  mark: words.nullable(),
  /** The ban that it raises until a test lifts it; null for none. */
  raises: id.nullable(),
});

/** Readings typed as a row, and the answers they stand for: too low, open, too far apart, else right. */
const testRowSchema = z.object({
  labels: z.array(text).min(2),
  unit: words,
  low: z.object({ below: z.number(), answer: id }).nullable(),
  open: z.object({ above: z.number(), answer: id }).nullable(),
  apart: z.object({ over: z.number().positive(), answer: id }).nullable(),
  right: id,
});

const pathTestSchema = z.object({
  id,
  name: text,
  /** One or two imperative lines. */
  how: text,
  /** Exactly one of these: what it reads; `marks` is true for a question about marks. */
  signal: id.nullable(),
  block: id.nullable(),
  marks: z.boolean(),
  context: z.record(id, words),
  outcomes: z.array(outcomeSchema).min(2),
  /** Level of opening it needs. */
  level: id,
  /** dead: nothing on; powered: switched on, it need not turn; running: it turns, or ought to; either: does not matter. */
  power: z.enum(['dead', 'powered', 'running', 'either']),
  /** A probe stands on parts that are live while it is read: clip dead, step back, power, read, unplug. */
  probe: z.boolean(),
  handsMin: z.number().positive(),
  waitMin: z.number().min(0),
  /** Parts that it uses up, in money. */
  money: z.number().min(0),
  /** Extra minutes that its danger is worth. */
  riskMin: z.number().min(0),
  cautions: z.array(words),
  opens: z.array(id),
  /** Tests that have to be answered first: a known board is not risked on an unmeasured winding. */
  after: z.array(id),
  /** Bans that any of its answers lifts, unless that answer raises one itself. */
  lifts: z.array(id),
  reliability: z.number().gt(0.5).max(1),
  /** Reliability of an answer that sees a fault at the part itself. */
  positive: z.number().gt(0.5).max(1),
  /** Asked at take-in: it can be seen from outside. */
  outside: z.boolean(),
  /** Null for one look or one reading. */
  row: testRowSchema.nullable(),
  /** A reading that stands for an answer of a question about marks: below the limit, or not. */
  limit: z.object({ unit: words, below: z.number().positive(), answer: id, right: id }).nullable(),
});

/**
 * Kinds of mends, from the least to the last: `bypass` and `jumper` lead round a part for good, never round one that
 * protects; `donor` is out of another unit; `retrofit` is not what it was built with.
 */
const WAYS = [
  'clean',
  'oil',
  'adjust',
  'repair',
  'jumper',
  'part',
  'set',
  'board',
  'motor',
  'donor',
  'retrofit',
  'bypass',
  'away',
] as const;

const pathRepairSchema = z.object({
  id,
  name: text,
  /** "block.mode", or "block.*" for every mode of the block. */
  cures: z.array(words).min(1),
  handsMin: z.number().positive(),
  waitMin: z.number().min(0),
  money: z.number().min(0),
  level: id,
  /** Chance that the mode is still there after it. */
  residual: z.number().min(0).lt(1),
  /** running: it is set or tried with power on. */
  power: z.enum(['dead', 'running']),
  /** What it leaves undone, or what has to follow; null for nothing. */
  leaves: text.nullable(),
  /** Where practice differs: the dispute, and this way's case (what it gains, what it costs). */
  school: z.object({ id, case: text }).optional(),
  /** What the unit can do no more after it: a speed, a lamp, the motor it was built with. Null for nothing. */
  loses: text.nullable().default(null),
  /** Blocks that do nothing any more after it: what they were for is not asked of the unit again. */
  gone: z.array(id).default([]),
  /** What it may do to the unit, where that is more than its kind of work does. */
  risks: text.nullable().default(null),
  /** What kind of way it is, where its steps do not say. */
  way: z.enum(WAYS).optional(),
  /** The speeds have to be set after it. */
  retrim: z.boolean().default(false),
  /** Days that its parts usually take, where they take longer than others. */
  days: z.number().int().positive().optional(),
});

/** Of the units in which the victim is found, this share has the cause as well: mend the cause first. */
const causeSchema = z.object({ cause: words, victim: words, share: chance });

/** Which signal the job's own speed readings speak of, and which context keys its speeds and warmth set. */
const speedLinkSchema = z.object({
  signal: id,
  speedKey: id.nullable(),
  heatKey: id.nullable(),
  /** Values of the speed's context by the speeds' own ids, where the two are called otherwise. */
  speedValues: z.record(z.string(), words).optional(),
});

/** A variant of the family: what a machine of each kind has not. */
const optionSchema = z.object({
  id,
  name: text,
  /** Parts, and tests, that a machine of this kind has not. */
  choices: z.array(z.object({ name: words, absent: z.array(id) })).min(2),
});

export const pathSchema = z.object({
  speed: speedLinkSchema.nullable(),
  options: z.array(optionSchema).default([]),
  contexts: z.array(z.object({ id, name: text, values: z.array(words).min(1) })),
  /** Levels of opening in order, each with the minutes to reach it from the one before. */
  levels: z
    .array(
      z.object({
        id,
        name: text,
        minutes: z.number().min(0),
        /** Words of a strip-down step that say this level is reached. */
        steps: z.array(words),
      }),
    )
    .min(1),
  signals: z.array(signalSchema).min(1),
  blocks: z.array(pathBlockSchema).min(1),
  tests: z.array(pathTestSchema),
  repairs: z.array(pathRepairSchema),
  /** Ways round the usual mends: they stand beside them in the decision, the advice never leads to them by itself. */
  ways: z.array(pathRepairSchema).default([]),
  /** Blocks that are set by a screw: the coach turns one of them. */
  trims: z.array(id).default([]),
  /** Faults of what protects ("block.mode", "block.*"): nothing leads round these. */
  guards: z.array(words).default([]),
  causes: z.array(causeSchema).default([]),
});

export type DrivePath = z.infer<typeof pathSchema>;
/** A path as its family writes it: options may be left out. */
export type PathData = z.input<typeof pathSchema>;
export type PathSignal = z.infer<typeof signalSchema>;
export type PathBlock = z.infer<typeof pathBlockSchema>;
export type PathMode = z.infer<typeof modeSchema>;
export type PathRow = z.infer<typeof rowSchema>;
export type PathTest = z.infer<typeof pathTestSchema>;
export type PathOutcome = z.infer<typeof outcomeSchema>;
export type PathCause = z.infer<typeof causeSchema>;
export type PathRepair = z.infer<typeof pathRepairSchema>;
/** Kinds of mends, from the least to the last. */
export type MendWay = (typeof WAYS)[number];
/** A working condition: values of context keys; keys not named have their first value. */
export type Context = Readonly<Record<string, string>>;
