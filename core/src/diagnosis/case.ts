/** A case as a file: what was tried and seen on one unit, and what follows from it. */
import { z } from 'zod';
import type { DrivePath, PathTest } from '../families/index.js';
import { engineOf, type Engine } from './engine.js';
import { adviseNext } from './nextTests.js';
import { statesOfValue, type Observation } from './observation.js';
import { posteriorOf } from './posterior.js';
import { readRow } from './row.js';
import { evidenceFor, suspectsOf, unexplained } from './suspects.js';

const entrySchema = z.object({
  test: z.string(),
  context: z.record(z.string(), z.string()).optional(),
  outcome: z.string().optional(),
  value: z.number().optional(),
  unit: z.string().optional(),
  /** A row of readings, in the order of the test's labels; "open" for no passage. */
  row: z.array(z.union([z.number(), z.literal('open')])).optional(),
});
/** What a case is known to end in: after how many observations its fault leads, and has four fifths. */
const expectSchema = z.object({
  fault: z.string(),
  leads_after: z.number().int().positive(),
  found_after: z.number().int().positive(),
});
const caseSchema = z.object({
  family: z.string(),
  model: z.string().optional(),
  story: z.string().optional(),
  observations: z.array(entrySchema),
  expect: expectSchema.optional(),
});
export type CaseEntry = z.infer<typeof entrySchema>;
export type CaseFile = z.infer<typeof caseSchema>;

export type CaseProblem = {
  readonly kind: 'unusable';
  readonly reason:
    'NOT_A_CASE' | 'UNKNOWN_FAMILY' | 'UNKNOWN_TEST' | 'UNKNOWN_OUTCOME' | 'UNKNOWN_CONTEXT' | 'ABSURD_VALUE';
  readonly message: string;
};

const problem = (reason: CaseProblem['reason'], message: string): CaseProblem => ({
  kind: 'unusable',
  reason,
  message,
});

/** Reads the text of a case file. */
export function readCase(text: string): { readonly kind: 'case'; readonly file: CaseFile } | CaseProblem {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    return problem('NOT_A_CASE', 'This is not JSON. A case holds a family and a list of observations.');
  }
  const read = caseSchema.safeParse(data);
  if (read.success) return { kind: 'case', file: read.data };
  const issue = read.error.issues[0];
  return problem(
    'NOT_A_CASE',
    `The case is not whole at ${issue?.path.join('.') || 'its top'}: ${issue?.message ?? ''}.`,
  );
}

/** One entry as an observation of the path. */
export function observationFrom(
  path: DrivePath,
  entry: CaseEntry,
  id: string,
): { readonly kind: 'observation'; readonly observation: Observation } | CaseProblem {
  const test = path.tests.find((one) => one.id === entry.test);
  if (!test)
    return problem(
      'UNKNOWN_TEST',
      `There is no test “${entry.test}” in this family. Tests: ${path.tests.map((one) => one.id).join(', ')}.`,
    );
  const context = { ...test.context, ...entry.context };
  for (const [key, value] of Object.entries(context)) {
    const known = path.contexts.find((one) => one.id === key);
    if (!known?.values.includes(value))
      return problem('UNKNOWN_CONTEXT', `${test.id}: there is no ${key} “${value}” in this family.`);
  }
  if (entry.row) {
    const read = readRow(
      test,
      entry.row.map((cell) => (cell === 'open' ? Infinity : cell)),
    );
    if (read.kind === 'unusable') return problem('UNKNOWN_OUTCOME', read.message);
    return observationFrom(path, { ...entry, row: undefined, outcome: read.outcome }, id);
  }
  const saw = entry.outcome === undefined ? sawValue(path, test, entry) : sawOutcome(test, entry.outcome);
  if ('reason' in saw) return saw;
  return { kind: 'observation', observation: { id, context, reliability: test.reliability, saw } };
}

function sawOutcome(test: PathTest, outcome: string): Observation['saw'] | CaseProblem {
  const found = test.outcomes.find((one) => one.id === outcome);
  if (!found)
    return problem(
      'UNKNOWN_OUTCOME',
      `${test.id} cannot answer “${outcome}”. Answers: ${test.outcomes.map((one) => one.id).join(', ')}.`,
    );
  if (test.signal === null) return { kind: 'block', block: test.block ?? '', modes: found.modes };
  return { kind: 'signal', signal: test.signal, weights: Object.fromEntries(found.states.map((state) => [state, 1])) };
}

