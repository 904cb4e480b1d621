/** Places of a generator's wheel where its level dips once a turn. */
import { median } from '../../numeric/index.js';
import type { CountedPulses } from './count.js';
import { LEAST_DIP_TURNS, MOST_PART, WEAK_PART } from './defaults.js';

/** A weak place of a generator, once a turn. */
export interface WeakSegment {
  /** Pulse of the turn, from 0 at the first of the stretch. */
  readonly place: number;
  /** The same as an angle of the turn. */
  readonly degrees: number;
  /** How far its level stands under the usual one, percent. */
  readonly dipPercent: number;
  /** What its place alone does to the speed from pulse to pulse, percent peak; the mean of a turn is not touched. */
  readonly speedPercent: number;
}

/** Weak places from `levels` (one a cycle) beside the times they were counted from. */
export function weakSegments(
  counted: CountedPulses,
  timeS: Float64Array,
  levels: Float64Array,
  places: Float64Array,
  perTurn: number,
): WeakSegment[] {
  const last = counted.number[counted.number.length - 1] as number;
  if (perTurn < 3 || last < LEAST_DIP_TURNS * perTurn) return [];
  const by: number[][] = Array.from({ length: perTurn }, () => []);
  let k = 0;
  counted.timeS.forEach((t, i) => {
    while (k < timeS.length && (timeS[k] as number) < t) k++;
    const level = levels[k];
    if (level !== undefined) (by[(counted.number[i] as number) % perTurn] as number[]).push(level);
  });
  const usual = median(by.map((list) => median(list)));
  const weak = by
    .map((list, place) => ({ place, level: list.length > 0 ? median(list) / usual : 1 }))
    .filter(({ level }) => level < WEAK_PART);
  if (weak.length > Math.max(1, MOST_PART * perTurn)) return [];
  const pitch = (i: number) => 100 * Math.abs((places[(i + 1) % perTurn] as number) - (places[i % perTurn] as number));
  return joinedPlaces(weak, perTurn).map(({ place, level }) => ({
    place,
    degrees: (360 * place) / perTurn,
    dipPercent: 100 * (1 - level),
    speedPercent: Math.max(pitch(place), pitch((place + perTurn - 1) % perTurn)),
  }));
}

/** A dip touches the cycles on either side: neighbours are one place, the deepest. */
function joinedPlaces(
  weak: readonly { readonly place: number; readonly level: number }[],
  perTurn: number,
): { readonly place: number; readonly level: number }[] {
  const at = new Map(weak.map((one) => [one.place, one.level]));
  return weak.filter(({ place, level }) => {
    const before = at.get((place + perTurn - 1) % perTurn) ?? Infinity;
    const after = at.get((place + 1) % perTurn) ?? Infinity;
    return level < before && level <= after;
  });
}
