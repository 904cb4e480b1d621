/** The advice marked on machines that are physics: by family, beside other ways and the best possible order. */
import { engineOf, play } from '../diagnosis/index.js';
import { seeded } from '../numeric/index.js';
import { drawMarked, pathFor, type FamilyMap } from './family.js';
import { bestOrder, bySymptom, type Gone } from './symptoms.js';

/**
 * engine: the advice. checklist: the fixed list, skipping what the engine's belief knows. plain: the same list, skipping
 * only what was answered. symptoms: a symptom table.
 */
export const PRACTICE_WAYS = ['engine', 'checklist', 'plain', 'symptoms'] as const;
/** Names of the ways. */
export type PracticeWay = (typeof PRACTICE_WAYS)[number];

/** Means over the units that have something wrong; shares are fractions. */
export interface PracticeWayScore {
  /** The right part, confirmed by a look or a cure. */
  readonly found: number;
  /** The faulty part led when it was confirmed; null for a way without a belief. */
  readonly led: number | null;
  readonly minutes: number;
  readonly live: number;
  readonly wrongParts: number;
  /** Units on which power did what it must not, over all units. */
  readonly harmed: number;
}

/** What one family's machine said of the advice. */
export interface PracticeScore {
  readonly units: number;
  readonly soundUnits: number;
  readonly ways: Readonly<Record<PracticeWay, PracticeWayScore>>;
  /** Minutes of hands of who knows the fault. */
  readonly bestMinutes: number;
  /** Parts bought for a machine with nothing wrong, by the advice, a unit; null without such units. */
  readonly soundParts: number | null;
  /** Faults of the machine that the advice did not find, and how often of how many. */
  readonly missed: readonly { readonly fault: string; readonly times: number; readonly of: number }[];
  /** What power did while the advice was followed, with the faults of that machine. */
  readonly harms: readonly { readonly faults: readonly string[]; readonly words: string }[];
}

interface Marked extends Gone {
  readonly led: boolean | null;
  readonly faults: readonly string[];
  readonly sound: boolean;
}

/** Plays `runs` machines of the family, each by every way asked for from the same draw; a way not asked for counts nothing. */
export function scorePractice(
  map: FamilyMap,
  runs: number,
  seed: number,
  ways: readonly PracticeWay[] = PRACTICE_WAYS,
): PracticeScore {
  const engine = engineOf(pathFor(map));
  const rows: Record<PracticeWay, Marked[]> = { engine: [], checklist: [], plain: [], symptoms: [] };
  let best = 0;
  for (let run = 0; run < runs; run++) {
    const drawn = seed * 100_003 + run;
    const fresh = () => drawMarked(map, drawn);
    const unit = fresh();
    if (!unit.outside) best += bestOrder(engine, unit);
    for (const way of ways) {
      const one = fresh();
      const facts = { faults: [...one.practice.faults], sound: one.outside };
      rows[way].push(
        way === 'symptoms'
          ? { ...bySymptom(engine, one), led: null, ...facts }
          : { ...play(engine, one, way, seeded(drawn + 1)), ...facts },
      );
    }
  }
  const sound = rows.engine.filter((one) => one.sound);
  return {
    units: runs - sound.length,
    soundUnits: sound.length,
    ways: {
      engine: wayScore(rows.engine),
      checklist: wayScore(rows.checklist),
      plain: wayScore(rows.plain),
      symptoms: wayScore(rows.symptoms),
    },
    bestMinutes: best / Math.max(1, runs - sound.length),
    soundParts: sound.length === 0 ? null : sound.reduce((sum, one) => sum + one.wrongParts, 0) / sound.length,
    missed: missedIn(rows.engine),
    harms: rows.engine.flatMap(({ harm, faults }) => harm.map((words) => ({ faults, words }))),
  };
}

function wayScore(rows: readonly Marked[]): PracticeWayScore {
  const wrong = rows.filter((one) => !one.sound);
  const mean = (of: (one: Marked) => number) =>
    wrong.reduce((sum, one) => sum + of(one), 0) / Math.max(1, wrong.length);
  return {
    found: mean((one) => Number(one.found)),
    led: wrong.every((one) => one.led === null) ? null : mean((one) => Number(one.led === true)),
    minutes: mean((one) => one.minutes),
    live: mean((one) => one.live),
    wrongParts: mean((one) => one.wrongParts),
    harmed: rows.filter((one) => one.harm.length > 0).length / Math.max(1, rows.length),
  };
}

function missedIn(rows: readonly Marked[]): PracticeScore['missed'] {
  const all = new Map<string, { times: number; of: number }>();
  for (const { faults, found, sound } of rows) {
    if (sound) continue;
    for (const fault of faults) {
      const one = all.get(fault) ?? { times: 0, of: 0 };
      all.set(fault, { times: one.times + Number(!found), of: one.of + 1 });
    }
  }
  return [...all].filter(([, { times }]) => times > 0).map(([fault, counts]) => ({ fault, ...counts }));
}
