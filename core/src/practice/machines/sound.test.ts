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
});

describe('loads of sound machines', () => {
  it('a loaded series motor takes more current, and less at the lower setting', () => {
    const amps = (condition: Partial<Condition>) => all('mixer', 'motor.A', condition);
    expectAll(ratios(amps({ setting: 'high', loaded: true }), amps({ setting: 'high' })), 1.05, 5, 'loaded');
    expectAll(ratios(amps({ setting: 'low' }), amps({ setting: 'high' })), 0.3, 0.95, 'low');
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

  it('what touches the case reads in megohms, and nobody is hurt', () => {
    for (const { id } of PRACTICE_MACHINES) {
      const moment = machine(id).unit([], 5).moment();
      if (moment['insulation.Mohm'] !== undefined) expect(moment['insulation.Mohm'], id).toBeGreaterThan(2);
      if (moment.tingles !== undefined) expect(moment.tingles, id).toBe(0);
      expect(machine(id).unit([], 5).harm(), id).toEqual([]);
    }
  });
});
