/**
 * What the course says of the unit: each speed's error now, and what a turn of each trim does to it, as a Gaussian
 * that readings sharpen (an extended Kalman filter; textbook form). In live work a trim is measured by the change it
 * makes at its own speed, so its own effect is one by definition and only the cross effects are learnt.
 */
import { COACH, type CoachLine, type CoachTask, type CoachTrim } from './course.js';
import { UNKNOWN_VARIANCE } from '../defaults.js';

/** Error of one speed with the effects of all trims on it: mean and covariance, the error first. */
interface SpeedBelief {
  readonly mean: readonly number[];
  readonly covariance: readonly (readonly number[])[];
  /** Last reading since the last move; null when none. */
  readonly fresh: { readonly errorPercent: number; readonly expandedPercent: number | null } | null;
  readonly everRead: boolean;
}

/** What a turn of trim `j` clockwise does to a speed, percent, and how sure that is (k = 2). */
export const effectOf = ({ mean, covariance }: SpeedBelief, j: number): { percent: number; doubt: number } => ({
  percent: mean[j + 1] ?? 0,
  doubt: 2 * Math.sqrt(covariance[j + 1]?.[j + 1] ?? 0),
});

/** All that is known. */
export interface CoachBelief {
  readonly speeds: readonly SpeedBelief[];
  /** By trim: turns it was moved in all (sum and sum of sizes), the last way it went, moves. */
  readonly trims: readonly {
    readonly turned: number;
    readonly walked: number;
    readonly lastWay: -1 | 0 | 1;
    readonly moves: number;
    /** Play as learnt from turning back, turns: mean and variance. */
    readonly play: number;
    readonly playVariance: number;
    /** Live visits in a row after which its own speed stood where it had stood. */
    readonly still: number;
    /** Turned back by so much, from this error at its own speed; learnt from at the next reading there. */
    readonly turnedBack: { readonly turns: number; readonly fromPercent: number } | null;
  }[];
  readonly moves: number;
  /** The last move, when a reading after it ran away. */
  readonly runaway: string | null;
}

/** Index of the speed a trim is watched at. */
export const ownSpeed = (task: CoachTask, trim: CoachTrim): number =>
  Math.max(
    0,
    task.speeds.findIndex((speed) => speed.id === trim.serves[0]),
  );

/** Expanded uncertainty of a reading, or what is taken for it. */
const spreadOf = (line: Extract<CoachLine, { kind: 'read' }>): number => line.expandedPercent ?? COACH.unknownPercent;

/** Before anything was read. */
function firstBelief(task: CoachTask): CoachBelief {
  return {
    speeds: task.speeds.map((speed, i) => {
      const effects = task.trims.map((trim) => {
        const own = ownSpeed(task, trim) === i;
        const serves = trim.serves.includes(speed.id);
        if (task.watched === 'live') {
          if (own) return { mean: 1, sd: 0 };
          // One trim for two speeds moves both alike.
          return serves ? { mean: 1, sd: 0.5 } : { mean: 0, sd: COACH.crossShare };
        }
        const way = trim.faster === 'clockwise' ? 1 : trim.faster === 'counter-clockwise' ? -1 : 0;
        if (serves) return { mean: way * 2, sd: COACH.ownPerTurn };
        return { mean: 0, sd: COACH.crossShare * COACH.ownPerTurn };
      });
      const variances = [UNKNOWN_VARIANCE, ...effects.map(({ sd }) => sd * sd)];
      return {
        mean: [0, ...effects.map((one) => one.mean)],
        covariance: variances.map((variance, r) => variances.map((_, c) => (r === c ? variance : 0))),
        fresh: null,
        everRead: false,
      };
    }),
    trims: task.trims.map(() => ({
      turned: 0,
      walked: 0,
      lastWay: 0,
      moves: 0,
      play: COACH.playTurns,
      playVariance: COACH.playSpreadTurns ** 2,
      still: 0,
      turnedBack: null,
    })),
    moves: 0,
    runaway: null,
  };
}

/** Belief after all lines, in their order. Lines that name what the task has not are left out. */
export function beliefOf(task: CoachTask, lines: readonly CoachLine[]): CoachBelief {
  let belief = firstBelief(task);
  lines.forEach((line, i) => {
    if (line.kind === 'read') belief = withReading(task, belief, line, lines.slice(0, i));
    else if (line.kind === 'stands') belief = withPlace(task, belief, line);
    else belief = withMove(task, belief, line, lines.slice(i + 1));
  });
  return belief;
}

