/**
 * Speed of a motor or fan from its sound: harmonics of the blades, commutator bars or pole pairs whose
 * number is known. Candidates come with their odds; where two octaves fit, neither is called certain.
 */
import { CoreError, requirePositive } from '../../errors.js';
import { readWavHeader, wavSamples, type ByteSource, type SampleSource } from '../../formats/index.js';
import { mean, median, quantile } from '../../numeric/index.js';
import { fromLimits, type UncertaintyPart } from '../../quantity/index.js';
import { combEvidence, refined, speedGrid, type LinesPerTurn } from './comb.js';
import { SOUND_DEFAULTS as D } from './defaults.js';
import { loudestChannel, soundFrames, type SoundFrame } from './frames.js';
import { bestPath, rivals } from './path.js';
import type {
  MeasuredSound,
  SoundCandidate,
  SoundLines,
  SoundResult,
  SoundStretch,
  SoundWarning,
  UnusableSound,
} from './result.js';
import { say } from '../../words/index.js';

/** What is known of the machine that is heard. */
export interface SoundWish {
  readonly lines: SoundLines;
  /** Blades, commutator bars or pole pairs; 1 for once a turn. */
  readonly count: number;
  /** Further counts of lines a turn on the same shaft: bars beside blades. */
  readonly alsoPerTurn?: readonly number[];
  readonly minRpm: number;
  readonly maxRpm: number;
  readonly nominalRpm: number | null;
  /** The drive runs one way, stops, and runs the other. */
  readonly reversing: boolean;
  readonly clockLimitPercent?: number;
  readonly onProgress?: (done: number) => boolean | void;
}

const unusable = (reason: UnusableSound['reason']): UnusableSound => ({ kind: 'unusable', reason });

/**
 * Lines a turn: blades as they are; a commutator of an odd number of bars commutates twice for each
 * (three segments 6 a turn: 240 Hz at 2400 rpm); pole pairs for the electrical frequency.
 */
export function linesPerTurn(lines: SoundLines, count: number): number {
  if (lines === 'once a turn') return 1;
  return lines === 'bars' && count % 2 === 1 ? 2 * count : count;
}

/** Listens to a WAV file. @throws CoreError OUT_OF_RANGE for a count or range that makes no sense. */
export async function listenWav(bytes: ByteSource, wish: SoundWish): Promise<SoundResult> {
  const layout = await readWavHeader(bytes);
  return layout.kind === 'unusable' ? unusable(layout.reason) : listen(wavSamples(bytes, layout), wish);
}

/** Listens to any source of samples. */
export async function listen(source: SampleSource, wish: SoundWish): Promise<SoundResult> {
  if (!Number.isInteger(wish.count) || wish.count < 1) {
    throw new CoreError('OUT_OF_RANGE', 'count must be a whole number of at least 1', { count: wish.count });
  }
  requirePositive(wish.minRpm, 'minRpm');
  if (!(wish.maxRpm > wish.minRpm)) throw new CoreError('OUT_OF_RANGE', 'maxRpm must be above minRpm', { ...wish });
  const report = wish.onProgress ?? (() => true);
  const loudest = await loudestChannel(source);
  if (loudest.peak < D.silentPeak) return unusable('SILENT');
  const frames = await soundFrames(source, loudest.channel, (done) => report(0.6 * done));
  if (!frames) return unusable('STOPPED');
  const sounding = soundingStretches(frames);
  if (sounding.length === 0) return unusable(frames.length < D.shortestStretchS / D.hopS ? 'TOO_SHORT' : 'SILENT');
  const per = [linesPerTurn(wish.lines, wish.count), ...(wish.alsoPerTurn ?? [])];
  const grid = speedGrid(wish.minRpm, wish.maxRpm);
  const tracked = sounding.map((part) => followed(part, grid, per));
  if (report(0.95) === false) return unusable('STOPPED');
  const evidence = mean(tracked.flatMap((one) => Array.from(one.path, (g, t) => one.evidence[t]?.[g] ?? 0)));
  if (evidence < 3) return unusable('NO_HARMONICS');
  return evaluate(frames, tracked, grid, per, wish);
}

interface Followed {
  readonly frames: readonly SoundFrame[];
  readonly evidence: readonly Float32Array[];
  readonly path: Int32Array;
  readonly rpm: Float64Array;
  readonly lineTeeth: number;
}

function followed(frames: readonly SoundFrame[], grid: Float64Array, per: LinesPerTurn): Followed {
  const evidence = frames.map(combEvidence(grid, per));
  const path = bestPath(evidence);
  const fine = frames.map((frame, t) => refined(frame, grid[path[t] as number] as number, per));
  return {
    frames,
    evidence,
    path,
    rpm: Float64Array.from(fine, ({ hz }) => 60 * hz),
    lineTeeth: mean(fine.map((one) => one.lineTeeth)),
  };
}

/** Rows of frames that sound, single quiet frames bridged. */
function soundingStretches(frames: readonly SoundFrame[]): SoundFrame[][] {
  const loud = quantile(
    frames.map((frame) => frame.rms),
    D.loudQuantile,
  );
  const out: SoundFrame[][] = [];
  let row: SoundFrame[] = [];
  let quiet = 0;
  const close = () => {
    const kept = row.slice(0, row.length - quiet);
    const first = kept[0];
    const last = kept[kept.length - 1];
    if (first && last && last.timeS - first.timeS >= D.shortestStretchS - D.frameS) out.push(kept);
    row = [];
    quiet = 0;
  };
  for (const frame of frames) {
    const sounds = frame.rms > D.soundingPart * loud && loud > 0;
    if (!sounds && row.length === 0) continue;
    row.push(frame);
    quiet = sounds ? 0 : quiet + 1;
    if (quiet > D.bridged) close();
  }
  close();
  return out;
}

