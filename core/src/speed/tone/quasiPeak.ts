/**
 * The quasi-peak detector of the DIN/IEC flutter meter: full-wave rectifier, two smoothing
 * stages while the indication rises, slow decay while it falls.
 *
 * The time constants are fitted here, by a search over all three, to the published pulse response (DIN 45507 / IEC 60386, from
 * memory): single pulses once a second of 10, 30, 60 and 100 ms read about 21, 62, 90 and 100 %,
 * falling to 36 to 44 % between 100 ms pulses. The weighting is not in circuit for that check.
 */
const QUASI_PEAK = { smoothS: 0.02, riseS: 0.016, fallS: 0.98 } as const;

/** A detector at `rate` samples a second; feed it deviations, read the largest indication. */
export interface QuasiPeakDetector {
  push(deviation: number): number;
  readonly largest: number;
}

/** A detector whose indication is scaled so that a 4 Hz sine of amplitude a reads a. */
export function quasiPeakDetector(rate: number): QuasiPeakDetector {
  return detector(rate, quasiPeakScale());
}

/** As {@link quasiPeakDetector} without the sine scale: long pulses of height 1 read 1. */
export function unscaledDetector(rate: number): QuasiPeakDetector {
  return detector(rate, 1);
}

/** What the detector does a sample at `rate`: share of the way smoothed, risen, and what is left falling. */
export const quasiPeakSteps = (rate: number) => ({
  smooth: 1 - Math.exp(-1 / (QUASI_PEAK.smoothS * rate)),
  rise: 1 - Math.exp(-1 / (QUASI_PEAK.riseS * rate)),
  fall: Math.exp(-1 / (QUASI_PEAK.fallS * rate)),
});

function detector(rate: number, scale: number): QuasiPeakDetector {
  const { smooth, rise, fall } = quasiPeakSteps(rate);
  let first = 0;
  let indication = 0;
  let largest = 0;
  return {
    push(deviation) {
      const size = Math.abs(deviation);
      first += smooth * (size - first);
      indication = first > indication ? indication + rise * (first - indication) : indication * fall;
      if (indication > largest) largest = indication;
      return indication * scale;
    },
    get largest() {
      return largest * scale;
    },
  };
}

/** What makes a 4 Hz sine of amplitude a read a. */
export const quasiPeakScale = (): number => 1 / sineGain();

let gain: number | null = null;
function sineGain(): number {
  if (gain === null) {
    const rate = 4000;
    const plain = detector(rate, 1);
    for (let n = 0; n < 2 * rate; n++) plain.push(Math.sin((2 * Math.PI * 4 * n) / rate));
    gain = plain.largest;
  }
  return gain;
}
