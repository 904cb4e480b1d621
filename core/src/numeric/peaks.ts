/** Peaks of a spectrum and the floor under them. */

/** A power of nought has a logarithm too. */
const LEAST_POWER = 1e-300;

/**
 * How far the top of the parabola through three values a step apart lies from the middle one, in steps; nought where it
 * has no top. Between half a step down and up where the middle one is the largest.
 */
export function parabolaTop(before: number, middle: number, after: number): number {
  const bend = before - 2 * middle + after;
  return bend < 0 ? (before - after) / (2 * bend) : 0;
}

/** Place of the peak whose largest bin is `bin`, in bins: the top of a parabola through the logarithms of the power. */
export function peakBin(power: Float64Array, bin: number): number {
  const [a, b, c] = [bin - 1, bin, bin + 1].map((k) => Math.log(Math.max(LEAST_POWER, power[k] as number)));
  return bin + parabolaTop(a as number, b as number, c as number);
}

/** Levels of cells of `width` bins, from `first` on, joined by straight lines from middle to middle; level beyond the ends. */
export function joinedCells(levels: Float64Array, width: number, first: number): (bin: number) => number {
  return (bin) => {
    const position = Math.max(0, Math.min(levels.length - 1, (bin - first) / width - 0.5));
    const left = Math.floor(position);
    const [a, b] = [levels[left] as number, levels[left + 1] ?? 0];
    return position === left ? a : a + (position - left) * (b - a);
  };
}
