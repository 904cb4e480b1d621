/**
 * A family's path fitted to a model: parts that it has not, test points as they are called on its board,
 * values from its sheet. A value may be computed from another reading; a loop of such is refused.
 */
import { ownEntry } from '../../quantity/index.js';
import { z } from 'zod';
import { trainProblems, trainSchema } from '../../drive/index.js';
import { CoreError } from '../../errors.js';
import type { DrivePath, PathSignal } from './schema.js';
import { TRAIN_MAINS_HZ } from '../defaults.js';

/** An end of a band: a number, open, or so many times the reading of another signal. */
const endSchema = z.union([z.number(), z.null(), z.object({ of: z.string().min(1), times: z.number() })]);

/** A trim of a model: which speeds it serves, where it sits, which way is faster (facing the screw). */
const modelTrimSchema = z.object({
  id: z.string().min(1).max(60),
  name: z.string().trim().min(1).max(60),
  serves: z.array(z.string().min(1).max(60)).min(1).max(6),
  where: z.string().trim().max(120),
  faster: z.enum(['clockwise', 'counter-clockwise']).nullable(),
  /** Turns from one end stop to the other: 0.75 of a single-turn trim; null when it is not known. */
  travelTurns: z.number().positive().max(100).nullable(),
});
/** See {@link modelTrimSchema}. */
export type ModelTrim = z.infer<typeof modelTrimSchema>;

export const modelSheetSchema = z.object({
  /** Blocks that this model has not. */
  absent: z.array(z.string().min(1)).max(100),
  /** Test points by signal, as they are called here. */
  places: z.record(z.string(), z.string().min(1).max(120)),
  /** Bands by signal, in place of the family's. */
  bands: z.record(
    z.string(),
    z
      .array(z.object({ state: z.string().min(1), from: endSchema, to: endSchema }))
      .min(1)
      .max(20),
  ),
  /** Its drive train, as measured on one. */
  train: trainSchema.optional(),
  /** Its speed trims. */
  trims: z.array(modelTrimSchema).max(6).optional(),
  /** What the numbers of its lamps or display mean, as its service sheet has them: "26 = pump, 37 = door". */
  codes: z.string().max(2000).optional(),
});
export type ModelSheet = z.infer<typeof modelSheetSchema>;

export const EMPTY_SHEET: ModelSheet = { absent: [], places: {}, bands: {} };

/** Why a sheet cannot be used, in words with what to do; null when it can. */
export function sheetProblem(path: DrivePath, sheet: ModelSheet): string | null {
  const strange = sheet.absent.find((id) => !path.blocks.some((block) => block.id === id));
  if (strange) return `This family has no part “${strange}”: take it out of the sheet.`;
  if (sheet.absent.length >= path.blocks.length) return 'A model without any part has no path: leave some in.';
  for (const id of [...Object.keys(sheet.places), ...Object.keys(sheet.bands)]) {
    if (!path.signals.find((one) => one.id === id)?.measure) return `Nothing is measured at “${id}” in this family.`;
  }
  const wrong = sheet.train ? trainProblems(sheet.train, TRAIN_MAINS_HZ)[0] : undefined;
  if (wrong) return `Drive train, ${wrong.part}: ${wrong.message}`;
  for (const [id, bands] of Object.entries(sheet.bands)) {
    const problem = bandProblem(path, id, bands);
    if (problem) return problem;
  }
  const loop = loopIn(sheet);
  return loop
    ? `${loop.map((id) => nameOf(path, id)).join(' is computed from ')}: a loop. Give one of them a number.`
    : null;
}

type Bands = ModelSheet['bands'][string];

function bandProblem(path: DrivePath, id: string, bands: Bands): string | null {
  const signal = path.signals.find((one) => one.id === id);
  for (const { state, from, to } of bands) {
    if (!signal?.states.includes(state)) return `${nameOf(path, id)} has no state “${state}”.`;
    for (const end of [from, to])
      if (end !== null && typeof end === 'object' && !path.signals.find((one) => one.id === end.of)?.measure)
        return `${nameOf(path, id)} is computed from “${end.of}”, which is not measured.`;
    if (typeof from === 'number' && typeof to === 'number' && from >= to)
      return `${nameOf(path, id)}, ${state}: ${from} is not under ${to}.`;
  }
  return null;
}

const nameOf = (path: DrivePath, id: string): string => path.signals.find((one) => one.id === id)?.name ?? id;

