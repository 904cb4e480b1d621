/** A synchronous two-winding motor with a run capacitor: its rotating field from the two currents. */

import type { Random } from '../../numeric/index.js';
import { chance, evenly } from '../machine.js';

/** Two windings at right angles, Ω and farad; the second has the capacitor before it. */
export interface SplitPhase {
  ohm: readonly [number, number];
  /** Reactance of each winding on this mains, Ω. */
  reactance: number;
  farad: number;
  poles: number;
  /** Torque for each ampere of forward field, N·m. */
  torquePerA: number;
}

/** Currents of the field that turns forward and of the one that turns backward, A; and of each winding. */
export interface Field {
  readonly forward: number;
  readonly backward: number;
  readonly amps: readonly [number, number];
}

/** The same with its capacitor drifted, mostly down, seldom up. */
export const drifted = (motor: SplitPhase, random: Random): SplitPhase => ({
  ...motor,
  farad: motor.farad * (chance(random, 0.7) ? evenly(random, 0.35, 0.5) : evenly(random, 1.7, 2.1)),
});

/** The same with one of its windings open. */
export const halfOpen = (motor: SplitPhase, random: Random): SplitPhase => ({
  ...motor,
  ohm: chance(random, 0.5) ? [Infinity, motor.ohm[1]] : [motor.ohm[0], Infinity],
});

/** Turns a minute in step: 120 f / poles (definition). */
export const inStep = (mainsHz: number, poles: number): number => (120 * mainsHz) / poles;

/** One branch: R + jX at so many volts, as a complex current. An open branch carries nothing. */
function branch(volts: number, ohm: number, reactance: number): readonly [number, number] {
  if (!Number.isFinite(ohm) || !Number.isFinite(reactance)) return [0, 0];
  const size = ohm * ohm + reactance * reactance;
  return [(volts * ohm) / size, (-volts * reactance) / size];
}

/**
 * Two pulsating fields at right angles are one that turns forward and one that turns backward: (I1 ∓ j I2)/2 (the
 * symmetrical components of a two-phase set; every text on single-phase motors, from memory).
 */
export function fieldOf(m: SplitPhase, volts: number, mainsHz: number): Field {
  const first = branch(volts, m.ohm[0], m.reactance);
  const capacitive = m.farad > 0 ? 1 / (2 * Math.PI * mainsHz * m.farad) : Infinity;
  const second = branch(volts, m.ohm[1], m.reactance - capacitive);
  const size = (sign: 1 | -1) => Math.hypot(first[0] + sign * second[1], first[1] - sign * second[0]) / 2;
  return { forward: size(1), backward: size(-1), amps: [Math.hypot(...first), Math.hypot(...second)] };
}

/** The capacitor that puts the second current at right angles to the first, F: 1/(2 π f (X + R²/X)). */
export const balancing = ({ ohm, reactance }: Pick<SplitPhase, 'ohm' | 'reactance'>, mainsHz: number): number =>
  1 / (2 * Math.PI * mainsHz * (reactance + ohm[0] ** 2 / reactance));
