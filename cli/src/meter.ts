/** `meter --at HOST:PORT [--read FUNCTION|present] [--wait S] [--allow-remote]`: one reading of a bench meter that speaks SCPI over TCP. */
import {
  greet,
  InstrumentProblem,
  measure,
  METER_FUNCTIONS,
  openSession,
  SESSION_LIMITS,
  takePresent,
  type Line,
  type MeterFunctionId,
} from '@amber-gauge/core/instruments';
import { connect, type Socket } from 'node:net';
import { addressOf, type Address } from './address.js';
import type { CommandAnswer } from './answer.js';
import { positive, readOptions } from './options.js';
import { CliRefusal } from './refusal.js';

const USAGE = 'meter --at HOST:PORT [--read FUNCTION|present] [--wait SECONDS] [--allow-remote]';

export async function meterCommand(args: readonly string[]): Promise<CommandAnswer> {
  const { values, flags } = readOptions(['-', ...args], ['at', 'read', 'wait'], USAGE, ['allow-remote']);
  const address = addressOf(values.at, flags['allow-remote'] === true);
  const wanted = values.read ?? 'present';
  if (wanted !== 'present' && !Object.hasOwn(METER_FUNCTIONS, wanted))
    throw new CliRefusal(
      'USAGE',
      `A meter is not asked for “${wanted}”. There are: present, ${Object.keys(METER_FUNCTIONS).join(', ')}.`,
    );
  const waitS = positive(values.wait ?? String(SESSION_LIMITS.answerMs / 1000), 'wait');
  const socket = await opened(address, waitS);
  const session = openSession(lineOf(socket), later, { ...SESSION_LIMITS, answerMs: waitS * 1000 });
  try {
    const identity = await greet(session);
    const reading =
      wanted === 'present' ? await takePresent(session, null) : await measure(session, wanted as MeterFunctionId);
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
  } catch (error) {
    if (error instanceof InstrumentProblem) throw new CliRefusal(error.code, error.message);
    throw error;
  } finally {
    session.close();
  }
}

const later = (run: () => void, ms: number) => {
  const timer = setTimeout(run, ms);
  return () => clearTimeout(timer);
};

function opened({ host, port }: Address, waitS: number): Promise<Socket> {
  return new Promise((resolve, reject) => {
    const socket = connect({ host, port });
    const gone = (words: string) => {
      socket.destroy();
      reject(new CliRefusal('NO_INSTRUMENT', `${words} at ${host}:${port}. Is it on, and the address right?`));
    };
    socket.setTimeout(waitS * 1000, () => gone('Nothing answers'));
    socket.once('error', () => gone('No instrument was reached'));
    socket.once('connect', () => {
      socket.setTimeout(0);
      socket.removeAllListeners('error');
      resolve(socket);
    });
  });
}

function lineOf(socket: Socket): Line {
  socket.setEncoding('latin1');
  return {
    write: (text) => void socket.write(text),
    onText: (hear) => void socket.on('data', (data) => hear(String(data))),
    onClose: (hear) => void socket.on('close', hear).on('error', () => undefined),
    close: () => void socket.destroy(),
  };
}