function withReading(
  task: CoachTask,
  belief: CoachBelief,
  line: Extract<CoachLine, { kind: 'read' }>,
  before: readonly CoachLine[],
): CoachBelief {
  const at = task.speeds.findIndex((speed) => speed.id === line.speedId);
  const old = belief.speeds[at];
  if (!old) return belief;
  const moved = before.findLast((one) => one.kind === 'turned');
  if (moved && old.everRead && line.errorPercent > (old.mean[0] ?? 0) + COACH.runawayPercent)
    return { ...belief, runaway: moved.trimId };
  const noise = Math.max(spreadOf(line) / 2, 1e-3) ** 2;
  const next = observed(old, line.errorPercent, noise);
  const { errorPercent, expandedPercent } = line;
  const speeds = belief.speeds.map((one, i) =>
    i === at ? { ...next, fresh: { errorPercent, expandedPercent }, everRead: true } : one,
  );
  return { ...belief, speeds, trims: playLearnt(task, belief, at, line), runaway: null };
}

/** Play from a move back: what of the turn did not show at the trim's own speed. */
function playLearnt(
  task: CoachTask,
  belief: CoachBelief,
  at: number,
  line: Extract<CoachLine, { kind: 'read' }>,
): CoachBelief['trims'] {
  return belief.trims.map((one, j) => {
    const trim = task.trims[j];
    if (!trim || !one.turnedBack || ownSpeed(task, trim) !== at) return one;
    const effect = belief.speeds[at]?.mean[j + 1] ?? 0;
    const { turns, fromPercent } = one.turnedBack;
    const done = (line.errorPercent - fromPercent) / effect;
    const seen = Math.abs(turns) - Math.sign(turns) * done;
    const variance = (COACH.handShare * turns) ** 2 + 2 * (spreadOf(line) / 2 / effect) ** 2;
    const usable = Number.isFinite(seen) && isFinite(variance);
    if (!usable) return { ...one, turnedBack: null };
    const gain = one.playVariance / (one.playVariance + variance);
    const play = Math.max(0, one.play + gain * (seen - one.play));
    return { ...one, play, playVariance: (1 - gain) * one.playVariance, turnedBack: null };
  });
}

/** The error is read with this variance. */
function observed(old: SpeedBelief, value: number, noise: number): Pick<SpeedBelief, 'mean' | 'covariance'> {
  const column = old.covariance.map((row) => row[0] ?? 0);
  const spread = (column[0] ?? 0) + noise;
  const gain = column.map((one) => one / spread);
  const off = value - (old.mean[0] ?? 0);
  return {
    mean: old.mean.map((one, i) => one + (gain[i] ?? 0) * off),
    covariance: old.covariance.map((row, r) => row.map((one, c) => one - (gain[r] ?? 0) * (column[c] ?? 0))),
  };
}

function withPlace(task: CoachTask, belief: CoachBelief, line: Extract<CoachLine, { kind: 'stands' }>): CoachBelief {
  const trims = belief.trims.map((one, j) => {
    const trim = task.trims[j];
    return trim?.id === line.trimId && trim.stoodTurns !== null
      ? { ...one, turned: line.turns - trim.stoodTurns }
      : one;
  });
  return { ...belief, trims };
}

function withMove(
  task: CoachTask,
  belief: CoachBelief,
  line: Extract<CoachLine, { kind: 'turned' }>,
  after: readonly CoachLine[],
): CoachBelief {
  const j = task.trims.findIndex((trim) => trim.id === line.trimId);
  const [trim, known] = [task.trims[j], belief.trims[j]];
  if (!trim || !known) return belief;
  const step = task.watched === 'live' ? liveStep(task, belief, trim, after) : typedStep(line.turns ?? 0, known);
  const turns = line.turns ?? 0;
  const trims = belief.trims.map((one, i) =>
    i === j
      ? {
          ...one,
          turnedBack: isBack(turns, one.lastWay) ? { turns, fromPercent: ownFresh(task, belief, trim) } : null,
          turned: one.turned + turns,
          walked: one.walked + Math.abs(turns),
          lastWay: (Math.sign(turns) || one.lastWay) as -1 | 0 | 1,
          moves: one.moves + 1,
          still: task.watched === 'live' && stoodStill(step) ? one.still + 1 : 0,
        }
      : one,
  );
  const speeds = belief.speeds.map((one, i) => ({
    ...moved(one, j, step, readNext(after, task.speeds[i]?.id ?? '')),
    fresh: null,
  }));
  return { speeds, trims, moves: belief.moves + 1, runaway: null };
}

