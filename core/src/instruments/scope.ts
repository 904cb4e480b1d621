/** A trace of a scope: evenly spaced samples over the same line of text (SCPI-99, volume 2: SWEep:TINTerval, TRACe; from memory). */
import { InstrumentProblem } from './problem.js';
import { refuseErrors, type MeterReading } from './meter.js';
import { readNumber, readNumbers } from './replies.js';
import type { Session } from './session.js';
import { say } from '../words/index.js';

/** Samples in volts, `intervalS` seconds apart. */
export interface ScopeTrace {
  readonly intervalS: number;
  readonly volts: Float64Array;
}

/** Most points of a trace, and how many characters they may be (chosen: the memory that a bench scope shows). */
const TRACE_LIMITS = { points: 50_000, characters: 1_000_000, answerMs: 20_000 } as const;

/**
 * The trace that stands on the screen of channel 1.
 * @throws InstrumentProblem BAD_REPLY for an interval that is none or fewer than two points, REFUSED with its own error.
 */
export async function takeTrace(session: Session): Promise<ScopeTrace> {
  session.tell('FORM ASC');
  const interval = readNumber(await session.ask('SWE:TINT?'));
  if (interval.over || !(interval.value > 0 && interval.value <= 60))
    throw new InstrumentProblem('BAD_REPLY', say`The scope gives no time between its points. Nothing was taken.`);
  const volts = readNumbers(
    await session.ask('TRAC? CH1', TRACE_LIMITS.answerMs, TRACE_LIMITS.characters),
    TRACE_LIMITS.points,
  );
  await refuseErrors(session);
  if (volts.length < 2) throw new InstrumentProblem('BAD_REPLY', say`The scope shows no trace. Nothing was taken.`);
  return { intervalS: interval.value, volts };
}

/** Greatest less least of a trace, V. */
export function peakToPeak({ volts }: ScopeTrace): number {
  let [least, most] = [Infinity, -Infinity];
  for (const one of volts) {
    if (one < least) least = one;
    if (one > most) most = one;
  }
  return most - least;
}

/** Peak to peak of the trace on the screen, as a reading. */
export async function takePeakToPeak(session: Session): Promise<MeterReading> {
  return { over: false, value: peakToPeak(await takeTrace(session)), function: 'volts-pp', unit: 'V' };
}

/** The trace as a table that the speed desk reads: seconds and volts, a line a point. */
export function traceCsv({ intervalS, volts }: ScopeTrace): string {
  const lines = ['time_s,volts'];
  volts.forEach((value, i) => lines.push(`${Number((i * intervalS).toPrecision(12))},${Number(value.toPrecision(7))}`));
  return `${lines.join('\n')}\n`;
}
