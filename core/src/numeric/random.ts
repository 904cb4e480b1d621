/** Seeded random numbers, so that a simulated recording is the same on every machine. */

/** A stream of numbers in [0, 1). */
export type Random = () => number;

/** mulberry32: 32 bits of state, good enough for noise and shuffles, not for secrets. */
export function seeded(seed: number): Random {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** Normal deviates of mean 0 and standard deviation 1 (Marsaglia's polar method). */
export function gaussian(random: Random): () => number {
  let spare: number | null = null;
  return () => {
    if (spare !== null) {
      const value = spare;
      spare = null;
      return value;
    }
    let u: number, v: number, s: number;
    do {
      u = 2 * random() - 1;
      v = 2 * random() - 1;
      s = u * u + v * v;
    } while (s >= 1 || s === 0);
    const factor = Math.sqrt((-2 * Math.log(s)) / s);
    spare = v * factor;
    return u * factor;
  };
}
