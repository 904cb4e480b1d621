/** The last look at a measured speed before it is given. */
import { ask, FOLD_PART, isReachable, rpmWords, type AskedSpeed, type Choice } from '../asked.js';
import type { PulseSignal } from './channels.js';
import type { MeasuredPulses, PulseWish } from './pulseResult.js';
import { WANDERS } from '../tone/budget.js';
import { TIME_UNITS } from './timeBase.js';
import { say } from '../../words/index.js';
import { DRIFT_PERCENT, MIRROR_CLOSE, MIRROR_FAR, OTHER_PULSES_PART, UNSTEADY_PERCENT } from './defaults.js';

/** The result itself, or what speaks against it. */
export function gated(result: MeasuredPulses, signal: PulseSignal, wish: PulseWish): MeasuredPulses | AskedSpeed {
  if (wish.asIs) return result;
  return folded(result, signal, wish) ?? outOfReach(result, signal, wish) ?? unsteady(result) ?? result;
}

/** Noise alone would give a small uncertainty that the parts of the log contradict. */
function unsteady(result: MeasuredPulses): AskedSpeed | null {
  const wander = result.uncertainty.find((part) => part.why === WANDERS)?.standardPercent ?? 0;
  const drift = Math.abs(result.driftPercent);
  if (wander < UNSTEADY_PERCENT && drift < DRIFT_PERCENT) return null;
  return ask(
    'UNSTEADY',
    say`The parts of the log differ: ${rpmWords(result.meanRpm)} holds within
      ${Math.max(2 * wander, drift / 2).toPrecision(2)} % only. Check sensor and pulses a turn, or take a steadier
      stretch.`,
    [{ words: say`${rpmWords(result.meanRpm)}, as it is`, answer: { asIs: true }, meanRpm: result.meanRpm }],
    result.stretches,
  );
}

/** A pulse rate near half the sampling rate, or whose mirror would make sense where it does not. */
function folded(
  result: MeasuredPulses,
  { sampleHz }: PulseSignal,
  { nominalRpm, perTurn }: PulseWish,
): AskedSpeed | null {
  if (sampleHz === null) return null;
  const pulseHz = (result.meanRpm / 60) * perTurn;
  const mirrors = [sampleHz - pulseHz, sampleHz + pulseHz, 2 * sampleHz - pulseHz].map((hz) => (60 * hz) / perTurn);
  const near = pulseHz > (FOLD_PART * sampleHz) / 2;
  const sensible = mirrors.filter((rpm) => isReachable(rpm, nominalRpm));
  const off = (rpm: number) => Math.abs(Math.log(rpm / nominalRpm));
  const better = off(result.meanRpm) > MIRROR_FAR && sensible.some((rpm) => off(rpm) < MIRROR_CLOSE);
  const doubtful = near || better || (!isReachable(result.meanRpm, nominalRpm) && sensible.length > 0);
  if (!doubtful) return null;
  const choices: Choice[] = [...(isReachable(result.meanRpm, nominalRpm) ? [result.meanRpm] : []), ...sensible]
    .sort((a, b) => off(a) - off(b))
    .map((rpm) => ({
      words: rpmWords(rpm),
      answer: rpm === result.meanRpm ? { asIs: true } : {},
      meanRpm: rpm,
    }));
  return ask(
    'MAYBE_FOLDED',
    say`${pulseHz.toPrecision(4)} pulses a second sampled ${sampleHz.toPrecision(4)} times a second: the true speed
      may be ${choices.map((one) => one.words).join(' or ')}. Sample at least five times faster.`,
    choices,
  );
}

function outOfReach(
  result: MeasuredPulses,
  { unitS }: PulseSignal,
  { nominalRpm, perTurn }: PulseWish,
): AskedSpeed | null {
  if (isReachable(result.meanRpm, nominalRpm)) return null;
  const ratio = result.meanRpm / nominalRpm;
  const choices: Choice[] = TIME_UNITS.flatMap(([words, seconds]) => {
    const rpm = unitS === undefined ? 0 : (result.meanRpm * unitS) / seconds;
    return isReachable(rpm, nominalRpm)
      ? [{ words: say`times in ${words}: ${rpmWords(rpm)}`, answer: { timeUnitS: seconds }, meanRpm: rpm }]
      : [];
  });
  const pulses = Math.round(perTurn * ratio);
  if (pulses >= 1 && pulses !== perTurn && Math.abs((perTurn * ratio) / pulses - 1) < OTHER_PULSES_PART)
    choices.push({
      words: say`${pulses} pulses a turn: ${rpmWords((result.meanRpm * perTurn) / pulses)}`,
      answer: { perTurn: pulses },
      meanRpm: (result.meanRpm * perTurn) / pulses,
    });
  choices.push({ words: say`${rpmWords(result.meanRpm)} is right`, answer: { asIs: true }, meanRpm: result.meanRpm });
  return ask(
    'SPEED_OUT_OF_REACH',
    say`${rpmWords(result.meanRpm)} is ${ratio.toPrecision(2)} times the nominal ${rpmWords(nominalRpm)}. Check the
      unit of time, the pulses a turn and the channel.`,
    choices,
  );
}
