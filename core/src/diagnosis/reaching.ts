/** How the unit stands, and what it costs to reach a part from there. */
import { needsPower, type PathTest } from '../families/index.js';
import type { Engine } from './engine.js';

/** How the unit stands now. */
export interface Situation {
  /** Level of opening reached, by id. */
  readonly level: string;
  readonly power: 'dead' | 'live';
  /** Tests that were answered in this epoch. */
  readonly done: ReadonlySet<string>;
  /** Tests that cannot be done on this unit. */
  readonly unreachable: ReadonlySet<string>;
  /** What is off now and must be put back before a test, by test: "belt". Such tests come last. */
  readonly putBack: ReadonlyMap<string, readonly string[]>;
  /** Mends of the path done on this unit, by id. */
  readonly mended: ReadonlySet<string>;
}

/** A closed, dead unit on which nothing was done yet. */
export const untouched = (engine: Engine): Situation => ({
  level: engine.model.path.levels[0]?.id ?? '',
  power: 'dead',
  done: new Set(),
  unreachable: new Set(),
  putBack: new Map(),
  mended: new Set(),
});

/**
 * Minutes to switch on a unit that nobody has opened, to go live through the gate once it is open, and
 * to make it dead again with the charge proved gone (common practice).
 */
export const POWER_MINUTES = { on: 0.5, live: 2, dead: 3 } as const;
/** Minutes that a unit of money is worth when a repair is tried or a test uses up parts (an hour of the bench at 60). */
export const MINUTES_PER_MONEY = 1;
/** A waiting minute costs this part of a minute of hands: other jobs lie on the bench. */
export const WAIT_PART = 0.1;

/** Minutes from the unit's present opening and power to what the test needs. */
export function reaching(
  engine: Engine,
  situation: Situation,
  need: { level: string; power: PathTest['power'] },
): number {
  const { levels } = engine.model.path;
  const [here, there] = [situation.level, need.level].map((id) => levels.findIndex((level) => level.id === id));
  const opening = levels.slice((here ?? 0) + 1, (there ?? 0) + 1).reduce((sum, level) => sum + level.minutes, 0);
  const mustOpen = opening > 0;
  if (needsPower(need)) {
    if (situation.power === 'live' && !mustOpen) return 0;
    const on = (here ?? 0) <= 0 && !mustOpen ? POWER_MINUTES.on : POWER_MINUTES.live;
    return opening + on + (situation.power === 'live' ? POWER_MINUTES.dead : 0);
  }
  const off = situation.power === 'live' && (need.power === 'dead' || mustOpen) ? POWER_MINUTES.dead : 0;
  return opening + off;
}

/** Minutes of opening that lie between the unit and a level. */
export function openingMinutes(engine: Engine, situation: Situation, level: string): number {
  const { levels } = engine.model.path;
  const [here, there] = [situation.level, level].map((id) => levels.findIndex((one) => one.id === id));
  return levels.slice((here ?? 0) + 1, (there ?? 0) + 1).reduce((sum, one) => sum + one.minutes, 0);
}
