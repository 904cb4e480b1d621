/** The last minute of a tone's phase and level, in a ring, with slopes over any last stretch of it. */
import { median } from '../../numeric/index.js';
import type { Baseband, ComplexPush } from '../tone/baseband.js';
import { wrap } from '../tone/presence.js';
import { LIVE_DEFAULTS } from './defaults.js';
import { CARRY_S, END_S, SETTLE_S } from './defaults.js';

interface Slope {
  /** Hz against the centre. */
  readonly hz: number;
  /** Mean amplitude, full scale = 1. */
  readonly level: number;
  /** Standard deviation of the phase about the straight line, radians. */
  readonly residualRad: number;
}

/** What was heard lately, with sums over any stretch of it. */
export interface PhaseHistory {
  readonly push: ComplexPush;
  heardS(): number;
  usualLevel(): number;
  /** The level that the tone had until a moment ago: a hole is told by it, however short the history is. */
  lately(): number;
  /** The straight line through the last `overS` of phase; null when there is less than half of it. */
  slope(overS: number): Slope | null;
  /** Mean over `overS` from end to end, Hz against the centre: what repeats in whole parts of it falls out. */
  endToEnd(overS: number): number | null;
  /** Holes within the last `overS`, and how long the phase was carried on over them, seconds. */
  holes(overS: number): { readonly count: number; readonly carriedS: number };
  /** Half of the swing of the speed over the last `overS`, each speed taken over `eachS`; Hz. */
  swing(overS: number, eachS: number): number;
  snrDb(): number;
  band(centreHz: number, mostS: number): Baseband;
}

/** The level that a hole is told by follows a rise within this long, and falls no faster than that, seconds. */
const LEVEL_S = { rise: 0.01, fall: 2 } as const;

/**
 * The ring itself: phase unwrapped and amplitude of the newest samples, and sums over them. Where the tone is gone for a
 * moment (a dropout, a late buffer that came as silence) its phase is nobody's: it is carried on at the speed before it,
 * and what comes after is joined to that, which is right to half a turn of the tone.
 */
class PhaseRing {
  private readonly phase: Float64Array;
  private readonly amplitude: Float32Array;
  /** 1 where the phase is carried on. */
  private readonly hole: Uint8Array;
  private readonly settle: number;
  private count = 0;
  private unwrapped = 0;
  /** Follows the amplitude, full scale = 1. */
  level = 0;
  /** Radians a sample while there is a hole; null outside of one. */
  private carried: number | null = null;

  constructor(
    private readonly rate: number,
    private readonly capacity: number,
  ) {
    this.phase = new Float64Array(capacity);
    this.amplitude = new Float32Array(capacity);
    this.hole = new Uint8Array(capacity);
    this.settle = Math.ceil(SETTLE_S * rate);
  }

  /** How many samples may be used. */
  get available(): number {
    return Math.max(0, Math.min(this.count - this.settle, this.capacity));
  }

  private at(back: number): number {
    return (this.count - 1 - back + this.capacity) % this.capacity;
  }

  push(re: ArrayLike<number>, im: ArrayLike<number>, size: number): void {
    for (let n = 0; n < size; n++) {
      const x = re[n] as number;
      const y = im[n] as number;
      const amplitude = 2 * Math.sqrt(x * x + y * y);
      if (this.isHole(amplitude)) {
        this.carried ??= this.slopeBefore();
        this.unwrapped += this.carried;
      } else {
        this.carried = null;
        this.unwrapped += wrap(Math.atan2(y, x) - this.unwrapped);
      }
      this.phase[this.count % this.capacity] = this.unwrapped;
      this.amplitude[this.count % this.capacity] = amplitude;
      this.hole[this.count % this.capacity] = this.carried === null ? 0 : 1;
      this.count++;
    }
  }

  /** Radians a sample over the last moment; nought while nothing was heard yet. */
  private slopeBefore(): number {
    const size = Math.min(this.count, this.capacity, Math.round(CARRY_S * this.rate));
    return size < 8 ? 0 : (2 * Math.PI * this.fit(size, 0).hz) / this.rate;
  }

  private isHole(amplitude: number): boolean {
    const overS = amplitude > this.level ? LEVEL_S.rise : LEVEL_S.fall;
    this.level += (amplitude - this.level) / (overS * this.rate + 1);
    return amplitude < LIVE_DEFAULTS.endedPart * this.level;
  }

