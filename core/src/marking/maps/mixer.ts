/** The stand mixer with an electronic control. */
import { mixer } from '../../practice/index.js';
import { usualCondition, type FamilyMap } from '../family.js';
import { firstOf } from '../look.js';
import { FIRST_TESTS } from './shared.js';
import { strength, UNIVERSAL_TESTS, universalFaultModes } from './universal.js';

/** What a sound one of the kind does empty: turns of the beater and of the shaft a minute. */
const BOWL = { high: 310, low: 135 };
const SHAFT = { high: 12_400, low: 5400 };
const WORDS = ['still', 'weak', 'slow', 'fast'] as const;

/** Modes and tests of the stand mixer. */
export const mixerMap: FamilyMap = {
  family: 'stand-mixer',
  machine: mixer,
  // This one has a control with a pickup and no plate.
  absent: ['plate'],
  condition: usualCondition,
  faults: {
    ...universalFaultModes('triac'),
    'switch-open': 'switch.open',
    'filter-burst': 'filter.burst',
    'pickup-open': 'pickup.open',
    'gap-wide': 'pickup.gap',
    linkage: 'knob.linkage',
    'gear-stripped': 'gearbox.stripped',
    'grease-hard': 'gearbox.grease',
    'mounts-torn': 'mounts.perished',
    'feet-hard': 'mounts.feet',
  },
  tests: {
    ...FIRST_TESTS,
    ...UNIVERSAL_TESTS,
    'runs-high': strength('bowl.rpm', BOWL, WORDS),
    'runs-low': strength('bowl.rpm', BOWL, WORDS),
    'tap-start': (look) => (look.see('shaft.rpm').mean > 0.05 * SHAFT.low ? 'starts' : 'stays-still'),
    smoke: (look) => (look.see('filter.burst').mean > 0 ? 'smoked' : 'none'),
    slot: (look) => (look.eye('sparks') > 0.5 ? 'sparks' : 'none'),
    // Firm dough at the highest setting takes a fifth or so of the speed of a sound one; what stands anyway drops no further.
    droop: (look) =>
      look.see('bowl.rpm', { loaded: false }).mean > 5 && look.eye('bowl.rpm') < 0.6 * BOWL.high ? 'drops' : 'holds',
    'gear-noise': (look) => (look.eye('gears.grind') > 0.4 ? 'grinds-or-clicks' : 'quiet'),
    stance: firstOf(
      'firm',
      ['motor-hangs', (look) => look.see('mounts.torn').mean > 0],
      ['rocks', (look) => look.see('feet.hard').mean > 0],
    ),
    'switch-ohms': (look) => (Number.isFinite(look.see('switch.ohm').mean) ? 'makes' : 'open'),
    'filter-look': (look) => (look.see('filter.burst').mean > 0 ? 'cracked-or-burst' : 'whole'),
    'pickup-gap': firstOf(
      'gap-and-ohms-right',
      ['open', (look) => !Number.isFinite(look.see('pickup.ohm').mean)],
      ['gap-wide', (look) => look.eye('pickup.gap.mm') > 1],
    ),
    'knob-look': (look) => (look.see('linkage.slips').mean > 0 ? 'slips' : 'follows'),
    'mounts-look': (look) => (look.see('mounts.torn').mean > 0 ? 'torn' : 'firm'),
    'gear-look': firstOf(
      'whole-and-greased',
      ['teeth-gone', (look) => look.see('gear.stripped').mean > 0],
      ['grease-hard', (look) => look.eye('grease.times') > 2],
    ),
    'triac-ohms': (look) => (look.meter('control.ohm') < 100 ? 'short' : 'blocks-both-ways'),
  },
};
