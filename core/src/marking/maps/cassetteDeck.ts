/** The belt-driven cassette deck. */
import { cassetteDeck } from '../../practice/index.js';
import { usualCondition, type FamilyMap } from '../family.js';
import { firstOf, speedError, volts, type Look } from '../look.js';
import { DRIVE_FAULTS, DRIVE_TESTS, FIRST_TESTS, SUPPLY_FAULTS, SUPPLY_TESTS } from './shared.js';

/** A hair of the trim, and a try of double speed. */
function nudge(look: Look): string {
  if (look.see('trim.wander').spread > 0.01) return 'jumps';
  if (look.see('double.stuck').mean > 0) return 'no-change-at-double';
  if (look.see('double.open').mean > 0) return 'crawls-at-double';
  const { mean } = look.see('tape.error.percent');
  const follows = look.see('motor.follows').mean > 0.5;
  if (!follows || Math.abs(mean) < 2 || Math.abs(mean) > 12) return 'not-the-trim';
  return mean < 0 ? 'stood-low' : 'stood-high';
}

/** Modes and tests of the deck. */
export const cassetteDeckMap: FamilyMap = {
  family: 'cassette-belt',
  machine: cassetteDeck,
  // This one hangs on the mains.
  absent: ['batteries'],
  tone: {
    error: 'tape.error.percent',
    // A warble of capstan and roller: some turns a second.
    lines: (at) => [{ percent: at['warble.percent'] ?? 0, hz: 7 }],
  },
  condition: usualCondition,
  faults: {
    ...SUPPLY_FAULTS,
    ...DRIVE_FAULTS,
    'governor-drift': 'governor.drift|doubling.low|doubling.high',
    'mode-switch': 'control.switch',
    'mode-motor': 'control.motor',
    'feeder-open': 'feeder.open',
    'feeder-weak': 'feeder.weak',
    'double-stuck': 'doubling.stuck',
    'double-open': 'doubling.open',
    'wiper-dirty': 'doubling.dirty',
    'trim-low': 'doubling.low',
    'trim-high': 'doubling.high',
    'belt-slips': 'belt.slips',
    'belt-tar': 'belt.tar',
    'belt-wound': 'belt.wound',
    'capstan-dry': 'flywheel.dry',
    'pinch-hard': 'pinch.hard',
    oxide: 'pinch.dirt',
    'arm-off': 'pinch.arm',
    'tyre-glazed': 'idler.tyre',
    'tyre-gone': 'idler.tyre-gone',
    'clutch-weak': 'idler.clutch',
    counter: 'idler.counter',
  },
  tests: {
    ...FIRST_TESTS,
    ...SUPPLY_TESTS,
    ...DRIVE_TESTS,
    lamps: (look) => (look.see('lamps').mean > 0 ? 'lit' : 'dark'),
    play: speedError('tape.error.percent'),
    'play-double': speedError('tape.error.percent'),
    'play-warm': speedError('tape.error.percent'),
    warble: (look) => (look.eye('warble.percent') > 0.25 ? 'warbles' : 'steady'),
    winds: (look) => (look.see('reel.wind.part').mean > 0.25 ? 'turns' : 'still'),
    'take-up': (look) => {
      const part = look.eye('reel.take-up.part');
      return part < 0.05 ? 'does-not-turn' : part < 0.55 ? 'slack' : 'pulls';
    },
    stop: (look) => (look.see('stops.early').mean > 0 ? 'within-seconds' : 'only-at-the-end'),
    'motor-heard': (look) => (look.see('motor.rpm').mean > 50 ? 'turns' : 'silent'),
    'pinch-look': firstOf(
      'soft-and-clean',
      ['does-not-press', (look) => look.see('pinch.off').mean > 0],
      ['hard-or-glazed', (look) => look.eye('pinch.hard') > 0.2],
      ['oxide-came-off', (look) => look.eye('pinch.oxide') > 0.2],
    ),
    'belt-look': firstOf(
      'sound',
      ['tar-or-broken', (look) => look.see('belt.tar').mean > 0],
      ['wound-round-the-pulley', (look) => look.see('belt.wound').mean > 0],
      ['slack-or-shiny', (look) => look.eye('belt.slack') > 0.015],
    ),
    'idler-look': firstOf(
      'grips',
      ['tyre-gone', (look) => look.see('idler.tyre').mean === 0],
      ['tyre-glazed', (look) => look.eye('idler.tyre') < 0.6],
      ['clutch-weak', (look) => look.eye('idler.clutch') < 0.6],
      ['counter-belt-off', (look) => look.see('counter.still').mean > 0],
    ),
    'flywheel-spin': (look) => (look.eye('capstan.coast.s') < 2.5 ? 'drags' : 'coasts'),
    'mode-look': firstOf(
      'works',
      ['switch-dirty', (look) => look.see('mode.switch.dirty').mean > 0],
      ['motor-or-belt-gone', (look) => look.see('mode.motor.gone').mean > 0],
    ),
    'order-volts': (look) => (look.meter('order.V') > 2 ? 'there' : 'none'),
    'feed-volts': (look) =>
      look.meter('gated.ripple.Vpp') > 0.05 * look.meter('gated.V') + 0.1 ? 'unsteady' : volts('gated.V')(look),
    'feeder-look': firstOf(
      'sound',
      ['open-or-melted', (look) => !Number.isFinite(look.see('feeder.ohm').mean)],
      ['leaky-brown', (look) => look.see('feeder.weak').mean > 0],
    ),
    'trim-nudge': nudge,
    'drive-volts': volts('motor.V', 'wanders'),
  },
};
