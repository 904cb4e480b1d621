/** The steady stretches of a row of pulses, and which of them are measured. */
import { ask, rpmWords, SAME_SPEED_PERCENT, type AskedSpeed, type SteadyStretch } from '../asked.js';
import type { PulseSignal } from './channels.js';
import type { PulseWish } from './pulseResult.js';
import type { RotationWarning, UnusableRotation } from './result.js';
import { medianOfFive, steadyStretches } from './steady.js';
import { median, quantile } from '../../numeric/index.js';
import { say } from '../../words/index.js';
import {
  COVERED_SHARE,
  KNOCK_PART,
  LEAST_PULSES,
  LEAST_STRETCH_S,
  LEAST_STRETCH_TURNS,
  PAUSE_GAPS,
  PAUSE_S,
  PULSE_WINDOW,
  SPLIT_FROM_GAPS,
  SPLIT_FROM_S,
  STRETCH_PART,
  USUAL_GAP,
} from './defaults.js';

/** Pulses `from` to `to` (end exclusive). */
export interface PulseStretch {
  readonly from: number;
  readonly to: number;
  readonly sense: 1 | -1 | null;
}

/** Steady stretches of a log. */
export interface ChosenStretches {
  readonly kind: 'stretches';
  readonly use: readonly PulseStretch[];
  readonly all: readonly SteadyStretch[];
  readonly warnings: readonly RotationWarning[];
}

interface Found extends PulseStretch {
  readonly steady: SteadyStretch;
}

/** Splits the pulses; two speeds of one log are asked about. */
export function stretchesOf(signal: PulseSignal, wish: PulseWish): ChosenStretches | AskedSpeed | UnusableRotation {
  const { timeS } = signal;
  const first = firstAtLeast(timeS, wish.fromS ?? -Infinity);
  const last = firstAtLeast(timeS, wish.toS ?? Infinity);
  if (last - first < LEAST_PULSES) return { kind: 'unusable', reason: 'TOO_FEW_PULSES', line: 0 };
  const runs = runsOf(signal, first, last);
  const found = runs.flatMap((run) => steadyOf(signal, run, wish));
  const whole: ChosenStretches = {
    kind: 'stretches',
    use: [{ from: first, to: last, sense: null }],
    all: [],
    warnings: [],
  };
  if (found.length === 0) {
    const longest = runs.reduce((a, b) => (b.to - b.from > a.to - a.from ? b : a));
    return runs.length > 1 ? { ...whole, use: [longest] } : whole;
  }
  const all = found.map((one) => one.steady);
  const groups = groupsOf(found);
  const main = groups[0] as Found[];
  if (groups.length > 1 && !wish.asIs) return severalSpeeds(groups, wish);
  const covered = main.reduce((sum, one) => sum + one.to - one.from, 0);
  const warnings: RotationWarning[] = [];
  if (main.length > 1) warnings.push('RUN_BY_RUN');
  else if (covered < COVERED_SHARE * (last - first)) warnings.push('UNSTEADY_PART_LEFT_OUT');
  if (groups.length > 1) warnings.push('OTHER_SPEEDS_IN_LOG');
  return { kind: 'stretches', use: main, all, warnings };
}

function firstAtLeast(timeS: Float64Array, t: number): number {
  let i = 0;
  while (i < timeS.length && (timeS[i] as number) < t) i++;
  return i;
}

/** Rows of pulses with no pause between them and one sense. */
function runsOf({ timeS, senses }: PulseSignal, first: number, last: number): PulseStretch[] {
  const gaps = timeS.subarray(first + 1, last).map((t, i) => t - (timeS[first + i] as number));
  const usual = median(gaps);
  const out: PulseStretch[] = [];
  const senseOf = (from: number, to: number): 1 | -1 | null => {
    if (!senses) return null;
    let sum = 0;
    for (let i = from; i < to; i++) sum += senses[i] as number;
    return sum < 0 ? -1 : 1;
  };
  let from = first;
  const close = (to: number) => {
    if (to - from >= LEAST_PULSES) out.push({ from, to, sense: senseOf(from, to) });
    from = to;
  };
  for (let i = first + 1; i < last; i++) {
    const gap = (timeS[i] as number) - (timeS[i - 1] as number);
    const turned = senses !== null && i >= first + 2 && i < last - 2 && flips(senses, i);
    if ((gap > PAUSE_S && gap > PAUSE_GAPS * usual) || turned) close(i);
  }
  close(last);
  return out.length > 0 ? out : [{ from: first, to: last, sense: senseOf(first, last) }];
}

