/**
 * A meter that is none: it speaks the same commands on loopback, reads a machine of the practice bench, and can be
 * made to misbehave. For trying the line without a bench, and for the tests.
 */
import { ownEntry } from '../quantity/index.js';
import { functionNamed, METER_FUNCTIONS, type MeterFunctionId } from './functions.js';

/** How it can misbehave. */
export const STAND_IN_FAULTS = ['none', 'slow', 'garbled', 'cut', 'flood', 'unit', 'wrong-function'] as const;
/** Names of these. */
export type StandInFault = (typeof STAND_IN_FAULTS)[number];

/** What it sends: text, or that it closes. */
export type StandInAnswer = { readonly text: string; readonly afterMs: number; readonly close: boolean } | null;

/** The value at its probes by function, in that function's unit; null for no reading: an open range. */
export type ProbeValue = (of: MeterFunctionId) => number | null;

const NO_ERROR = '+0,"No error"';
const OPEN = '+9.90000000E+37';
const SLOW_MS = 60_000;

/** Makes one; each line that it gets goes in, and what it answers comes out. */
export function standInMeter(probe: ProbeValue, fault: StandInFault = 'none'): (line: string) => StandInAnswer {
  let stands: MeterFunctionId = 'volts-dc';
  let errors: string[] = [];
  const shown = (): string => {
    const value = probe(stands);
    return value === null ? OPEN : exponent(value);
  };
  const answers: Readonly<Record<string, () => string | null>> = {
    '*IDN?': () => 'AMBER GAUGE,STAND-IN METER,0000,1.0',
    '*RST': () => ((stands = 'volts-dc'), null),
    '*CLS': () => ((errors = []), null),
    '*OPC?': () => '1',
    '*WAI': () => null,
    '*TST?': () => '0',
    '*STB?': () => '0',
    '*ESR?': () => '0',
    'SYST:ERR?': () => errors.shift() ?? NO_ERROR,
    'CONF?': () => {
      const other = fault === 'wrong-function' ? (stands === 'ohms' ? 'volts-dc' : 'ohms') : stands;
      return `"${METER_FUNCTIONS[other].header} +1.00000000E+01,+1.00000000E-05"`;
    },
    'TRIG:SOUR EXT': () => null,
    'TRIG:SOUR IMM': () => null,
    INIT: () => null,
    'READ?': shown,
    'FETC?': shown,
  };
  const said = (line: string): string | null => {
    const own = ownEntry(answers, line);
    if (own) return own();
    const command = /^(MEAS|CONF):([A-Z:]+?)(\?)?$/.exec(line);
    const wanted = command?.[2] === undefined ? null : functionNamed(command[2]);
    if (!command || wanted === null || (command[1] === 'MEAS') !== (command[3] === '?')) {
      errors.push('-113,"Undefined header"');
      return null;
    }
    stands = wanted;
    return command[1] === 'MEAS' ? shown() : null;
  };
  return (raw) => {
    const line = raw.trim().toUpperCase();
    const answer = said(line);
    if (answer === null) return null;
    return misbehaved(answer, line.startsWith('MEAS') || line === 'READ?' || line === 'FETC?' ? fault : 'none');
  };
}

function misbehaved(answer: string, fault: StandInFault): StandInAnswer {
  const send = (text: string, more: Partial<NonNullable<StandInAnswer>> = {}) => ({
    text,
    afterMs: 0,
    close: false,
    ...more,
  });
  if (fault === 'slow') return send(`${answer}\n`, { afterMs: SLOW_MS });
  if (fault === 'garbled') return send(`${answer.slice(0, 4)}\u0007#OL?\n`);
  if (fault === 'cut') return send(answer.slice(0, 5), { close: true });
  if (fault === 'flood') return send('9'.repeat(200_000));
  if (fault === 'unit') return send(`${answer} mV\n`);
  return send(`${answer}\n`);
}

/** "+5.02000000E+00", as meters send it. */
function exponent(value: number): string {
  const [mantissa = '', power = '0'] = value.toExponential(8).split('e');
  const sign = value < 0 ? '' : '+';
  return `${sign}${mantissa}E${power.startsWith('-') ? '-' : '+'}${power.replace(/^[+-]/, '').padStart(2, '0')}`;
}
