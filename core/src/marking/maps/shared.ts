/** How tests that several families share are made on a machine. What counts as slack, rough or dark is common practice. */
import { firstOf, speedWord, volts, type TestMap } from '../look.js';

/** Questions before power, and the look inside. */
export const FIRST_TESTS: TestMap = {
  first: (look) => {
    if (look.see('tingles').mean > 0 && look.chance(0.6)) return 'tingled-or-tripped-the-earth-leakage-breaker';
    if (look.see('blew').mean > 0 && look.chance(0.7)) return 'blew-a-fuse';
    if (look.see('burnt').mean > 0 && look.chance(0.5)) return 'smells-burnt-or-smoked';
    return 'nothing-special';
  },
  'inside-look': (look) => (look.see('burnt').mean > 0 && look.chance(0.6) ? 'a-burnt-place' : 'nothing-burnt-dry'),
  insulation: (look) => (look.meter('insulation.Mohm') < 1 ? 'poor' : 'good'),
};

/** A mains cord without a fuse behind it. */
export const CORD_TEST: TestMap = {
  cord: firstOf(
    'through',
    // With the switch off it is the cord alone that is measured.
    ['a-lead-reaches-the-frame', (look) => look.see('cord.leak.Mohm').mean < 0.5],
    ['open', (look) => !Number.isFinite(look.see('cord.itself.ohm').mean)],
  ),
};

/** Cord to regulator. */
export const SUPPLY_TESTS: TestMap = {
  cord: firstOf(
    'through',
    // Less than half a megohm from pin to case is seen on the ohms range as well.
    ['a-lead-reaches-the-frame', (look) => look.see('insulation.Mohm').mean < 0.5],
    ['open', (look) => !Number.isFinite(look.see('cord.itself.ohm').mean)],
    ['fuse-open', (look) => !Number.isFinite(look.see('fuse.ohm').mean)],
  ),
  'transformer-look': firstOf(
    'through-and-set-right',
    ['open', (look) => !Number.isFinite(look.see('primary.ohm').mean)],
    ['set-wrong', (look) => look.see('tap.ratio').mean < 0.8],
    ['low-ohms-smells', (look) => look.meter('primary.ohm') < 0.85 * look.see('primary.expected.ohm').mean],
  ),
  'rails-ohms': (look) => (look.meter('rail.ohm') < 10 ? 'stays-near-nought' : 'charges-up'),
  'ac-volts': (look) => {
    const ac = look.meter('secondary.Vac');
    // What the transformer is made for stands on it: a fifth under that is low.
    return ac < 1 ? 'none' : ac < 0.8 * look.see('secondary.expected.Vac').mean ? 'low' : 'right';
  },
  'raw-volts': volts('reservoir.V'),
  'ripple-volts': volts('reservoir.ripple.Vpp'),
  'supply-volts': (look) =>
    look.meter('board.ripple.Vpp') > 0.05 * look.meter('board.V') + 0.1
      ? 'unsteady'
      : { value: look.meter('board.V'), unit: 'V' },
  'supply-warm': (look) =>
    look.meter('board.ripple.Vpp') > 0.05 * look.meter('board.V') + 0.1
      ? 'unsteady'
      : { value: look.meter('board.V'), unit: 'V' },
};

/** Modes of the faults that every small supply has. */
export const SUPPLY_FAULTS: Readonly<Record<string, string>> = {
  'cord-open': 'plug.open',
  'fuse-aged': 'plug.fuse',
  'lead-on-case': 'plug.frame',
  'primary-open': 'transformer.open',
  'turns-shorted': 'transformer.shorted',
  'wrong-tap': 'transformer.tap',
  'reservoir-dry': 'rectifier.dry',
  'diode-open': 'rectifier.half',
  'diodes-open': 'rectifier.open',
  'rail-shorted': 'rectifier.shorted',
  'regulator-open': 'regulator.open',
  'reference-low': 'regulator.low',
  'regulator-through': 'regulator.through',
  'joint-warm': 'regulator.joint',
  'regulator-warm': 'regulator.warm',
};

/** A governed motor with its tacho. */
export const DRIVE_TESTS: TestMap = {
  'spin-pulley': firstOf(
    'free',
    ['will-not-turn', (look) => !Number.isFinite(look.see('shaft.drag.times').mean)],
    ['clicks', (look) => look.see('shaft.click').mean > 0],
    ['stiff', (look) => look.eye('shaft.drag.times') > 3],
    ['rough', (look) => look.eye('shaft.rough') > 0.75],
  ),
  'motor-alone': speedWord('motor.error.percent', 1.5),
  'tap-motor': (look) => (look.see('motor.error.percent').mean > -95 ? 'starts' : 'stays-still'),
  'motor-noise': firstOf(
    'quiet',
    ['ticks-once-a-turn', (look) => look.see('motor.click').mean > 0],
    ['grinds', (look) => look.eye('motor.roughness') > 0.4],
  ),
  'drive-warm': volts('motor.V', 'wanders'),
  'tacho-out': (look) => {
    const toggles = look.see('hall.toggles').mean;
    return toggles > 0.9 ? 'toggles-evenly' : toggles > 0.1 ? 'uneven-or-misses' : 'nothing';
  },
  'magnet-look': firstOf(
    'firm',
    ['plug-off', (look) => look.see('hall.plug.off').mean > 0],
    ['loose-or-cracked', (look) => look.see('magnet.loose').mean > 0],
  ),
  'leads-look': (look) => (look.see('leads.crossed').mean > 0 ? 'crossed' : 'as-marked'),
  'motor-ohms': firstOf(
    'even',
    ['open', (look) => !Number.isFinite(look.see('motor.ohm').mean)],
    ['wanders', (look) => look.wanders('motor.ohm', 0.2)],
  ),
};

/** Modes of the faults that every governed motor has. */
export const DRIVE_FAULTS: Readonly<Record<string, string>> = {
  'governor-dead': 'governor.dead',
  'governor-through': 'governor.full',
  'governor-drift': 'governor.drift|trims.low-both|trims.high-both',
  'governor-weak': 'governor.weak',
  'governor-joint': 'governor.hunts',
  'governor-warm': 'governor.warm',
  'magnet-loose': 'tacho.loose',
  'hall-dead': 'tacho.dead',
  'brushes-worn': 'motor.brushes',
  'brushes-lifted': 'motor.brushes-dead',
  'bearing-gummed': 'motor.dry',
  'bearing-stiff': 'motor.stiff',
  'bearing-noisy': 'motor.noisy',
  retainer: 'motor.retainer',
  'winding-open': 'motor.open',
  'leads-crossed': 'motor.reversed',
  'hall-unplugged': 'tacho.unplugged',
  jammed: 'motor.jammed',
};
