/**
 * Instruments that are none: they speak the same commands on loopback, read a machine of the practice bench, and can be
 * made to misbehave. For trying the line without a bench, and for the tests.
 */
import { ownEntry } from '../quantity/index.js';
import { functionNamed, METER_FUNCTIONS, type MeterFunctionId } from './functions.js';

/** How it can misbehave. */
export const STAND_IN_FAULTS = ['none', 'slow', 'garbled', 'cut', 'flood', 'unit', 'wrong-function'] as const;
/** Names of these. */
export type StandInFault = (typeof STAND_IN_FAULTS)[number];

/** What it sends: text, or that it closes. */
type StandInAnswer = { readonly text: string; readonly afterMs: number; readonly close: boolean } | null;

/** The value at its probes by function, in that function's unit; null for no reading: an open range. */
export type ProbeValue = (of: MeterFunctionId) => number | null;

const NO_ERROR = '+0,"No error"';
const OPEN = '+9.90000000E+37';
const SLOW_MS = 60_000;

/** A made instrument: each line that it gets goes in, and what it answers comes out. */
export type StandIn = (line: string) => StandInAnswer;
type Answers = Readonly<Record<string, (given: string) => string | null>>;

/** Commands that every instrument knows (IEEE 488.2, SCPI's error queue). */
function common(called: string, reset: () => void, errors: string[]): Answers {
  return {
    '*IDN?': () => `AMBER GAUGE,STAND-IN ${called},0000,1.0`,
    '*RST': () => (reset(), null),
    '*CLS': () => ((errors.length = 0), null),
    '*OPC?': () => '1',
    '*WAI': () => null,
    '*TST?': () => '0',
    '*STB?': () => '0',
    '*ESR?': () => '0',
    'SYST:ERR?': () => errors.shift() ?? NO_ERROR,
  };
}

/** Answers by whole lines, or by what stands before a blank; what it does not know becomes an error. */
function standIn(answers: Answers, errors: string[], readings: RegExp, fault: StandInFault): StandIn {
  return (raw) => {
    const line = raw.trim().toUpperCase();
    const [head = '', ...given] = line.split(' ');
    const own = ownEntry(answers, line) ?? ownEntry(answers, `${head} `);
    if (!own) {
      errors.push('-113,"Undefined header"');
      return null;
    }
    const answer = own(given.join(' '));
    return answer === null ? null : misbehaved(answer, readings.test(line) ? fault : 'none');
  };
}

/** A meter; `knows` narrows it to some functions. */
export function standInMeter(
  probe: ProbeValue,
  fault: StandInFault = 'none',
  { called = 'METER', knows = Object.keys(METER_FUNCTIONS) as readonly MeterFunctionId[] } = {},
): StandIn {
  const first = knows[0] ?? 'volts-dc';
  let stands = first;
  const errors: string[] = [];
  const shown = (): string => {
    const value = probe(stands);
    return value === null ? OPEN : exponent(value);
  };
  const other = () => (stands === 'ohms' ? 'volts-dc' : 'ohms');
  const answers: Answers = {
    ...common(called, () => (stands = first), errors),
    'CONF?': () =>
      `"${METER_FUNCTIONS[fault === 'wrong-function' ? other() : stands].header} +1.00000000E+01,+1.00000000E-05"`,
    'TRIG:SOUR EXT': () => null,
    'TRIG:SOUR IMM': () => null,
    INIT: () => null,
    'READ?': shown,
    'FETC?': shown,
    ...Object.fromEntries(
      knows.flatMap((id) => {
        const set = () => void (stands = functionNamed(METER_FUNCTIONS[id].header) ?? id);
        const { header } = METER_FUNCTIONS[id];
        return [
          [`CONF:${header}`, () => (set(), null)],
          [`MEAS:${header}?`, () => (set(), shown())],
        ] as const;
      }),
    ),
  };
  return standIn(answers, errors, /^(MEAS|READ\?|FETC\?)/, fault);
}

/** A counter: a meter of frequency and period alone. */
export const standInCounter = (hz: () => number | null, fault: StandInFault = 'none'): StandIn =>
  standInMeter(
    (of) => {
      const value = hz();
      return value === null || value <= 0 ? null : of === 'period' ? 1 / value : value;
    },
    fault,
    { called: 'COUNTER', knows: ['frequency', 'period'] },
  );

/** A bench supply with `ohm` at its terminals; its output is off until it is told. */
export function standInSupply(ohm: () => number, fault: StandInFault = 'none'): StandIn {
  const errors: string[] = [];
  let [volts, limit, on] = [0, 0.1, false];
  const load = () => Math.max(1e-3, ohm());
  const given = () => (on ? Math.min(volts, limit * load()) : 0);
  const answers: Answers = {
    ...common('SUPPLY', () => ([volts, limit, on] = [0, 0.1, false]), errors),
    'OUTP ': (wish) => ((on = wish === 'ON' || wish === '1'), null),
    'OUTP?': () => (on ? '1' : '0'),
    'VOLT ': (wish) => ((volts = Number(wish)), null),
    'VOLT?': () => exponent(volts),
    'CURR ': (wish) => ((limit = Number(wish)), null),
    'CURR?': () => exponent(limit),
    'MEAS:VOLT?': () => exponent(given()),
    'MEAS:CURR?': () => exponent(given() / load()),
  };
  return standIn(answers, errors, /^MEAS/, fault);
}

/** A scope with a trace on its first channel: volts, and the seconds between two of them. */
export function standInScope(
  trace: () => { readonly intervalS: number; readonly volts: ArrayLike<number> },
  fault: StandInFault = 'none',
): StandIn {
  const errors: string[] = [];
  const answers: Answers = {
    ...common('SCOPE', () => undefined, errors),
    'FORM ASC': () => null,
    'SWE:TINT?': () => exponent(trace().intervalS),
    'TRAC? CH1': () => Array.from(trace().volts, exponent).join(','),
  };
  return standIn(answers, errors, /^TRAC/, fault);
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
