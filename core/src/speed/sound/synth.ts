/** Motor and fan noise with a known speed: for the demo, the tests and the practice of listening. */
import { gaussian, seeded } from '../../numeric/index.js';

/** The recipe of a made motor. */
export interface SynthMotor {
  readonly sampleRate: number;
  readonly durationS: number;
  /** Turns a minute at time t; 0 stands still and is silent. */
  readonly rpmAt: (t: number) => number;
  readonly linesPerTurn: number;
  /** Amplitudes of the multiples of the lines a turn. */
  readonly harmonics: readonly number[];
  /** Amplitudes of the shaft's own turns and their multiples. */
  readonly shaft?: readonly number[];
  readonly noise: number;
  readonly seed?: number;
}

/** Samples of the motor, -1..1 for modest amplitudes; harmonics i + 1 of the lines a turn and of the shaft. */
export function synthMotor(wish: SynthMotor): Float64Array {
  const normal = gaussian(seeded(wish.seed ?? 1));
  const out = new Float64Array(Math.round(wish.durationS * wish.sampleRate));
  let turns = 0;
  for (let n = 0; n < out.length; n++) {
    const rpm = wish.rpmAt(n / wish.sampleRate);
    turns += rpm / 60 / wish.sampleRate;
    if (rpm <= 0) continue;
    let value = wish.noise * normal();
    wish.harmonics.forEach((a, i) => {
      value += a * Math.sin(2 * Math.PI * turns * wish.linesPerTurn * (i + 1) + i);
    });
    (wish.shaft ?? []).forEach((a, i) => {
      value += a * Math.sin(2 * Math.PI * turns * (i + 1) + 2 * i);
    });
    out[n] = value;
  }
  return out;
}