  /** Least squares over `size` samples that end `back` samples ago. */
  fit(size: number, back: number): Slope {
    const middle = (size - 1) / 2;
    const origin = this.phase[this.at(back)] as number;
    let sum = 0;
    let moment = 0;
    let square = 0;
    let level = 0;
    for (let i = 0; i < size; i++) {
      const y = (this.phase[this.at(back + i)] as number) - origin;
      const x = middle - i;
      sum += y;
      moment += x * y;
      square += y * y;
      level += this.amplitude[this.at(back + i)] as number;
    }
    const spread = (size * (size * size - 1)) / 12;
    const perSample = moment / spread;
    const left = Math.max(0, square - (sum * sum) / size - perSample * moment);
    return { hz: (perSample * this.rate) / (2 * Math.PI), level: level / size, residualRad: Math.sqrt(left / size) };
  }

  /** Radians turned over `size` samples, a mean over the last `ends` of them. */
  turned(size: number, ends: number): number {
    let sum = 0;
    for (let i = 0; i < ends; i++)
      sum += (this.phase[this.at(i)] as number) - (this.phase[this.at(i + size)] as number);
    return sum / ends;
  }

  /** How many holes begin or end within the newest `size` samples, and how many samples they hold. */
  holes(size: number): { count: number; samples: number } {
    let [count, samples, before] = [0, 0, 0];
    for (let i = 0; i < size; i++) {
      const now = this.hole[this.at(i)] as number;
      if (now > before) count++;
      samples += now;
      before = now;
    }
    return { count, samples };
  }

  /** Some 500 amplitudes, spread over all that may be used. */
  levels(): number[] {
    const stride = Math.max(1, Math.floor(this.available / 500));
    const out: number[] = [];
    for (let i = 0; i < this.available; i += stride) out.push(this.amplitude[this.at(i)] as number);
    return out;
  }

  /** The newest `size` samples, oldest first. */
  newest(size: number): { amplitude: Float32Array; phase: Float64Array } {
    const out = { amplitude: new Float32Array(size), phase: new Float64Array(size) };
    for (let i = 0; i < size; i++) {
      out.amplitude[size - 1 - i] = this.amplitude[this.at(i)] as number;
      out.phase[size - 1 - i] = wrap(this.phase[this.at(i)] as number);
    }
    return out;
  }
}

/** A ring of `capacity` baseband samples at `rate` (Hz); its `push` takes blocks as the filters give them. */
export function phaseHistory(rate: number, halfBandHz: number, capacity: number): PhaseHistory {
  const ring = new PhaseRing(rate, capacity);
  return {
    push: (re, im, size) => ring.push(re, im, size),
    heardS: () => ring.available / rate,
    usualLevel: () => median(ring.levels()),
    lately: () => ring.level,
    slope(overS) {
      const size = Math.min(ring.available, Math.round(overS * rate));
      return size < 8 || size < 0.5 * overS * rate ? null : ring.fit(size, 0);
    },
    endToEnd(overS) {
      const size = Math.round(overS * rate);
      const ends = Math.max(2, Math.min(Math.round(END_S * rate), Math.floor(size / 4)));
      return ring.available < size + ends ? null : (ring.turned(size, ends) * rate) / (2 * Math.PI * size);
    },
    holes(overS) {
      const { count, samples } = ring.holes(Math.min(ring.available, Math.round(overS * rate)));
      return { count, carriedS: samples / rate };
    },
    swing(overS, eachS) {
      const each = Math.max(8, Math.round(eachS * rate));
      const total = Math.min(ring.available, Math.round(overS * rate));
      let low = Infinity;
      let high = -Infinity;
      for (let back = 0; back + each <= total; back += each) {
        const { hz } = ring.fit(each, back);
        low = Math.min(low, hz);
        high = Math.max(high, hz);
      }
      return high > low ? (high - low) / 2 : 0;
    },
    snrDb() {
      const all = ring.levels();
      const usual = median(all);
      const off = median(all.map((value) => Math.abs(value - usual))) * 1.4826;
      return off > 0 ? 20 * Math.log10(usual / off) : 120;
    },
    band(centreHz, mostS) {
      return { rate, centreHz, halfBandHz, ...ring.newest(Math.min(ring.available, Math.round(mostS * rate))) };
    },
  };
}
