/** The drive path's reasoning off the page's own thread; a family is made ready when it is first asked for. */
import {
  adviseNext,
  engineOf,
  evidenceFor,
  healthyShare,
  posteriorOf,
  suspectsOf,
  unexplained,
  type Advice,
  type Engine,
  type Event,
  type Evidence,
  type Knowledge,
  type Situation,
  type Suspect,
} from '@amber-gauge/core/diagnosis';
import { PATHS, withoutParts } from '@amber-gauge/core/families';
import { expose } from 'comlink';

export interface SuspectView extends Suspect {
  readonly evidence: readonly Evidence[];
}

export interface FindAnswer {
  readonly suspects: readonly SuspectView[];
  readonly outside: number;
  readonly healthy: number;
  readonly unexplained: readonly string[];
  readonly advice: Advice;
}

const engines = new Map<string, Engine>();

function engineFor(familyId: string, absent: readonly string[], knowledge: Knowledge): Engine {
  const key = `${familyId} ${JSON.stringify([absent, knowledge])}`;
  const known = engines.get(key);
  if (known) return known;
  const path = PATHS.get(familyId);
  if (!path) throw new Error(`no drive path for ${familyId}`);
  const made = engineOf(withoutParts(path, absent), { knowledge });
  engines.set(key, made);
  return made;
}

const api = {
  solve(
    familyId: string,
    absent: readonly string[],
    knowledge: Knowledge,
    events: readonly Event[],
    situation: Situation,
  ): FindAnswer {
    const engine = engineFor(familyId, absent, knowledge);
    const posterior = posteriorOf(engine, events);
    return {
      suspects: suspectsOf(engine, posterior).map((one) => ({
        ...one,
        evidence: evidenceFor(engine, posterior, one.block),
      })),
      outside: posterior.outside,
      healthy: healthyShare(engine, posterior),
      unexplained: unexplained(posterior),
      advice: adviseNext(engine, posterior, situation),
    };
  },
};

export type FindWorker = typeof api;
expose(api);
