/**
 * Ways round the usual mends, by family: out of a donor, something else in its place, past a part for good, thicker
 * oil (common practice, no source). Nothing here leads round what protects: those faults stand in `guards`, and a path
 * whose bypass or jumper touches one does not load. Money in the shop's currency, our guesses.
 */
import { repair } from '../path/build.js';
import type { MendWay, PathRepair } from '../path/schema.js';
import { GLUE_SCHOOL, OIL_SCHOOL } from '../shared/schools.js';

type More = NonNullable<Parameters<typeof repair>[5]>;
/** What stands beside the mends of a family. */
export interface Ways {
  readonly ways: PathRepair[];
  readonly guards: string[];
}

export const way = (
  kind: MendWay,
  ...[id, name, cures, handsMin, level, more]: Parameters<typeof repair>
): PathRepair => repair(id, name, cures, handsMin, level, { ...more, way: kind });

/** A motor out of another unit: as old as this one. */
export const donorMotor = (cures: readonly string[], handsMin: number, level: string, money: number, more: More = {}) =>
  way('donor', 'donor-motor', 'Fit the motor out of a donor', cures, handsMin, level, {
    money,
    residual: 0.2,
    risks: 'as old as this one: hear it run before it goes in',
    ...more,
  });

/** The fault is led round by fixing what could be chosen. */
export const oneSpeed = (cures: readonly string[], level: string) =>
  way('jumper', 'one-speed', 'Wire one speed fast, past its switch', cures, 15, level, {
    residual: 0.02,
    loses: 'the other speed',
  });

export const pitchFixed = (cures: readonly string[], level: string, more: More = {}) =>
  way('bypass', 'pitch-fixed', 'Fit two fixed resistors in place of the pitch pot', cures, 20, level, {
    money: 1,
    residual: 0.02,
    loses: 'the pitch control',
    gone: ['pitch'],
    retrim: true,
    ...more,
  });

export const oilSpecified = (cures: readonly string[], handsMin: number, level: string) =>
  way(
    'oil',
    'oil-specified',
    'Fill the bearing with the oil specified for it, run it in for a day',
    cures,
    handsMin,
    level,
    {
      ...OIL_SCHOOL.heavy,
      waitMin: 1440,
      money: 4,
      residual: 0.1,
    },
  );

export const outsideGovernor = (level: string) =>
  way(
    'retrofit',
    'outside-governor',
    'Fit a plain motor and a governor board of its own',
    ['governor.*', 'tacho.*', 'motor.*'],
    60,
    level,
    {
      money: 30,
      residual: 0.1,
      loses: 'the motor it was built with',
      risks: 'the sense of rotation, and volts over the governor’s ceiling',
      retrim: true,
    },
  );

export const recrimp = (level: string) =>
  way('repair', 'recrimp', 'Crimp the retainer of the motor again', ['motor.retainer'], 20, level, {
    ...GLUE_SCHOOL.crimp,
    residual: 0.45,
    risks: 'a magnet that chips turns to grit in the motor',
  });

/** Fuse and the case on earth, where the family has its mains inside. */
export const MAINS = ['plug.fuse', 'plug.frame'];
