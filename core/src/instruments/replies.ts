/** Answers of an instrument, read and never obeyed: numbers, identity, errors. */
import { InstrumentProblem } from './problem.js';
import { say } from '../words/index.js';

/** Where SCPI puts what cannot be shown: overload either way, and no number at all (SCPI-99, from memory). */
const OVERLOAD = 9.9e37;
const NOT_A_NUMBER = 9.91e37;

/** A value as the meter sent it; null with `over` where its range was too small. */
export type MeterValue = { readonly over: false; readonly value: number } | { readonly over: true };

const NUMBER = /^[+-]?(\d+\.?\d*|\.\d+)(E[+-]?\d+)?$/i;

/**
 * A number in any of the forms of IEEE 488.2 (NR1, NR2, NR3): "+1.23E-03". More than one, a unit behind it or words
 * are refused: who guesses there reads the wrong thing.
 * @throws InstrumentProblem BAD_REPLY in plain words.
 */
export function readNumber(reply: string): MeterValue {
  const text = reply.trim();
  if (!NUMBER.test(text))
    throw new InstrumentProblem(
      'BAD_REPLY',
      text === ''
        ? say`The instrument answered with nothing. Nothing was taken.`
        : say`The instrument answered “${shown(text)}”, which is no number. Nothing was taken.`,
    );
  const value = Number(text);
  if (Math.abs(value) >= NOT_A_NUMBER * 0.9999)
    throw new InstrumentProblem('BAD_REPLY', say`The instrument says that it has no reading. Nothing was taken.`);
  if (Math.abs(value) >= OVERLOAD * 0.999) return { over: true };
  if (Math.abs(value) > 1e15)
    throw new InstrumentProblem(
      'BAD_REPLY',
      say`The instrument answered ${shown(text)}, which cannot be. Nothing was taken.`,
    );
  return { over: false, value };
}

/**
 * Numbers parted by commas, as an array is sent; each as {@link readNumber}.
 * @throws InstrumentProblem BAD_REPLY also for more than `most`, or for one that is over the range.
 */
export function readNumbers(reply: string, most: number): Float64Array {
  const parts = reply.trim().split(',');
  if (parts.length > most)
    throw new InstrumentProblem('BAD_REPLY', say`The instrument sent more than ${most} points. Nothing was taken.`);
  return Float64Array.from(parts, (part) => {
    const read = readNumber(part);
    if (read.over)
      throw new InstrumentProblem(
        'BAD_REPLY',
        say`Part of the trace is beyond the screen: turn its range up. Nothing was taken.`,
      );
    return read.value;
  });
}

/** Who an instrument says it is: the four fields of *IDN? (IEEE 488.2). */
export interface Identity {
  readonly maker: string;
  readonly model: string;
  readonly serial: string;
  readonly version: string;
}

/** @throws InstrumentProblem BAD_REPLY when it is not four fields. */
export function readIdentity(reply: string): Identity {
  const [maker, model, serial, version, ...more] = reply.trim().split(',');
  if (maker === undefined || model === undefined || serial === undefined || version === undefined || more.length > 0)
    throw new InstrumentProblem(
      'BAD_REPLY',
      say`“${shown(reply)}” is not how an instrument says who it is. Is it one?`,
    );
  return { maker: maker.trim(), model: model.trim(), serial: serial.trim(), version: version.trim() };
}

/** The oldest error in its queue; null for none: `+0,"No error"`. @throws InstrumentProblem BAD_REPLY for any other answer. */
export function readError(reply: string): { readonly code: number; readonly words: string } | null {
  const found = /^([+-]?\d+)\s*,\s*"(.*)"$/.exec(reply.trim());
  if (!found)
    throw new InstrumentProblem('BAD_REPLY', say`“${shown(reply)}” is no answer to SYST:ERR?. Is it an instrument?`);
  const code = Number(found[1]);
  return code === 0 ? null : { code, words: found[2] ?? '' };
}

/** As much of a reply as is shown, with nothing in it that a terminal would obey. */
const shown = (text: string): string => text.replace(/[^\x20-\x7e]/g, '?').slice(0, 60);
