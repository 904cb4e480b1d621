/** The direct-drive turntable with a servo. */
import { servoDeck } from '../../practice/index.js';
import { usualCondition, type FamilyMap } from '../family.js';
import { firstOf, volts, type Look } from '../look.js';
import { ROTOR_FAULTS, ROTOR_TESTS, rotorSpeed, sinkHelps } from './directDrive.js';
import { FIRST_TESTS, SUPPLY_FAULTS, SUPPLY_TESTS } from './shared.js';

/** So far a trim brings the speed, as a part: with more it stands at its end. */
const TRIM_REACH = 0.055;

/** A hair of each trim, cold and warm. */
function nudge(look: Look): string {
  if (look.see('trim.wander').spread > 0.01) return 'jumps-while-turned';
  const off = (setting: string, warm: number) => {
    const { mean } = look.see('platter.error.percent', { setting, warm });
    return mean > -50 && mean < 12 ? mean / 100 : 0;
  };
  const [a, b] = [off('33', 0), off('45', 0)];
  if (Math.abs(a) > TRIM_REACH && Math.abs(b) > TRIM_REACH) return 'both-at-the-end-of-their-range';
  if (Math.abs(a) > 0.012 && Math.abs(b) <= 0.012) return '33-comes-right';
  if (Math.abs(b) > 0.012 && Math.abs(a) <= 0.012) return '45-comes-right';
  return Math.abs(a) <= 0.012 && Math.abs(off('33', 1)) > 0.012 ? 'right-cold-wrong-warm' : 'not-the-trims';
}

/** Modes and tests of the deck. */
export const servoDeckMap: FamilyMap = {
  family: 'direct-drive-servo',
  machine: servoDeck,
  // This one has no third speed.
  absent: ['added', 'speed-78'],
  tone: { error: 'platter.error.percent', lines: () => [] },
  condition: (context) => ({ ...usualCondition(context), off: context.sink === 'yes' ? ['sink'] : [] }),
  faults: {
    ...SUPPLY_FAULTS,
    ...ROTOR_FAULTS,
    lamp: 'strobe.burnt',
    'contacts-dirty': 'selector.dirty',
    'contact-33': 'selector.open-33',
    'contact-45': 'selector.open-45',
    'trim-33': 'timing.off-33',
    'trim-45': 'timing.off-45',
    'trims-dirty': 'timing.dirty',
    'timing-aged': 'timing.aged',
    'timing-warm': 'timing.warm',
    'pitch-dirty': 'pitch.dirty',
    'pitch-open': 'pitch.open',
    'comparator-dead': 'comparator.dead',
    'comparator-full': 'comparator.full',
  },
  tests: {
    ...FIRST_TESTS,
    ...SUPPLY_TESTS,
    ...ROTOR_TESTS,
    'rim-lamp': (look) => (look.see('lamp').mean > 0 ? 'lit' : 'dark'),
    'speed-33': rotorSpeed('wanders'),
    'speed-45': rotorSpeed('wanders'),
    'speed-warm': rotorSpeed('wanders'),
    'pitch-sweep': firstOf(
      'follows',
      ['nothing-happens-or-it-stops', (look) => !Number.isFinite(look.see('pitch.ohm').mean)],
      ['jumps', (look) => look.see('pitch.wander').spread > 0.01],
    ),
    'lamp-ohms': (look) => (Number.isFinite(look.see('lamp.ohm').mean) ? 'sound' : 'dead'),
    'selector-ohms': firstOf(
      'under-an-ohm',
      ['45-open', (look) => !Number.isFinite(look.see('contact.45.ohm').mean)],
      ['33-open', (look) => !Number.isFinite(look.see('contact.33.ohm').mean)],
      ['wanders', (look) => look.see('contact.33.ohm').mean > 5],
    ),
    'trim-nudge': nudge,
    'fg-volts': (look) => {
      const at = look.meter('fg.volts.V');
      return at < 0.1 ? 'none' : at < 1 ? 'low' : 'right';
    },
    'control-volts': (look) =>
      look.wanders('control.V', 0.02) && look.see('control.V').mean > 0.5 ? 'wanders' : volts('control.V')(look),
    'comparator-chip': firstOf(
      'answers',
      ['gives-nothing', (look) => look.see('comparator.dead').mean > 0],
      ['at-its-rail', (look) => look.see('comparator.full').mean > 0],
    ),
    sink: sinkHelps('platter.error.percent'),
  },
};
