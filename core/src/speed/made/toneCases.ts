/** 5. Recordings of a test tone, as rooms, coders, phones and tapes leave them. */
import { memorySource, writeWav } from '../../formats/index.js';
import { measureRecording } from '../tone/several.js';
import { synthTone, type SynthTone } from '../tone/synth.js';
import { coded, inRoom, withGainControl, withLevel, withNoise, withSuppression, withTone } from './tones.js';

const RATE = 44100;
/** Turns once in 1.8 s, 0.1 % peak. */
const WOW = { hz: 0.5556, peakPercent: 0.1 };
const TRUE_PERCENT = 0.5;

const base = (more: Partial<SynthTone> = {}): Float64Array =>
  synthTone({
    sampleRate: RATE,
    durationS: 18,
    nominalHz: 3150,
    errorPercent: TRUE_PERCENT,
    snrDb: 50,
    lines: [WOW],
    ...more,
  });
const silence = (seconds: number): Float64Array => withNoise(new Float64Array(Math.round(seconds * RATE)), 1e-4, 5);
const after = (...parts: readonly Float64Array[]): Float64Array => {
  const out = new Float64Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    out.set(part, at);
    at += part.length;
  }
  return out;
};

/** From 0.9 to 0.1 % over 18 s, with wow: its mean over time is 0.5 %. */
function driftingTone(): Float64Array {
  const count = 18 * RATE;
  let phase = 0;
  return Float64Array.from({ length: count }, (_, n) => {
    const t = n / RATE;
    const percent = 0.9 - (0.8 * n) / count + 0.1 * Math.sin(2 * Math.PI * WOW.hz * t);
    phase += (2 * Math.PI * 3150 * (1 + percent / 100)) / RATE;
    return 0.5 * Math.sin(phase);
  });
}

/** A made recording: how it is made, and what a careful person wants of it. */
export interface ToneCase {
  readonly id: string;
  readonly samples: () => Float64Array;
  readonly rate?: number;
  readonly nominalHz?: number;
  readonly truePercent?: number;
  /** Largest error of the mean, percent. */
  readonly withinPercent?: number;
  /** Unweighted peak, percent, and how far off it may be; undefined where it is not asked. */
  readonly wow?: { readonly percent: number; readonly within: number };
  readonly added?: number;
  readonly stretches?: number;
  readonly warning?: string;
  readonly asked?: string;
}

const clean = { percent: 0.1, within: 0.005 };
const low = (hz: number, ratio: number) => () => withTone(base({ nominalHz: 300 }), RATE, hz, ratio);

