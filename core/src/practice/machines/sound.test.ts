/** Machines with nothing wrong keep to what machines keep to: definitions, gears, synchronous speeds, supplies (handbook). */
import { describe, expect, it } from 'vitest';
import { PRACTICE_MACHINES } from '../index.js';
import type { Condition, PracticeMachine } from '../machine.js';

const machine = (id: string): PracticeMachine => {
  const found = PRACTICE_MACHINES.find((one) => one.id === id);
  if (!found) throw new Error(`no machine ${id}`);
  return found;
};
const SEEDS = [1, 2, 3, 4, 5, 6, 7, 8];
/** One quantity of sound units, a seed each. */
const all = (id: string, quantity: string, condition: Partial<Condition> = {}): number[] =>
  SEEDS.map((seed) => {
    const value = machine(id).unit([], seed).moment(condition)[quantity];
    if (value === undefined) throw new Error(`${id} has no ${quantity}`);
    return value;
  });
const expectAll = (values: readonly number[], low: number, high: number, what: string) => {
  for (const value of values) {
    expect(value, what).toBeGreaterThanOrEqual(low);
    expect(value, what).toBeLessThanOrEqual(high);
  }
};
const ratios = (over: readonly number[], under: readonly number[]) =>
  over.map((value, i) => value / (under[i] as number));

describe('speeds of sound machines', () => {
  it.each([
    ['turntable-dc', 'platter.rpm', { 33: 100 / 3, 45: 45 }],
    ['turntable-ac', 'platter.rpm', { 33: 100 / 3 }],
    ['rim-drive', 'platter.rpm', { 33: 100 / 3, 45: 45, 78: 78 }],
    ['servo-deck', 'rotor.rpm', { 33: 100 / 3, 45: 45 }],
    ['quartz-deck', 'rotor.rpm', { 33: 100 / 3, 45: 45 }],
  ] as const)('%s: within one percent at each setting, and the error is what it says', (id, quantity, nominals) => {
    for (const [setting, nominal] of Object.entries(nominals)) {
      const rpm = all(id, quantity, { setting });
      expectAll(rpm, 0.99 * nominal, 1.01 * nominal, setting);
      const error = all(id, 'platter.error.percent', { setting });
      rpm.forEach((value, i) => expect(error[i], setting).toBeCloseTo(100 * (value / nominal - 1), 6));
    }
  });

  it.each([
    ['cassette-deck', '4.76'],
    ['cassette-deck', '9.5'],
    ['cassette-direct', '4.76'],
    ['reel-deck', '19'],
    ['reel-deck', '9.5'],
    ['video-recorder', 'play'],
  ])('%s at %s: the tape within a percent', (id, setting) => {
    expectAll(all(id, 'tape.error.percent', { setting }), -1, 1, setting);
  });

  it('a crystal holds to a thousandth, whatever the unit and however warm', () => {
    for (const warm of [0, 1])
      for (const setting of ['33', '45'])
        expectAll(all('quartz-deck', 'platter.error.percent', { setting, warm }), -0.1, 0.1, setting);
  });

  it('motors at the mains turn by its cycles and their poles: sixteen poles 375, eight 750 a minute', () => {
    expectAll(all('turntable-ac', 'motor.rpm'), 375, 375, 'sixteen poles');
    expectAll(all('reel-deck', 'motor.rpm', { setting: '9.5' }), 375, 375, 'sixteen poles');
    expectAll(all('reel-deck', 'motor.rpm', { setting: '19' }), 750, 750, 'eight poles');
  });

  it('a motor behind a belt turns faster as the platter does; twice the tape is twice the motor', () => {
    const [slow, fast] = ['33', '45'].map((setting) => all('turntable-dc', 'motor.rpm', { setting }));
    expectAll(ratios(fast ?? [], slow ?? []), 1.34, 1.36, '45 over 33');
    const [single, double] = ['4.76', '9.5'].map((setting) => all('cassette-deck', 'motor.rpm', { setting }));
    expectAll(ratios(double ?? [], single ?? []), 1.98, 2.02, 'double');
  });

  it('gears and rims keep their ratio at every setting and load', () => {
    const kept = (id: string, driven: string, driver: string, conditions: readonly Partial<Condition>[]) => {
      const [first = [], ...others] = conditions.map((one) => ratios(all(id, driven, one), all(id, driver, one)));
      for (const other of others) other.forEach((value, i) => expect(value / (first[i] as number)).toBeCloseTo(1, 6));
      expectAll(first, 0.001, 0.999, `${id} is geared down`);
    };
    const loads = [{ setting: 'high' }, { setting: 'low' }, { setting: 'high', loaded: true }];
    kept('mixer', 'bowl.rpm', 'shaft.rpm', loads);
    kept('cordless-tool', 'spindle.rpm', 'motor.rpm', loads);
    const errors = ['33', '45', '78'].map((setting) => all('rim-drive', 'platter.error.percent', { setting }));
    for (const one of errors) one.forEach((value, i) => expect(value).toBeCloseTo(errors[0]?.[i] as number, 6));
  });
});