const isBack = (turns: number, lastWay: -1 | 0 | 1): boolean => lastWay !== 0 && Math.sign(turns) === -lastWay;

/** The error last read at a trim's own speed, or what it is believed to be. */
function ownFresh(task: CoachTask, belief: CoachBelief, trim: CoachTrim): number {
  const speed = belief.speeds[ownSpeed(task, trim)];
  return speed?.fresh?.errorPercent ?? speed?.mean[0] ?? 0;
}

/** What a live visit changed lies inside the doubt of its two readings. */
const stoodStill = ({ size, variance }: Step): boolean => Math.abs(size) <= 2 * Math.sqrt(variance);

/** A move in the trim's own measure, with its variance. */
interface Step {
  readonly size: number;
  readonly variance: number;
}

/** Turns as done: the hand's error, and the play on turning back (half of it while nobody knows which way it came). */
function typedStep(turns: number, { lastWay, play, playVariance }: CoachBelief['trims'][number]): Step {
  const way = Math.sign(turns);
  const back = lastWay === 0 ? 0.5 : way === lastWay ? 0 : 1;
  const lost = Math.min(Math.abs(turns), back * play);
  const spread = lastWay === 0 ? play / 2 : back * Math.sqrt(playVariance);
  return { size: turns - way * lost, variance: (COACH.handShare * turns) ** 2 + spread ** 2 };
}

/** What the visit did at the trim's own speed: the next reading there less what stood there before. */
function liveStep(task: CoachTask, belief: CoachBelief, trim: CoachTrim, after: readonly CoachLine[]): Step {
  const own = ownSpeed(task, trim);
  const read = readNext(after, task.speeds[own]?.id ?? '');
  const was = belief.speeds[own];
  if (read === null || !was?.everRead) return { size: 0, variance: UNKNOWN_VARIANCE / 100 };
  return {
    size: read.errorPercent - (was.mean[0] ?? 0),
    variance: (spreadOf(read) / 2) ** 2 + (was.covariance[0]?.[0] ?? 0),
  };
}

/** What is read of a speed before the next turn; null when it is not. */
function readNext(after: readonly CoachLine[], speedId: string): Extract<CoachLine, { kind: 'read' }> | null {
  const stop = after.findIndex((one) => one.kind === 'turned');
  const until = stop < 0 ? after : after.slice(0, stop);
  const read = until.find((one) => one.kind === 'read' && one.speedId === speedId);
  return read?.kind === 'read' ? read : null;
}

/**
 * e' = e + J t, with J and t both uncertain. How much the doubt of t weighs goes with J^2: by what was read after the
 * move where it was, else by all that J may be.
 */
function moved(
  old: SpeedBelief,
  j: number,
  { size, variance }: Step,
  next: Extract<CoachLine, { kind: 'read' }> | null,
): SpeedBelief {
  const k = j + 1;
  const effect = old.mean[k] ?? 0;
  const mean = old.mean.map((one, i) => (i === 0 ? one + effect * size : one));
  const n = old.mean.length;
  const at = (r: number, c: number) => old.covariance[r]?.[c] ?? 0;
  const seen = next !== null && old.everRead && size !== 0 ? (next.errorPercent - (old.mean[0] ?? 0)) / size : null;
  const squared = seen === null ? effect ** 2 + at(k, k) : seen ** 2;
  const row = Array.from({ length: n }, (_, c) => at(0, c) + size * at(k, c));
  const covariance = Array.from({ length: n }, (_, r) =>
    Array.from({ length: n }, (__, c) => {
      if (r === 0 && c === 0) return (row[0] ?? 0) + size * (row[k] ?? 0) + squared * variance;
      if (r === 0) return row[c] ?? 0;
      if (c === 0) return row[r] ?? 0;
      return at(r, c);
    }),
  );
  return { ...old, mean, covariance };
}
