/** Sums of the bench, worked by hand beside each; formulae of the handbooks where not said otherwise. */
import { describe, expect, it } from 'vitest';
import { bleedFor, timeToLimit } from './bleed.js';
import { readDateCode } from './capacitor.js';
import { limitSum, proposedLimit } from './limit.js';
import { firingAngle } from './phaseControl.js';
import { addedFor, fittedFrom, lawFrom, speedWith, zenerAt } from './speedResistor.js';
import { loadFromRipple, mainsExcess, primaryOhms, reservoirFromRipple, rippleHz, supplyOf } from './supply.js';
import { deltaPhases, imbalancePercent, resistanceAt, starPhases, temperatureBy } from './windings.js';

describe('a supply', () => {
  const wish = { rectifier: 'bridge', secondaryV: 23, mainsHz: 50, loadA: 0.5, microfarad: 2200, sag: 0.1 } as const;
  it('23 V into a bridge: 32.5 V of peak less two diodes, idle; less sag and half of the ripple, loaded', () => {
    const { idleV, loadedV, rippleV, conductionS, rough } = supplyOf(wish);
    const peak = 23 * Math.SQRT2;
    expect(idleV[1]).toBeCloseTo(31.13, 2);
    expect(idleV).toEqual([peak - 2, peak - 1.4, peak - 1.2].map((one) => expect.closeTo(one, 9) as number));
    // 0.5 A at 100 Hz from 2200 uF: 2.27 V.
    expect(rippleV).toBeCloseTo(0.5 / (100 * 2200e-6), 9);
    expect(loadedV).toEqual([2, 1.4, 1.2].map((drop) => expect.closeTo(0.9 * peak - drop - rippleV / 2, 9) as number));
    const top = 0.9 * peak - 1.4;
    expect(conductionS).toBeCloseTo(Math.acos(1 - rippleV / top) / (2 * Math.PI * 50), 12);
    expect(rough).toBe(false);
  });
  it('one diode behind one half or a centre tap; the ripple comes at the mains behind one half alone', () => {
    const idle = (rectifier: 'half-wave' | 'centre-tap') => supplyOf({ ...wish, rectifier }).idleV[1];
    expect(idle('half-wave')).toBeCloseTo(23 * Math.SQRT2 - 0.7, 9);
    expect(idle('centre-tap')).toBeCloseTo(23 * Math.SQRT2 - 0.7, 9);
    expect([rippleHz('bridge', 60), rippleHz('centre-tap', 60), rippleHz('half-wave', 60)]).toEqual([120, 120, 60]);
    expect(supplyOf({ ...wish, rectifier: 'half-wave' }).rippleV).toBeCloseTo(0.5 / (50 * 2200e-6), 9);
  });
  it('is a guide only where the ripple is more than three tenths of the peak; never under nought', () => {
    const top = 0.9 * 23 * Math.SQRT2 - 1.4;
    const farad = (part: number) => (0.5 / (100 * part * top)) * 1e6;
    expect(supplyOf({ ...wish, microfarad: farad(0.29) }).rough).toBe(false);
    expect(supplyOf({ ...wish, microfarad: farad(0.31) }).rough).toBe(true);
    expect(supplyOf({ ...wish, secondaryV: 0.5 }).loadedV).toEqual([0, 0, 0]);
    for (const bad of [{ secondaryV: 0 }, { mainsHz: -50 }, { microfarad: 0 }])
      expect(() => supplyOf({ ...wish, ...bad })).toThrow();
  });
  it('load and reservoir from the ripple are each other’s inverse; 100 V on 120 V is 20 % over', () => {
    expect(loadFromRipple(2, 100, 1000)).toBeCloseTo(0.2, 12);
    expect(reservoirFromRipple(2, 100, 0.2)).toBeCloseTo(1000, 9);
    expect(mainsExcess(100, 120)).toBeCloseTo(20, 9);
    expect(mainsExcess(240, 230)).toBeCloseTo(-4.1667, 4);
    // 230 V at 10 VA is 5290 ohm of load: a twentieth to an eighth of it.
    expect(primaryOhms(230, 10)).toEqual([expect.closeTo(264.5, 6), expect.closeTo(661.25, 6)]);
  });
});

