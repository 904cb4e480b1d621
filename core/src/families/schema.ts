/** The shape of a machine family's record, validated when it is loaded. */
import { z } from 'zod';
import { TURNING_KINDS } from '../speed/index.js';
import { said } from '../words/index.js';

const id = z.string().regex(/^[a-z0-9.-]+$/);
const words = z.string().min(1);
/** What is shown and named nowhere: said when it is read. */
const text = words.transform(said);

/** What a number rests on. */
const originSchema = z.object({
  kind: z.enum(['standard', 'practice', 'sheet', 'chosen']),
  text,
});

/** A speed the family can have: record speeds in rpm, tape speeds in cm/s, or none when it has no nominal. */
const speedSchema = z.object({
  id,
  label: text,
  nominalRpm: z.number().positive().nullable(),
  nominalCmPerS: z.number().positive().nullable(),
});

/** Limits of mean speed for a use of the machine, percent. */
const toleranceUseSchema = z.object({
  use: words,
  lowerPercent: z.number().negative(),
  upperPercent: z.number().positive(),
  origin: originSchema,
});

/** How a unit is powered; lines and stores name those they hold for. */
export const POWER_KINDS = ['mains', 'pack', 'adapter'] as const;
export type PowerKind = (typeof POWER_KINDS)[number];
const powerKinds = z.array(z.enum(POWER_KINDS)).min(1);

/** The unit's own run of blocks, in up to four lanes. */
const laneSchema = z.object({
  id: z.enum(['supply', 'control', 'mechanical', 'feedback']),
  blocks: z.array(z.object({ id, name: text })).min(1),
});

/** Something that holds charge after the plug or pack is out. */
const storeSchema = z.object({
  id,
  name: text,
  powerKinds,
  /** Usual capacitance, microfarads; what is printed on the part counts. */
  microfarad: z.number().positive(),
  /** Peak volts: from the rated volts times this factor, or a fixed value. */
  volts: z.union([z.object({ ofRated: z.number().positive() }), z.object({ fixed: z.number().positive() })]),
  why: text,
});

/** One thing to do before the unit is opened, with why. */
const safeLineSchema = z.object({
  id,
  text,
  why: text,
  powerKinds,
  /** True where a reading of the charge answers it, never a tick. */
  byReading: z.boolean(),
  /** Minutes that must pass after it was unplugged; the clock answers it, never a tick. Null for none. */
  waitMin: z.number().positive().nullable(),
});

/** Something that is usually taken off, unplugged or bridged and then forgotten. */
const usualEndSchema = z.object({
  id,
  what: text,
  how: z.enum(['unsoldered', 'unplugged', 'cut', 'bridged', 'switched', 'lifted', 'removed']),
  /** The state in which power may come, asked at the gate in these words. */
  safe: text,
  /** Blocks of the path that are out of it while this is open; * is all of it. */
  blocks: z.array(z.string()),
});

/** A usual piece of work that opens ends by itself and closes them with its last line. */
const moveSchema = z.object({
  id,
  name: text,
  kind: z.enum(['test', 'mend']),
  needs: z.enum(['dead', 'live', 'any']),
  opens: z.array(id),
  work: z.object({ action: z.enum(['clean', 'oil', 'adjust', 'replace', 'repair']), what: text }).nullable(),
  /** Mends of the path that it amounts to, beside the one that bears its id: it is listed once. */
  mends: z.array(id).default([]),
});

export const familySchema = z.object({
  id,
  order: z.number().int().positive(),
  name: text,
  /** What turns at the speed that is set, by its name, and what it is. */
  turns: text,
  turnsKind: z.enum(TURNING_KINDS),
  supply: z.enum(['mains', 'pack', 'mains-or-pack', 'mains-or-adapter']),
  speeds: z.array(speedSchema).min(1),
  usualSpeeds: z.array(z.string()).min(1),
  tolerances: z.array(toleranceUseSchema).min(1),
  testTone: z.enum(['record', 'tape', 'none']),
  lanes: z.array(laneSchema).min(1),
  stores: z.array(storeSchema),
  /** Why nothing in it holds a charge worth fearing, for the ways of powering that have no store. */
  noStoreWhy: text.nullable(),
  /** True where hands are wet or the unit held water: the lower touch limit counts. */
  wet: z.boolean(),
  safeLines: z.array(safeLineSchema).min(1),
  cautions: z.array(id),
  /** What local rules or a licensed trade have to say. */
  licensed: text.nullable(),
  openEnds: z.array(usualEndSchema).min(1),
  moves: z.array(moveSchema),
  /** What must be held down or kept clear before power. */
  keepClear: text,
  firstSeconds: z.object({ expect: text, otherwise: text }),
  /** How starting torque goes with the volts of a motor brought up slowly; null where that is not done. */
  startTorque: z.enum(['square', 'linear']).nullable(),
  /** Watts of a small unit of the kind, for the sum of fuse or lamp until the plate is read (common practice). */
  usualWatts: z.number().positive(),
});

export type Family = z.infer<typeof familySchema>;
/** A family as its record writes it. */
export type FamilyData = z.input<typeof familySchema>;
export type FamilySpeed = z.infer<typeof speedSchema>;
export type ToleranceUse = z.infer<typeof toleranceUseSchema>;
export type ChargeStore = z.infer<typeof storeSchema>;
export type SafeLine = z.infer<typeof safeLineSchema>;
export type UsualEnd = z.infer<typeof usualEndSchema>;
export type FamilyMove = z.infer<typeof moveSchema>;
