/** What power does to a direct drive with a fault: a chip that feeds too few ohms burns, once, and only while it is fed. */
import { describe, expect, it } from 'vitest';
import { seeded } from '../../numeric/index.js';
import { smallSupply } from '../electric/supply.js';
import { directDrive, directHarm, type DirectDrive } from './directDrive.js';

const random = () => seeded(7);
const harm = (rotor: Partial<DirectDrive>, fed = true) => {
  const supply = smallSupply(random(), { secondaryV: 16, regulatorV: 12, loadA: 0.2 });
  return directHarm({
    supply: fed ? supply : { ...supply, cordOpen: true },
    rotor: { ...directDrive(random()), ...rotor },
  });
};

describe('power on a direct drive', () => {
  it('harms nothing of a sound one, nor of one with an open coil', () => {
    expect(harm({})).toEqual([]);
    expect(harm({ coilOhm: [Infinity, 10, 10] })).toEqual([]);
  });

  it('burns the chip that feeds a coil of too few ohms, whichever it is', () => {
    for (const coilOhm of [
      [3, 10, 10],
      [10, 3, 10],
      [10, 10, 3],
    ] as [number, number, number][])
      expect(harm({ coilOhm })).toEqual(['the drive chip burns']);
    expect(harm({ coilOhm: [6, 10, 10] })).toEqual([]);
  });

  it('burns no chip that is dead already, and none that gets nothing', () => {
    expect(harm({ coilOhm: [3, 10, 10], chipDead: true })).toEqual([]);
    expect(harm({ coilOhm: [3, 10, 10] }, false)).toEqual([]);
  });
});