function evaluate(
  frames: readonly SoundFrame[],
  tracked: readonly Followed[],
  grid: Float64Array,
  per: LinesPerTurn,
  wish: SoundWish,
): MeasuredSound {
  const all = tracked.flatMap((one) => [...one.rpm]);
  const meanRpm = mean(all);
  const candidates = candidatesOf(tracked, grid.length, meanRpm, per[0] as number, wish.lines);
  const reference = wish.nominalRpm ?? meanRpm;
  const spread = quantile(all, 1 - D.changingQuantile) / quantile(all, D.changingQuantile) - 1;
  const warnings: SoundWarning[] = [];
  if ((candidates[0]?.share ?? 0) < D.sureShare) warnings.push('OCTAVE_UNSURE');
  if (spread > D.changingPart) warnings.push('CHANGING_SPEED');
  if (mean(tracked.map((one) => one.lineTeeth)) < D.fewTeeth) warnings.push('FEW_HARMONICS');
  if (wish.reversing && tracked.length > 1) warnings.push('SENSE_ASSUMED');
  return {
    kind: 'measured',
    nominalRpm: wish.nominalRpm,
    meanRpm,
    uncertainty: budget(tracked, meanRpm, wish),
    driftPercent: tracked.length === 1 ? driftOf(tracked[0] as Followed, meanRpm) : null,
    lines: wish.lines,
    linesPerTurn: per[0] as number,
    candidates,
    stretches: tracked.map((one, i) => stretchOf(one, wish.reversing && i % 2 === 1 ? -1 : 1)),
    series: seriesOf(frames, tracked, reference),
    warnings,
  };
}

function stretchOf(one: Followed, sense: 1 | -1): SoundStretch {
  const first = one.frames[0] as SoundFrame;
  const last = one.frames[one.frames.length - 1] as SoundFrame;
  return { startS: first.timeS - D.frameS / 2, endS: last.timeS + D.frameS / 2, rpm: sense * median(one.rpm) };
}

function candidatesOf(
  tracked: readonly Followed[],
  gridSize: number,
  meanRpm: number,
  per: number,
  lines: SoundLines,
): SoundCandidate[] {
  const found = rivals(tracked, gridSize);
  const best = Math.max(...found.map((one) => one.evidence));
  const weights = found.map((one) => Math.exp(D.temper * (one.evidence - best)));
  const total = weights.reduce((sum, value) => sum + value, 0);
  return found
    .map((one, i) => {
      const rpm = meanRpm * (1 + D.gridStep) ** one.offset;
      return { rpm, share: (weights[i] as number) / total, why: whyOf(rpm, per, lines) };
    })
    .filter((one) => one.share >= 0.005)
    .sort((a, b) => b.share - a.share);
}

const whyOf = (rpm: number, per: number, lines: SoundLines): string =>
  lines === 'once a turn'
    ? say`${(rpm / 60).toFixed(1)} Hz once a turn`
    : say`${((rpm * per) / 60).toFixed(0)} Hz from ${per} lines a turn (${lines})`;

/** Scatter from frame to frame about the course, over the frames that do not share samples; and the recorder's clock. */
function budget(tracked: readonly Followed[], meanRpm: number, wish: SoundWish): UncertaintyPart[] {
  let square = 0;
  let steps = 0;
  for (const { rpm } of tracked) {
    for (let t = 2; t < rpm.length; t++) {
      square += ((rpm[t] as number) - 2 * (rpm[t - 1] as number) + (rpm[t - 2] as number)) ** 2 / 6;
      steps++;
    }
  }
  const frames = tracked.reduce((sum, one) => sum + one.rpm.length, 0);
  const apart = Math.max(1, (frames * D.hopS) / D.frameS);
  const scatter = steps > 0 ? Math.sqrt(square / steps) : D.unknownScatter * meanRpm;
  const clock = wish.clockLimitPercent ?? D.clockPercent;
  return [
    {
      name: 'noise',
      standardPercent: (100 * Math.max(scatter, D.leastScatter * meanRpm)) / Math.sqrt(apart) / meanRpm,
      why: say`scatter of the speed from frame to frame`,
    },
    { name: 'clock', standardPercent: fromLimits(clock), why: say`recorder clock within ±${clock * 1e4} ppm` },
  ];
}

function driftOf({ rpm }: Followed, meanRpm: number): number {
  const tenth = Math.max(1, Math.floor(rpm.length / 10));
  return (100 * (mean(rpm.subarray(rpm.length - tenth)) - mean(rpm.subarray(0, tenth)))) / meanRpm;
}

/** Speed by frame against the reference; where nothing sounds it stands still, -100 %. */
function seriesOf(frames: readonly SoundFrame[], tracked: readonly Followed[], reference: number) {
  const first = frames[0]?.timeS ?? 0;
  const second = frames[1]?.timeS ?? first + D.hopS;
  const stepS = second - first;
  const errorPercent = new Float32Array(frames.length).fill(-100);
  for (const one of tracked) {
    one.frames.forEach((frame, t) => {
      errorPercent[Math.round((frame.timeS - first) / stepS)] = 100 * ((one.rpm[t] as number) / reference - 1);
    });
  }
  return { startS: first, stepS, errorPercent, halfWidthPercent: new Float32Array(frames.length) };
}
