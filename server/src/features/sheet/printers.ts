/** Printers in threads of their own: a long sheet keeps no other request waiting. */
import { Piscina } from 'piscina';
import type { Logger } from 'pino';
import { HttpError } from '../../http/errors.js';
import type { Printer } from './printed.js';

/** Sheets drawn at once; the other core serves. */
const THREADS = 1;
/** Sheets that may wait for a thread; more are told to come back. */
const MOST_WAITING = 5;
/** A sheet that is not drawn by then never will be, milliseconds. */
const LONGEST_MS = 30_000;
/** Memory of one thread, MB. */
const MEMORY_MB = 512;
/** A thread that has nothing to do is let go of after this, milliseconds. */
const IDLE_MS = 60_000;

export interface Printers {
  readonly print: Printer;
  /** Lets go of the threads. */
  stop(): Promise<void>;
}

/** @param filename the built module whose default export prints. */
export function printers(filename: URL, logger: Logger): Printers {
  const pool = new Piscina({
    filename: filename.href,
    minThreads: 0,
    maxThreads: THREADS,
    idleTimeout: IDLE_MS,
    resourceLimits: { maxOldGenerationSizeMb: MEMORY_MB },
  });
  // A thread that dies with no sheet in hand would take the process with it if nobody listened.
  pool.on('error', (error: Error) => logger.warn({ err: error.message }, 'a printing thread died'));
  let inHand = 0;
  return {
    print: async (wanted) => {
      if (inHand > MOST_WAITING) throw new HttpError('NOT_READY');
      inHand++;
      try {
        return (await pool.run(wanted, { signal: AbortSignal.timeout(LONGEST_MS) })) as Uint8Array;
      } catch (error) {
        const { name } = error as Error;
        if (name === 'AbortError' || name === 'TimeoutError') throw new HttpError('NOT_READY');
        throw error;
      } finally {
        inHand--;
      }
    },
    stop: () => pool.destroy(),
  };
}
