/**
 * What of a train can differ: every diameter, belt and tape thickness with its usual tolerance; how much the output
 * moves with each; which value of one gives a wanted output.
 */
import { forSpeed, isBelt, isGear, type Train, type TrainPart } from './schema.js';
import { trainTurns } from './turns.js';
import { say } from '../../words/index.js';
import { SEARCH_HALVINGS, SEARCH_REACH, USUAL_TOLERANCE_MM } from '../defaults.js';

/** One dimension that may differ. */
export interface Knob {
  readonly id: string;
  readonly label: string;
  readonly valueMm: number;
  readonly toleranceMm: number;
  /** The train with this dimension changed, for all speeds that share it. */
  readonly at: (valueMm: number) => Train;
}

/** Dimensions of a train at one speed that are lengths; teeth are counted, they do not drift. */
export function knobsOf(train: Train, speed: number): Knob[] {
  const change = (part: TrainPart, more: Partial<TrainPart>): Train => ({
    ...train,
    parts: train.parts.map((one) => (one.id === part.id ? { ...one, ...more } : one)),
  });
  const knobs = train.parts.flatMap((part): Knob[] => {
    const toothed = isGear(part.contact) || part.kind === 'gear';
    const index = part.sizes.length === 1 ? 0 : speed;
    const size: Knob = {
      id: `${part.id}.size`,
      label: say`${part.name}, diameter`,
      valueMm: forSpeed(part.sizes, speed),
      toleranceMm: part.toleranceMm ?? USUAL_TOLERANCE_MM[part.kind],
      at: (value) => change(part, { sizes: part.sizes.map((one, i) => (i === index ? value : one)) }),
    };
    const { belt } = part;
    const thickness: Knob | null =
      isBelt(part.contact) && belt
        ? {
            id: `${part.id}.belt`,
            label: say`belt to ${part.name}, thickness`,
            valueMm: belt.thicknessMm,
            toleranceMm: USUAL_TOLERANCE_MM.belt,
            at: (value) => change(part, { belt: { ...belt, thicknessMm: value } }),
          }
        : null;
    return [...(toothed ? [] : [size]), ...(thickness ? [thickness] : [])];
  });
  if (train.output.kind === 'tape')
    knobs.push({
      id: 'output.tape',
      label: say`tape, thickness`,
      valueMm: train.output.tapeThicknessMm,
      toleranceMm: USUAL_TOLERANCE_MM.tape,
      at: (value) => ({ ...train, output: { ...train.output, tapeThicknessMm: value } }),
    });
  return knobs;
}

/** How much the output moves with one dimension. */
export interface Sensitivity {
  readonly knob: Knob;
  /** Percent of output for a tenth of a millimetre more. */
  readonly percentPerTenthMm: number;
  /** Percent of output that its tolerance is worth, either way. */
  readonly tolerancePercent: number;
}

/** What all tolerances together are worth, percent either way. */
export interface Spread {
  readonly each: readonly Sensitivity[];
  /** Every part at its limit, all pulling one way. */
  readonly worstCasePercent: number;
  /** Root of the sum of squares: what a batch of units does. */
  readonly rssPercent: number;
}

/** Sensitivities by central difference, the largest first; dimensions that cancel (an idler's own) are left out. */
export function spreadOf(train: Train, speed: number, mainsHz: number): Spread {
  const each = knobsOf(train, speed)
    .map((knob): Sensitivity => {
      const step = Math.max(1e-6, 1e-4 * knob.valueMm);
      const out = (value: number) => Math.log(trainTurns(knob.at(value), speed, mainsHz).output.value);
      const perMm = (100 * (out(knob.valueMm + step) - out(knob.valueMm - step))) / (2 * step);
      return { knob, percentPerTenthMm: 0.1 * perMm, tolerancePercent: Math.abs(perMm) * knob.toleranceMm };
    })
    .filter((one) => Math.abs(one.percentPerTenthMm) > 1e-7)
    .sort((a, b) => b.tolerancePercent - a.tolerancePercent);
  return {
    each,
    worstCasePercent: each.reduce((sum, one) => sum + one.tolerancePercent, 0),
    rssPercent: Math.sqrt(each.reduce((sum, one) => sum + one.tolerancePercent ** 2, 0)),
  };
}

/**
 * The value of one dimension, mm, at which the output is `wanted` (rpm or cm/s); null when it has no influence or no
 * value within a hundredfold does it. Output runs one way with every single dimension, so halving finds it.
 */
export function solveKnob(knob: Knob, wanted: number, speed: number, mainsHz: number): number | null {
  const off = (value: number) => trainTurns(knob.at(value), speed, mainsHz).output.value - wanted;
  const start = Math.max(knob.valueMm, 1e-4);
  let [low, high] = [start / SEARCH_REACH, start * SEARCH_REACH];
  const [atLow, atHigh] = [off(low), off(high)];
  if (Math.abs(atHigh - atLow) < 1e-9 * wanted || atLow * atHigh > 0) return null;
  for (let i = 0; i < SEARCH_HALVINGS && high - low > 1e-9 * high; i++) {
    const middle = Math.sqrt(low * high);
    if (off(middle) * atLow > 0) low = middle;
    else high = middle;
  }
  return Math.sqrt(low * high);
}

/** What a measured output means if one dimension alone were to blame: its value then, and how much that differs, mm. */
export interface Blame {
  readonly knob: Knob;
  readonly valueMm: number;
  readonly byMm: number;
}

/** Each dimension that could explain the measured output alone, the smallest change first. */
export function blameOf(train: Train, measured: number, speed: number, mainsHz: number): Blame[] {
  return knobsOf(train, speed)
    .flatMap((knob): Blame[] => {
      const valueMm = solveKnob(knob, measured, speed, mainsHz);
      return valueMm === null ? [] : [{ knob, valueMm, byMm: valueMm - knob.valueMm }];
    })
    .sort((a, b) => Math.abs(a.byMm) - Math.abs(b.byMm));
}
