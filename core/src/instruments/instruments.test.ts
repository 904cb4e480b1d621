import fc from 'fast-check';
import { describe, expect, it, vi } from 'vitest';
import {
  greet,
  measure,
  openSession,
  standInMeter,
  STAND_IN_FAULTS,
  takePresent,
  type Line,
  type StandInFault,
} from './index.js';
import { functionNamed, METER_FUNCTIONS } from './functions.js';
import { readError, readIdentity, readNumber } from './replies.js';

/** A line with a stand-in behind it; text arrives in pieces of three characters, as a network may deliver it. */
function joined(fault: StandInFault = 'none', value: number | null = 5.02) {
  const meter = standInMeter(() => value, fault);
  let hear: (text: string) => void = () => undefined;
  let closed: () => void = () => undefined;
  const sent: string[] = [];
  const line: Line = {
    write(text) {
      sent.push(text);
      const answer = meter(text);
      if (!answer || answer.afterMs > 0) return;
      void Promise.resolve().then(() => {
        for (let i = 0; i < answer.text.length; i += 3) hear(answer.text.slice(i, i + 3));
        if (answer.close) closed();
      });
    },
    onText: (listener) => void (hear = listener),
    onClose: (listener) => void (closed = listener),
    close: vi.fn(),
  };
  let late: () => void = () => undefined;
  const session = openSession(line, (run) => {
    late = run;
    return () => undefined;
  });
  return { session, sent, line, hear: (text: string) => hear(text), late: () => late() };
}

describe('what a meter answers', () => {
  it.each([
    ['+5.02000000E+00', 5.02],
    ['-1.2', -1.2],
    ['42', 42],
    ['.5e-3', 0.0005],
    ['  +0.0E+00 \r', 0],
  ])('%s is a number in a form of IEEE 488.2', (text, value) => {
    expect(readNumber(text)).toEqual({ over: false, value });
  });

  it('over its range is said so; no number, two of them, a unit behind it and nonsense are refused', () => {
    expect(readNumber('+9.90000000E+37')).toEqual({ over: true });
    expect(readNumber('-9.9E37')).toEqual({ over: true });
    for (const text of ['9.91E37', '5.02 mV', '5,02', '1.0,2.0', '', 'OL', '0x10', '1e20', 'Infinity', 'NaN', '--1'])
      expect(() => readNumber(text), text).toThrow(/Nothing was taken/);
  });

  it('never becomes anything but a number that is finite, whatever is sent: a property', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.double().map(String), fc.stringMatching(/^[+\-0-9.eE ]{0,12}$/)), (text) => {
        const read = (() => {
          try {
            return readNumber(text);
          } catch {
            return null;
          }
        })();
        if (read && !read.over) expect(Number.isFinite(read.value)).toBe(true);
      }),
    );
  });

  it('who it is has four fields, its errors a number and words', () => {
    expect(readIdentity('A,B,0,1.0')).toEqual({ maker: 'A', model: 'B', serial: '0', version: '1.0' });
    expect(() => readIdentity('SSH-2.0-something')).toThrow(/Is it one/);
    expect(readError('+0,"No error"')).toBeNull();
    expect(readError('-113,"Undefined header"')).toEqual({ code: -113, words: 'Undefined header' });
    expect(() => readError('fine')).toThrow(/no answer to SYST:ERR/);
  });

  it('its function is known in long and short words', () => {
    expect(functionNamed('"VOLT +1.0E+01,+1.0E-06"')).toBe('volts-dc');
    expect(functionNamed('"VOLTAGE:AC 10"')).toBe('volts-ac');
    expect(functionNamed('"FRES"')).toBe('ohms-four-wire');
    expect(functionNamed('"TEMP"')).toBeNull();
    for (const [id, { header }] of Object.entries(METER_FUNCTIONS)) expect(functionNamed(`"${header} 1,2"`)).toBe(id);
  });
});

describe('a talk with a meter', () => {
  it('sets it, measures, and asks for its errors', async () => {
    const { session, sent } = joined();
    expect((await greet(session)).model).toBe('STAND-IN METER');
    expect(await measure(session, 'volts-ac')).toEqual({ over: false, value: 5.02, function: 'volts-ac', unit: 'V' });
    expect(sent).toEqual(['*IDN?\n', '*CLS\n', 'MEAS:VOLT:AC?\n', 'SYST:ERR?\n']);
    expect(await takePresent(session, 'volts-ac')).toMatchObject({ value: 5.02 });
    const open = joined('none', null);
    expect(await measure(open.session, 'ohms')).toMatchObject({ over: true, unit: 'Ω' });
  });

  it('takes no reading of another function: it says on what the meter stands', async () => {
    const { session } = joined('wrong-function');
    await expect(takePresent(session, 'volts-dc')).rejects.toThrow(
      'The meter stands on ohms; d.c. volts are asked for. Nothing was taken.',
    );
  });

  it.each([
    ['slow', /did not answer within 5 s/],
    ['garbled', /no number/],
    ['cut', /closed the line in the middle/],
    ['flood', /sends without end/],
    ['unit', /no number/],
  ] as const)('%s: says so in plain words, and takes nothing', async (fault, why) => {
    expect(STAND_IN_FAULTS).toContain(fault);
    const talk = joined(fault);
    const asked = measure(talk.session, 'volts-dc');
    const failed = expect(asked).rejects.toThrow(why);
    await Promise.resolve();
    if (fault === 'slow') talk.late();
    await failed;
    if (fault === 'flood') expect(talk.line.close).toHaveBeenCalled();
  });

  it('drops what comes unasked, asks one thing at a time, and sends nothing that it was sent', async () => {
    const { session, hear, sent } = joined();
    hear('+9.99E+02\nMEAS:VOLT:DC?\n*RST\n');
    expect(await measure(session, 'volts-dc')).toMatchObject({ value: 5.02 });
    const first = session.ask('*OPC?');
    await expect(session.ask('*OPC?')).rejects.toThrow('still busy');
    expect(await first).toBe('1');
    expect(sent.join('')).not.toContain('*RST');
    await expect(session.ask('READ?\n*RST')).rejects.toThrow('is no command that is sent from here');
  });

  it('a stand-in sends sign, nine digits and an exponent of two, as meters do', () => {
    const sent = (value: number) => {
      const meter = standInMeter(() => value);
      meter('CONF:VOLT:DC');
      return meter('READ?')?.text;
    };
    expect([5.02, -0.00123, 123456, 0].map(sent)).toEqual([
      '+5.02000000E+00\n',
      '-1.23000000E-03\n',
      '+1.23456000E+05\n',
      '+0.00000000E+00\n',
    ]);
  });

  it('a stand-in that does not know a command says nothing and keeps the error for SYST:ERR?', () => {
    const meter = standInMeter(() => 1);
    expect(meter('NONSENSE')).toBeNull();
    expect(meter('SYST:ERR?')?.text).toBe('-113,"Undefined header"\n');
    expect(meter('SYST:ERR?')?.text).toBe('+0,"No error"\n');
    meter('CONF:RES');
    expect(meter('CONF?')?.text).toMatch(/^"RES /);
    meter('*RST');
    expect(meter('CONF?')?.text).toMatch(/^"VOLT:DC /);
  });
});
