/** A universal (series) motor in its settled state on mains or what a control leaves of it. */

/** Constants of a small series motor. */
export interface UniversalMotor {
  /** Torque over current squared, and back-e.m.f. over current and speed: N·m/A², V·s/A (one constant in SI). */
  k: number;
  /** Windings and brushes, Ω. */
  ohm: number;
  /** Reactance of the windings on this mains, Ω. */
  reactance: number;
}

/** What it drives: N·m at standstill, N·m per rad/s, N·m per (rad/s)². */
export interface ShaftLoad {
  readonly friction: number;
  readonly viscous: number;
  readonly fan: number;
}

/** Current at these volts (r.m.s.) and this speed (rad/s), A. */
export const seriesCurrent = (m: UniversalMotor, volts: number, speed: number): number =>
  Number.isFinite(m.ohm) ? volts / Math.hypot(m.ohm + m.k * speed, m.reactance) : 0;

/** Torque it makes there, N·m. */
export const seriesTorque = (m: UniversalMotor, volts: number, speed: number): number =>
  m.k * seriesCurrent(m, volts, speed) ** 2;

/** No such motor turns faster, rad/s. */
const MOST = 6000;

/** Speed at which its torque and the load's agree, rad/s; nought where it cannot start. Torque falls with speed: halved in. */
export function universalSpeed(m: UniversalMotor, volts: number, load: ShaftLoad): number {
  const left = (speed: number) =>
    seriesTorque(m, volts, speed) - load.friction - load.viscous * speed - load.fan * speed * speed;
  if (left(0) <= 0) return 0;
  let [low, high] = [0, MOST];
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2;
    if (left(middle) > 0) low = middle;
    else high = middle;
  }
  return low;
}

/**
 * True r.m.s. part of a sinusoid that is fired at `angle` radians of each half wave into a resistive load:
 * √(1 − a/π + sin 2a/(2π)) (handbook formula). With one half wave alone it is 1/√2 of that.
 */
export const firedPart = (angle: number): number =>
  Math.sqrt(Math.max(0, 1 - angle / Math.PI + Math.sin(2 * angle) / (2 * Math.PI)));
