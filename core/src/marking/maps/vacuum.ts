/** The vacuum cleaner with a speed board. */
import { vacuum } from '../../practice/index.js';
import { usualCondition, type FamilyMap } from '../family.js';
import { firstOf, type Look } from '../look.js';
import { FIRST_TESTS } from './shared.js';
import { strength, UNIVERSAL_TESTS, universalFaultModes } from './universal.js';

/** What a sound one of the kind does, turns a minute. */
const SHAFT = { high: 20_700, low: 11_100 };

/** Heard as its pitch: it goes with the shaft. */
function pitch(look: Look): string {
  const part = look.see('shaft.rpm').mean / SHAFT.high;
  // An ear tells a semitone: 6 %.
  if (part < 0.03) return 'none';
  return part < 0.94 ? 'low' : part > 1.07 ? 'high' : 'usual';
}

/** Modes and tests of the vacuum cleaner. */
export const vacuumMap: FamilyMap = {
  family: 'vacuum-cleaner',
  machine: vacuum,
  condition: (context) => ({ ...usualCondition(context), mode: context.inlet === 'sealed' ? 'sealed' : '' }),
  faults: {
    ...universalFaultModes('board'),
    'reel-open': 'reel.open',
    'reel-pitted': 'reel.ohmic|reel.thin',
    lamp: 'lamp.burnt',
    pole: 'switch.pole',
    protector: 'switch.protector',
    link: 'switch.link',
    'contact-burnt': 'switch.resistive',
    'boost-low': 'boost.low',
    'boost-open': 'boost.open',
    blocked: 'filters.blocked',
    'fan-loose': 'fan.loose',
    seal: 'fan.leak',
  },
  tests: {
    ...FIRST_TESTS,
    ...UNIVERSAL_TESTS,
    lamp: (look) => (look.see('lamp').mean > 0 ? 'lit' : 'dark'),
    'pitch-high': pitch,
    'pitch-low': strength('shaft.rpm', SHAFT, ['none', 'weak', 'lower', 'the-same-as-on-high']),
    'pitch-sealed': (look) => {
      const [open, sealed] = [look.see('shaft.rpm', { mode: '' }).mean, look.see('shaft.rpm').mean];
      if (sealed < 500) return 'none';
      return sealed > 1.06 * open ? 'rises' : 'stays';
    },
    suction: (look) => {
      const suction = look.eye('suction');
      return suction < 0.02 ? 'none' : suction < 0.7 ? 'weak' : 'good';
    },
    hot: (look) => (look.see('shaft.rpm').mean < 500 ? 'cuts-out' : 'runs-on'),
    'filters-look': (look) => (look.eye('air') < 0.6 ? 'blocked' : 'free'),
    'reel-ohms': firstOf(
      'steady-and-bright',
      ['open', (look) => !Number.isFinite(look.see('reel.ohm').mean)],
      ['wanders-pitted', (look) => look.wanders('reel.ohm', 0.2) && look.see('reel.ohm').mean > 2],
    ),
    'lamp-ohms': (look) => (Number.isFinite(look.see('lamp.ohm').mean) ? 'sound' : 'dead'),
    'switch-ohms': firstOf(
      'all-make',
      ['one-pole-open', (look) => !Number.isFinite(look.see('pole.ohm').mean)],
      ['protector-open', (look) => !Number.isFinite(look.see('link.ohm').mean)],
      ['ohms-burnt', (look) => look.meter('switch.ohm') > 2],
    ),
    'boost-ohms': firstOf(
      'all-make',
      ['open', (look) => !Number.isFinite(look.see('boost.high.ohm').mean)],
      ['open-on-low', (look) => !Number.isFinite(look.see('boost.low.ohm').mean)],
    ),
    'switch-volts': firstOf(
      'mains',
      ['none', (look) => look.meter('switch.V') < 20],
      ['collapses-under-load', (look) => look.see('series.ohm').mean > 8],
    ),
    'fan-look': firstOf(
      'tight-and-sealed',
      ['slips', (look) => look.see('fan.slips').mean > 0],
      ['seal-off', (look) => look.see('seal.off').mean > 0],
    ),
    'board-ohms': (look) => (look.meter('control.ohm') < 100 ? 'short' : 'blocks-both-ways'),
  },
};
