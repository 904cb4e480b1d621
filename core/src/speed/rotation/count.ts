/**
 * Which pulse is which: every pulse gets its running number, with gaps counted over and doubles left
 * out, following the local rhythm so that a slow change of speed does no harm.
 */
import { median } from '../../numeric/index.js';
import {
  DOUBLE_PART,
  LEAST_PULSES,
  LOCAL_RHYTHM,
  LOOK_BACK,
  MOST_ODD,
  MOST_PULSES,
  RESTORED_PART,
} from './defaults.js';

/** Pulses with their missing and doubled ones put right. */
export interface CountedPulses {
  readonly timeS: Float64Array;
  /** Running number of each pulse kept, from 0. */
  readonly number: Int32Array;
  readonly missing: number;
  readonly doubled: number;
}

/** Numbers `timeS` (strictly rising, at least 4); null when no steady rhythm is found. */
export function countPulses(timeS: Float64Array, perTurn: number): CountedPulses | null {
  const gaps = timeS.subarray(1).map((t, i) => t - (timeS[i] as number));
  const usual = median(gaps);
  const kept: number[] = [timeS[0] as number];
  const numbers: number[] = [0];
  const recent: number[] = [];
  let missing = 0;
  let doubled = 0;
  for (let i = 1; i < timeS.length; i++) {
    const t = timeS[i] as number;
    const gap = t - (kept[kept.length - 1] as number);
    const local = recent.length >= Math.min(LOCAL_RHYTHM.pulses, LOCAL_RHYTHM.turns * perTurn) ? median(recent) : usual;
    if (gap < DOUBLE_PART * local && restores(timeS, i, kept[kept.length - 1] as number, local)) {
      doubled++;
      continue;
    }
    const steps = Math.max(1, Math.round(gap / local));
    missing += steps - 1;
    kept.push(t);
    numbers.push((numbers[numbers.length - 1] as number) + steps);
    recent.push(gap / steps);
    if (recent.length > LOOK_BACK) recent.shift();
  }
  const total = numbers[numbers.length - 1] as number;
  if (
    total > MOST_PULSES ||
    missing > MOST_ODD.missing * total ||
    doubled > MOST_ODD.doubled * timeS.length ||
    kept.length < LEAST_PULSES
  )
    return null;
  return { timeS: Float64Array.from(kept), number: Int32Array.from(numbers), missing, doubled };
}

/** Leaving pulse i out, is the next one a whole rhythm after the last kept? */
function restores(timeS: Float64Array, i: number, last: number, local: number): boolean {
  const next = timeS[i + 1];
  if (next === undefined) return true;
  const whole = (next - last) / local;
  return Math.abs(whole - Math.max(1, Math.round(whole))) < RESTORED_PART;
}
