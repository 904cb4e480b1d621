/** Readings of a bench meter, with its function checked against what is asked. */
import { InstrumentProblem } from './problem.js';
import {
  functionNamed,
  INSTRUMENT_KINDS,
  kindReads,
  METER_FUNCTIONS,
  type InstrumentKind,
  type MeterFunctionId,
} from './functions.js';
import { readError, readIdentity, readNumber, type Identity, type MeterValue } from './replies.js';
import type { Session } from './session.js';
import { say } from '../words/index.js';

/** A reading as it was taken. */
export type MeterReading = MeterValue & { readonly function: MeterFunctionId; readonly unit: string };

/** Who it is; its error queue is emptied. @throws InstrumentProblem when it is no instrument. */
export async function greet(session: Session): Promise<Identity> {
  const identity = readIdentity(await session.ask('*IDN?'));
  session.tell('*CLS');
  return identity;
}

/** Sets the meter to a function and measures once. @throws InstrumentProblem of {@link readNumber}, {@link Session} or REFUSED. */
export async function measure(session: Session, wanted: MeterFunctionId): Promise<MeterReading> {
  const { header, unit } = METER_FUNCTIONS[wanted];
  const value = readNumber(await session.ask(`MEAS:${header}?`));
  await refuseErrors(session);
  return { ...value, function: wanted, unit };
}

/**
 * The reading that stands on the meter as somebody set it, wanted or not: its function is asked first, and one that is
 * not what is asked for is refused by name.
 * @throws InstrumentProblem WRONG_FUNCTION: "The meter stands on ohms; d.c. volts are asked for."
 */
export async function takePresent(session: Session, wanted: MeterFunctionId | null): Promise<MeterReading> {
  const stands = await standsOn(session, wanted);
  const value = readNumber(await session.ask('READ?'));
  await refuseErrors(session);
  return { ...value, function: stands, unit: METER_FUNCTIONS[stands].unit };
}

/**
 * Arms the meter and takes what its own trigger gives within `waitMs`: the button at the probe, a foot switch.
 * @throws InstrumentProblem as {@link takePresent}.
 */
export async function takeTriggered(
  session: Session,
  wanted: MeterFunctionId | null,
  waitMs: number,
): Promise<MeterReading> {
  const stands = await standsOn(session, wanted);
  session.tell('TRIG:SOUR EXT');
  session.tell('INIT');
  const value = readNumber(await session.ask('FETC?', waitMs));
  session.tell('TRIG:SOUR IMM');
  await refuseErrors(session);
  return { ...value, function: stands, unit: METER_FUNCTIONS[stands].unit };
}

async function standsOn(session: Session, wanted: MeterFunctionId | null): Promise<MeterFunctionId> {
  const answer = await session.ask('CONF?');
  const stands = functionNamed(answer);
  if (stands === null)
    throw new InstrumentProblem(
      'WRONG_FUNCTION',
      say`The meter stands on something that is not read here. Nothing was taken.`,
    );
  if (wanted !== null && stands !== wanted)
    throw new InstrumentProblem(
      'WRONG_FUNCTION',
      say`The meter stands on ${METER_FUNCTIONS[stands].words}; ${METER_FUNCTIONS[wanted].words} are asked for.
        Nothing was taken.`,
    );
  return stands;
}

/** @throws InstrumentProblem REFUSED with the oldest error of its queue. */
export async function refuseErrors(session: Session): Promise<void> {
  const error = readError(await session.ask('SYST:ERR?'));
  if (error)
    throw new InstrumentProblem(
      'REFUSED',
      say`The instrument reports an error (${error.code}, ${error.words.slice(0, 60)}). Nothing was taken.`,
    );
}

/**
 * Refuses what an instrument of that kind never reads, before it is spoken to.
 * @throws InstrumentProblem WRONG_FUNCTION: "A bench supply does not read ohms."
 */
export function refuseUnread(kind: InstrumentKind, wanted: MeterFunctionId | null): void {
  if (wanted !== null && !kindReads(kind, wanted))
    throw new InstrumentProblem(
      'WRONG_FUNCTION',
      say`A ${INSTRUMENT_KINDS[kind].words} does not read ${METER_FUNCTIONS[wanted].words}. Nothing was taken.`,
    );
}
