/** The top-load washer. */
import { washerTop } from '../../practice/index.js';
import { usualCondition, type FamilyMap } from '../family.js';
import { firstOf, volts } from '../look.js';
import { BRIDGE_FAULTS, BRIDGE_TESTS } from './bridge.js';
import { CORD_TEST, FIRST_TESTS } from './shared.js';

/** Turns of the basket of a sound one in the spin, a minute. */
const BASKET_RPM = 650;
const CODES = ['none', 'balance', 'lid', 'drive'] as const;

/** Modes and tests of the washer. */
export const washerTopMap: FamilyMap = {
  family: 'washer-top',
  machine: washerTop,
  condition: (context) => ({
    ...usualCondition(context),
    setting: 'spin',
    mode: context.phase ?? 'spin',
    loaded: context.load !== 'empty',
  }),
  faults: {
    ...BRIDGE_FAULTS,
    'cord-open': 'plug.open',
    'lead-on-case': 'plug.frame',
    'console-dead': 'display.dead',
    'lid-open': 'lid.open',
    'pump-blocked': 'pump.blocked',
    heap: 'use.load',
    'rod-off': 'basket.rod',
    'board-dead': 'board.dead',
    'drive-fuse': 'drive-feed.fuse',
    'drive-dry': 'drive-feed.dry',
    'sensor-rail': 'drive-feed.sensor-rail',
    'sensor-loose': 'sensor.loose',
    'sensor-pins': 'sensor.plug',
    'sensor-dead': 'sensor.dead',
    'sensor-weak': 'sensor.weak',
    'sensor-unplugged': 'sensor.unplugged',
    'belt-slips': 'belt.slips',
    'belt-off': 'belt.off',
  },
  tests: {
    ...FIRST_TESTS,
    ...BRIDGE_TESTS,
    display: (look) => (look.see('lamps').mean > 0.5 ? 'lit' : 'dark'),
    code: (look) => CODES[look.see('code').mean] ?? 'none',
    'lid-click': (look) => (look.see('locked').mean > 0.5 ? 'locks' : 'does-not'),
    spin: firstOf(
      'right',
      ['still', (look) => look.see('basket.rpm').mean < 20],
      ['wrong', (look) => look.eye('basket.rpm') < 0.8 * BASKET_RPM],
    ),
    'motor-sound': firstOf(
      'turns',
      ['hums', (look) => look.see('motor.hums').mean > 0],
      ['jerks', (look) => look.see('motor.jerks').mean > 0],
      ['silent', (look) => look.see('motor.part').mean < 0.05],
    ),
    grind: (look) => (look.eye('motor.roughness') > 0.5 ? 'grinds' : 'quiet'),
    drains: (look) => (look.see('pump.runs').mean > 0.5 ? 'runs' : 'still'),
    hang: (look) => (look.see('basket.tilts').mean > 0 ? 'tilts' : 'level'),
    'own-load': (look) => (look.eye('heap.kg') > 1.2 ? 'all-on-one-side' : 'nothing-special'),
    'lid-ohms': (look) => (Number.isFinite(look.see('lid.ohm').mean) ? 'closes' : 'stays-open'),
    'pump-look': (look) => (look.see('pump.blocked').mean > 0 ? 'blocked' : 'free'),
    'console-supply': (look) => (Number.isFinite(look.see('console.ohm').mean) ? 'through' : 'open'),
    'drive-fuse': (look) => (Number.isFinite(look.see('drive.fuse.ohm').mean) ? 'through' : 'open'),
    'drive-capacitor': (look) => (look.eye('drive.esr.ohm') > 5 ? 'dried-out' : 'in-tolerance'),
    'sensor-look': firstOf(
      'tight-and-bright',
      ['plug-off', (look) => look.see('sensor.unplugged').mean > 0],
      ['loose', (look) => look.eye('sensor.gap.mm') > 2.4],
      ['corroded', (look) => look.see('sensor.pins.ohm').mean > 20],
    ),
    'sensor-feed': volts('sensor.feed.V'),
    'sensor-out': firstOf(
      'toggles',
      ['stuck', (look) => look.see('sensor.feed.V').mean < 1],
      ['steady-half', (look) => look.see('sensor.half').mean > 0],
      ['misses', (look) => look.see('sensor.toggles').mean < 0.9],
    ),
    'belt-look': firstOf(
      'sound',
      ['off', (look) => look.see('belt.there').mean === 0],
      ['slack-or-slips', (look) => look.eye('belt.slack') > 0.12],
    ),
    'motor-spin': (look) => (look.eye('shaft.rough') > 0.5 ? 'grinds' : 'free'),
    // A board that is known to be good, put in for once.
    'board-command': (look) => (look.see('board.dead').mean > 0 ? 'cured' : 'the-same'),
    'rod-look': (look) => (look.see('basket.tilts').mean > 0 ? 'worn-or-off' : 'sound'),
    ...CORD_TEST,
  },
};
