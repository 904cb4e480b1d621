/** The address of an instrument: HOST:PORT, this machine's own unless another is allowed by name. */
import { CliRefusal } from './refusal.js';

export interface Address {
  readonly host: string;
  readonly port: number;
}

const LOOPBACK = new Set(['127.0.0.1', '::1', 'localhost']);

/** @throws CliRefusal BAD_ADDRESS for what is no address, NOT_ALLOWED for one beyond this machine. */
export function addressOf(text: string | undefined, allowRemote: boolean): Address {
  const found = /^(\[[0-9a-f:]+\]|[a-z0-9.-]+):(\d{1,5})$/i.exec(text ?? '');
  const port = Number(found?.[2]);
  if (!found || !(port > 0 && port < 65_536))
    throw new CliRefusal('BAD_ADDRESS', 'Name the instrument as HOST:PORT, as in 127.0.0.1:5025.');
  const host = (found[1] as string).replace(/^\[|\]$/g, '');
  if (!allowRemote && !LOOPBACK.has(host.toLowerCase()))
    throw new CliRefusal('NOT_ALLOWED', `${host} is not this machine. Add --allow-remote if it is your instrument.`);
  return { host, port };
}