describe('loads of sound machines', () => {
  it.each(['mixer', 'cordless-tool', 'brushless-tool'])(
    '%s turns slower loaded than free, and slower still at low',
    (id) => {
      const quantity = id === 'mixer' ? 'shaft.rpm' : 'motor.rpm';
      const [free = [], held = [], low = []] = [
        { setting: 'high' },
        { setting: 'high', loaded: true },
        { setting: 'low' },
      ].map((condition) => all(id, quantity, condition));
      expectAll(ratios(held, free), 0.3, 0.999, 'loaded');
      expectAll(ratios(low, free), 0.2, 0.6, 'low');
    },
  );

  it('a loaded series motor takes more current, and less at the lower setting', () => {
    const amps = (condition: Partial<Condition>) => all('mixer', 'motor.A', condition);
    expectAll(ratios(amps({ setting: 'high', loaded: true }), amps({ setting: 'high' })), 1.05, 5, 'loaded');
    expectAll(ratios(amps({ setting: 'low' }), amps({ setting: 'high' })), 0.3, 0.95, 'low');
  });

  it('phase control gives the motor a part of the mains, and nearly all of it at high', () => {
    for (const id of ['mixer', 'vacuum']) {
      expectAll(ratios(all(id, 'motor.V', { setting: 'high' }), all(id, 'mains.V')), 0.97, 1, 'high');
      expectAll(ratios(all(id, 'motor.V', { setting: 'low' }), all(id, 'mains.V')), 0.2, 0.6, 'low');
    }
  });

  it('a pack sags by its ohms: what feeds the tool is a little under what it stands at', () => {
    expectAll(ratios(all('cordless-tool', 'feed.V'), all('cordless-tool', 'pack.V')), 0.9, 1, 'feed');
    expectAll(all('cordless-tool', 'pack.V'), 18, 21, 'five cells of 3.6 to 4.2 V');
    expectAll(all('brushless-tool', 'pack.V'), 36, 42, 'ten cells');
  });
});

describe('supplies of sound machines', () => {
  it.each(['turntable-dc', 'servo-deck', 'cassette-deck', 'quartz-deck', 'cassette-direct', 'reel-deck'])(
    '%s: the reservoir lies between the peak of the winding and what the regulator needs; the rail is regulated',
    (id) => {
      const winding = all(id, 'secondary.Vac');
      const reservoir = all(id, 'reservoir.V');
      const board = all(id, 'board.V');
      // Peak less two diodes, and never under nine tenths of the r.m.s. volts.
      expectAll(ratios(reservoir, winding), 0.9, Math.SQRT2, 'reservoir over winding');
      winding.forEach((volts, i) => expect(reservoir[i]).toBeLessThan(Math.SQRT2 * volts - 1));
      expectAll(ratios(board, all(id, 'board.expected.V')), 0.95, 1.05, 'rail');
      board.forEach((volts, i) => expect(reservoir[i]).toBeGreaterThan(volts + 1));
      // Of a reservoir that is sound ripple is small, and a regulator leaves none of it.
      expectAll(ratios(all(id, 'reservoir.ripple.Vpp'), reservoir), 0.01, 0.1, 'ripple');
      expectAll(all(id, 'board.ripple.Vpp'), 0, 0.02, 'after the regulator');
      expectAll(ratios(all(id, 'primary.ohm'), all(id, 'primary.expected.ohm')), 0.85, 1.15, 'primary');
    },
  );

  it.each(['washer-top', 'washer-front'])('%s: the bus stands at the peak of the mains', (id) => {
    expectAll(all(id, 'bus.V'), 230 * 0.9 * Math.SQRT2, 230 * 1.1 * Math.SQRT2, 'bus');
  });

  it('what touches the case reads in megohms, and nobody is hurt', () => {
    for (const { id } of PRACTICE_MACHINES) {
      const moment = machine(id).unit([], 5).moment();
      if (moment['insulation.Mohm'] !== undefined) expect(moment['insulation.Mohm'], id).toBeGreaterThan(2);
      if (moment.tingles !== undefined) expect(moment.tingles, id).toBe(0);
      expect(machine(id).unit([], 5).harm(), id).toEqual([]);
    }
  });
});

