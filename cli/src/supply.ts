/**
 * `supply --at HOST:PORT [--volts V --limit A [--on SECONDS]] [--allow-remote]`: what a bench supply gives; set with its output off,
 * and on for a stated time alone.
 */
import { runSupply, SESSION_LIMITS, setSupply, takeSupply } from '@amber-gauge/core/instruments';
import { setTimeout as wait } from 'node:timers/promises';
import { addressOf } from './address.js';
import type { CommandAnswer } from './answer.js';
import { positive, readOptions } from './options.js';
import { CliRefusal } from './refusal.js';
import { talk } from './talk.js';

const USAGE = 'supply --at HOST:PORT [--volts V --limit A [--on SECONDS]] [--allow-remote]';
/** Longest that a supply is left on from here, seconds: a look at a motor, not a soak. */
const LONGEST_S = 60;

export async function supplyCommand(args: readonly string[]): Promise<CommandAnswer> {
  const { values, flags } = readOptions(['-', ...args], ['at', 'volts', 'limit', 'on'], USAGE, ['allow-remote']);
  const address = addressOf(values.at, flags['allow-remote'] === true);
  const sets = values.volts !== undefined || values.limit !== undefined;
  if (values.on !== undefined && !sets) throw new CliRefusal('USAGE', `Say how many volts, and the limit. ${USAGE}`);
  const wish = sets ? { volts: positive(values.volts, 'volts'), limitAmps: positive(values.limit, 'limit') } : null;
  const seconds = values.on === undefined ? 0 : positive(values.on, 'on');
  if (seconds > LONGEST_S) throw new CliRefusal('USAGE', `On for ${LONGEST_S} s at most. ${USAGE}`);
  return talk(address, SESSION_LIMITS.answerMs, async (session, identity) => {
    if (wish) await setSupply(session, wish);
    if (wish && seconds > 0) {
      const run = await runSupply(session, wish, () => wait(seconds * 1000));
      return {
        json: { identity, on_s: seconds, volts: run.volts, amps: run.amps, limited: run.limited, output: 'off' },
        words: `${run.volts} V, ${run.amps} A${run.limited ? ', held by its limit' : ''}; output off again, ${identity.model}`,
      };
    }
    const volts = await takeSupply(session, 'volts-dc');
    const amps = await takeSupply(session, 'amps-dc');
    const [u, i] = [volts, amps].map((one) => (one.over ? null : one.value));
    return {
      json: { identity, volts: u, amps: i, ...(wish ? { set: wish, output: 'off' } : {}) },
      words: wish
        ? `set to ${wish.volts} V, ${wish.limitAmps} A at most; output off, ${identity.model}`
        : `${u} V, ${i} A, ${identity.model}`,
    };
  });
}
