/** The address of an instrument, as it is typed on the command line. */
import { InstrumentProblem, instrumentAddress, type InstrumentAddress } from '@amber-gauge/core/instruments';
import { CliRefusal } from './refusal.js';

/** @throws CliRefusal BAD_ADDRESS, or NOT_ALLOWED with how to allow it. */
export function addressOf(text: string | undefined, allowRemote: boolean): InstrumentAddress {
  try {
    return instrumentAddress(text ?? '', allowRemote);
  } catch (error) {
    if (!(error instanceof InstrumentProblem)) throw error;
    const more = error.code === 'NOT_ALLOWED' ? ' Add --allow-remote if it is your instrument.' : '';
    throw new CliRefusal(error.code, `${error.message}${more}`);
  }
}
