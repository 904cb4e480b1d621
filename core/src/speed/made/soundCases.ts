/** 6. Motors and fans without a tone. */
import { memorySource, writeWav } from '../../formats/index.js';
import { gaussian, seeded } from '../../numeric/index.js';
import { listenWav, type SoundWish } from '../sound/measure.js';
import { droopOf } from '../sound/runs.js';
import { synthMotor, type SynthMotor } from '../sound/synth.js';
import type { Played } from './play.js';

const RATE = 44100;

export interface SoundCase {
  readonly id: string;
  readonly samples: () => Float64Array;
  readonly wish: Partial<SoundWish>;
  readonly rpm: number;
  readonly withinPercent: number;
  readonly runs?: number;
  readonly droopPercent?: number;
}

const motor = (more: Partial<SynthMotor>): Float64Array =>
  synthMotor({
    sampleRate: RATE,
    durationS: 8,
    rpmAt: () => 24000,
    linesPerTurn: 7,
    harmonics: [0.2, 0.1, 0.05],
    shaft: [0.03],
    noise: 0.03,
    ...more,
  });

/** A fan whose blades stand unevenly: a click a blade, each with its own place, so that every multiple of the turns sounds. */
function unequalBlades(rpm: number, places: readonly number[]): Float64Array {
  const normal = gaussian(seeded(7));
  return Float64Array.from({ length: 8 * RATE }, (_, n) => {
    const turn = ((n / RATE) * rpm) / 60;
    const blades = places.reduce((sum, place) => sum + Math.exp(8 * (Math.cos(2 * Math.PI * (turn - place)) - 1)), 0);
    return 0.1 * blades + 0.02 * normal();
  });
}

const withHum = (samples: Float64Array, hz: number, size: number): Float64Array =>
  samples.map(
    (value, n) =>
      value + [1, 2, 3, 4, 6].reduce((sum, k) => sum + (size / k) * Math.sin((2 * Math.PI * hz * k * n) / RATE), 0),
  );

/** Every made motor. */
export const SOUND_CASES: readonly SoundCase[] = [
  {
    id: 'a steady suction fan',
    samples: () => motor({ rpmAt: () => 28000 }),
    wish: { count: 7 },
    rpm: 28000,
    withinPercent: 0.1,
  },
  {
    id: 'a mixer of twelve bars',
    samples: () => motor({ rpmAt: () => 9000, linesPerTurn: 12 }),
    wish: { count: 12, lines: 'blades' },
    rpm: 9000,
    withinPercent: 0.1,
  },
  {
    id: 'a drill that droops 12 % under load',
    samples: () =>
      motor({ rpmAt: (t) => (t < 4 ? 1500 : t < 4.6 ? 1500 - 300 * (t - 4) : 1320), linesPerTurn: 24, durationS: 9 }),
    wish: { count: 24 },
    rpm: 1407,
    withinPercent: 2,
    droopPercent: 12,
  },
  {
    id: 'a drum drive to and fro with pauses',
    samples: () => motor({ rpmAt: (t) => (t % 6 < 4 ? 620 : 0), linesPerTurn: 36, durationS: 22 }),
    wish: { count: 36 },
    rpm: 620,
    withinPercent: 0.5,
    runs: 4,
  },
  {
    id: 'five blades of unequal pitch',
    samples: () => unequalBlades(2880, [0, 0.17, 0.41, 0.58, 0.83]),
    wish: { count: 5, minRpm: 900, maxRpm: 9000 },
    rpm: 2880,
    withinPercent: 0.2,
  },
  {
    id: 'a brushless blower beside mains hum',
    samples: () =>
      withHum(motor({ rpmAt: () => 13740, linesPerTurn: 11, harmonics: [0.06, 0.03], shaft: [0.02] }), 50, 0.15),
    wish: { count: 11, minRpm: 3000, maxRpm: 40000 },
    rpm: 13740,
    withinPercent: 0.1,
  },
  {
    id: 'blades and bars on one shaft',
    samples: () =>
      motor({ rpmAt: () => 18000, linesPerTurn: 9, harmonics: [0.15, 0.06] }).map(
        (v, n) => v + 0.08 * Math.sin((2 * Math.PI * 300 * 22 * n) / RATE),
      ),
    wish: { count: 9, alsoPerTurn: [22], minRpm: 6000, maxRpm: 30000 },
    rpm: 18000,
    withinPercent: 0.1,
  },
];

/** Listens to one made motor. */
export async function playSound(made: SoundCase): Promise<Played> {
  const wish: SoundWish = {
    lines: 'blades',
    count: 1,
    minRpm: 100,
    maxRpm: 40000,
    nominalRpm: null,
    reversing: false,
    ...made.wish,
  };
  const result = await listenWav(memorySource(writeWav([made.samples()], RATE)), wish);
  if (result.kind !== 'measured')
    return { id: made.id, holds: false, outcome: `refused ${result.reason}`, errorPercent: null };
  const errorPercent = 100 * (result.meanRpm / made.rpm - 1);
  const droop = droopOf(result)?.droopPercent ?? 0;
  const holds =
    Math.abs(errorPercent) <= made.withinPercent &&
    (made.runs === undefined || result.stretches.length === made.runs) &&
    (made.droopPercent === undefined || Math.abs(droop - made.droopPercent) < 1);
  const outcome = `${result.meanRpm.toFixed(1)} rpm, odds ${(result.candidates[0]?.share ?? 0).toFixed(2)}, runs ${result.stretches.length}, droop ${droop.toFixed(1)} % ${result.warnings.join(' ')}`;
  const told = {
    warnings: result.warnings,
    expandedUncertaintyPercent: 2 * Math.hypot(...result.uncertainty.map((part) => part.standardPercent)),
    peakPercent: null,
  };
  return { id: made.id, holds, outcome, errorPercent, told };
}
