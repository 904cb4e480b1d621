/** What a bench meter can be asked for, in the words of SCPI (SCPI-99, volume 2, from memory). */

import { ownEntry } from '../quantity/index.js';
import { say } from '../words/index.js';

/** A function of a meter: its header, the unit of its value and how a person calls it. */
export interface MeterFunction {
  readonly header: string;
  readonly unit: string;
  readonly words: string;
}

/** Functions by name. */
export const METER_FUNCTIONS = {
  'volts-dc': { header: 'VOLT:DC', unit: 'V', words: say`d.c. volts` },
  'volts-pp': { header: 'VOLT:PTP', unit: 'V', words: say`volts peak to peak` },
  'volts-ac': { header: 'VOLT:AC', unit: 'V', words: say`a.c. volts` },
  'amps-dc': { header: 'CURR:DC', unit: 'A', words: say`d.c. amperes` },
  'amps-ac': { header: 'CURR:AC', unit: 'A', words: say`a.c. amperes` },
  ohms: { header: 'RES', unit: 'Ω', words: say`ohms` },
  'ohms-four-wire': { header: 'FRES', unit: 'Ω', words: say`ohms, four wires` },
  frequency: { header: 'FREQ', unit: 'Hz', words: say`frequency` },
  period: { header: 'PER', unit: 's', words: say`period` },
  capacitance: { header: 'CAP', unit: 'F', words: say`capacitance` },
  diode: { header: 'DIOD', unit: 'V', words: say`diode test` },
  continuity: { header: 'CONT', unit: 'Ω', words: say`continuity` },
} as const satisfies Readonly<Record<string, MeterFunction>>;
/** Names of the functions. */
export type MeterFunctionId = keyof typeof METER_FUNCTIONS;

/** What stands on the line, and the functions that it reads (a meter all but the scope's). */
export const INSTRUMENT_KINDS = {
  meter: { words: say`meter`, reads: null },
  counter: { words: say`counter`, reads: ['frequency', 'period'] },
  supply: { words: say`bench supply`, reads: ['volts-dc', 'amps-dc'] },
  scope: { words: say`scope`, reads: ['volts-pp'] },
} as const satisfies Readonly<Record<string, { words: string; reads: readonly MeterFunctionId[] | null }>>;
/** Names of the kinds. */
export type InstrumentKind = keyof typeof INSTRUMENT_KINDS;

/** Does this kind of instrument read that? */
export function kindReads(kind: InstrumentKind, wanted: MeterFunctionId): boolean {
  const reads: readonly MeterFunctionId[] | null = INSTRUMENT_KINDS[kind].reads;
  return reads === null ? wanted !== 'volts-pp' : reads.includes(wanted);
}

/** Long and short spellings of a part of a header: a meter may answer either. */
const SPELLINGS: Readonly<Record<string, string>> = {
  VOLTAGE: 'VOLT',
  CURRENT: 'CURR',
  RESISTANCE: 'RES',
  FRESISTANCE: 'FRES',
  FREQUENCY: 'FREQ',
  PERIOD: 'PER',
  CAPACITANCE: 'CAP',
  DIODE: 'DIOD',
  CONTINUITY: 'CONT',
  PTPEAK: 'PTP',
};

/** The function that an answer of CONF? or FUNC? names: `"VOLT +1.000000E+01,+1.000000E-06"`; null for one not known here. */
export function functionNamed(answer: string): MeterFunctionId | null {
  const [head = ''] = answer.replaceAll('"', '').trim().toUpperCase().split(/[\s,]/);
  const short = head
    .split(':')
    .map((part) => ownEntry(SPELLINGS, part) ?? part)
    .join(':');
  // Without more said volts and amperes are direct.
  const whole = short === 'VOLT' || short === 'CURR' ? `${short}:DC` : short;
  const found = Object.entries(METER_FUNCTIONS).find(([, one]) => one.header === whole);
  return (found?.[0] as MeterFunctionId | undefined) ?? null;
}

/** Functions that a prompt in a unit is answered by; volts are direct unless it says otherwise. */
const BY_UNIT: Readonly<Record<string, MeterFunctionId>> = {
  V: 'volts-dc',
  A: 'amps-dc',
  Ω: 'ohms',
  Hz: 'frequency',
  F: 'capacitance',
};

/** The function of a meter that answers a prompt in this unit; null where no meter does. */
export function functionFor(unit: string | null, by: 'volts-ac' | 'scope' | null): MeterFunctionId | null {
  if (unit === null) return null;
  if (by === 'scope') return unit === 'V' ? 'volts-pp' : null;
  return by ?? ownEntry(BY_UNIT, unit) ?? null;
}

/** How a reading is typed into the entry line: "4.98V", "4.98V ac", "47R"; over its range "OL". */
export function typedReading(of: MeterFunctionId, value: number | null): string {
  if (value === null) return 'OL';
  const { unit } = METER_FUNCTIONS[of];
  const ac = of === 'volts-ac' || of === 'amps-ac' ? ' ac' : '';
  return `${plain(value)}${unit === 'Ω' ? 'R' : unit}${ac}`;
}

/** Six figures without an exponent. */
function plain(value: number): string {
  const [digits = '', power = '0'] = value.toExponential(5).split('e');
  const decimals = Math.max(0, Math.min(20, 5 - Number(power)));
  const text = Number(`${digits}e${power}`).toFixed(decimals);
  return text.includes('.') ? text.replace(/0+$/, '').replace(/\.$/, '') : text;
}