describe('a charge', () => {
  it('311 V on 1000 uF: ten kilohm, 9.7 W at the start, a 10 W one, half a minute, 48 J', () => {
    const bleed = bleedFor(311, 1000, 35);
    expect([bleed.ohm, bleed.ratedW]).toEqual([10_000, 10]);
    expect(bleed.startW).toBeCloseTo(311 ** 2 / 10_000, 9);
    expect(bleed.energyJ).toBeCloseTo((0.001 * 311 ** 2) / 2, 9);
    expect(bleed.seconds).toBeCloseTo(10_000 * 0.001 * 1.2 * Math.log(311 / 35), 6);
  });
  it('the smallest that takes ten watts at most; under its limit there is nothing to wait for', () => {
    // 31.6 V across 100 ohm are ten watts.
    expect(bleedFor(31.6, 100, 10).ohm).toBe(100);
    expect(bleedFor(31.7, 100, 10).ohm).toBe(220);
    expect(bleedFor(5, 100, 35).seconds).toBe(0);
    // Three a decade, from 100 ohm to 100 kilohm: each bears its ten watts, √(10 W · R).
    for (const ohm of [100, 220, 470, 1000, 2200, 4700, 10_000, 22_000, 47_000, 100_000])
      expect(bleedFor(0.999 * Math.sqrt(10 * ohm), 1, 1).ohm).toBe(ohm);
    // 2 kV into the largest at hand are 40 W: the next rating is 50; 3 kV are 90, which none bears.
    expect(bleedFor(2000, 1, 35)).toMatchObject({ ohm: 100_000, ratedW: 50 });
    expect(bleedFor(3000, 1, 35).ratedW).toBe(90);
  });
  it('takes the next rating made: half a watt, 1, 2, 5, 10, 25, 50; one that is just reached bears it', () => {
    const rated = (watts: number) => bleedFor(Math.sqrt(100 * watts), 1, 1).ratedW;
    expect([0.2, 0.51, 1.9, 2.1, 5.1].map(rated)).toEqual([0.5, 1, 2, 5, 10]);
    expect([1, 4].map(rated)).toEqual([1, 5]);
    expect(bleedFor(1500, 1, 35).ratedW).toBe(25);
  });
  it('two readings tell when: 311 V, a minute later 200, reach 35 after 237 s', () => {
    const at = (volts: number, atS: number) => ({ volts, atS });
    expect(timeToLimit(at(311, 0), at(200, 60), 35)).toBeCloseTo(237, 0);
    expect(timeToLimit(at(100, 10), at(50, 20), 25)).toBeCloseTo(10, 9);
    expect(timeToLimit(at(100, 0), at(30, 10), 35)).toBe(0);
    expect(timeToLimit(at(100, 0), at(0.8, 10), 35)).toBe(0);
    for (const [first, second] of [
      [at(100, 0), at(100, 10)],
      [at(100, 0), at(120, 10)],
      [at(100, 10), at(50, 10)],
      [at(100, 0), at(0, 10)],
    ] as const)
      expect(timeToLimit(first, second, 35)).toBeNull();
  });
});

describe('a limit at first power', () => {
  it('fits from the unit’s own current to three times it', () => {
    // 100 W on 200 V take half an ampere.
    const verdict = (value: number) => limitSum('fuse', value, 200, 100).verdict;
    expect([0.49, 0.5, 1.5, 1.51].map(verdict)).toEqual(['tight', 'fits', 'fits', 'loose']);
    expect(limitSum('lamp', 60, 230, 30)).toMatchObject({ limitA: expect.closeTo(0.2609, 4) as unknown });
    expect(limitSum('current', 1, 230, 30).limitA).toBe(1);
    expect(() => limitSum('fuse', 0, 230, 30)).toThrow();
  });
  it('is proposed as the smallest that lets half as much again through', () => {
    // 30 W on 230 V: 0.196 A wanted, 0.2 is the next fuse; 45 W of lamp wanted, 60 is the next.
    expect(proposedLimit('fuse', 230, 30)).toBe(0.2);
    expect(proposedLimit('lamp', 230, 30)).toBe(60);
    expect(proposedLimit('fuse', 230, 1e6)).toBe(32);
    expect(proposedLimit('lamp', 230, 1e6)).toBe(1000);
  });
});