/** Signals each computed from the next, the last again the first; null when there is no such round. */
function loopIn(sheet: ModelSheet): string[] | null {
  const needs = (id: string): string[] =>
    (ownEntry(sheet.bands, id) ?? []).flatMap(({ from, to }) =>
      [from, to].flatMap((end) => (end !== null && typeof end === 'object' ? [end.of] : [])),
    );
  const walk = (id: string, way: readonly string[]): string[] | null => {
    if (way.includes(id)) return [...way.slice(way.indexOf(id)), id];
    for (const next of needs(id)) {
      const found = walk(next, [...way, id]);
      if (found) return found;
    }
    return null;
  };
  for (const id of Object.keys(sheet.bands)) {
    const found = walk(id, []);
    if (found) return found;
  }
  return null;
}

/** The path without the parts that the model has not: they have no faults, nobody looks at them, nobody mends them. */
export function withoutParts(path: DrivePath, absent: readonly string[]): DrivePath {
  if (absent.length === 0) return path;
  const gone = new Set(absent);
  const left = (ref: string) => !gone.has(ref.split('.')[0] ?? '');
  return {
    ...path,
    blocks: path.blocks.map((block) => (gone.has(block.id) ? { ...block, modes: [] } : block)),
    tests: path.tests.filter((test) => !gone.has(test.id) && (test.block === null || !gone.has(test.block))),
    repairs: path.repairs
      .map((repair) => ({ ...repair, cures: repair.cures.filter(left) }))
      .filter((repair) => repair.cures.length > 0),
    causes: path.causes.filter(({ cause, victim }) => left(cause) && left(victim)),
  };
}

/** The path of one of the kinds a family has, each option by the name of its choice. @throws CoreError UNKNOWN_ID naming what there is. */
export function variantPath(path: DrivePath, variant: Readonly<Record<string, string>>): DrivePath {
  const absent = Object.entries(variant).flatMap(([id, name]) => {
    const option = path.options.find((one) => one.id === id);
    if (!option)
      throw new CoreError(
        'UNKNOWN_ID',
        `There is no variant “${id}”. Variants: ${path.options.map((one) => one.id).join(', ') || 'none'}.`,
        { id },
      );
    const choice = option.choices.find((one) => one.name === name);
    if (!choice)
      throw new CoreError(
        'UNKNOWN_ID',
        `The ${id} is not “${name}”. Choices: ${option.choices.map((one) => `“${one.name}”`).join(', ')}.`,
        { id: name },
      );
    return choice.absent;
  });
  return withoutParts(path, absent);
}

const byPlate = (text: string, times: number, volts: number): string =>
  times === 1 ? text : `${text}; here by the ${volts} V of the plate`;

/** The path with the bands that go with the rated volts set to those of the plate. */
export function ratedPath(path: DrivePath, volts: number | null): DrivePath {
  if (volts === null) return path;
  const scaled = ({ measure, ...signal }: PathSignal): PathSignal => {
    if (measure?.rated == null || measure.origin.kind !== 'practice') return { ...signal, measure };
    const times = volts / measure.rated;
    const end = (value: number | null) => (value === null ? null : value * times);
    const bands = measure.bands.map(({ state, from, to }) => ({ state, from: end(from), to: end(to) }));
    return {
      ...signal,
      measure: {
        ...measure,
        rated: volts,
        bands,
        origin: { ...measure.origin, text: byPlate(measure.origin.text, times, volts) },
      },
    };
  };
  return { ...path, signals: path.signals.map(scaled) };
}

/**
 * The path as fitted. `values` are the newest readings by signal; an end that is computed from one not
 * read yet leaves the family's bands of that signal in force.
 */
export function fitPath(path: DrivePath, sheet: ModelSheet, values: ReadonlyMap<string, number>): DrivePath {
  const fitted = withoutParts(path, sheet.absent);
  return { ...fitted, signals: fitted.signals.map((signal) => fitSignal(signal, sheet, values)) };
}

function fitSignal(signal: PathSignal, sheet: ModelSheet, values: ReadonlyMap<string, number>): PathSignal {
  if (!signal.measure) return signal;
  const place = ownEntry(sheet.places, signal.id) ?? signal.measure.place;
  const bands = (ownEntry(sheet.bands, signal.id) ?? []).map(({ state, from, to }) => ({
    state,
    from: resolved(from, values),
    to: resolved(to, values),
  }));
  const known = bands.length > 0 && bands.every((band) => band.from !== undefined && band.to !== undefined);
  const measure = known
    ? {
        ...signal.measure,
        place,
        bands: bands as { state: string; from: number | null; to: number | null }[],
        origin: SHEET,
      }
    : { ...signal.measure, place };
  return { ...signal, measure };
}

const SHEET = { kind: 'sheet' as const, text: 'this model’s sheet' };

function resolved(end: Bands[number]['from'], values: ReadonlyMap<string, number>): number | null | undefined {
  if (end === null || typeof end === 'number') return end;
  const value = values.get(end.of);
  return value === undefined ? undefined : value * end.times;
}
