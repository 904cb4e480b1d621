/** Transformer, rectifier and reservoir under a load, stepped through the mains cycle until it settles. */

/** A full-wave rectifier behind a source with some resistance, into a reservoir and a resistive load. */
export interface RectifierLoad {
  /** Open-circuit volts of the source, r.m.s.; with a centre tap those of one half. */
  readonly sourceV: number;
  readonly mainsHz: number;
  /** Winding and line, Ω. */
  readonly sourceOhm: number;
  /** Diodes in the way of each half: two in a bridge, one with a centre tap. */
  readonly dropV: number;
  /** Do the positive and the negative halves come through? An open diode loses one. */
  readonly halves: readonly [boolean, boolean];
  readonly farad: number;
  /** Series resistance of the reservoir, Ω. */
  readonly esrOhm: number;
  readonly loadOhm: number;
}

/** What stands at the reservoir once it is settled: volts, peak-to-peak ripple, and the volts over one cycle of the mains, evenly spaced. */
export interface Reservoir {
  readonly meanV: number;
  readonly leastV: number;
  readonly rippleV: number;
  readonly waveV: readonly number[];
}

const STEPS_A_CYCLE = 400;
/** Settled when the mean of a cycle moves by no more than this part of the peak; given up after so many cycles. */
const SETTLED = 1e-6;
const MOST_CYCLES = 2000;

/**
 * Steps the reservoir implicitly (any capacitance is stable) cycle by cycle until it repeats, and reads that cycle.
 * Check: with a stiff source mean and ripple go to √2 V − drop and I/(2 f C).
 */
export function settledReservoir(c: RectifierLoad): Reservoir {
  const peak = Math.SQRT2 * c.sourceV;
  let inside = Math.max(0, peak - c.dropV);
  let before = Infinity;
  for (let cycle = 0; ; cycle++) {
    const { end, ...seen } = oneCycle(c, peak, inside);
    inside = end;
    if (Math.abs(seen.meanV - before) <= SETTLED * peak || cycle >= MOST_CYCLES) return seen;
    before = seen.meanV;
  }
}

function oneCycle(c: RectifierLoad, peak: number, start: number): Reservoir & { readonly end: number } {
  const dt = 1 / c.mainsHz / STEPS_A_CYCLE;
  // Three branches meet at the terminals: the source, the load, the capacitor with its resistance.
  const gc = c.esrOhm + dt / c.farad;
  const gl = 1 / c.loadOhm + 1 / gc;
  let [inside, low, high, sum] = [start, Infinity, -Infinity, 0];
  const waveV: number[] = [];
  for (let step = 0; step < STEPS_A_CYCLE; step++) {
    const wave = peak * Math.sin((2 * Math.PI * step) / STEPS_A_CYCLE);
    const offered = (c.halves[0] ? Math.max(0, wave) : 0) + (c.halves[1] ? Math.max(0, -wave) : 0) - c.dropV;
    const alone = inside / gc / gl;
    const v = offered > alone ? (inside / gc + offered / c.sourceOhm) / (gl + 1 / c.sourceOhm) : alone;
    inside += ((v - inside) / gc) * (dt / c.farad);
    low = Math.min(low, v);
    high = Math.max(high, v);
    sum += v;
    waveV.push(v);
  }
  return { meanV: sum / STEPS_A_CYCLE, leastV: low, rippleV: high - low, waveV, end: inside };
}