describe('a resistor for another speed', () => {
  it('45 to 78 on 41.07 kohm is 56 kohm parallel, and back', () => {
    expect(addedFor('1/R', 41_070, 45, 78)).toEqual({ how: 'parallel', ohm: expect.closeTo(56_000, -2) as unknown });
    expect(fittedFrom('1/R', { how: 'parallel', ohm: 56_000 }, 45, 78)).toBeCloseTo(41_067, 0);
    expect(speedWith('1/R', 41_070, 45, { how: 'parallel', ohm: 56_000 })).toBeCloseTo(78, 1);
    // A contact of a kilohm stands with the added one: 57 instead of 56.
    expect(speedWith('1/R', 41_070, 45, { how: 'parallel', ohm: 56_000 }, 1000)).toBeCloseTo(45 * (1 + 41.07 / 57), 6);
  });
  it('slower is in series; as a reference the two change places', () => {
    expect(addedFor('1/R', 10_000, 45, 30)).toEqual({ how: 'series', ohm: expect.closeTo(5000, 6) as unknown });
    expect(addedFor('R', 10_000, 30, 45)).toEqual({ how: 'series', ohm: expect.closeTo(5000, 6) as unknown });
    expect(addedFor('R', 10_000, 45, 30)).toEqual({ how: 'parallel', ohm: expect.closeTo(20_000, 6) as unknown });
    expect(speedWith('R', 10_000, 30, { how: 'series', ohm: 5000 })).toBeCloseTo(45, 9);
    expect(fittedFrom('R', { how: 'series', ohm: 5000 }, 30, 45)).toBeCloseTo(10_000, 6);
    expect(addedFor('1/R', 10_000, 45, 45)).toBeNull();
    expect(fittedFrom('1/R', { how: 'parallel', ohm: 56_000 }, 78, 45)).toBeNull();
  });
  it('the law shows in two readings: half the ohms, twice the speed or half of it', () => {
    expect(lawFrom(1000, 45, 500, 90)).toBe('1/R');
    expect(lawFrom(1000, 90, 500, 45)).toBe('R');
    expect(lawFrom(1000, 45, 500, 45)).toBeNull();
    expect(lawFrom(1000, 45, 1000, 90)).toBeNull();
  });
  it('a zener of 5.6 V fed by 470 ohm from 12 V at a load of 5 mA keeps 8.6 mA, 48 mW', () => {
    const { amps, watts } = zenerAt(12, 5.6, 470, 0.005);
    expect(amps).toBeCloseTo(6.4 / 470 - 0.005, 12);
    expect(watts).toBeCloseTo((6.4 / 470 - 0.005) * 5.6, 12);
    expect(zenerAt(6, 5.6, 470, 0.005)).toEqual({ amps: 0, watts: 0 });
  });
});

describe('a firing angle from its share', () => {
  it('goes from nought at all of it to 180 degrees at nothing; more or less there is not', () => {
    for (const meter of ['average', 'true r.m.s.'] as const) {
      expect(firingAngle(1, meter)).toBeCloseTo(0, 6);
      expect(firingAngle(0, meter)).toBeCloseTo(180, 3);
      expect([firingAngle(-0.01, meter), firingAngle(1.01, meter)]).toEqual([null, null]);
    }
  });
});

describe('a date code', () => {
  it('has weeks from 1 to 53, and years from 1950 to this one: two figures to come are of the last century', () => {
    const read = (text: string) => {
      const found = readDateCode(text, 2026);
      return found && `${found.year} ${found.week}`;
    };
    expect(['202601', '2653', '195001', '9912', '18W42'].map(read)).toEqual([
      '2026 1',
      '2026 53',
      '1950 1',
      '1999 12',
      '2018 42',
    ]);
    expect(['202701', '194952', '2712', '202654', '202600', '20261'].map(read)).toEqual(Array(6).fill(null));
  });
});

describe('windings', () => {
  it('of a star stand behind the pairs: 2.3, 2.3 and 2.0 are 1.0, 1.3 and 1.0', () => {
    expect(starPhases([2.3, 2.3, 2.0]).map((one) => Number(one.toFixed(9)))).toEqual([1, 1.3, 1]);
    expect(imbalancePercent([1, 1.3, 1])).toBeCloseTo(100 * (0.3 / 1.1), 9);
  });
  it('of a delta of three equal phases read two thirds of one', () => {
    expect(deltaPhases([2, 2, 2])).toEqual([3, 3, 3].map((one) => expect.closeTo(one, 9) as number));
    // Phases of 6, 3 and 2 ohm: each pair is one of them beside the other two in series.
    const pair = (one: number, others: number) => (one * others) / (one + others);
    const [ab, bc, ca] = deltaPhases([pair(6, 5), pair(3, 8), pair(2, 9)]);
    expect([ab, bc, ca]).toEqual([6, 3, 2].map((one) => expect.closeTo(one, 9) as number));
  });
  it('copper of 10 ohm at 20 °C reads 12.16 at 75, aluminium 12.24; the degrees come back', () => {
    expect(resistanceAt(10, 20, 75, 'copper')).toBeCloseTo((10 * 310) / 255, 9);
    expect(resistanceAt(10, 20, 75, 'aluminium')).toBeCloseTo((10 * 300) / 245, 9);
    expect(temperatureBy(10, 20, (10 * 310) / 255, 'copper')).toBeCloseTo(75, 9);
    expect(temperatureBy(10, 20, 10, 'aluminium')).toBeCloseTo(20, 9);
  });
});
