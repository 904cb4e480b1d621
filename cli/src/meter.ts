/** `meter --at HOST:PORT [--read FUNCTION|present|trigger] [--wait S] [--allow-remote]`: one reading of a bench meter that speaks SCPI over TCP. */
import {
  measure,
  METER_FUNCTIONS,
  SESSION_LIMITS,
  takePresent,
  takeTriggered,
  type MeterFunctionId,
} from '@amber-gauge/core/instruments';
import { addressOf } from './address.js';
import type { CommandAnswer } from './answer.js';
import { positive, readOptions } from './options.js';
import { CliRefusal } from './refusal.js';
import { talk } from './talk.js';

const USAGE = 'meter --at HOST:PORT [--read FUNCTION|present|trigger] [--wait SECONDS] [--allow-remote]';

export async function meterCommand(args: readonly string[]): Promise<CommandAnswer> {
  const { values, flags } = readOptions(['-', ...args], ['at', 'read', 'wait'], USAGE, ['allow-remote']);
  const address = addressOf(values.at, flags['allow-remote'] === true);
  const wanted = values.read ?? 'present';
  if (wanted !== 'present' && wanted !== 'trigger' && !Object.hasOwn(METER_FUNCTIONS, wanted))
    throw new CliRefusal(
      'USAGE',
      `A meter is not asked for “${wanted}”. There are: present, trigger, ${Object.keys(METER_FUNCTIONS).join(', ')}.`,
    );
  const waitS = positive(values.wait ?? String(SESSION_LIMITS.answerMs / 1000), 'wait');
  return talk(address, waitS * 1000, async (session, identity) => {
    const reading =
      wanted === 'present'
        ? await takePresent(session, null)
        : wanted === 'trigger'
          ? await takeTriggered(session, null, waitS * 1000)
          : await measure(session, wanted as MeterFunctionId);
    const { words } = METER_FUNCTIONS[reading.function];
    return {
      json: {
        identity,
        function: reading.function,
        unit: reading.unit,
        value: reading.over ? null : reading.value,
        over: reading.over,
      },
      words: `${reading.over ? 'beyond its range' : `${reading.value} ${reading.unit}`}, ${words}, ${identity.model}`,
    };
  });
}
