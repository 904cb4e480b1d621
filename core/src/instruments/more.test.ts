import { describe, expect, it } from 'vitest';
import { functionFor, kindReads, INSTRUMENT_KINDS, typedReading, type InstrumentKind } from './functions.js';
import { refuseUnread, takePresent } from './meter.js';
import { readNumbers } from './replies.js';
import { peakToPeak, takePeakToPeak, takeTrace, traceCsv } from './scope.js';
import { openSession, type Session } from './session.js';
import { standInCounter, standInScope, standInSupply, type StandIn } from './standIn.js';
import { runSupply, setSupply, supplyState, takeSupply } from './supply.js';

/** A talk with a stand-in; what was said to it, and what it would say. */
function talkWith(
  made: StandIn,
  change: (line: string) => string | null = (line) => line,
): { session: Session; said: string[] } {
  const said: string[] = [];
  let hear: (text: string) => void = () => undefined;
  const session = openSession(
    {
      write(text) {
        const line = text.trim();
        said.push(line);
        const kept = change(line);
        const answer = kept === null ? null : made(kept);
        if (answer) void Promise.resolve().then(() => hear(answer.text));
      },
      onText: (listener) => void (hear = listener),
      onClose: () => undefined,
      close: () => undefined,
    },
    () => () => undefined,
  );
  return { session, said };
}

describe('what a kind of instrument reads', () => {
  it('is said before it is spoken to', () => {
    expect(() => refuseUnread('supply', 'ohms')).toThrow('A bench supply does not read ohms. Nothing was taken.');
    expect(() => refuseUnread('meter', 'volts-pp')).toThrow('A meter does not read volts peak to peak');
    expect(() => refuseUnread('scope', 'volts-dc')).toThrow(/scope/);
    for (const kind of Object.keys(INSTRUMENT_KINDS) as InstrumentKind[]) refuseUnread(kind, null);
    expect(kindReads('counter', 'frequency')).toBe(true);
  });

  it('a prompt that is read by scope is asked for peak to peak, and typed as volts', () => {
    expect(functionFor('V', 'scope')).toBe('volts-pp');
    expect(functionFor('Hz', 'scope')).toBeNull();
    expect(typedReading('volts-pp', 0.4925)).toBe('0.4925V');
  });
});

describe('a counter', () => {
  it('reads hertz and seconds, their product is one, and no volts', async () => {
    const { session } = talkWith(standInCounter(() => 50));
    expect(await takePresent(session, 'frequency')).toEqual({
      over: false,
      value: 50,
      function: 'frequency',
      unit: 'Hz',
    });
    session.tell('CONF:PER');
    expect(await takePresent(session, null)).toMatchObject({ value: 0.02, unit: 's' });
    session.tell('CONF:VOLT:DC');
    expect(await session.ask('SYST:ERR?')).toContain('Undefined header');
  });
});