/** Every made recording. */
export const TONE_CASES: readonly ToneCase[] = [
  { id: 'plain', samples: () => base(), wow: clean },
  { id: 'hum 60 Hz under 300 Hz', samples: low(60, 0.1), nominalHz: 300, wow: { percent: 0.1, within: 0.015 } },
  {
    id: 'hum 120 Hz under 300 Hz',
    samples: low(120, 0.1),
    nominalHz: 300,
    wow: { percent: 0.1, within: 0.015 },
    added: 120,
  },
  {
    id: 'hum 180 Hz under 300 Hz',
    samples: low(180, 0.1),
    nominalHz: 300,
    wow: { percent: 0.1, within: 0.015 },
    added: 180,
  },
  {
    id: 'a second tone over 1 kHz',
    samples: () => withTone(base({ nominalHz: 1000 }), RATE, 1040, 0.1),
    nominalHz: 1000,
    wow: { percent: 0.1, within: 0.01 },
    added: 1040,
  },
  {
    id: 'a second tone under 1 kHz',
    samples: () => withTone(base({ nominalHz: 1000 }), RATE, 990, 0.05),
    nominalHz: 1000,
    wow: { percent: 0.1, within: 0.01 },
    added: 990,
  },
  { id: 'coded at 128 kb/s', samples: () => coded(base({ durationS: 10 }), RATE, 128), withinPercent: 0.005 },
  { id: 'coded at 64 kb/s', samples: () => coded(base({ durationS: 10 }), RATE, 64), withinPercent: 0.005 },
  { id: 'a room with echo', samples: () => inRoom(base(), RATE), wow: { percent: 0.1, within: 0.02 } },
  { id: 'gain control that pumps', samples: () => withGainControl(base(), RATE), wow: clean },
  {
    id: 'a level that swings 20 dB',
    samples: () => withLevel(base(), RATE, (t) => 10 ** -Math.abs(Math.sin(0.8 * t))),
    wow: clean,
  },
  {
    id: 'a fade of 30 dB',
    samples: () => withLevel(base(), RATE, (t) => 10 ** ((-1.5 * t) / 18)),
    wow: { percent: 0.1, within: 0.02 },
  },
  {
    id: 'gated, 0.3 s on and off',
    samples: () => withLevel(base(), RATE, (t) => (t % 0.6 < 0.3 ? 1 : 0.0005)),
    withinPercent: 0.005,
  },
  {
    id: 'gated, 1.5 s on, 1.2 s off',
    samples: () => withLevel(base(), RATE, (t) => (t % 2.7 < 1.5 ? 1 : 0.0005)),
    withinPercent: 0.03,
    warning: 'IN_PIECES',
  },
  { id: 'two seconds', samples: () => base({ durationS: 2 }), withinPercent: 0.05, warning: 'WOW_TOO_SHORT' },
  {
    id: 'less than half a turn',
    samples: () => base({ durationS: 0.8 }),
    withinPercent: 0.12,
    warning: 'WOW_TOO_SHORT',
  },
  {
    id: '33 then 45',
    samples: () => after(base({ durationS: 8 }), silence(1), base({ durationS: 8, nominalHz: 3150 * 1.35 })),
    asked: 'SEVERAL_SPEEDS',
  },
  {
    id: '3150, 1000 and 300 Hz in a row',
    samples: () =>
      after(
        base({ durationS: 8 }),
        silence(1),
        base({ durationS: 8, nominalHz: 1000 }),
        silence(1),
        base({ durationS: 8, nominalHz: 300 }),
      ),
    stretches: 3,
    withinPercent: 0.01,
  },
  { id: 'a noisy run-in', samples: () => after(withNoise(silence(3), 0.02, 3), base()), wow: clean },
  {
    id: 'two sides with a pause',
    samples: () => after(base({ durationS: 9 }), silence(4), base({ durationS: 9, errorPercent: 0.7 })),
    stretches: 2,
    withinPercent: 0.01,
  },
  {
    id: 'a splice, 0.5 then -0.9 %',
    samples: () => after(base({ durationS: 11 }), base({ durationS: 7, errorPercent: -0.9 })),
    stretches: 2,
    withinPercent: 0.01,
    wow: { percent: 0.1, within: 0.01 },
  },
  {
    id: 'a slow drift is no splice',
    samples: () => driftingTone(),
    stretches: 0,
    withinPercent: 0.02,
    warning: 'DRIFTING',
  },
  {
    id: 'a phone that suppresses noise',
    samples: () => withSuppression(withNoise(base(), 0.003, 11), RATE),
    withinPercent: 0.01,
    wow: { percent: 0.1, within: 0.03 },
  },
  {
    id: 'a tone near half the sampling rate',
    rate: 8000,
    nominalHz: 3700,
    samples: () => synthTone({ sampleRate: 8000, durationS: 10, nominalHz: 3700, snrDb: 50 }),
    asked: 'MAYBE_FOLDED',
  },
];

/** Measures one made recording and holds the outcome against what was wanted. */
export async function playTone(made: ToneCase) {
  const { id, nominalHz = 3150, truePercent = TRUE_PERCENT, withinPercent = 0.002, rate = RATE } = made;
  const result = await measureRecording(memorySource(writeWav([made.samples()], rate)), { nominalHz });
  if (result.kind !== 'recording') {
    const code = result.kind === 'asked' ? result.code : result.reason;
    return { id, holds: made.asked === code, outcome: `${result.kind} ${code}`, errorPercent: null };
  }
  const { tone, bands } = result;
  const errorPercent = tone.meanErrorPercent - truePercent;
  const added = tone.tone.added ?? [];
  const holds =
    made.asked === undefined &&
    Math.abs(errorPercent) <= withinPercent &&
    Math.abs(errorPercent) <= tone.meanErrorExpandedUncertaintyPercent &&
    (!made.wow || Math.abs(tone.unweightedPeakPercent - made.wow.percent) <= made.wow.within) &&
    (made.added === undefined
      ? added.length === 0
      : added.length === 1 && Math.abs((added[0]?.hz ?? 0) - made.added) < 0.1) &&
    (made.stretches === undefined || bands.length === made.stretches) &&
    (made.warning === undefined || tone.warnings.some((code) => code === made.warning));
  const outcome = `${tone.meanErrorPercent.toFixed(4)} ± ${tone.meanErrorExpandedUncertaintyPercent.toFixed(4)} %, wow ${tone.unweightedPeakPercent.toFixed(3)} % ${tone.warnings.join(' ')}`;
  const told = {
    warnings: tone.warnings,
    expandedUncertaintyPercent: tone.meanErrorExpandedUncertaintyPercent,
    peakPercent: tone.unweightedPeakPercent,
    weightedRmsPercent: tone.weightedRmsPercent,
    series: tone.series,
    added,
    snrDb: tone.tone.snrDb,
    fromTo: [tone.tone.startS, tone.tone.endS] as const,
  };
  return { id, holds, outcome, errorPercent, told };
}
