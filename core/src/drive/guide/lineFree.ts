/**
 * The speed without its wow, at once: what comes round with the turn is learnt while the speed stands and taken off
 * from then on, so that a guide follows the screw and not the record's hole.
 */
import { solveNormal } from '../../numeric/index.js';
import { SMOOTH_S, STANDS_PERCENT, TURN_HARMONICS } from '../defaults.js';

/** Turns that are learnt from, at least and at most. */
const TURNS = { least: 1, most: 2 } as const;

interface Sample {
  readonly atS: number;
  readonly angle: number;
  readonly percent: number;
}

/** Takes speeds in percent as they come; gives them without their lines. */
export interface LineFree {
  push(atS: number, percent: number): number;
}

/** @param turnS time of a turn at nominal speed, seconds; null where it is not known: then it only smooths. */
export function lineFree(turnS: number | null): LineFree {
  let samples: Sample[] = [];
  let lines: readonly number[] = [];
  let smooth: number | null = null;
  let last: { readonly atS: number; readonly angle: number } | null = null;
  return {
    push(atS, percent) {
      const step = last ? atS - last.atS : 0;
      const angle = turnS === null || !last ? 0 : last.angle + (2 * Math.PI * step * (1 + percent / 100)) / turnS;
      last = { atS, angle };
      if (turnS !== null) {
        samples = [...samples.filter((one) => atS - one.atS <= TURNS.most * turnS), { atS, angle, percent }];
        const span = atS - (samples[0]?.atS ?? atS);
        if (span >= TURNS.least * turnS * 0.98) lines = learnt(samples) ?? lines;
      }
      const freed = percent - wave(lines, angle);
      const share = smooth === null ? 1 : 1 - Math.exp(-step / SMOOTH_S);
      smooth = (smooth ?? freed) + share * (freed - (smooth ?? freed));
      return smooth;
    },
  };
}

const basis = (angle: number): number[] =>
  Array.from({ length: TURN_HARMONICS }, (_, h) => [Math.cos((h + 1) * angle), Math.sin((h + 1) * angle)]).flat();

const wave = (lines: readonly number[], angle: number): number =>
  basis(angle).reduce((sum, value, i) => sum + value * (lines[i] ?? 0), 0);

/** Amplitudes of the lines over a stretch that stands; null where it moves. */
function learnt(samples: readonly Sample[]): number[] | null {
  const start = samples[0]?.atS ?? 0;
  const span = (samples.at(-1)?.atS ?? 0) - start;
  const n = 2 + 2 * TURN_HARMONICS;
  const normal = new Float64Array(n * n);
  const right = new Float64Array(n);
  for (const { atS, angle, percent } of samples) {
    const row = [1, (atS - start) / span - 0.5, ...basis(angle)];
    for (let r = 0; r < n; r++) {
      right[r] = (right[r] ?? 0) + (row[r] ?? 0) * percent;
      for (let c = 0; c < n; c++) normal[r * n + c] = (normal[r * n + c] ?? 0) + (row[r] ?? 0) * (row[c] ?? 0);
    }
  }
  const fit = solveNormal(normal, right)?.coefficients;
  if (!fit || Math.abs(fit[1] ?? 0) > STANDS_PERCENT) return null;
  return [...fit.slice(2)];
}
