/**
 * How well a comb of harmonics fits the lines of a frame. A candidate shaft speed f predicts teeth at
 * k f: those at multiples of the lines a turn are usually strong, the others usually absent or weak.
 * Each tooth adds the logarithm of how much likelier its level (absent, weak, strong) is under the
 * comb than by chance among as many stray lines.
 */
import { SOUND_DEFAULTS as D } from './defaults.js';
import type { SoundFrame } from './frames.js';

/** Candidate shaft speeds in turns a second, each `gridStep` above the one before. */
export function speedGrid(minRpm: number, maxRpm: number): Float64Array {
  const count = Math.max(2, Math.ceil(Math.log(maxRpm / minRpm) / Math.log(1 + D.gridStep)) + 1);
  return Float64Array.from({ length: count }, (_, i) => (minRpm / 60) * (1 + D.gridStep) ** i);
}

/** Blades, bars and poles that each may make lines: one count, or several on one shaft. */
export type LinesPerTurn = readonly number[];

const teethOf = (linesPerTurn: LinesPerTurn): number =>
  Math.max(D.leastTeeth, D.teethTimesLines * Math.max(...linesPerTurn));

/** Which multiple of the lines each tooth is, 0 for none, the lowest where it is one of several. */
function multiplesOf(linesPerTurn: LinesPerTurn, teeth: number): Int32Array {
  return Int32Array.from({ length: teeth + 1 }, (_, k) =>
    linesPerTurn.reduce((best, per) => (k > 0 && k % per === 0 && (best === 0 || k / per < best) ? k / per : best), 0),
  );
}

/** Log-likelihood ratio of every candidate of `grid` for one frame. */
export function combEvidence(frame: SoundFrame, grid: Float64Array, linesPerTurn: LinesPerTurn): Float32Array {
  const out = new Float32Array(grid.length);
  if (frame.lineHz.length === 0) return out;
  const map = levelMap(frame);
  const teethMost = teethOf(linesPerTurn);
  const multiples = multiplesOf(linesPerTurn, teethMost);
  const { line, other } = toothWeights(map, Math.max(...multiples));
  const { levels } = map;
  const inverse = 1 / map.cellHz;
  for (let g = 0; g < grid.length; g++) {
    const f = grid[g] as number;
    const teeth = Math.min(teethMost, Math.floor(frame.topHz / f));
    const cells = f * inverse;
    let sum = 0;
    for (let k = Math.max(1, Math.ceil(D.lowestHz / f)); k <= teeth; k++) {
      const level = levels[(k * cells + 0.5) | 0] as number;
      const multiple = multiples[k] as number;
      sum += (multiple > 0 ? line[3 * multiple + level] : other[level]) as number;
    }
    out[g] = sum;
  }
  return out;
}

interface LevelMap {
  readonly cellHz: number;
  readonly levels: Uint8Array;
}

/** The highest level of a line within the tolerance of each place, on cells of half a bin. */
function levelMap(frame: SoundFrame): LevelMap {
  const cellHz = frame.binHz / 2;
  const levels = new Uint8Array(Math.ceil(frame.topHz / cellHz) + 2);
  frame.lineHz.forEach((hz, i) => {
    const reach = D.toleranceBins * frame.binHz + D.tolerancePart * hz;
    const from = Math.max(0, Math.ceil((hz - reach) / cellHz));
    const to = Math.min(levels.length - 1, Math.floor((hz + reach) / cellHz));
    for (let c = from; c <= to; c++) levels[c] = Math.max(levels[c] as number, frame.level[i] as number);
  });
  return { cellHz, levels };
}

/**
 * What a tooth adds when absent, weak or strong; chance is how much of the axis such lines cover. Line
 * teeth fade with their multiple m: `line` holds three weights each, from 3 m on.
 */
function toothWeights({ levels }: LevelMap, multiples: number) {
  const covered = [0, 0, 0];
  for (const level of levels) covered[level] = (covered[level] as number) + 1;
  const weak = Math.max(0.02, (covered[1] as number) / levels.length);
  const strong = Math.max(0.005, (covered[2] as number) / levels.length);
  const chance = [Math.max(0.05, 1 - weak - strong), weak, strong];
  const weights = (of: readonly number[]) => of.map((p, level) => Math.log(p / (chance[level] as number)));
  const line = new Float64Array(3 * (multiples + 1));
  for (let m = 1; m <= multiples; m++) {
    const there = D.lineThere * Math.exp((1 - m) / D.lineFade);
    line.set(weights([1 - there, there * (1 - D.lineStrong), there * D.lineStrong]), 3 * m);
  }
  return { line, other: Float64Array.from(weights(D.otherTooth)) };
}

/** Shaft speed from the lines that lie on the comb of `roughHz`, least squares over their numbers; with how many line teeth. */
export function refined(
  frame: SoundFrame,
  roughHz: number,
  linesPerTurn: LinesPerTurn,
): { hz: number; lineTeeth: number } {
  let top = 0;
  let bottom = 0;
  let lineTeeth = 0;
  const most = teethOf(linesPerTurn);
  const multiples = multiplesOf(linesPerTurn, most);
  frame.lineHz.forEach((hz, i) => {
    const k = Math.round(hz / roughHz);
    const reach = D.toleranceBins * frame.binHz + 2 * D.tolerancePart * hz;
    if (k < 1 || k > most || Math.abs(hz - k * roughHz) > reach) return;
    const isLine = (multiples[k] as number) > 0;
    if (isLine) lineTeeth++;
    const weight = (isLine ? 4 : 1) * (frame.level[i] === 2 ? 4 : 1);
    top += weight * k * hz;
    bottom += weight * k * k;
  });
  return { hz: bottom > 0 ? top / bottom : roughHz, lineTeeth };
}
