/** A case solved: suspects, what speaks for them, the next step, and what must not be done. */
import { banWords, ratedPath, variantPath, type DrivePath } from '../families/index.js';
import { CoreError } from '../errors.js';
import { eventsFrom } from './caseEvents.js';
import { problem, type CaseFile, type CaseProblem } from './caseFile.js';
import { engineOf, type Engine } from './engine.js';
import { adviseNext } from './nextTests.js';
import { nextStep, type NextStep } from './nextStep.js';
import { posteriorOf } from './posterior.js';
import { counted, untouched, type Situation } from './reaching.js';
import { evidenceFor, suspectsOf, unexplained } from './suspects.js';
import { say } from '../words/index.js';
import { LEAST_LISTED_SHARE } from './defaults.js';

/** What the engine says of a case. */
export interface CaseAnswer {
  readonly kind: 'answer';
  readonly family: string;
  readonly suspects: readonly {
    readonly block: string;
    readonly name: string;
    readonly share: number;
    readonly modes: readonly { readonly mode: string; readonly name: string; readonly share: number }[];
    readonly evidence: readonly { readonly observation: number; readonly bits: number }[];
  }[];
  readonly outside: number;
  readonly does_not_fit: readonly number[];
  /** test, repeat, mend, outside or nothing. */
  readonly next: string;
  /** What to do, why, what it needs and what it must not; null where nothing is left to do. */
  readonly next_step: NextStep | null;
  /** Why power must stay off, and what lifts it. */
  readonly banned: readonly string[];
  readonly tests: readonly {
    readonly test: string;
    readonly bits: number;
    readonly minutes: number;
    readonly risk_minutes: number;
    readonly power: string;
    /** Why it must not be made now; null when it may. */
    readonly forbidden: string | null;
  }[];
  readonly mends: readonly {
    readonly repair: string;
    readonly chance: number;
    readonly minutes: number;
    readonly forbidden: string | null;
  }[];
}

/** Where a test that this family has not does belong: the case may name the wrong family. */
function elsewhere(paths: ReadonlyMap<string, DrivePath>, family: string, test: string): string {
  if (paths.get(family)?.tests.some((one) => one.id === test)) return '';
  const others = [...paths].filter(([, path]) => path.tests.some((one) => one.id === test)).map(([id]) => id);
  return others.length > 0 ? say` It is a test of ${others.join(', ')}: is this a case of another family?` : '';
}

/** A unit of a family, of one kind, at its rated volts, made ready once. */
const READY = new Map<string, Engine>();

function readyEngine(path: DrivePath, file: CaseFile): Engine {
  const key = JSON.stringify([file.family, file.variant ?? {}, file.rated_volts ?? null]);
  const known = READY.get(key);
  if (known) return known;
  const made = engineOf(ratedPath(variantPath(path, file.variant ?? {}), file.rated_volts ?? null));
  READY.set(key, made);
  return made;
}

/** Everything that follows from a case; observations are numbered from 0 as in the file. */
export function solveCase(paths: ReadonlyMap<string, DrivePath>, file: CaseFile): CaseAnswer | CaseProblem {
  const path = paths.get(file.family);
  if (!path)
    return problem(
      'UNKNOWN_FAMILY',
      say`There is no drive path for “${file.family}”. Families: ${[...paths.keys()].join(', ')}.`,
    );
  let engine: Engine;
  try {
    engine = readyEngine(path, file);
  } catch (error) {
    if (error instanceof CoreError) return problem('UNKNOWN_VARIANT', error.message);
    throw error;
  }
  const read = eventsFrom(engine.model.path, file.observations);
  if ('reason' in read) {
    const strange = file.observations[Number(/^Observation (\d+)/.exec(read.message)?.[1] ?? -1)];
    const hint = strange && 'test' in strange ? elsewhere(paths, file.family, strange.test) : '';
    return { ...read, message: `${read.message}${hint}` };
  }
  const posterior = posteriorOf(engine, read.events);
  const advice = adviseNext(engine, posterior, situationOf(engine, file));
  return {
    kind: 'answer',
    family: file.family,
    suspects: suspectsOf(engine, posterior)
      .filter((one) => one.share >= LEAST_LISTED_SHARE)
      .map((one) => ({
        block: one.block,
        name: one.name,
        share: one.share,
        modes: one.modes.filter((mode) => mode.share >= LEAST_LISTED_SHARE),
        evidence: evidenceFor(engine, posterior, one.block).map(({ ids, bits }) => ({
          observation: Number(ids[0]),
          bits,
        })),
      })),
    outside: posterior.outside,
    does_not_fit: unexplained(posterior).map(Number),
    next: advice.next,
    next_step: nextStep(engine.model.path, advice),
    banned: advice.bans.map(banWords),
    tests: advice.tests.slice(0, 8).map((one) => ({
      test: one.test.id,
      bits: one.bits,
      minutes: one.minutes,
      risk_minutes: one.test.riskMin,
      power: one.test.power,
      forbidden: one.forbidden,
    })),
    mends: advice.mends.slice(0, 10).map((one) => ({
      repair: one.repair.id,
      chance: one.chance,
      minutes: one.minutes,
      forbidden: one.forbidden,
    })),
  };
}

/** How the unit of a case stands: opened as far as its tests of this epoch asked for, power off. */
export function situationOf(engine: Engine, { observations }: Pick<CaseFile, 'observations'>): Situation {
  const { levels, tests } = engine.model.path;
  const since = observations.findLastIndex((entry) => 'mend' in entry || 'work' in entry) + 1;
  const asked = (from: number) => observations.slice(from).flatMap((entry) => ('test' in entry ? [entry.test] : []));
  const depth = asked(0).map((id) =>
    levels.findIndex((level) => level.id === tests.find((one) => one.id === id)?.level),
  );
  return {
    ...untouched(engine),
    level: levels[Math.max(0, ...depth)]?.id ?? '',
    done: new Set(asked(since)),
    mended: counted(
      observations.flatMap((entry) => ('mend' in entry && entry.result !== 'helped' ? [entry.mend] : [])),
    ),
  };
}
