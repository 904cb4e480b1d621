/** The belt turntable with its governed d.c. motor. */
import { turntableDc } from '../../practice/index.js';
import { usualCondition, type FamilyMap } from '../family.js';
import { firstOf, speedError, volts, type Look } from '../look.js';
import { DRIVE_FAULTS, DRIVE_TESTS, FIRST_TESTS, SUPPLY_FAULTS, SUPPLY_TESTS } from './shared.js';

/** Wow that is heard on a held note, percent unweighted (common practice). */
const HEARD_PERCENT = 0.25;

/** The largest line of a minute of tone, by its rate: what surges has none. */
function wowRate(look: Look): string {
  if (look.wanders('platter.rpm', 0.008)) return 'no-line';
  const lines = (['platter', 'belt', 'pulley'] as const).map(
    (part) => [part, look.eye(`wow.${part}.percent`)] as const,
  );
  const [largest, percent] = lines.reduce((a, b) => (b[1] > a[1] ? b : a));
  return percent < HEARD_PERCENT ? 'none' : largest;
}

/** So far a trim brings the speed, percent: with more it runs out of turns. */
const TRIM_REACH = 12;

/** A hair of each trim: does the speed come right? It does whatever else made it wrong, as long as the motor follows. */
function nudge(look: Look): string {
  const [a, b] = (['33', '45'] as const).map((setting) => {
    const { mean } = look.see('platter.error.percent', { setting });
    const follows = look.see('motor.follows', { setting }).mean > 0.5;
    return follows && Math.abs(mean) > 1.2 && Math.abs(mean) < TRIM_REACH ? mean : 0;
  }) as [number, number];
  if (a === 0 && b === 0) return 'not-the-trims';
  if (a !== 0 && b !== 0) return a < 0 ? 'both-were-low' : 'both-were-high';
  if (a !== 0) return a < 0 ? '33-only-was-low' : '33-only-was-high';
  return b < 0 ? '45-only-was-low' : '45-only-was-high';
}

/** Modes and tests of the belt turntable. */
export const turntableDcMap: FamilyMap = {
  family: 'belt-turntable-dc',
  machine: turntableDc,
  condition: usualCondition,
  tone: {
    error: 'platter.error.percent',
    lines: (at) => {
      const platterHz = (at['platter.rpm'] ?? 0) / 60;
      return [
        { percent: at['wow.platter.percent'] ?? 0, hz: platterHz },
        // A belt is a little longer than the rim it runs on.
        { percent: at['wow.belt.percent'] ?? 0, hz: 0.9 * platterHz },
        { percent: at['wow.pulley.percent'] ?? 0, hz: (at['pulley.rpm'] ?? 0) / 60 },
      ];
    },
  },
  faults: {
    ...SUPPLY_FAULTS,
    ...DRIVE_FAULTS,
    lamp: 'lamp.burnt',
    tripped: 'return.tripped',
    'contacts-dirty': 'selector.noisy',
    'contact-33': 'selector.open-33',
    'contact-45': 'selector.open-45',
    'wipers-dirty': 'trims.dirty',
    'low-33': 'trims.low-33',
    'high-33': 'trims.high-33',
    'low-45': 'trims.low-45',
    'high-45': 'trims.high-45',
    'low-both': 'trims.low-both',
    'pitch-dirty': 'pitch.dirty',
    'pitch-off': 'pitch.off-centre',
    'pulley-slips': 'pulley.loose',
    'pulley-bent': 'pulley.bent',
    'belt-slips': 'belt.slips',
    'belt-off': 'belt.off',
    'belt-stiff': 'belt.uneven',
    'bearing-dry': 'bearing.dry',
    'bearing-worn': 'bearing.worn',
    'platter-seat': 'platter.off-centre',
    record: 'use.record',
  },
  tests: {
    ...FIRST_TESTS,
    ...SUPPLY_TESTS,
    ...DRIVE_TESTS,
    lamp: (look) => (look.see('lamp').mean > 0 ? 'lit' : 'dark'),
    'speed-33': speedError('platter.error.percent'),
    'speed-45': speedError('platter.error.percent'),
    'speed-33-warm': speedError('platter.error.percent'),
    steady: (look) => (look.wanders('platter.rpm', 0.008) ? 'surges' : 'steady'),
    'wow-rate': wowRate,
    rumble: (look) => (look.eye('rumble') > 0.5 ? 'rumbles' : 'none'),
    'tap-33': (look) => (look.wanders('platter.rpm', 0.008) ? 'stops-or-jumps' : 'stays'),
    'other-record': (look) =>
      look.eye('wow.platter.percent') > HEARD_PERCENT && look.eye('wow.platter.other.percent') < HEARD_PERCENT
        ? 'gone'
        : 'still-there',
    'spin-platter': firstOf(
      'coasts',
      ['loose-and-rough', (look) => look.eye('bearing.play.mm') > 0.2],
      ['drags', (look) => look.eye('bearing.coast.s') < 25],
    ),
    'belt-look': firstOf(
      'sound',
      ['off', (look) => look.see('belt.there').mean === 0],
      ['slack-or-shiny', (look) => look.eye('belt.slack') > 0.012],
      ['stiff-or-twisted', (look) => look.eye('belt.stiff') > 0.25],
    ),
    'pulley-look': firstOf(
      'sits-and-runs-true',
      ['marks-part', (look) => look.see('pulley.turns.on.shaft').mean > 0],
      ['wobbles', (look) => look.eye('pulley.runout') > 0.3],
    ),
    'platter-seat': (look) => (look.eye('platter.runout.mm') > 0.25 ? 'runs-out' : 'true'),
    'gated-volts': (look) => {
      const [gated, board] = [look.meter('gated.V'), look.see('board.expected.V').mean];
      return gated < 0.5 ? 'none' : gated < 0.9 * board ? 'low' : 'right';
    },
    'drive-33': volts('motor.V', 'wanders'),
    'drive-45': volts('motor.V', 'wanders'),
    'selector-ohms': firstOf(
      'under-an-ohm',
      ['45-open', (look) => !Number.isFinite(look.see('contact.45.ohm').mean)],
      ['33-open', (look) => !Number.isFinite(look.see('contact.33.ohm').mean)],
      ['wanders', (look) => look.see('contact.33.ohm').mean > 5 || look.see('contact.45.ohm').mean > 5],
    ),
    'trim-ohms': (look) => (look.see('trim.wander').spread > 0.01 ? 'jumps' : 'smooth'),
    'trim-nudge': nudge,
    'pitch-sweep': firstOf(
      'smooth-stood-at-centre',
      ['jumps', (look) => look.see('pitch.wander').spread > 0.01],
      ['stood-off-centre', (look) => Math.abs(look.eye('pitch.off')) > 0.012],
    ),
    'return-look': (look) => (look.see('return.tripped').mean > 0 ? 'tripped' : 'works'),
  },
};
