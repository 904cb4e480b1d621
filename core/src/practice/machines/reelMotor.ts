/** A reel motor: two windings with a run capacitor, held back by a torque resistor in play, and by its brake where that does not lift. */
import type { Random } from '../../numeric/index.js';
import { within } from '../machine.js';
import { balancing, fieldOf, type SplitPhase } from '../motors/splitPhase.js';

const MAINS_HZ = 50;

/** A reel motor that pulls by its field: the torque of one that is fed the whole mains is 1. */
export interface Reel {
  motor: SplitPhase;
  sound: SplitPhase;
  /** Part of the mains that the torque resistor leaves it in play; 0 with the resistor open. */
  playPart: number;
  /** Torque of a brake that does not lift, against the motor's own. */
  brakeDrag: number;
}

const reelMotor = (random: Random): SplitPhase => {
  const ohm = within(random, 300, 0.05);
  const coils = { ohm: [ohm, ohm] as const, reactance: within(random, 700, 0.03) };
  return { ...coils, farad: balancing(coils, MAINS_HZ) * within(random, 1, 0.05), poles: 6, torquePerA: 1 };
};

/** A sound one that its resistor leaves so much of the mains in play. */
export const reelOf = (random: Random, playPart: number): Reel => {
  const motor = reelMotor(random);
  return { motor, sound: motor, playPart: within(random, playPart, 0.04), brakeDrag: 0 };
};
/** Torque of a reel motor at part of the mains, against a sound one at all of it: forward field less backward, squared. */
export function torqueOf({ motor, sound }: Reel, mainsV: number, part: number): number {
  const pull = ({ forward, backward }: ReturnType<typeof fieldOf>) => forward ** 2 - backward ** 2;
  return Math.max(0, pull(fieldOf(motor, mainsV * part, MAINS_HZ)) / pull(fieldOf(sound, 230, MAINS_HZ)));
}