function sawValue(path: DrivePath, test: PathTest, entry: CaseEntry): Observation['saw'] | CaseProblem {
  const signal = path.signals.find((one) => one.id === test.signal);
  if (entry.value === undefined || !signal)
    return problem(
      'UNKNOWN_OUTCOME',
      `${test.id} needs an outcome${signal?.measure ? ' or a value with its unit' : ''}: ${test.outcomes.map((one) => one.id).join(', ')}.`,
    );
  const states = statesOfValue(signal, entry.value, entry.unit ?? '');
  if (states.kind === 'absurd') return problem('ABSURD_VALUE', states.message);
  return { kind: 'signal', signal: signal.id, weights: states.weights };
}

export interface CaseAnswer {
  readonly kind: 'answer';
  readonly family: string;
  readonly suspects: readonly {
    readonly block: string;
    readonly share: number;
    readonly modes: readonly { readonly mode: string; readonly share: number }[];
    readonly evidence: readonly { readonly observation: number; readonly bits: number }[];
  }[];
  readonly outside: number;
  readonly does_not_fit: readonly number[];
  readonly next: string;
  readonly tests: readonly {
    readonly test: string;
    readonly bits: number;
    readonly minutes: number;
    readonly risk_minutes: number;
    readonly power: string;
  }[];
  readonly mends: readonly { readonly repair: string; readonly chance: number; readonly minutes: number }[];
}

/** Where a test that this family has not does belong: the case may name the wrong family. */
function elsewhere(paths: ReadonlyMap<string, DrivePath>, family: string, test: string): string {
  if (paths.get(family)?.tests.some((one) => one.id === test)) return '';
  const others = [...paths].filter(([, path]) => path.tests.some((one) => one.id === test)).map(([id]) => id);
  return others.length > 0 ? ` It is a test of ${others.join(', ')}: is this a case of another family?` : '';
}

const ready = new WeakMap<DrivePath, Engine>();

/** A path is made ready once. */
function readyEngine(path: DrivePath): Engine {
  const known = ready.get(path);
  if (known) return known;
  const made = engineOf(path);
  ready.set(path, made);
  return made;
}

/** Suspects under this share are not listed. */
const LEAST_SHARE = 0.005;

/** Everything that follows from a case; observations are numbered from 0 as in the file. */
export function solveCase(paths: ReadonlyMap<string, DrivePath>, file: CaseFile): CaseAnswer | CaseProblem {
  const path = paths.get(file.family);
  if (!path)
    return problem(
      'UNKNOWN_FAMILY',
      `There is no drive path for “${file.family}”. Families: ${[...paths.keys()].join(', ')}.`,
    );
  const seen: Observation[] = [];
  for (const [i, entry] of file.observations.entries()) {
    const read = observationFrom(path, entry, String(i));
    if (read.kind === 'unusable')
      return { ...read, message: `Observation ${i}: ${read.message}${elsewhere(paths, file.family, entry.test)}` };
    seen.push(read.observation);
  }
  const engine = readyEngine(path);
  const posterior = posteriorOf(
    engine,
    seen.map((observation) => ({ kind: 'saw', observation })),
  );
  const done = new Set(file.observations.map((entry) => entry.test));
  const level = path.levels[0]?.id ?? '';
  const advice = adviseNext(engine, posterior, {
    level,
    power: 'dead',
    done,
    unreachable: new Set(),
    putBack: new Map(),
  });
  return {
    kind: 'answer',
    family: file.family,
    suspects: suspectsOf(engine, posterior)
      .filter((one) => one.share >= LEAST_SHARE)
      .map((one) => ({
        block: one.block,
        share: one.share,
        modes: one.modes.filter((mode) => mode.share >= LEAST_SHARE).map(({ mode, share }) => ({ mode, share })),
        evidence: evidenceFor(engine, posterior, one.block).map(({ ids, bits }) => ({
          observation: Number(ids[0]),
          bits,
        })),
      })),
    outside: posterior.outside,
    does_not_fit: unexplained(posterior).map(Number),
    next: advice.next,
    tests: advice.tests.slice(0, 8).map((one) => ({
      test: one.test.id,
      bits: one.bits,
      minutes: one.minutes,
      risk_minutes: one.test.riskMin,
      power: one.test.power,
    })),
    mends: advice.mends.slice(0, 5).map((one) => ({ repair: one.repair.id, chance: one.chance, minutes: one.minutes })),
  };
}
