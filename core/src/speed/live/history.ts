/** The last minute of a tone's phase and level, in a ring, with slopes over any last stretch of it. */
import { median } from '../../numeric/index.js';
import type { Baseband, ComplexPush } from '../tone/baseband.js';
import { wrap } from '../tone/presence.js';

interface Slope {
  /** Hz against the centre. */
  readonly hz: number;
  /** Mean amplitude, full scale = 1. */
  readonly level: number;
  /** Standard deviation of the phase about the straight line, radians. */
  readonly residualRad: number;
}

export interface PhaseHistory {
  readonly push: ComplexPush;
  heardS(): number;
  usualLevel(): number;
  /** The straight line through the last `overS` of phase; null when there is less than half of it. */
  slope(overS: number): Slope | null;
  /** Mean over `overS` from end to end, Hz against the centre: what repeats in whole parts of it falls out. */
  endToEnd(overS: number): number | null;
  /** Half of the swing of the speed over the last `overS`, each speed taken over `eachS`; Hz. */
  swing(overS: number, eachS: number): number;
  snrDb(): number;
  band(centreHz: number, mostS: number): Baseband;
}

/** Left out at the start: the filters settle, and the look that found the tone may hold its beginning. Seconds. */
const SETTLE_S = 0.2;
/** The ends of a mean over whole turns are each taken over this long, seconds. */
const END_S = 0.1;

/** A ring of `capacity` baseband samples at `rate` (Hz); its `push` takes blocks as the filters give them. */
export function phaseHistory(rate: number, halfBandHz: number, capacity: number): PhaseHistory {
  const phase = new Float64Array(capacity);
  const amplitude = new Float32Array(capacity);
  let count = 0;
  let unwrapped = 0;
  let before = 0;
  const settle = Math.ceil(SETTLE_S * rate);
  const available = () => Math.max(0, Math.min(count - settle, capacity));
  const at = (back: number) => (count - 1 - back + capacity) % capacity;
  const push: ComplexPush = (re, im, size) => {
    for (let n = 0; n < size; n++) {
      const x = re[n] as number;
      const y = im[n] as number;
      const angle = Math.atan2(y, x);
      unwrapped += wrap(angle - before);
      before = angle;
      phase[count % capacity] = unwrapped;
      amplitude[count % capacity] = 2 * Math.sqrt(x * x + y * y);
      count++;
    }
  };
  const slope = (overS: number): Slope | null => {
    const size = Math.min(available(), Math.round(overS * rate));
    if (size < 8 || size < 0.5 * overS * rate) return null;
    return fit(size, 0);
  };
  /** Least squares over `size` samples that end `back` samples ago. */
  const fit = (size: number, back: number): Slope => {
    const middle = (size - 1) / 2;
    const origin = phase[at(back)] as number;
    let sum = 0;
    let moment = 0;
    let square = 0;
    let level = 0;
    for (let i = 0; i < size; i++) {
      const y = (phase[at(back + i)] as number) - origin;
      const x = middle - i;
      sum += y;
      moment += x * y;
      square += y * y;
      level += amplitude[at(back + i)] as number;
    }
    const spread = (size * (size * size - 1)) / 12;
    const perSample = moment / spread;
    const left = Math.max(0, square - (sum * sum) / size - perSample * moment);
    return { hz: (perSample * rate) / (2 * Math.PI), level: level / size, residualRad: Math.sqrt(left / size) };
  };
  const endToEnd = (overS: number): number | null => {
    const size = Math.round(overS * rate);
    const end = Math.max(2, Math.min(Math.round(END_S * rate), Math.floor(size / 4)));
    if (available() < size + end) return null;
    let turned = 0;
    for (let i = 0; i < end; i++) turned += (phase[at(i)] as number) - (phase[at(i + size)] as number);
    return ((turned / end) * rate) / (2 * Math.PI * size);
  };
  const swing = (overS: number, eachS: number): number => {
    const each = Math.max(8, Math.round(eachS * rate));
    const total = Math.min(available(), Math.round(overS * rate));
    let low = Infinity;
    let high = -Infinity;
    for (let back = 0; back + each <= total; back += each) {
      const { hz } = fit(each, back);
      low = Math.min(low, hz);
      high = Math.max(high, hz);
    }
    return high > low ? (high - low) / 2 : 0;
  };
  const levels = () => {
    const size = available();
    const stride = Math.max(1, Math.floor(size / 500));
    const out: number[] = [];
    for (let i = 0; i < size; i += stride) out.push(amplitude[at(i)] as number);
    return out;
  };
  return {
    push,
    heardS: () => available() / rate,
    usualLevel: () => median(levels()),
    slope,
    endToEnd,
    swing,
    snrDb() {
      const all = levels();
      const usual = median(all);
      const off = median(all.map((value) => Math.abs(value - usual))) * 1.4826;
      return off > 0 ? 20 * Math.log10(usual / off) : 120;
    },
    band(centreHz, mostS) {
      const size = Math.min(available(), Math.round(mostS * rate));
      const band = { amplitude: new Float32Array(size), phase: new Float64Array(size) };
      for (let i = 0; i < size; i++) {
        band.amplitude[size - 1 - i] = amplitude[at(i)] as number;
        band.phase[size - 1 - i] = wrap(phase[at(i)] as number);
      }
      return { rate, centreHz, halfBandHz, ...band };
    },
  };
}
