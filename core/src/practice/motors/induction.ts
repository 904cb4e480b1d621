/** A small induction motor: torque by slip, settled against what it drives. */

/** Rated volts and poles; its greatest torque, N·m, and the slip at which it stands there. */
export interface InductionMotor {
  ratedV: number;
  poles: number;
  peakNm: number;
  peakSlip: number;
}

/** Torque at these volts and this slip: Kloss's formula, 2 M / (s/sk + sk/s), with the square of the volts (every text on machines, from memory). */
export function inductionTorque(m: InductionMotor, volts: number, slip: number): number {
  if (slip <= 0) return 0;
  return ((2 * m.peakNm) / (slip / m.peakSlip + m.peakSlip / slip)) * (volts / m.ratedV) ** 2;
}

/** Load of the shaft, N·m: at standstill, and its rise for each turn a minute. */
export interface TurningLoad {
  readonly friction: number;
  readonly perRpm: number;
}

const STEPS = 400;

/** Turns a minute where it settles as it runs up from standstill; nought where it cannot start. */
export function inductionSpeed(m: InductionMotor, volts: number, mainsHz: number, load: TurningLoad): number {
  const sync = (120 * mainsHz) / m.poles;
  const left = (rpm: number) => inductionTorque(m, volts, 1 - rpm / sync) - load.friction - load.perRpm * rpm;
  if (left(0) <= 0) return 0;
  for (let i = 1; i <= STEPS; i++) {
    if (left((sync * i) / STEPS) > 0) continue;
    let [low, high] = [(sync * (i - 1)) / STEPS, (sync * i) / STEPS];
    for (let k = 0; k < 40; k++) {
      const middle = (low + high) / 2;
      if (left(middle) > 0) low = middle;
      else high = middle;
    }
    return low;
  }
  return sync;
}

/** Part of its rated volts at which it starts: torque goes with the square of the volts; above 1 it does not. */
export const startPart = (m: InductionMotor, frictionNm: number): number =>
  Math.sqrt(frictionNm / inductionTorque(m, m.ratedV, 1));
