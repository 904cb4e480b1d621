import { LEAST_STEPS, LEAST_TURNS, MOST_STEPS } from './defaults.js';
/** The turn: speed against the angle of one part, averaged over its turns, so that a bump has a place. */
export interface TurnProfile {
  /** Turns averaged. */
  readonly turns: number;
  /** Middle of each step of the turn, degrees from where the recording starts, in the sense of rotation. */
  readonly degrees: readonly number[];
  /** Mean deviation from the mean of its turn, percent. */
  readonly percent: readonly number[];
  /** Scatter from turn to turn (standard deviation), percent. */
  readonly spreadPercent: readonly number[];
  /** Where it runs slowest and fastest. */
  readonly slowest: { readonly degrees: number; readonly percent: number };
  readonly fastest: { readonly degrees: number; readonly percent: number };
}

/** Speed over time at even steps, percent; a stored series or one just measured. */
export interface FoldedSeries {
  readonly stepS: number;
  readonly errorPercent: ArrayLike<number>;
}

/**
 * Folds a series over `turnHz` (turns a second of the part, at the speed measured). Null when it is too
 * short, or too coarse for the part.
 */
export function turnProfile(series: FoldedSeries, turnHz: number): TurnProfile | null {
  const { stepS, errorPercent } = series;
  const perTurn = 1 / (turnHz * stepS);
  const turns = Math.floor(errorPercent.length / perTurn);
  const steps = Math.min(MOST_STEPS, Math.floor(perTurn));
  if (!(turnHz > 0) || turns < LEAST_TURNS || steps < LEAST_STEPS) return null;
  const sums = new Float64Array(steps);
  const squares = new Float64Array(steps);
  const counts = new Float64Array(steps);
  for (let turn = 0; turn < turns; turn++) {
    const from = Math.ceil(turn * perTurn);
    const to = Math.min(errorPercent.length, Math.ceil((turn + 1) * perTurn));
    let mean = 0;
    for (let i = from; i < to; i++) mean += (errorPercent[i] as number) / (to - from);
    for (let i = from; i < to; i++) {
      const at = Math.min(steps - 1, Math.floor((((i + 0.5) / perTurn) % 1) * steps));
      const value = (errorPercent[i] as number) - mean;
      sums[at] = (sums[at] as number) + value;
      squares[at] = (squares[at] as number) + value * value;
      counts[at] = (counts[at] as number) + 1;
    }
  }
  if (counts.some((count) => count < 2)) return null;
  const degrees = Array.from({ length: steps }, (_, i) => (360 * (i + 0.5)) / steps);
  const percent = Array.from(sums, (sum, i) => sum / (counts[i] as number));
  const spreadPercent = Array.from(squares, (square, i) => {
    const n = counts[i] as number;
    return Math.sqrt(Math.max(0, square / n - (percent[i] as number) ** 2) * (n / (n - 1)));
  });
  const place = (i: number) => ({ degrees: degrees[i] as number, percent: percent[i] as number });
  return {
    turns,
    degrees,
    percent,
    spreadPercent,
    slowest: place(percent.indexOf(Math.min(...percent))),
    fastest: place(percent.indexOf(Math.max(...percent))),
  };
}

/** The slowest of the parts whose turn the series can show; null when none can. */
export function slowestShown(
  series: FoldedSeries,
  parts: readonly { readonly name: string; readonly hz: number }[],
  errorPercent: number,
): { readonly part: string; readonly profile: TurnProfile } | null {
  for (const part of [...parts].sort((a, b) => a.hz - b.hz)) {
    const profile = turnProfile(series, part.hz * (1 + errorPercent / 100));
    if (profile) return { part: part.name, profile };
  }
  return null;
}
