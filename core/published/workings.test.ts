/**
 * Sums of the bench against values written down beforehand: definitions and handbook formulae worked by hand,
 * IEC 60063 (values of E12 and E24), IEC 60034-1 (copper 235), catalogue limits, all from memory where no
 * definition stands behind them; the rest is common practice of the trade.
 */
import { describe, expect, it } from 'vitest';
import {
  averageShare,
  firingAngle,
  imbalancePercent,
  lampNumbers,
  loadFromRipple,
  nearestOf,
  resistanceAt,
  rmsShare,
  addedFor,
  speedWith,
  starPhases,
  deltaPhases,
  supplyOf,
  type Three,
} from '../src/circuit/index.js';

describe('supply (handbook formulae)', () => {
  it('23 V r.m.s. into a bridge without load: 31.1 V; 27.5 V is 12 % below', () => {
    const { idleV } = supplyOf({
      rectifier: 'bridge',
      secondaryV: 23,
      mainsHz: 50,
      loadA: 0,
      microfarad: 2200,
      sag: 0,
    });
    expect(idleV[1]).toBeCloseTo(31.13, 2);
    expect(100 * (27.5 / idleV[1] - 1)).toBeCloseTo(-11.7, 1);
  });

  it('0.6 V of ripple at 100 Hz on 2200 µF is 132 mA, and 132 mA make it', () => {
    expect(loadFromRipple(0.6, 100, 2200)).toBeCloseTo(0.132, 6);
    const sum = supplyOf({
      rectifier: 'bridge',
      secondaryV: 23,
      mainsHz: 50,
      loadA: 0.132,
      microfarad: 2200,
      sag: 0.1,
    });
    expect(sum.rippleV).toBeCloseTo(0.6, 6);
    expect(sum.rippleHz).toBe(100);
    // √2 · 20.7 − 1.4 − 0.3 = 27.57: the small deck that reads 27.5 V loaded is healthy (common practice).
    expect(sum.loadedV[1]).toBeCloseTo(27.57, 2);
  });

  it('a centre tap of 11.5 + 11.5 V gives half of it, at twice the mains; half-wave at the mains', () => {
    const tap = supplyOf({
      rectifier: 'centre-tap',
      secondaryV: 11.5,
      mainsHz: 60,
      loadA: 0,
      microfarad: 1000,
      sag: 0,
    });
    expect(tap.idleV[1]).toBeCloseTo(Math.SQRT2 * 11.5 - 0.7, 9);
    expect(tap.rippleHz).toBe(120);
    expect(
      supplyOf({ rectifier: 'half-wave', secondaryV: 12, mainsHz: 50, loadA: 0, microfarad: 1000, sag: 0 }).rippleHz,
    ).toBe(50);
  });
});

describe('preferred values (IEC 60063, from memory)', () => {
  /** Every value that a series gives over a decade, found by walking through it. */
  const valuesOf = (series: 'E12' | 'E24' | 'E96') => [
    ...new Set(Array.from({ length: 4000 }, (_, i) => nearestOf(series, 100 * 10 ** (i / 4000)).toFixed(1))),
  ];
  const E24 = [
    100, 110, 120, 130, 150, 160, 180, 200, 220, 240, 270, 300, 330, 360, 390, 430, 470, 510, 560, 620, 680, 750, 820,
    910,
  ];

  it('E24 has its twenty-four values, E12 every other one', () => {
    expect(valuesOf('E24').map(Number)).toEqual([...E24, 1000]);
    expect(valuesOf('E12').map(Number)).toEqual([...E24.filter((_, i) => i % 2 === 0), 1000]);
  });

  it('E96 has the values of the table at both ends and in between', () => {
    const found = valuesOf('E96').map(Number);
    expect(found).toHaveLength(97);
    expect(found.slice(0, 8)).toEqual([100, 102, 105, 107, 110, 113, 115, 118]);
    expect(found.slice(44, 48)).toEqual([287, 294, 301, 309]);
    expect(found.slice(-5)).toEqual([909, 931, 953, 976, 1000]);
  });

  it.each([
    ['E12', 56200, 56000],
    ['E24', 57000, 56000],
    ['E96', 57000, 57600],
    ['E12', 9.6, 10],
    ['E24', 0.96, 1],
  ] as const)('%s next to %d is %d', (series, ohm, wanted) => {
    expect(nearestOf(series, ohm) / wanted).toBeCloseTo(1, 9);
  });
});

