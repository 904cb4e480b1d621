/** The stop rule: which faults make the next power-up dearer than anything it could tell. */
import type { Engine } from './engine.js';
import { posteriorOf, type Posterior } from './posterior.js';

/** Why the next power-up may kill a good part; null while that is unlikely. */
export interface Danger {
  /** For a unit that is opened, probed or mended. */
  readonly opened: string | null;
  /**
   * For what is seen with the lid on: its owner had it on like that, so it is forbidden only once what was
   * seen speaks for the fault, not by how common the fault is.
   */
  readonly asItCame: string | null;
}

/** The stop rule, for everything that puts power on, probed or merely watched. */
export function dangerOf(engine: Engine, posterior: Posterior): Danger {
  const worst = [...killShares(engine, posterior).entries()].sort((a, b) => b[1] - a[1])[0];
  if (!worst || worst[1] < KILL_SHARE) return { opened: null, asItCame: null };
  const before = killShares(engine, priorOf(engine)).get(worst[0]) ?? 0;
  return { opened: worst[0], asItCame: worst[1] >= SPOKEN_FOR * before ? worst[0] : null };
}

/** Chance of each reason not to power. */
function killShares({ model, space }: Engine, posterior: Posterior): Map<string, number> {
  const byReason = new Map<string, number>();
  posterior.hypotheses.forEach((share, h) => {
    const reasons = new Set(
      (space.hypotheses[h]?.modes ?? []).map((m) => model.modes[m]?.kills).filter((one) => one != null),
    );
    for (const reason of reasons) byReason.set(reason, (byReason.get(reason) ?? 0) + share);
  });
  return byReason;
}

const PRIORS = new WeakMap<Engine, Posterior>();
const priorOf = (engine: Engine): Posterior => {
  const known = PRIORS.get(engine) ?? posteriorOf(engine, []);
  PRIORS.set(engine, known);
  return known;
};

/** What was seen speaks for a fault once its chance is this many times that of a unit nobody has looked at. */
const SPOKEN_FOR = 2;

/** Chance from which a fault that power makes worse forbids power. */
const KILL_SHARE = 0.1;