describe('trims', () => {
  it('clockwise is faster, twice as far is twice as much, and back is where it was', () => {
    for (const [id, quantity] of [
      ['turntable-dc', 'platter.rpm'],
      ['servo-deck', 'rotor.rpm'],
      ['cassette-deck', 'motor.rpm'],
    ] as const) {
      const own = machine(id);
      const [setting = ''] = own.settings;
      const [trim = ''] = own.trims;
      const at = (turns: number) => {
        const unit = own.unit([], 3);
        unit.turn(trim, turns);
        return unit.moment({ setting })[quantity] as number;
      };
      const [none, one, two] = [at(0), at(0.1), at(0.2)];
      expect(one, id).toBeGreaterThan(none);
      expect((two - none) / (one - none), id).toBeCloseTo(2, 0);
      expect(at(-0.1), id).toBeLessThan(none);
      const unit = own.unit([], 3);
      unit.turn(trim, 0.3);
      unit.turn(trim, -0.3);
      expect(unit.moment({ setting })[quantity], id).toBeCloseTo(none, 9);
    }
  });

  it('that a machine has not does nothing, whatever the machine', () => {
    for (const own of PRACTICE_MACHINES) {
      const [untouched, turned] = [own.unit([], 3), own.unit([], 3)];
      turned.turn('no such trim', 1);
      expect(turned.moment(), own.id).toEqual(untouched.moment());
    }
  });

  it('with its belt off a motor turns and the platter does not', () => {
    expectAll(all('turntable-dc', 'platter.rpm', { off: ['belt'] }), 0, 0, 'platter');
    expectAll(all('turntable-dc', 'motor.rpm', { off: ['belt'] }), 1000, 4000, 'motor');
    expectAll(
      ratios(all('turntable-dc', 'motor.A', { off: ['belt'] }), all('turntable-dc', 'motor.A')),
      0.1,
      0.99,
      'less to drive',
    );
  });
});

describe('what power did', () => {
  const small = PRACTICE_MACHINES.filter(({ faults }) => faults.some(({ id }) => id === 'turns-shorted'));

  it.each(small.map(({ id }) => id))('%s: a transformer with shorted turns is burnt, a sound one is not', (id) => {
    expect(machine(id).unit(['turns-shorted'], 5).moment().burnt).toBe(1);
    expect(machine(id).unit([], 5).moment().burnt).toBe(0);
  });
});

describe('what system control is told', () => {
  const recorder = (fault: string) => machine('video-recorder').unit([fault], 5).moment({ mode: 'play' });

  it('nothing by a switch without its joint: it orders nothing and threads nothing', () => {
    expect(recorder('mode-unsoldered')).toMatchObject({ 'orders.right': 0, threaded: 0, 'loading.turns': 0 });
  });
});

describe('without mains', () => {
  it.each(['fuse-aged', 'cord-open'])('the reel deck stands, by either alone: %s', (fault) => {
    for (const seed of SEEDS) {
      const seen = machine('reel-deck').unit([fault], seed).moment({ setting: '19' });
      expect(seen['tape.error.percent'], String(seed)).toBe(-100);
      expect(seen['board.V'], String(seed)).toBe(0);
    }
  });
});
