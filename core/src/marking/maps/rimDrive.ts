/** The rim drive with a shaded-pole motor that feeds its amplifier. */
import { rimDrive } from '../../practice/index.js';
import { usualCondition, type FamilyMap } from '../family.js';
import { firstOf, speedError, type Look } from '../look.js';
import { FIRST_TESTS } from './shared.js';
import { UNIVERSAL_TESTS } from './universal.js';

/** Modes and tests of the rim drive. */
export const rimDriveMap: FamilyMap = {
  family: 'rim-drive',
  machine: rimDrive,
  // A shaded-pole motor has no trims.
  absent: ['trims'],
  tone: { error: 'platter.error.percent', lines: () => [] },
  condition: (context) => ({ ...usualCondition(context), off: context.idler === 'off' ? ['idler'] : [] }),
  faults: {
    'cord-open': 'plug.open',
    'lead-on-case': 'plug.frame',
    'switch-open': 'switch.open',
    'capacitors-dry': 'amplifier.dry',
    'amplifier-dead': 'amplifier.dead',
    'field-open': 'field.open',
    'field-shorted': 'field.shorted',
    'field-leaks': 'field.frame',
    gummed: 'motor.gummed',
    seized: 'motor.seized',
    worn: 'motor.worn',
    'lever-stiff': 'lever.stiff',
    'linkage-bent': 'lever.bent',
    neutral: 'lever.neutral',
    flat: 'idler.flat',
    glazed: 'idler.glazed',
    'idler-dry': 'idler.dry',
    'rim-oily': 'rim.oily',
    'platter-dry': 'bearing.dry',
    'platter-worn': 'bearing.worn',
  },
  tests: {
    ...FIRST_TESTS,
    cord: UNIVERSAL_TESTS.cord as (look: Look) => string,
    'speed-33': speedError('platter.error.percent'),
    'speed-warm': speedError('platter.error.percent'),
    amplifier: firstOf(
      'plays',
      ['nothing', (look) => look.see('amplifier.loud').mean === 0],
      ['hums', (look) => look.eye('amplifier.hum') > 0.3],
    ),
    thump: (look) => (look.see('thump').mean > 0 ? 'thumps' : 'none'),
    rumble: (look) => (look.eye('rumble.by.hand') > 0.5 ? 'rumbles' : 'none'),
    'motor-noise': (look) => (look.eye('motor.rattle') > 0.5 ? 'rattles' : 'quiet'),
    lever: (look) => (look.see('lever.stiff').mean > 0 ? 'stiff' : 'free'),
    'spindle-dot': (look) => {
      const { mean } = look.see('motor.error.percent');
      if (mean < -95) return 'still';
      // Without the platter a sound motor runs up by a percent or two.
      return mean < -4 ? 'slow' : 'right';
    },
    'idler-look': firstOf(
      'soft-round-free',
      ['flat-spot', (look) => look.see('idler.flat').mean > 0],
      ['glazed', (look) => look.eye('idler.glaze') > 0.015],
      ['stiff', (look) => look.eye('idler.stiff') > 0.015],
    ),
    'rim-wipe': (look) => (look.eye('rim.oil') > 0.012 ? 'oily' : 'clean'),
    'lever-set': () => 'as-the-record-asks',
    'lever-look': firstOf(
      'every-step',
      ['stays-in-neutral', (look) => look.see('step.part').mean === 0],
      ['wrong-step', (look) => look.see('linkage.bent').mean > 0],
      ['stiff-but-right', (look) => look.see('lever.stiff').mean > 0],
    ),
    'bearing-spin': firstOf(
      'coasts-no-play',
      ['plays-or-grinds', (look) => look.eye('bearing.play.mm') > 0.2],
      ['drags', (look) => look.eye('bearing.coast.s') < 15],
    ),
    'switch-ohms': (look) => (Number.isFinite(look.see('switch.ohm').mean) ? 'makes' : 'open'),
    'field-ohms': firstOf(
      'through',
      ['to-the-frame', (look) => look.see('winding.leak.Mohm').mean < 0.5],
      ['open', (look) => !Number.isFinite(look.see('field.ohm').mean)],
      ['low-dark-enamel', (look) => look.meter('field.ohm') < 0.8 * look.see('field.expected.ohm').mean],
    ),
    'motor-spin': firstOf(
      'coasts',
      ['will-not-turn', (look) => !Number.isFinite(look.see('shaft.drag.times').mean)],
      ['drags', (look) => look.eye('shaft.drag.times') > 2.5],
      ['rattles', (look) => look.eye('shaft.rattle') > 0.5],
    ),
    'start-volts': (look) => {
      const percent = look.see('start.percent').mean;
      return Number.isFinite(percent) ? { value: Math.min(129, percent), unit: '%' } : 'never';
    },
    'amp-capacitors': firstOf(
      'sound',
      ['dried-out', (look) => look.see('capacitors.dry').mean > 0],
      ['sound-and-still-silent', (look) => look.see('amplifier.dead').mean > 0],
    ),
  },
};
