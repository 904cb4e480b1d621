/** From a job's log to what Find says: the one place where path, evidence, suspects and advice come together. */
import {
  adviseNext,
  engineOf,
  evidenceFor,
  healthyShare,
  NO_KNOWLEDGE,
  posteriorOf,
  faultSetsOf,
  suspectsOf,
  type FaultSet,
  unexplained,
  type Advice,
  type Engine,
  type Evidence,
  type Suspect,
} from '../../diagnosis/index.js';
import { EMPTY_SHEET, PATHS, ratedPath, withoutParts, type DrivePath, type ModelSheet } from '../../families/index.js';
import { standing, type BenchEvent } from '../event.js';
import type { JobFacts } from '../job.js';
import { jobState, type JobState } from '../state.js';
import { findEvidence, fittedPath, type FindEvidence } from './evidence.js';
import type { BenchKnowledge } from './known.js';
import { MOST_ENGINES_READY } from '../defaults.js';

/** What Find rests on besides the log. */
export interface FindBasis {
  /** The model's sheet; the family's when none is kept. */
  readonly sheet?: ModelSheet;
  /** What this bench knows; without it the family's priors stand. */
  readonly known?: BenchKnowledge | null;
}

/** What the log says of the drive path, before anything is reckoned from it. */
export interface FindReading {
  /** The family's path at the unit's rated volts. */
  readonly family: DrivePath;
  /** The same fitted to the model's sheet and to what was read. */
  readonly path: DrivePath;
  readonly evidence: FindEvidence;
}

/** A suspect with what speaks for and against it. */
export interface SuspectView extends Suspect {
  readonly evidence: readonly Evidence[];
}

/** What the path makes of the log: suspects, advice, what fits nothing; shares are fractions. */
export interface FindAnswer {
  readonly suspects: readonly SuspectView[];
  /** What may be wrong at once, by falling chance. */
  readonly faults: readonly FaultSet[];
  /** Share of what lies outside the path, 0 to 1. */
  readonly outside: number;
  /** Share of there being no fault, 0 to 1. */
  readonly healthy: number;
  /** Keys of lines that fit nothing. */
  readonly unexplained: readonly string[];
  /** What to do next, what must not be done, and why. */
  readonly advice: Advice;
}

/** Reads a log for Find; null for a family that has no drive path. `events` are all that count, struck ones too. */
export function readForFind(
  job: JobFacts,
  events: readonly BenchEvent[],
  basis: FindBasis = {},
  state: Pick<JobState, 'ledger' | 'power' | 'readings'> = jobState(job, events),
): FindReading | null {
  const family = PATHS.get(job.familyId);
  if (!family) return null;
  const rated = ratedPath(family, job.ratedVolts);
  const lines = standing(events);
  const places = new Map(state.readings.flatMap((one) => (one.place ? [[one.key, one.place] as const] : [])));
  const path = fittedPath(rated, basis.sheet ?? EMPTY_SHEET, lines, places, basis.known?.healthy);
  const evidence = findEvidence(job, path, lines, { ledger: state.ledger, power: state.power, places });
  return { family: rated, path, evidence };
}

/** Everything that follows from a log; null for a family that has no drive path. */
export function findAnswer(
  job: JobFacts,
  events: readonly BenchEvent[],
  basis: FindBasis = {},
  state?: Pick<JobState, 'ledger' | 'power' | 'readings'>,
): FindAnswer | null {
  const read = readForFind(job, events, basis, state);
  if (!read) return null;
  const engine = engineFor(job, read.family, basis);
  const posterior = posteriorOf(engine, read.evidence.events);
  return {
    suspects: suspectsOf(engine, posterior).map((one) => ({
      ...one,
      evidence: evidenceFor(engine, posterior, one.block),
    })),
    faults: faultSetsOf(engine, posterior),
    outside: posterior.outside,
    healthy: healthyShare(engine, posterior),
    unexplained: unexplained(posterior),
    advice: adviseNext(engine, posterior, read.evidence.situation),
  };
}

/** Engines made ready, the one used last at the end: a bench works on a few families at a time. */
const ready = new Map<string, Engine>();

function engineFor(job: JobFacts, family: DrivePath, { sheet = EMPTY_SHEET, known }: FindBasis): Engine {
  const knowledge = known ? { family: known.family, model: known.model } : NO_KNOWLEDGE;
  const key = JSON.stringify([job.familyId, job.ratedVolts, sheet.absent, knowledge]);
  const engine = ready.get(key) ?? engineOf(withoutParts(family, sheet.absent), { knowledge });
  ready.delete(key);
  ready.set(key, engine);
  for (const oldest of ready.keys()) if (ready.size > MOST_ENGINES_READY) ready.delete(oldest);
  return engine;
}
