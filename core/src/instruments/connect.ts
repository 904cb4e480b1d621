/** From a socket to a talk with an instrument; the socket is given, so that nothing here knows a network. */
import type { InstrumentAddress } from './address.js';
import { InstrumentProblem } from './problem.js';
import { openSession, SESSION_LIMITS, type Line, type Session } from './session.js';
import { say } from '../words/index.js';

/** What is needed of a TCP socket. */
export interface SocketLike {
  setEncoding(encoding: 'latin1'): unknown;
  setTimeout(ms: number, run?: () => void): unknown;
  write(text: string): unknown;
  destroy(): unknown;
  on(event: 'data' | 'close' | 'error' | 'connect', hear: (...given: never[]) => void): unknown;
}

const later = (run: () => void, ms: number) => {
  const timer = (globalThis as unknown as Clock).setTimeout(run, ms);
  return () => (globalThis as unknown as Clock).clearTimeout(timer);
};
interface Clock {
  setTimeout(run: () => void, ms: number): unknown;
  clearTimeout(timer: unknown): void;
}

/**
 * Connects and gives the talk; each answer may take `waitMs`.
 * @throws InstrumentProblem NO_INSTRUMENT when nothing is reached within that time.
 */
export function connectInstrument(
  open: (address: InstrumentAddress) => SocketLike,
  address: InstrumentAddress,
  waitMs: number = SESSION_LIMITS.answerMs,
): Promise<Session> {
  return new Promise((resolve, reject) => {
    const socket = open(address);
    let settled = false;
    const gone = (words: string) => {
      if (settled) return;
      settled = true;
      socket.destroy();
      const where = `${address.host}:${address.port}`;
      reject(new InstrumentProblem('NO_INSTRUMENT', say`${words} at ${where}. Is it on, and the address right?`));
    };
    socket.setTimeout(waitMs, () => gone(say`Nothing answers`));
    socket.on('error', () => gone(say`No instrument was reached`));
    socket.on('connect', () => {
      if (settled) return;
      settled = true;
      socket.setTimeout(0);
      resolve(openSession(lineOf(socket), later, { ...SESSION_LIMITS, answerMs: waitMs }));
    });
  });
}

function lineOf(socket: SocketLike): Line {
  socket.setEncoding('latin1');
  return {
    write: (text) => void socket.write(text),
    onText: (hear) => void socket.on('data', (data) => hear(String(data))),
    onClose: (hear) => void socket.on('close', hear),
    close: () => void socket.destroy(),
  };
}
