/** One reading of whatever stands on the line, by its kind. */
import type { InstrumentKind, MeterFunctionId } from './functions.js';
import { greet, refuseUnread, takePresent, takeTriggered, type MeterReading } from './meter.js';
import { takePeakToPeak } from './scope.js';
import type { Session } from './session.js';
import { takeSupply } from './supply.js';

/** What is asked for; null takes what stands there. */
export interface AskedOfInstrument {
  readonly kind: InstrumentKind;
  readonly wanted: MeterFunctionId | null;
  /** Milliseconds that its own trigger is waited for; null takes the present reading. A supply and a scope have no probe with one. */
  readonly triggerMs: number | null;
}

/**
 * Asks who it is, then reads it; nothing is set but a meter's trigger, which is set back.
 * @throws InstrumentProblem WRONG_FUNCTION before it is spoken to, and as its kind's own reading.
 */
export async function readInstrument(
  session: Session,
  { kind, wanted, triggerMs }: AskedOfInstrument,
): Promise<MeterReading> {
  refuseUnread(kind, wanted);
  await greet(session);
  if (kind === 'supply') return takeSupply(session, wanted === 'amps-dc' ? wanted : 'volts-dc');
  if (kind === 'scope') return takePeakToPeak(session);
  return triggerMs === null ? takePresent(session, wanted) : takeTriggered(session, wanted, triggerMs);
}
