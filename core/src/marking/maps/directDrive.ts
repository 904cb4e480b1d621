/** How the tests of a platter that is its own rotor are made on a machine. */
import { firstOf, type Answer, type Look, type TestMap } from '../look.js';

const pairs = (look: Look): number[] => [1, 2, 3].map((i) => look.see(`coil.${i}.ohm`).mean);

/** A speed error in percent, or the word for a rotor that quivers. */
export const rotorSpeed =
  (wanders: string, error = 'platter.error.percent') =>
  (look: Look): Answer | string => {
    if (look.see('rotor.quivers').mean > 0) return 'quivers';
    const { mean, spread } = look.see(error);
    if (mean < -95) return 'still';
    if (spread > 0.5) return wanders;
    return { value: Math.min(999, mean), unit: '%' };
  };

/** A sink pressed on the chip: does it come right? */
export const sinkHelps =
  (error: string) =>
  (look: Look): string => {
    const { mean, spread } = look.see(error);
    return Math.abs(mean) < 1.2 && spread < 0.5 ? 'comes-right' : 'still-wrong';
  };

/** Stator, Halls, chip, FG head, bearing. */
export const ROTOR_TESTS: TestMap = {
  'fg-scope': (look) => {
    const part = look.see('fg.part').mean;
    return part < 0.05 ? 'none' : part < 0.5 ? 'weak' : 'clean-sine';
  },
  'phases-scope': firstOf(
    'right',
    ['none', (look) => look.meter('phases.V') < 0.2],
    ['one-missing', (look) => look.see('phases.missing').mean > 0],
    ['weak', (look) => look.meter('phases.V') < 0.7 * look.see('phases.wanted.V').mean],
    ['full', (look) => look.see('phases.full').mean > 0],
  ),
  'coil-ohms': firstOf(
    'alike',
    ['plug-off', (look) => look.see('coil.plug.off').mean > 0],
    ['one-open', (look) => pairs(look).some((one) => !Number.isFinite(one))],
    ['one-low', (look) => Math.min(...pairs(look)) < 0.85 * Math.max(...pairs(look))],
  ),
  'hall-volts': firstOf(
    'all-toggle',
    ['one-does-not', (look) => look.see('hall.stuck').mean > 0],
    ['one-barely-does', (look) => look.see('hall.weak').mean > 0],
  ),
  'chip-touch': firstOf(
    'alike',
    ['dead-short-or-open', (look) => look.see('chip.dead').mean > 0],
    ['one-differs', (look) => look.see('chip.leg').mean > 0],
  ),
  'fg-look': firstOf(
    'sound',
    ['open-or-off', (look) => look.see('fg.lost').mean > 0],
    ['a-spot-on-the-ring', (look) => look.see('fg.scar').mean > 0],
    ['gap-wide', (look) => look.eye('fg.gap.mm') > 0.8],
  ),
  spin: (look) => (look.eye('bearing.coast.s') < 12 ? 'drags' : 'coasts'),
  'rotor-seat': (look) => (look.see('unseated').mean > 0 ? 'not-seated' : 'seated'),
};

/** Modes of these faults. */
export const ROTOR_FAULTS: Readonly<Record<string, string>> = {
  'coil-open': 'coils.open',
  'coil-shorted': 'coils.shorted',
  'hall-dead': 'hall.one',
  'hall-weak': 'hall.weak',
  'chip-dead': 'driver.dead',
  'chip-leg': 'driver.one',
  'chip-warm': 'driver.warm',
  'fg-lost': 'fg.lost',
  'fg-gap': 'fg.weak',
  'fg-scar': 'fg.scar',
  'coil-plug': 'coils.unplugged',
  unseated: 'platter.seat',
  'bearing-dry': 'bearing.dry',
};
