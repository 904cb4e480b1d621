/**
 * How well a comb of harmonics fits the lines of a frame. A candidate shaft speed f predicts teeth at
 * k f: those at multiples of the lines a turn are usually strong, the others usually absent or weak.
 * Each tooth adds the logarithm of how much likelier its level (absent, weak, strong) is under the
 * comb than by chance among as many stray lines.
 */
import { ownWorkspace } from '../../numeric/index.js';
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

/** Log-likelihood ratio of every candidate of a grid, for one frame after another. */
export function combEvidence(grid: Float64Array, linesPerTurn: LinesPerTurn): (frame: SoundFrame) => Float32Array {
  const multiples = multiplesOf(linesPerTurn, teethOf(linesPerTurn));
  let adder: ToothAdder | null = null;
  let last: SoundFrame | null = null;
  return (frame) => {
    if (frame.lineHz.length === 0) return new Float32Array(grid.length);
    if (!adder || last?.binHz !== frame.binHz || last.topHz !== frame.topHz) {
      const rows = toothRows(frame, grid, multiples.length - 1);
      adder = compiledAdder(rows, grid.length, cellCount(frame)) ?? plainAdder(rows, grid.length);
    }
    last = frame;
    const levels = levelMap(frame);
    return Float32Array.from(adder(levels, toothWeights(levels, multiples)));
  };
}

/** Sums of what the teeth weigh at the levels given; good until the next call. */
type ToothAdder = (levels: Uint8Array, weights: Float64Array) => Float64Array;

/** Where tooth k of the candidates from `first` on lies: indices of cells. */
interface ToothRow {
  readonly k: number;
  readonly first: number;
  readonly cells: Uint16Array;
}

/** The rows of teeth that lie in a frame's range; they are the same for all frames of a recording. */
function toothRows(frame: SoundFrame, grid: Float64Array, teeth: number): ToothRow[] {
  const cellHz = cellOf(frame);
  return Array.from({ length: teeth }, (_, i) => {
    const k = i + 1;
    const first = grid.findIndex((f) => k * f >= D.lowestHz);
    const beyond = grid.findIndex((f) => k * f > frame.topHz);
    if (first < 0) return { k, first: 0, cells: new Uint16Array(0) };
    const inside = grid.subarray(first, beyond < 0 ? grid.length : Math.max(first, beyond));
    return { k, first, cells: Uint16Array.from(inside, (f) => (k * f) / cellHz + 0.5) };
  });
}

/** All rows laid out once in a memory of its own; null where there is none. */
function compiledAdder(rows: readonly ToothRow[], size: number, cells: number): ToothAdder | null {
  const own = ownWorkspace();
  if (!own) return null;
  const laid = rows.map((row) => ({ ...row, count: row.cells.length, at: own.put(row.cells) }));
  const [levelsAt, sumsAt] = [own.space(cells), own.space(8 * size)];
  const weightsAt = own.space(24 * (rows.length + 1));
  return (levels, weights) => {
    own.bytes(levelsAt, cells).set(levels);
    own.values(weightsAt, weights.length).set(weights);
    const sums = own.values(sumsAt, size).fill(0);
    for (const { k, first, count, at } of laid)
      own.calls.addTooth(levelsAt, at, count, weightsAt + 24 * k, sumsAt + 8 * first);
    return sums;
  };
}

function plainAdder(rows: readonly ToothRow[], size: number): ToothAdder {
  return (levels, weights) => {
    const sums = new Float64Array(size);
    for (const { k, first, cells } of rows) {
      cells.forEach((cell, i) => {
        sums[first + i] = (sums[first + i] as number) + (weights[3 * k + (levels[cell] as number)] as number);
      });
    }
    return sums;
  };
}

const cellOf = (frame: SoundFrame): number => frame.binHz / 2;
const cellCount = (frame: SoundFrame): number => Math.ceil(frame.topHz / cellOf(frame)) + 2;

/** The highest level of a line within the tolerance of each place, on cells of half a bin. */
function levelMap(frame: SoundFrame): Uint8Array {
  const cellHz = cellOf(frame);
  const levels = new Uint8Array(cellCount(frame));
  frame.lineHz.forEach((hz, i) => {
    const reach = D.toleranceBins * frame.binHz + D.tolerancePart * hz;
    const from = Math.max(0, Math.ceil((hz - reach) / cellHz));
    const to = Math.min(levels.length - 1, Math.floor((hz + reach) / cellHz));
    for (let c = from; c <= to; c++) levels[c] = Math.max(levels[c] as number, frame.level[i] as number);
  });
  return levels;
}

/**
 * What a tooth k adds when absent, weak or strong, from 3 k on; chance is how much of the axis such
 * lines cover. Line teeth fade with their multiple.
 */
function toothWeights(levels: Uint8Array, multiples: Int32Array): Float64Array {
  const covered = [0, 0, 0];
  for (const level of levels) covered[level] = (covered[level] as number) + 1;
  const weak = Math.max(D.leastCovered.weak, (covered[1] as number) / levels.length);
  const strong = Math.max(D.leastCovered.strong, (covered[2] as number) / levels.length);
  const chance = [Math.max(D.leastCovered.none, 1 - weak - strong), weak, strong];
  const weights = (of: readonly number[]) => of.map((p, level) => Math.log(p / (chance[level] as number)));
  const other = weights(D.otherTooth);
  const out = new Float64Array(3 * multiples.length);
  multiples.forEach((multiple, k) => {
    const there = D.lineThere * Math.exp((1 - multiple) / D.lineFade);
    const line = () => weights([1 - there, there * (1 - D.lineStrong), there * D.lineStrong]);
    out.set(multiple > 0 ? line() : other, 3 * k);
  });
  return out;
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
