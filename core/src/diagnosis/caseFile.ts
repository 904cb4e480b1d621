/** A case file: the unit, and what was seen, tried and mended, in order. */
import { z } from 'zod';
import { say } from '../words/index.js';

const word = z.string().min(1).max(200);

/** An answer of a test, or its value, or its row. */
const testEntry = z.object({
  test: word,
  context: z.record(z.string(), z.string()).optional(),
  outcome: z.string().optional(),
  value: z.number().optional(),
  unit: z.string().optional(),
  /** A row of readings, in the order of the test's labels; "open" for no passage. */
  row: z.array(z.union([z.number(), z.literal('open')])).optional(),
  /** Ohms of the test leads, taken off every reading in Ω. */
  lead_ohms: z.number().min(0).max(100).optional(),
});

/** What came of a trial or a mend. */
export const RESULTS = [
  'cured',
  'no-change',
  'better',
  'worse',
  'helped',
  'changed',
  'turns',
  'hums',
  'nothing',
] as const;

/** A mend of the path that was made, and what came of it; helped: for half an hour. */
const mendEntry = z.object({
  mend: word,
  result: z.enum(['cured', 'no-change', 'better', 'worse', 'helped']).optional(),
});

/** Work on parts, by block: what was touched may have been left off. */
const workEntry = z.object({ work: z.union([word, z.array(word).min(1)]) });

/** What is done to a part for a trial. */
export const TRIALS = [
  'bridged',
  'swapped',
  'lifted',
  'fed-direct',
  'cooled',
  'sink',
  'warmed',
  'tapped',
  'breathed-on',
  'loaded',
] as const;

const trialEntry = z.object({
  trial: z.enum(TRIALS),
  part: word,
  result: z.enum(RESULTS),
  volts: z.number().optional(),
  amps: z.number().min(0).optional(),
  /** The supply stood at its limit of current. */
  at_limit: z.boolean().optional(),
});

/** A line of a case file. */
export const entrySchema = z.union([testEntry, mendEntry, workEntry, trialEntry]);
/** What a case is known to end in: "block.mode". */
const expectSchema = z.object({ fault: z.string() });
const caseSchema = z.object({
  family: z.string(),
  model: z.string().optional(),
  story: z.string().optional(),
  /** The kind of machine: each variant of the family by its choice. */
  variant: z.record(z.string(), z.string()).optional(),
  /** Volts of the unit's plate or pack. */
  rated_volts: z.number().positive().optional(),
  observations: z.array(entrySchema).max(500),
  expect: expectSchema.optional(),
});

/** A test that was answered. */
export type TestEntry = z.infer<typeof testEntry>;
/** Something that was tried. */
export type TrialEntry = z.infer<typeof trialEntry>;
/** See {@link entrySchema}. */
export type CaseEntry = z.infer<typeof entrySchema>;
/** A case to be solved. */
export type CaseFile = z.infer<typeof caseSchema>;

/** Why a case cannot be read. */
export type CaseProblem = {
  readonly kind: 'unusable';
  readonly reason:
    | 'NOT_A_CASE'
    | 'UNKNOWN_FAMILY'
    | 'UNKNOWN_VARIANT'
    | 'UNKNOWN_TEST'
    | 'UNKNOWN_OUTCOME'
    | 'UNKNOWN_CONTEXT'
    | 'UNKNOWN_MEND'
    | 'UNKNOWN_PART'
    | 'ABSURD_VALUE';
  readonly message: string;
};

/** A problem by its reason. */
export const problem = (reason: CaseProblem['reason'], message: string): CaseProblem => ({
  kind: 'unusable',
  reason,
  message,
});

/** What an entry has to look like, by the key that it begins with. */
const SHAPES = { test: testEntry, mend: mendEntry, work: workEntry, trial: trialEntry } as const;

/** The first thing wrong with an entry, in words. */
function entryProblem(entry: unknown): string {
  const keys = typeof entry === 'object' && entry !== null ? Object.keys(entry) : [];
  const key = (['test', 'mend', 'work', 'trial'] as const).find((one) => keys.includes(one));
  if (!key) return say`it names neither a test, a mend, work nor a trial`;
  const read = (SHAPES[key] as z.ZodType).safeParse(entry);
  const issue = read.success ? undefined : read.error.issues[0];
  return `${issue?.path.join('.') ?? key}: ${issue?.message ?? say`cannot be read`}`;
}

/** Reads the text of a case file. */
export function readCase(text: string): { readonly kind: 'case'; readonly file: CaseFile } | CaseProblem {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    return problem('NOT_A_CASE', say`This is not JSON. A case holds a family and a list of observations.`);
  }
  const read = caseSchema.safeParse(data);
  if (read.success) return { kind: 'case', file: read.data };
  const issue = read.error.issues[0];
  const [list, index] = issue?.path ?? [];
  if (list === 'observations' && typeof index === 'number') {
    const entry = (data as { observations: unknown[] }).observations[index];
    return problem('NOT_A_CASE', say`The case is not whole at observations.${index}: ${entryProblem(entry)}.`);
  }
  return problem(
    'NOT_A_CASE',
    say`The case is not whole at ${issue?.path.join('.') || say`its top`}: ${issue?.message ?? ''}.`,
  );
}
