/** A shaft of known motion, and the times at which the marks of its wheel pass. For tests and accuracy runs. */
import { gaussian, seeded } from '../../numeric/index.js';

export interface Motion {
  readonly rpm: number;
  readonly wow?: readonly { readonly hz: number; readonly percent: number }[];
  /** Change of the speed over the whole, percent, linear and centred. */
  readonly driftPercent?: number;
  readonly durationS: number;
  /** Time constant of coming up from rest, seconds; 0 when it turns from the start. */
  readonly spinUpS?: number;
}

/** Turns since the start at time t. */
export function turnsAt({ rpm, wow = [], driftPercent = 0, durationS, spinUpS = 0 }: Motion, t: number): number {
  const hz = rpm / 60;
  const slope = driftPercent / 100 / durationS;
  let time = t + 0.5 * slope * (t * t - durationS * t);
  for (const one of wow) {
    const w = 2 * Math.PI * one.hz;
    time += ((one.percent / 100) * (1 - Math.cos(w * t))) / w;
  }
  if (spinUpS > 0) time -= spinUpS * (1 - Math.exp(-t / spinUpS));
  return hz * time;
}

/** Turns a minute at time t. */
export function rpmAt({ rpm, wow = [], driftPercent = 0, durationS, spinUpS = 0 }: Motion, t: number): number {
  let part = 1 + (driftPercent / 100) * (t / durationS - 0.5);
  for (const one of wow) part += (one.percent / 100) * Math.sin(2 * Math.PI * one.hz * t);
  if (spinUpS > 0) part -= Math.exp(-t / spinUpS);
  return rpm * part;
}

/** Time at which the shaft has made `turns`: Newton's steps, or bisection while it comes up from rest. */
function timeOf(motion: Motion, turns: number): number {
  if (!motion.spinUpS) {
    let t = (60 * turns) / motion.rpm;
    for (let i = 0; i < 8; i++) t -= (turnsAt(motion, t) - turns) / (rpmAt(motion, t) / 60);
    return t;
  }
  let low = 0;
  let high = 2 * motion.durationS + 10 * motion.spinUpS;
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (turnsAt(motion, middle) < turns) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

export interface Wheel {
  readonly perTurn: number;
  /** Place of each mark off even spacing, in pitches. */
  readonly places?: readonly number[];
  readonly jitterS?: number;
  readonly seed?: number;
}

/** Times of the marks within the motion's duration. */
export function markTimes(motion: Motion, { perTurn, places = [], jitterS = 0, seed = 1 }: Wheel): number[] {
  const normal = gaussian(seeded(seed));
  const count = Math.floor(turnsAt(motion, motion.durationS) * perTurn);
  return Array.from(
    { length: count },
    (_, n) => timeOf(motion, (n + (places[n % perTurn] ?? 0) + 0.31) / perTurn) + jitterS * normal(),
  );
}

/** Mean of the speed from t = 0 to the duration, turns a minute. */
export const meanRpmOf = (motion: Motion): number => (60 * turnsAt(motion, motion.durationS)) / motion.durationS;
