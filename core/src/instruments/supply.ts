/**
 * A bench supply on the line: what it gives is read; it is set with its output off, checked back, and switched on for a
 * stated time alone. Commands of SCPI-99, volume 2 (from memory).
 */
import { InstrumentProblem } from './problem.js';
import { refuseErrors, type MeterReading } from './meter.js';
import { readNumber } from './replies.js';
import type { Session } from './session.js';
import { say } from '../words/index.js';

/** Volts and the limit of current that a supply is set to. */
export interface SupplySetting {
  readonly volts: number;
  readonly limitAmps: number;
}

/** What it is set to and whether its output is on. */
export interface SupplyState extends SupplySetting {
  readonly on: boolean;
}

/** What a bench supply of this trade gives at most (chosen: a cordless pack, a motor at stall). */
const SUPPLY_LIMITS = { volts: 60, amps: 20 } as const;

/** How far a setting read back may be off (chosen: what its display rounds). */
const READ_BACK = 0.01;

async function number(session: Session, question: string): Promise<number> {
  const read = readNumber(await session.ask(question));
  if (read.over)
    throw new InstrumentProblem('BAD_REPLY', say`The supply says that it is over its range. Nothing was taken.`);
  return read.value;
}

/** Volts at its terminals, or amperes that it gives. @throws InstrumentProblem as {@link readNumber}, or REFUSED. */
export async function takeSupply(session: Session, wanted: 'volts-dc' | 'amps-dc'): Promise<MeterReading> {
  const value = await number(session, wanted === 'amps-dc' ? 'MEAS:CURR?' : 'MEAS:VOLT?');
  await refuseErrors(session);
  return { over: false, value, function: wanted, unit: wanted === 'amps-dc' ? 'A' : 'V' };
}

/** Its state as it says it. */
export async function supplyState(session: Session): Promise<SupplyState> {
  const output = (await session.ask('OUTP?')).trim();
  if (!/^(0|1|ON|OFF)$/i.test(output))
    throw new InstrumentProblem('BAD_REPLY', say`It does not say whether its output is on. Is it a supply?`);
  const volts = await number(session, 'VOLT?');
  const limitAmps = await number(session, 'CURR?');
  return { volts, limitAmps, on: /^(1|ON)$/i.test(output) };
}

/**
 * Output off, then volts and limit, then both asked back.
 * @throws InstrumentProblem BAD_COMMAND beyond {@link SUPPLY_LIMITS}; REFUSED when it did not go off, or is not set as asked.
 */
export async function setSupply(session: Session, wish: SupplySetting): Promise<SupplyState> {
  const { volts, limitAmps } = wish;
  if (!(volts >= 0 && volts <= SUPPLY_LIMITS.volts && limitAmps > 0 && limitAmps <= SUPPLY_LIMITS.amps))
    throw new InstrumentProblem(
      'BAD_COMMAND',
      say`A supply is set to 0 to ${SUPPLY_LIMITS.volts} V and a limit up to ${SUPPLY_LIMITS.amps} A. Nothing was
        sent.`,
    );
  session.tell('OUTP OFF');
  session.tell(`VOLT ${volts.toFixed(3)}`);
  session.tell(`CURR ${limitAmps.toFixed(3)}`);
  await refuseErrors(session);
  const state = await supplyState(session);
  const off = (is: number, asked: number) => Math.abs(is - asked) > READ_BACK * Math.max(asked, 0.1);
  if (state.on)
    throw new InstrumentProblem('REFUSED', say`Its output did not go off. Pull the leads: it is not to be trusted.`);
  if (off(state.volts, volts) || off(state.limitAmps, limitAmps))
    throw new InstrumentProblem(
      'REFUSED',
      say`It stands on ${state.volts} V and ${state.limitAmps} A, not on what was asked. Its output is off.`,
    );
  return state;
}

/** What a supply gave while it was on. */
export interface SupplyRun {
  readonly volts: number;
  readonly amps: number;
  /** It gave less than it was set to: its limit held it. */
  readonly limited: boolean;
}

/**
 * Output on, a wait, volts and amperes read, output off again: off whatever happens in between.
 * @param wait resolves when it has been on for long enough.
 */
export async function runSupply(
  session: Session,
  setting: SupplySetting,
  wait: () => Promise<void>,
): Promise<SupplyRun> {
  session.tell('OUTP ON');
  try {
    await wait();
    const volts = await number(session, 'MEAS:VOLT?');
    const amps = await number(session, 'MEAS:CURR?');
    await refuseErrors(session);
    return { volts, amps, limited: volts < setting.volts * (1 - READ_BACK) - 0.02 };
  } finally {
    session.tell('OUTP OFF');
  }
}
