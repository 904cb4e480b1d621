/** `scope --at HOST:PORT --out FILE.csv [--allow-remote]`: the trace on a scope's screen, as a table that `pulses` and the speed desk read. */
import { peakToPeak, SESSION_LIMITS, takeTrace, traceCsv } from '@amber-gauge/core/instruments';
import { writeFile } from 'node:fs/promises';
import { addressOf } from './address.js';
import type { CommandAnswer } from './answer.js';
import { readOptions } from './options.js';
import { CliRefusal } from './refusal.js';
import { talk } from './talk.js';

const USAGE = 'scope --at HOST:PORT [--out FILE.csv] [--allow-remote]';

export async function scopeCommand(args: readonly string[]): Promise<CommandAnswer> {
  const { values, flags } = readOptions(['-', ...args], ['at', 'out'], USAGE, ['allow-remote']);
  const address = addressOf(values.at, flags['allow-remote'] === true);
  const { identity, trace } = await talk(address, SESSION_LIMITS.answerMs, async (session, identity) => ({
    identity,
    trace: await takeTrace(session),
  }));
  if (values.out !== undefined)
    await writeFile(values.out, traceCsv(trace)).catch(() => {
      throw new CliRefusal('CANNOT_WRITE', `${values.out} cannot be written: is its folder there?`);
    });
  const swing = peakToPeak(trace);
  return {
    json: {
      identity,
      points: trace.volts.length,
      interval_s: trace.intervalS,
      peak_to_peak_V: swing,
      file: values.out ?? null,
    },
    words: `${trace.volts.length} points, ${trace.intervalS} s apart, ${Number(swing.toPrecision(4))} V peak to peak, ${identity.model}`,
  };
}
