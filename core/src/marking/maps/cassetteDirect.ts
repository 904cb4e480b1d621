/** The cassette deck with a direct-drive capstan. */
import { cassetteDirect } from '../../practice/index.js';
import { usualCondition, type FamilyMap } from '../family.js';
import { firstOf, type Look } from '../look.js';
import { ROTOR_FAULTS, ROTOR_TESTS, rotorSpeed, sinkHelps } from './directDrive.js';
import { FIRST_TESTS, SUPPLY_FAULTS, SUPPLY_TESTS } from './shared.js';

const { unseated: _unseated, ...CAPSTAN_FAULTS } = ROTOR_FAULTS;
const TAPE = 'tape.error.percent';

/** A hair of the trim: does the tone come right and stay? */
function nudge(look: Look): string {
  if (look.see('servo.dead').mean > 0) return 'no-answer-no-output';
  if (look.see('servo.full').mean > 0) return 'no-answer-at-its-rail';
  const { mean, spread } = look.see(TAPE);
  return Math.abs(mean) > 1.5 && Math.abs(mean) < 10 && spread < 0.4 ? 'comes-right' : 'not-the-trim';
}

/** Modes and tests of the deck. */
export const cassetteDirectMap: FamilyMap = {
  family: 'cassette-direct',
  machine: cassetteDirect,
  tone: { error: TAPE, lines: (at) => [{ percent: at['warble.percent'] ?? 0, hz: 7 }] },
  condition: (context) => ({
    ...usualCondition(context),
    setting: '4.76',
    off: context.sink === 'yes' ? ['sink'] : [],
  }),
  faults: {
    ...SUPPLY_FAULTS,
    ...CAPSTAN_FAULTS,
    'bearing-dry': 'capstan.dry',
    'display-dead': 'lamps.dark',
    'system-dead': 'system.dead',
    leaked: 'capacitors.leaked|capacitors.tired',
    tired: 'capacitors.tired|capacitors.leaked',
    salts: 'capacitors.salts',
    'trim-off': 'servo.trim',
    'servo-dead': 'servo.dead',
    'servo-full': 'servo.full',
    'pinch-hard': 'pinch.hard',
    'tyre-glazed': 'reels.idler',
    'reel-dead': 'reels.motor',
  },
  tests: {
    ...FIRST_TESTS,
    ...SUPPLY_TESTS,
    ...ROTOR_TESTS,
    lamps: (look) => (look.see('lamps').mean > 0 ? 'lit' : 'dark'),
    play: rotorSpeed('wanders', TAPE),
    'play-warm': rotorSpeed('wanders', TAPE),
    warble: (look) => (look.eye('warble.percent') > 0.25 ? 'warbles' : 'steady'),
    winds: (look) => (look.see('reel.wind.part').mean > 0.25 ? 'turns' : 'still'),
    'take-up': (look) => (look.eye('reel.take-up.part') < 0.55 ? 'slack' : 'pulls'),
    'pinch-look': (look) => (look.eye('pinch.hard') > 0.2 ? 'hard-or-glazed' : 'soft-and-clean'),
    'idler-look': firstOf(
      'grips',
      ['motor-dead', (look) => look.see('reel.dead').mean > 0],
      ['glazed', (look) => look.eye('idler.tyre') < 0.6],
    ),
    'lamp-ohms': (look) => (Number.isFinite(look.see('lamps.ohm').mean) ? 'sound' : 'dead'),
    'order-volts': (look) => (look.meter('order.V') > 2 ? 'there' : 'none'),
    // Moves by the breath: more than it wandered dry.
    breath: (look) => {
      const [wet, dry] = [look.see(TAPE), look.see(TAPE, { damp: false })];
      return wet.spread > dry.spread + 1 || Math.abs(wet.mean - dry.mean) > 1 ? 'moves' : 'does-not-move';
    },
    'board-look': firstOf(
      'clean-and-dry',
      ['new-parts-white-salts', (look) => look.see('board.salts').mean > 0],
      ['leaked', (look) => look.eye('board.wet') > 0.4],
    ),
    'control-volts': (look) => {
      const { mean, spread } = look.see('control.V');
      if (mean < 0.3) return 'none';
      if (spread > 0.02 * mean) return 'wanders';
      if (mean > 8) return 'at-its-rail';
      const { mean: error } = look.see('capstan.error.percent');
      return Math.abs(error) < 1.5 ? 'right' : error < 0 ? 'under' : 'over';
    },
    'trim-nudge': nudge,
    'capstan-spin': (look) => (look.eye('bearing.coast.s') < 12 ? 'stiff' : 'free'),
    'system-orders': (look) => (look.see('system.dead').mean > 0 ? 'gives-none' : 'gives-orders'),
    'fg-ohms': firstOf(
      'sound',
      ['open', (look) => look.see('fg.lost').mean > 0],
      ['a-spot-on-the-ring', (look) => look.see('fg.scar').mean > 0],
      ['low-or-far', (look) => look.eye('fg.gap.mm') > 0.8],
    ),
    sink: sinkHelps('capstan.error.percent'),
  },
};
