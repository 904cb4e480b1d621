/** The address of an instrument: HOST:PORT, this machine's own unless others are allowed by name. */
import { InstrumentProblem } from './problem.js';
import { say } from '../words/index.js';

/** Where an instrument listens. */
export interface InstrumentAddress {
  readonly host: string;
  readonly port: number;
}

const LOOPBACK = new Set(['127.0.0.1', '::1', 'localhost']);
/** Ports below this belong to services of the system, none of them an instrument. */
const FIRST_PORT = 1024;

/** @throws InstrumentProblem BAD_ADDRESS for what is no address, NOT_ALLOWED for one beyond this machine. */
export function instrumentAddress(text: string, allowRemote: boolean): InstrumentAddress {
  const found = /^(\[[0-9a-f:]+\]|[a-z0-9.-]+):(\d{1,5})$/i.exec(text.trim());
  const port = Number(found?.[2]);
  if (!found || !(port >= FIRST_PORT && port < 65_536))
    throw new InstrumentProblem(
      'BAD_ADDRESS',
      say`Name the instrument as HOST:PORT, as in 127.0.0.1:5025; ports begin at ${FIRST_PORT}.`,
    );
  const host = (found[1] as string).replace(/^\[|\]$/g, '');
  if (!allowRemote && !LOOPBACK.has(host.toLowerCase()))
    throw new InstrumentProblem('NOT_ALLOWED', say`${host} is not this machine, and others are not allowed.`);
  return { host, port };
}