describe('a bench supply', () => {
  it('is off when it comes up, is set with its output off, and gives nothing then', async () => {
    const { session, said } = talkWith(standInSupply(() => 10));
    expect(await supplyState(session)).toMatchObject({ on: false });
    expect(await setSupply(session, { volts: 5, limitAmps: 1 })).toEqual({ volts: 5, limitAmps: 1, on: false });
    expect(said.indexOf('OUTP OFF')).toBeLessThan(said.indexOf('VOLT 5.000'));
    expect(said).not.toContain('OUTP ON');
    expect(await takeSupply(session, 'volts-dc')).toMatchObject({ value: 0, unit: 'V' });
  });

  it('on, drives what Ohm says through what hangs on it; its limit holds it; off again', async () => {
    const { session, said } = talkWith(standInSupply(() => 10));
    const free = { volts: 5, limitAmps: 1 };
    await setSupply(session, free);
    expect(await runSupply(session, free, () => Promise.resolve())).toEqual({ volts: 5, amps: 0.5, limited: false });
    const held = { volts: 5, limitAmps: 0.2 };
    await setSupply(session, held);
    expect(await runSupply(session, held, () => Promise.resolve())).toEqual({ volts: 2, amps: 0.2, limited: true });
    expect(said.at(-1)).toBe('OUTP OFF');
    expect(await supplyState(session)).toMatchObject({ on: false });
  });

  it('read while it is on, gives its volts as volts and its current as amperes; a reset takes both back', async () => {
    const { session } = talkWith(standInSupply(() => 10));
    expect(await supplyState(session)).toEqual({ volts: 0, limitAmps: 0.1, on: false });
    await setSupply(session, { volts: 5, limitAmps: 1 });
    session.tell('OUTP ON');
    expect(await takeSupply(session, 'volts-dc')).toMatchObject({ value: 5, unit: 'V' });
    expect(await takeSupply(session, 'amps-dc')).toMatchObject({ value: 0.5, unit: 'A' });
    session.tell('*RST');
    expect(await supplyState(session)).toEqual({ volts: 0, limitAmps: 0.1, on: false });
  });

  it('is switched off when something goes wrong while it is on', async () => {
    const { session, said } = talkWith(standInSupply(() => 10, 'garbled'));
    const wish = { volts: 5, limitAmps: 1 };
    await setSupply(session, wish);
    await expect(runSupply(session, wish, () => Promise.resolve())).rejects.toThrow(/no number/);
    expect(said.at(-1)).toBe('OUTP OFF');
  });

  it('is refused where it stands on something else, does not go off, or more is asked than a bench has', async () => {
    const deaf = talkWith(
      standInSupply(() => 10),
      (line) => (line.startsWith('VOLT 5') ? 'VOLT 12' : line),
    );
    await expect(setSupply(deaf.session, { volts: 5, limitAmps: 1 })).rejects.toThrow('It stands on 12 V and 1 A');
    const stuck = talkWith(
      standInSupply(() => 10),
      (line) => (line === 'OUTP OFF' ? 'OUTP ON' : line),
    );
    await expect(setSupply(stuck.session, { volts: 5, limitAmps: 1 })).rejects.toThrow('did not go off');
    const { session, said } = talkWith(standInSupply(() => 10));
    for (const wish of [
      { volts: 61, limitAmps: 1 },
      { volts: -1, limitAmps: 1 },
      { volts: 5, limitAmps: 0 },
      { volts: NaN, limitAmps: 1 },
    ])
      await expect(setSupply(session, wish)).rejects.toThrow('Nothing was sent');
    expect(said).toEqual([]);
  });
});

describe('a scope', () => {
  const wave = (peak: number, points = 1000) => ({
    intervalS: 1e-4,
    volts: Float64Array.from({ length: points }, (_, i) => peak * Math.sin((2 * Math.PI * i) / 100)),
  });

  it('gives its trace: a sine of 1.5 V has 3 V peak to peak (definition)', async () => {
    const { session } = talkWith(standInScope(() => wave(1.5)));
    const trace = await takeTrace(session);
    expect([trace.intervalS, trace.volts.length]).toEqual([1e-4, 1000]);
    expect(peakToPeak(trace)).toBeCloseTo(3, 6);
    expect((await takePeakToPeak(session)).function).toBe('volts-pp');
    expect(traceCsv(trace).split('\n').slice(0, 3)).toEqual(['time_s,volts', '0,0', '0.0001,0.09418578']);
  });

  it('refuses a trace that is none, too long, beyond its screen or without a time', async () => {
    const refused = (made: StandIn, change?: (line: string) => string | null) =>
      expect(takeTrace(talkWith(made, change).session)).rejects;
    await refused(standInScope(() => wave(1, 1))).toThrow('shows no trace');
    await refused(standInScope(() => ({ ...wave(1), intervalS: 0 }))).toThrow('no time between');
    // A minute between two points is the most a bench scope has; two points are a trace.
    await refused(standInScope(() => ({ ...wave(1), intervalS: 60.1 }))).toThrow('no time between');
    expect(
      (await takeTrace(talkWith(standInScope(() => ({ ...wave(1, 2), intervalS: 60 }))).session)).volts.length,
    ).toBe(2);
    await refused(standInScope(() => wave(1), 'garbled')).toThrow(/no number/);
    await refused(standInScope(() => wave(1), 'unit')).toThrow(/no number/);
    expect(() => readNumbers('1,2,9.9E37', 5)).toThrow('beyond the screen');
    expect(() => readNumbers('1,2,3', 2)).toThrow('more than 2 points');
    expect([...readNumbers('1,-2.5e-3', 2)]).toEqual([1, -0.0025]);
  });
});
