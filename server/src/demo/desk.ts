/** Runs that stand on the demo's speed desk without a job: before and after a belt, and a suction fan heard. */
import { createHash, randomUUID } from 'node:crypto';
import { figuresOf } from '@amber-gauge/contract';
import { referenceUncertainty, type ToneSource } from '@amber-gauge/core/bench';
import { memorySource, writeWav } from '@amber-gauge/core/formats';
import {
  listenWav,
  measureWav,
  runOfSound,
  runOfTone,
  synthMotor,
  synthTone,
  type SpeedRun,
  type SynthTone,
} from '@amber-gauge/core/speed';
import type { Db } from '../db/connect.js';
import { insertRun } from '../features/runs/repository.js';

const RATE = 16000;
const PLATTER_HZ = 100 / 3 / 60;

const OLD_BELT: Partial<SynthTone> = {
  errorPercent: -0.86,
  rampPercent: 0.08,
  lines: [
    { hz: PLATTER_HZ, peakPercent: 0.14 },
    { hz: 2 * PLATTER_HZ, peakPercent: 0.05 },
    { hz: 4.96, peakPercent: 0.07 },
  ],
};
const NEW_BELT: Partial<SynthTone> = {
  errorPercent: 0.12,
  lines: [
    { hz: PLATTER_HZ, peakPercent: 0.09 },
    { hz: 5.0, peakPercent: 0.012 },
  ],
};

interface DeskRun {
  readonly name: string;
  readonly hoursAgo: number;
  readonly bytes: Uint8Array;
  readonly measure: () => Promise<SpeedRun | null>;
  readonly source: ToneSource | null;
}

/** Puts the desk's runs in, each measured as a dropped file would be. */
export async function seedDesk(trx: Db, sources: readonly ToneSource[], now: Date): Promise<void> {
  const record = sources.find((source) => source.nominalHz === 3150) ?? null;
  if (!record) return;
  const runs = [
    tone('school-deck-old-belt.wav', 50, OLD_BELT, record),
    tone('school-deck-new-belt.wav', 47, NEW_BELT, record),
    fan('guest-house-vacuum.wav', 70),
  ];
  for (const run of runs) {
    const figures = await run.measure();
    if (!figures) throw new Error(`the demo's ${run.name} was not measured`);
    await insertRun(
      trx,
      {
        id: randomUUID(),
        jobId: null,
        fileName: run.name,
        fileBytes: run.bytes.length,
        sha256: createHash('sha256').update(run.bytes).digest('hex'),
        sourceId: run.source?.id ?? null,
        measuredAt: new Date(now.getTime() - run.hoursAgo * 3_600_000).toISOString(),
        figures: figuresOf(figures),
      },
      true,
    );
  }
}

function tone(name: string, hoursAgo: number, wish: Partial<SynthTone>, source: ToneSource): DeskRun {
  const full = { sampleRate: RATE, durationS: 40, nominalHz: source.nominalHz, snrDb: 46, seed: hoursAgo, ...wish };
  const bytes = writeWav([synthTone(full)], RATE);
  const measure = async () => {
    const options = { nominalHz: source.nominalHz, referenceUncertaintyPercent: referenceUncertainty(source) };
    const result = await measureWav(memorySource(bytes), options);
    return result.kind === 'measured' ? runOfTone(result) : null;
  };
  return { name, hoursAgo, bytes, measure, source };
}

/** Nine blades; the speed rises when the hose is stopped up, as a suction fan's does. */
function fan(name: string, hoursAgo: number): DeskRun {
  const rpmAt = (t: number) => (t < 5 ? 26400 : t < 6 ? 26400 + 4200 * (t - 5) : 30600);
  const motor = { durationS: 10, rpmAt, linesPerTurn: 9, harmonics: [0.2, 0.08], shaft: [0.05, 0.02], noise: 0.03 };
  const bytes = writeWav([synthMotor({ sampleRate: 32000, seed: 9, ...motor })], 32000);
  const measure = async () => {
    const wish = {
      lines: 'blades',
      count: 9,
      minRpm: 5000,
      maxRpm: 50000,
      nominalRpm: null,
      reversing: false,
    } as const;
    const result = await listenWav(memorySource(bytes), wish);
    return result.kind === 'measured' ? runOfSound(result) : null;
  };
  return { name, hoursAgo, bytes, measure, source: null };
}
