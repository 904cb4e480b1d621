/** Trims of the practice's machines under a screwdriver: turns add up, there and back is where it was. */
import { describe, expect, it } from 'vitest';
import { PRACTICE_MACHINES } from './index.js';

const TRIMMED = PRACTICE_MACHINES.filter(({ trims }) => trims.length > 0).flatMap(({ id, trims }) =>
  trims.map((trim) => [id, trim] as const),
);
const fresh = (id: string) => {
  const machine = PRACTICE_MACHINES.find((one) => one.id === id);
  if (!machine) throw new Error(id);
  return machine.unit([], 4);
};
const SPEED = ['platter.rpm', 'rotor.rpm', 'capstan.rpm', 'tape.error.percent'];
/** The speed at a trim's own setting, where the machine has one of that name. */
const speedOf = (unit: ReturnType<typeof fresh>, trim: string) => {
  const seen = unit.moment(/^\d/.test(trim) ? { setting: trim } : {});
  const name = SPEED.find((one) => seen[one] !== undefined);
  if (!name) throw new Error(`no speed in ${Object.keys(seen).join(' ')}`);
  return seen[name] as number;
};

describe.each(TRIMMED)('%s, trim %s', (id, trim) => {
  it('a quarter and a quarter are a half', () => {
    const [twice, once] = [fresh(id), fresh(id)];
    twice.turn(trim, 0.25);
    twice.turn(trim, 0.25);
    once.turn(trim, 0.5);
    expect(speedOf(twice, trim)).toBeCloseTo(speedOf(once, trim), 9);
  });

  it('a turn moves the speed, back again it is as it was, and the other way it moves the other way', () => {
    // Each a unit of its own, looked at once: what wavers wavers alike.
    const after = (...turns: readonly number[]) => {
      const unit = fresh(id);
      for (const one of turns) unit.turn(trim, one);
      return speedOf(unit, trim);
    };
    const was = after();
    const up = after(0.1) - was;
    expect(Math.abs(up)).toBeGreaterThan(1e-3);
    expect(after(0.1, -0.1)).toBeCloseTo(was, 9);
    expect(Math.sign(after(-0.1) - was)).toBe(-Math.sign(up));
  });
});

it('a trim that the machine has not moves nothing', () => {
  const [turned, left] = [fresh('turntable-dc'), fresh('turntable-dc')];
  turned.turn('78', 2);
  expect(speedOf(turned, '33')).toBe(speedOf(left, '33'));
});