describe('a third speed', () => {
  it('56 kΩ across 41.07 kΩ turns 45 into 78.0, 57 kΩ into 77.42', () => {
    expect(addedFor('1/R', 41070, 45, 78)).toEqual({ how: 'parallel', ohm: expect.closeTo(56004.5, 0) });
    expect(speedWith('1/R', 41070, 45, { how: 'parallel', ohm: 56000 })).toBeCloseTo(78.0, 1);
    expect(speedWith('1/R', 41070, 45, { how: 'parallel', ohm: 57000 })).toBeCloseTo(77.42, 2);
  });

  it('a part of one percent moves it by 0.42 %', () => {
    const one = (k: number) => 100 * (speedWith('1/R', 41070, 45, { how: 'parallel', ohm: 56000 * k }) / 78 - 1);
    expect(one(0.99) - one(1)).toBeCloseTo(0.43, 1);
    expect(one(1) - one(1.01)).toBeCloseTo(0.42, 1);
  });
});

describe('windings', () => {
  it('star pairs 2.3, 2.3, 2.0 are 1.0, 1.3, 1.0: 27 % apart, the pairs 13.6 %', () => {
    const phases = starPhases([2.3, 2.3, 2]);
    [1, 1.3, 1].forEach((ohm, i) => expect(phases[i]).toBeCloseTo(ohm, 9));
    expect(imbalancePercent(phases)).toBeCloseTo(27.3, 1);
    expect(imbalancePercent([2.3, 2.3, 2])).toBeCloseTo(13.6, 1);
  });

  it('a delta of 3, 6 and 9 Ω reads 2.5, 4 and 4.5 Ω between its leads, and comes back', () => {
    const read: Three = [(3 * 15) / 18, (6 * 12) / 18, (9 * 9) / 18];
    deltaPhases(read).forEach((ohm, i) => expect(ohm).toBeCloseTo([3, 6, 9][i] as number, 9));
  });

  it('copper from 20 to 80 °C has 1.235 times its ohms, aluminium 1.245 (IEC 60034-1, from memory)', () => {
    expect(resistanceAt(1, 20, 80, 'copper')).toBeCloseTo(1.235, 3);
    expect(resistanceAt(1, 20, 80, 'aluminium')).toBeCloseTo(1.245, 3);
  });
});

describe('phase control (handbook table)', () => {
  it.each([
    [30, 0.985, 0.933],
    [60, 0.897, 0.75],
    [90, 0.707, 0.5],
    [120, 0.442, 0.25],
    [150, 0.17, 0.067],
  ])('at %d degrees true r.m.s. is %d, an average meter shows %d', (degrees, rms, average) => {
    expect(rmsShare(degrees)).toBeCloseTo(rms, 3);
    expect(averageShare(degrees)).toBeCloseTo(average, 3);
    expect(firingAngle(rmsShare(degrees), 'true r.m.s.')).toBeCloseTo(degrees, 6);
    expect(firingAngle(averageShare(degrees), 'average')).toBeCloseTo(degrees, 6);
  });

  it('the shares agree with the integral of the wave itself', () => {
    for (const degrees of [10, 75, 140]) {
      const steps = 20000;
      let [square, mean] = [0, 0];
      for (let i = 0; i < steps; i++) {
        const at = (Math.PI * (i + 0.5)) / steps;
        if (at < (degrees * Math.PI) / 180) continue;
        square += Math.sin(at) ** 2 / steps;
        mean += Math.sin(at) / steps;
      }
      expect(rmsShare(degrees)).toBeCloseTo(Math.sqrt(2 * square), 4);
      expect(averageShare(degrees)).toBeCloseTo((mean * Math.PI) / 2, 4);
    }
  });
});

it('0 1 1 0 1 0 is 26, inverted 37, mirrored 22', () => {
  expect(lampNumbers([false, true, true, false, true, false])).toEqual({ asShown: 26, inverted: 37, mirrored: 22 });
});
