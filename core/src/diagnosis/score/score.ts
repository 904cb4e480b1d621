/** The advice scored: means over simulated units by way of choosing, beside the bound that information sets. */
import { seeded } from '../../numeric/index.js';
import type { Engine } from '../engine.js';
import { play, WAYS, type Played, type Way } from './play.js';
import { drawUnit } from './unit.js';

/** Figures of one way over many units. */
export interface WayScore {
  /** Means over units with known faults. */
  readonly tests: number;
  readonly minutes: number;
  readonly live: number;
  readonly wrongParts: number;
  /** Share of units whose faults were all found. */
  readonly found: number;
  readonly needlessLive: number;
  /** Share of units with an unknown fault in which the outside of the model led; null without such units. */
  readonly outsideLed: number | null;
  /** Standard error of the mean minutes. */
  readonly minutesError: number;
}

/** Figures of one family, way by way. */
export interface FamilyScore {
  readonly units: number;
  readonly outsideUnits: number;
  readonly ways: Readonly<Record<Way, WayScore>>;
  /** No way of choosing can do with fewer minutes in the mean: answers carry no more than this. */
  readonly boundMinutes: number;
}

/** Plays `runs` units, each by every way from the same draw. */
export function scoreAdvice(engine: Engine, runs: number, seed: number): FamilyScore {
  const empty = (): Record<Way, Played[]> => ({ engine: [], checklist: [], plain: [], random: [] });
  const [played, beyond] = [empty(), empty()];
  for (let run = 0; run < runs; run++) {
    for (const way of WAYS) {
      // The same seed draws the same unit, whoever looks for its fault.
      const random = seeded(seed * 100_003 + run);
      const unit = drawUnit(engine, random);
      (unit.outside ? beyond : played)[way].push(play(engine, unit, way, random));
    }
  }
  const ways = Object.fromEntries(WAYS.map((way) => [way, wayScore(played[way], beyond[way])])) as Record<
    Way,
    WayScore
  >;
  return { units: played.engine.length, outsideUnits: beyond.engine.length, ways, boundMinutes: boundOf(engine) };
}

function wayScore(known: readonly Played[], beyond: readonly Played[]): WayScore {
  const mean = (of: (one: Played) => number, list = known) =>
    list.length === 0 ? 0 : list.reduce((sum, one) => sum + of(one), 0) / list.length;
  const minutes = mean((one) => one.minutes);
  const variance = mean((one) => (one.minutes - minutes) ** 2);
  return {
    tests: mean((one) => one.tests),
    minutes,
    live: mean((one) => one.live),
    wrongParts: mean((one) => one.wrongParts),
    found: mean((one) => Number(one.found)),
    needlessLive: mean((one) => one.needlessLive, [...known, ...beyond]),
    outsideLed: beyond.length === 0 ? null : mean((one) => Number(one.outsideLed), beyond),
    minutesError: Math.sqrt(variance / Math.max(1, known.length)),
  };
}

/**
 * Least mean minutes that answers allow: the entropy of what is wrong, bought from the tests with the
 * most bits a minute first, each giving at most the logarithm of its number of answers, none bought
 * twice. A true bound, and a loose one: no test gives that much to every question.
 */
function boundOf(engine: Engine): number {
  const singles = engine.space.hypotheses.filter((one) => one.modes.length === 1);
  const total = singles.reduce((sum, one) => sum + one.weight, 0);
  let bits = singles.reduce((sum, one) => sum - (one.weight / total) * Math.log2(one.weight / total), 0);
  const offers = engine.model.path.tests
    .map((test) => ({ bits: Math.log2(test.outcomes.length), minutes: test.handsMin }))
    .sort((a, b) => b.bits / b.minutes - a.bits / a.minutes);
  let minutes = 0;
  for (const offer of offers) {
    if (bits <= 0) break;
    const part = Math.min(1, bits / offer.bits);
    minutes += part * offer.minutes;
    bits -= part * offer.bits;
  }
  return minutes;
}
