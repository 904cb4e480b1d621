/** The two ways that the advice is held against, on a small path, minute by minute: 10 to open it, 20 and 30 for its mends. */
import { describe, expect, it } from 'vitest';
import { engineOf, observationFrom } from '../diagnosis/index.js';
import { SMALL } from '../diagnosis/smallPath.test-data.js';
import type { DrivePath } from '../families/index.js';
import type { MarkedUnit } from './family.js';
import { bestOrder, bySymptom } from './symptoms.js';

/** A unit with these faults that answers each test as told. */
function unitOf(faults: readonly string[], tells: Readonly<Record<string, string>>, more: Partial<MarkedUnit> = {}) {
  const unit: Omit<MarkedUnit, 'practice'> = {
    faults: new Set(faults),
    outside: false,
    read: (test, id) => {
      const outcome = { light: 'lit', 'motor-look': 'free', ...tells }[test.id] ?? '';
      const read = observationFrom(SMALL, { test: test.id, outcome }, id);
      if ('reason' in read) throw new Error(read.message);
      return { observation: read.observation, outcome, slip: false };
    },
    ...more,
  };
  return unit as MarkedUnit;
}
const engine = engineOf(SMALL);

describe('down the table', () => {
  it('a dark lamp is a dead supply first: bought for nothing, and the burnt lamp is never found', () => {
    // Opened, the supply renewed, the motor looked at.
    expect(bySymptom(engine, unitOf(['lamp.burnt'], { light: 'dark', 'motor-look': 'free' }))).toEqual({
      minutes: 10 + 20 + 2,
      live: 0,
      wrongParts: 1,
      found: false,
      harm: [],
    });
  });

  it('of what stands in front the mend ends the search, in the time that it takes', () => {
    expect(bySymptom(engine, unitOf(['supply.dead'], { light: 'dark' }))).toMatchObject({
      minutes: 10 + 20,
      wrongParts: 0,
      found: true,
    });
  });

  it('what a look shows is found by the look: its mend is the same for whoever found it', () => {
    const seen = bySymptom(engine, unitOf(['motor.stuck'], { light: 'lit', 'motor-look': 'stuck' }));
    expect(seen).toMatchObject({ minutes: 10 + 2, wrongParts: 0, found: true });
    // Seen where it is not: the motor is bought too, in its thirty minutes.
    const misled = bySymptom(engine, unitOf(['supply.dead'], { light: 'lit', 'motor-look': 'stuck' }));
    expect(misled).toMatchObject({ minutes: 10 + 2 + 30 + 20, wrongParts: 1, found: true });
  });

  it('of a unit with nothing wrong nothing is found', () => {
    expect(bySymptom(engine, unitOf([], {})).found).toBe(false);
    expect(bySymptom(engine, unitOf([], { light: 'lit' }))).toMatchObject({ minutes: 0, found: false });
  });

  it('what is looked at with the power on counts as live where it is probed, and does what power does', () => {
    const live: DrivePath = {
      ...SMALL,
      tests: SMALL.tests.map((one) => (one.id === 'motor-look' ? { ...one, power: 'powered', probe: true } : one)),
    };
    const gone = bySymptom(
      engineOf(live),
      unitOf(['motor.stuck'], { light: 'lit', 'motor-look': 'stuck' }, { harm: () => ['burnt'] }),
    );
    // Two minutes for clips and plug.
    expect(gone).toMatchObject({ minutes: 10 + 2 + 2, live: 1, harm: ['burnt'] });
  });

  it('a fault that physics shows as another is cured by the mend of either', () => {
    const alike = { alike: () => ['motor.stuck', 'supply.dead'] };
    expect(bySymptom(engine, unitOf(['motor.stuck'], { light: 'dark' }, alike))).toMatchObject({
      minutes: 10 + 20,
      found: true,
    });
  });
});

describe('who knows the fault', () => {
  it('confirms it by a look, or mends it where none shows it; opened once for all', () => {
    const best = (...faults: string[]) => bestOrder(engine, unitOf(faults, {}));
    expect(best()).toBe(0);
    expect(best('motor.stuck')).toBe(10 + 2);
    expect(best('supply.dead')).toBe(10 + 20);
    expect(best('supply.dead', 'motor.unplugged')).toBe(10 + 20 + 2);
    // No look shows it and no mend cures it.
    expect(best('lamp.burnt')).toBe(0);
    expect(bestOrder(engine, unitOf(['supply.dead'], {}, { alike: () => ['supply.dead', 'motor.stuck'] }))).toBe(12);
  });
});