/** Two of one sense before, two of the other from here on. */
const flips = (senses: Int8Array, i: number): boolean =>
  senses[i] === senses[i + 1] && senses[i - 1] === senses[i - 2] && senses[i] !== senses[i - 1];

function steadyOf({ timeS }: PulseSignal, run: PulseStretch, { perTurn }: PulseWish): Found[] {
  const span = (timeS[run.to - 1] as number) - (timeS[run.from] as number);
  const rateAt = (i: number) => 1 / Math.max(1e-12, (timeS[i] as number) - (timeS[i - 1] as number));
  const count = run.to - run.from - 1;
  const times = timeS.subarray(run.from + 1, run.to);
  const rates = medianOfFive(Float64Array.from({ length: count }, (_, i) => rateAt(run.from + 1 + i)));
  const usual = quantile(rates, USUAL_GAP);
  const turnS = perTurn / usual;
  const whole = span < Math.max(SPLIT_FROM_S, 2 * LEAST_STRETCH_TURNS * turnS) || count < SPLIT_FROM_GAPS;
  const steady = whole
    ? [{ from: 0, to: count, level: median(rates) }]
    : steadyStretches(times, rates, {
        windowS: Math.max(
          PULSE_WINDOW.turns * turnS,
          PULSE_WINDOW.gaps / usual,
          Math.min(PULSE_WINDOW.mostS, span / PULSE_WINDOW.part),
        ),
        leastS: Math.max(Math.min(LEAST_STRETCH_S, span / STRETCH_PART), LEAST_STRETCH_TURNS * turnS),
      });
  return steady.map(({ from, to, level }) => {
    const [a, b] = [run.from + from + (from > 0 ? 1 : 0), run.from + to + 1];
    return {
      from: a,
      to: b,
      sense: run.sense,
      steady: {
        startS: timeS[a] as number,
        endS: timeS[b - 1] as number,
        meanRpm: ((run.sense ?? 1) * 60 * level) / perTurn,
      },
    };
  });
}

/** Stretches of one size of speed, the longest group first. */
function groupsOf(found: readonly Found[]): Found[][] {
  const groups: Found[][] = [];
  const size = (one: Found) => Math.abs(one.steady.meanRpm);
  const length = (group: readonly Found[]) => group.reduce((sum, one) => sum + one.steady.endS - one.steady.startS, 0);
  for (const one of found) {
    const near = groups.find((group) => Math.abs(size(one) / size(group[0] as Found) - 1) < SAME_SPEED_PERCENT / 100);
    if (near) near.push(one);
    else groups.push([one]);
  }
  const most = Math.max(...groups.map(length));
  // A knock or a hand on the platter is no selected speed.
  return groups.filter((group) => length(group) >= KNOCK_PART * most).sort((a, b) => length(b) - length(a));
}

function severalSpeeds(groups: readonly (readonly Found[])[], wish: PulseWish): AskedSpeed {
  const stretches = groups
    .flat()
    .map((one) => one.steady)
    .sort((a, b) => a.startS - b.startS);
  return askWhichSpeed(stretches, wish.nominalRpm);
}

/** The question of which stretch is meant; the one nearest to the nominal is offered first. */
export function askWhichSpeed(stretches: readonly SteadyStretch[], nominalRpm: number): AskedSpeed {
  const off = (one: SteadyStretch) => Math.abs(Math.log(Math.abs(one.meanRpm) / nominalRpm));
  const choices = [...stretches]
    .sort((a, b) => off(a) - off(b))
    .map((one) => ({
      words: say`${rpmWords(Math.abs(one.meanRpm))} from ${one.startS.toFixed(0)} to ${one.endS.toFixed(0)} s`,
      answer: { fromS: one.startS, toS: one.endS },
      meanRpm: one.meanRpm,
    }));
  const speeds = stretches.map((one) => say`${rpmWords(Math.abs(one.meanRpm))} from ${one.startS.toFixed(0)} s`);
  return ask(
    'SEVERAL_SPEEDS',
    say`The log holds several steady speeds: ${speeds.join(', ')}. Which is meant?`,
    choices,
    stretches,
  );
}
