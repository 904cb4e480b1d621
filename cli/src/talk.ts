/** A talk with an instrument on the line: connected, asked who it is, and let go of whatever happens. */
import { connectInstrument, greet, InstrumentProblem, type InstrumentAddress } from '@amber-gauge/core/instruments';
import { connect } from 'node:net';
import { CliRefusal } from './refusal.js';

type Session = Awaited<ReturnType<typeof connectInstrument>>;
type Identity = Awaited<ReturnType<typeof greet>>;

/** @throws CliRefusal by the code of what went wrong. */
export async function talk<T>(
  address: InstrumentAddress,
  waitMs: number,
  work: (session: Session, identity: Identity) => Promise<T>,
): Promise<T> {
  let session: Session | null = null;
  try {
    session = await connectInstrument(connect, address, waitMs);
    return await work(session, await greet(session));
  } catch (error) {
    if (error instanceof InstrumentProblem) throw new CliRefusal(error.code, error.message);
    throw error;
  } finally {
    session?.close();
  }
}
