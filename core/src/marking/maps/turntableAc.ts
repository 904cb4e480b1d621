/** The belt turntable with a synchronous motor on the mains. */
import { turntableAc } from '../../practice/index.js';
import { usualCondition, type FamilyMap } from '../family.js';
import { firstOf, type Answer, type Look } from '../look.js';
import { FIRST_TESTS } from './shared.js';
import { UNIVERSAL_TESTS } from './universal.js';

/** A speed in percent, unless it runs the wrong way round. */
const platter = (look: Look): Answer | string => {
  const { mean } = look.see('platter.error.percent');
  return mean < -110 ? 'backward' : { value: Math.max(-100, mean), unit: '%' };
};

/** Heard at the plinth: a knock before a hum. */
const hum = (look: Look): string => {
  if (look.eye('knock') > 0.45) return 'knocks-or-grinds';
  return look.eye('hum') > 0.33 ? 'hums' : 'quiet';
};

/** Modes and tests of the belt turntable on the mains. */
export const turntableAcMap: FamilyMap = {
  family: 'belt-turntable-ac',
  machine: turntableAc,
  tone: {
    error: 'platter.error.percent',
    // A belt is a little longer than the rim it runs on.
    lines: (at) => [{ percent: at['wow.belt.percent'] ?? 0, hz: (0.9 * (at['platter.rpm'] ?? 0)) / 60 }],
  },
  condition: (context) => ({
    ...usualCondition(context),
    mode: context.switch === 'off' ? 'off' : context.held === 'soft cradle' ? 'cradle' : '',
  }),
  faults: {
    'cord-open': 'plug.open',
    'lead-on-case': 'plug.frame',
    'switch-open': 'switch.open',
    'switch-ohms': 'switch.dirty',
    'spark-capacitor': 'switch.leaks',
    'switch-welded': 'switch.welded',
    'capacitor-open': 'phase.open',
    'capacitor-weak': 'phase.value',
    'dropper-open': 'phase.dropper',
    'winding-open': 'winding.open',
    'turns-shorted': 'winding.shorted',
    'winding-leaks': 'winding.frame',
    'bearing-gummed': 'motor.gummed',
    'bearing-dry': 'motor.dry',
    seized: 'motor.seized',
    'end-cap': 'motor.cap',
    'mount-hard': 'mount.hard',
    'pulley-slips': 'pulley.loose',
    'pulley-mains': 'pulley.mains',
    'belt-slips': 'belt.slips',
    'belt-stiff': 'belt.snatches',
    'belt-off': 'belt.off',
    'platter-dry': 'bearing.dry',
    'platter-worn': 'bearing.worn',
  },
  tests: {
    ...FIRST_TESTS,
    cord: UNIVERSAL_TESTS.cord as (look: Look) => string,
    platter,
    'platter-warm': platter,
    hum,
    'off-hum': (look) => (look.eye('hum') > 0.25 || look.see('motor.rpm').mean > 5 ? 'hums-or-turns' : 'quiet'),
    'off-turns': (look) => (Math.abs(look.see('motor.rpm').mean) > 5 ? 'turns' : 'still'),
    buzz: (look) => (look.eye('buzz.plinth') > 0.33 ? 'buzzes' : 'none'),
    cradle: (look) => (look.eye('buzz.plinth') > 0.33 ? 'still-buzzes' : 'gone'),
    rumble: (look) => (look.eye('rumble') > 0.5 ? 'rumbles' : 'none'),
    wow: (look) => (look.eye('wow.belt.percent') > 0.25 ? 'uneven' : 'even'),
    'belt-look': firstOf(
      'sound',
      ['off', (look) => look.see('belt.there').mean === 0],
      ['slack-or-shiny', (look) => look.eye('belt.slack') > 0.012],
      ['stiff-or-sticky', (look) => look.eye('belt.stiff') > 0.25],
    ),
    'platter-spin': firstOf(
      'coasts',
      ['loose-and-rough', (look) => look.eye('bearing.play.mm') > 0.2],
      ['drags', (look) => look.eye('bearing.coast.s') < 25],
    ),
    'pulley-mark': firstOf(
      'marks-together-right-for-the-mains',
      ['marks-part', (look) => look.see('pulley.slips').mean > 0],
      [
        'for-the-other-mains',
        (look) => Math.abs(look.meter('pulley.mm') / look.see('pulley.expected.mm').mean - 1) > 0.08,
      ],
    ),
    coast: firstOf(
      'coasts',
      ['will-not-turn', (look) => !Number.isFinite(look.see('shaft.drag.times').mean)],
      ['rattles', (look) => look.see('cap.loose').mean > 0],
      ['drags', (look) => look.eye('shaft.drag.times') > 3],
      ['dry', (look) => look.eye('shaft.rough') > 0.7],
    ),
    'motor-alone': (look) => {
      const { mean } = look.see('motor.error.percent');
      if (mean < -110) return 'backward';
      return mean < -95 ? 'still' : mean < -1.5 ? 'slow' : 'right';
    },
    'mount-look': (look) => (look.see('mount.hard').mean > 0 ? 'hard-or-touching' : 'soft-and-free'),
    'switch-ohms': firstOf(
      'on-makes-off-open',
      ['does-not-make', (look) => !Number.isFinite(look.see('switch.on.ohm').mean)],
      ['makes-with-tens-of-ohms', (look) => look.meter('switch.on.ohm') > 5],
      ['stays-shut', (look) => look.meter('switch.off.ohm') < 5],
      ['capacitor-leaks', (look) => look.meter('switch.off.ohm') < 1e6],
    ),
    'run-capacitor': firstOf(
      'in-value',
      ['dropper-open', (look) => !Number.isFinite(look.see('dropper.ohm').mean)],
      ['open', (look) => look.meter('capacitor.part') < 0.05],
      ['out-of-value', (look) => Math.abs(look.meter('capacitor.part') - 1) > 0.2],
    ),
    'winding-ohms': firstOf(
      'alike',
      ['to-the-frame', (look) => look.see('winding.leak.Mohm').mean < 0.5],
      ['one-open', (look) => !Number.isFinite(look.see('winding.a.ohm').mean + look.see('winding.b.ohm').mean)],
      ['one-low', (look) => Math.abs(look.meter('winding.a.ohm') / look.meter('winding.b.ohm') - 1) > 0.15],
    ),
    'switch-volts': firstOf(
      'mains',
      ['none', (look) => look.meter('switch.V') < 5],
      ['a-trickle', (look) => look.meter('switch.V') < 150],
    ),
  },
};
