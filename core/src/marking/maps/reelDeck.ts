/** The open-reel deck. */
import { reelDeck } from '../../practice/index.js';
import { usualCondition, type FamilyMap } from '../family.js';
import { firstOf, speedError, speedWord, type Look } from '../look.js';
import { FIRST_TESTS, SUPPLY_FAULTS, SUPPLY_TESTS } from './shared.js';

const pulls = (quantity: string, none: string, weak: string) => (look: Look) => {
  const part = look.eye(quantity);
  return part < 0.08 ? none : part < 0.6 ? weak : 'pulls';
};

/** Torque resistor, capacitor and winding of one reel. */
const reelOhms = (reel: string, high: string | null) =>
  firstOf(
    'in-value',
    ['winding-open', (look) => !Number.isFinite(look.see(`${reel}.ohm`).mean)],
    ['resistor-open', (look) => look.meter(`${reel}.resistor.part`) < 0.05],
    ['capacitor-weak', (look) => look.meter(`${reel}.capacitor.part`) < 0.7],
    ...(high === null ? [] : [[high, (look: Look) => look.meter(`${reel}.resistor.part`) > 1.3] as const]),
  );

/** Modes and tests of the deck. */
export const reelDeckMap: FamilyMap = {
  family: 'open-reel',
  machine: reelDeck,
  // Its capstan runs on the mains.
  absent: ['servo', 'fg', 'control-volts'],
  tone: { error: 'tape.error.percent', lines: (at) => [{ percent: at['warble.percent'] ?? 0, hz: 5 }] },
  condition: (context) => ({
    ...usualCondition(context),
    mode: context.place === 'end' || context.place === 'start' ? context.place : (context.mode ?? ''),
  }),
  faults: {
    ...SUPPLY_FAULTS,
    'lamp-dead': 'lamps.dark',
    'relay-dead': 'logic.dead',
    'end-switch': 'logic.tension-arm',
    'pole-open': 'switching.dirty',
    'pole-stuck': 'switching.stuck',
    'capacitor-open': 'run.open',
    'capacitor-weak': 'run.value',
    'motor-gummed': 'motor.gummed',
    'motor-dry': 'motor.dry',
    'motor-seized': 'motor.seized',
    'winding-open': 'motor.winding',
    'belt-slips': 'belt.slips',
    'belt-off': 'belt.off',
    'other-step': 'belt.step',
    'capstan-dry': 'belt.bearing',
    'pinch-hard': 'pinch.hard',
    solenoid: 'pinch.solenoid',
    'holdback-high': 'supply-reel.tap',
    'supply-reel-resistor': 'supply-reel.resistor',
    'supply-reel-weak': 'supply-reel.weak',
    'supply-reel-dead': 'supply-reel.dead',
    'take-up-reel-resistor': 'take-up-reel.resistor',
    'take-up-reel-weak': 'take-up-reel.weak',
    'take-up-reel-dead': 'take-up-reel.dead',
    'brakes-worn': 'brakes.worn',
    'brakes-drag': 'brakes.drags',
  },
  tests: {
    ...FIRST_TESTS,
    ...SUPPLY_TESTS,
    lamps: (look) => (look.see('lamps').mean > 0 ? 'lit' : 'dark'),
    'play-19': speedError('tape.error.percent'),
    'play-9': speedError('tape.error.percent'),
    'play-end': speedError('tape.error.percent'),
    'play-warm': speedError('tape.error.percent'),
    warble: (look) => (look.eye('warble.percent') > 0.25 ? 'warbles' : 'steady'),
    winds: pulls('wind.part', 'not-at-all', 'weak'),
    rewinds: pulls('rewind.part', 'not-at-all', 'weak'),
    'take-up': pulls('take-up.part', 'none', 'slack'),
    stop: (look) => {
      const part = look.eye('stop.part');
      return part < 0.55 ? 'loops' : part > 1.4 ? 'snatches' : 'clean';
    },
    'reels-by-hand': (look) => {
      const dragging = ['supply-reel.drag', 'take-up-reel.drag'].filter((reel) => look.see(reel).mean > 0.1).length;
      return dragging === 2 ? 'both-drag' : dragging === 1 ? 'one-drags' : 'free';
    },
    'motor-noise': firstOf(
      'quiet',
      ['knocks', (look) => look.eye('motor.knock') > 0.45],
      ['hums', (look) => look.eye('motor.hum') > 0.33],
    ),
    'capstan-look': speedWord('capstan.error.percent', 1.5),
    'holdback-balance': (look) => ({ value: look.meter('holdback.gram'), unit: 'g' }),
    'pinch-look': (look) => (look.eye('pinch.hard') > 0.2 ? 'hard-or-glazed' : 'soft'),
    'pinch-home': (look) => (look.see('pinch.home').mean > 0 ? 'pulled-home' : 'stays-away'),
    'tape-end': firstOf(
      'order-comes',
      ['switch-open', (look) => !Number.isFinite(look.see('end.switch.ohm').mean)],
      ['switch-sound-no-order', (look) => look.see('relay.dead').mean > 0],
    ),
    'lamp-ohms': (look) => (Number.isFinite(look.see('lamps.ohm').mean) ? 'sound' : 'dead'),
    'switch-ohms': firstOf(
      'all-make',
      ['one-open', (look) => look.see('pole.open').mean > 0],
      ['does-not-change-over', (look) => look.see('pole.stuck').mean > 0],
    ),
    'run-capacitors': firstOf(
      'in-value',
      ['open', (look) => look.meter('capacitor.part') < 0.05],
      ['out-of-value', (look) => Math.abs(look.meter('capacitor.part') - 1) > 0.2],
    ),
    'motor-spin': firstOf(
      'coasts-alike',
      ['will-not-turn', (look) => !Number.isFinite(look.see('shaft.drag.times').mean)],
      ['one-winding-open', (look) => !Number.isFinite(look.see('winding.a.ohm').mean + look.see('winding.b.ohm').mean)],
      ['drags', (look) => look.eye('shaft.drag.times') > 3],
      ['dry', (look) => look.eye('shaft.rough') > 0.7],
    ),
    'belt-look': firstOf(
      'sound-coasts',
      ['off', (look) => look.see('belt.there').mean === 0],
      ['other-step', (look) => Math.abs(look.see('belt.step').mean - 1) > 0.05],
      ['slack-or-oily', (look) => look.eye('belt.slack') > 0.012],
      ['flywheel-drags', (look) => look.eye('flywheel.coast.s') < 18],
    ),
    'supply-reel-ohms': reelOhms('supply-reel', 'tap-set-high'),
    'take-up-reel-ohms': reelOhms('take-up-reel', null),
    'brake-look': firstOf(
      'dry-and-lifting',
      ['one-does-not-lift', (look) => look.see('supply-reel.drag').mean > 0.1],
      ['worn-or-oily', (look) => look.eye('stop.part') < 0.55],
    ),
  },
};
