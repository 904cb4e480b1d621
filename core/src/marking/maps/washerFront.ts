/** The front-load washer. */
import { washerFront } from '../../practice/index.js';
import { usualCondition, type FamilyMap } from '../family.js';
import { firstOf, volts, type Look } from '../look.js';
import { BRIDGE_FAULTS, BRIDGE_TESTS } from './bridge.js';
import { CORD_TEST, FIRST_TESTS } from './shared.js';

const CODES = ['none', 'motor', 'door', 'water'] as const;

const drum = (look: Look): string => {
  const part = look.eye('drum.part');
  return part < 0.05 ? 'still' : part < 0.75 ? 'slow' : part > 1.35 ? 'fast' : 'right';
};

/** Modes and tests of the washer. */
export const washerFrontMap: FamilyMap = {
  family: 'washer-front',
  machine: washerFront,
  condition: (context) => ({ ...usualCondition(context), setting: 'programme', mode: context.phase ?? 'wash' }),
  faults: {
    ...BRIDGE_FAULTS,
    'bearing-worn': 'motor.noisy',
    'cord-open': 'plug.open',
    'lead-on-case': 'plug.frame',
    'panel-dark': 'panel.dark',
    'timer-stuck': 'timer.stuck',
    'timer-contact': 'timer.contact',
    'door-open': 'door.open',
    'valve-shut': 'valve.shut',
    'pressure-stuck': 'pressure.never',
    'pressure-burnt': 'pressure.contact',
    'pump-dead': 'pump.dead',
    'logic-dead': 'control.dead|control.backfeed',
    backfeed: 'control.backfeed|control.dead',
    'board-fuse': 'bus.fuse',
    'bus-dry': 'bus.dry',
    seized: 'motor.seized',
    'sensor-misses': 'tacho.wrong',
    'sensor-dead': 'tacho.dead',
    'belt-off': 'belt.off',
    'belt-slips': 'belt.slips',
    'drum-bearing': 'drum.bearing',
    object: 'drum.object',
  },
  tests: {
    ...FIRST_TESTS,
    ...BRIDGE_TESTS,
    spins: drum,
    tumbles: drum,
    lamps: (look) => (look.see('lamps').mean > 0 ? 'lit' : 'dark'),
    fills: (look) => ['none', 'fills-and-stops', 'overfills'][Math.round(look.see('fills').mean)] ?? 'none',
    'motor-sound': firstOf(
      'turns',
      ['hums', (look) => look.see('motor.hums').mean > 0],
      ['turns-in-jerks', (look) => look.see('motor.jerks').mean > 0],
      ['silent', (look) => look.see('motor.part').mean < 0.05],
    ),
    drains: (look) => (look.see('pump.runs').mean > 0.5 ? 'runs' : 'still'),
    advances: (look) => {
      const { mean } = look.see('timer.runs');
      return mean < 0.1 ? 'none-of-it' : mean < 0.9 ? 'stuck' : 'runs';
    },
    code: (look) => CODES[look.see('code').mean] ?? 'none',
    noise: firstOf(
      'quiet',
      ['rumbles', (look) => look.see('drum.rumbles').mean > 0],
      ['squeals', (look) => look.see('drum.squeals').mean > 0],
    ),
    'hand-turn': firstOf(
      'free',
      ['lifts-or-rattles', (look) => look.eye('drum.play.mm') > 1.2],
      ['stiff', (look) => look.see('drum.object').mean > 0],
    ),
    ...CORD_TEST,
    'door-ohms': (look) => (Number.isFinite(look.see('door.ohm').mean) ? 'closes' : 'stays-open'),
    'valve-look': (look) => (look.see('valve.shut').mean > 0 ? 'blocked-or-open' : 'sound'),
    'pressure-blow': firstOf(
      'clicks-and-makes',
      ['no-click', (look) => look.see('pressure.stuck').mean > 0],
      ['clicks-does-not-make', (look) => look.see('pressure.ohm').mean > 100],
    ),
    'timer-ohms': firstOf(
      'makes-and-turns',
      ['burnt', (look) => !Number.isFinite(look.see('timer.ohm').mean)],
      ['does-not-advance', (look) => look.see('timer.stuck').mean > 0],
    ),
    'pump-look': (look) => (look.see('pump.dead').mean > 0 ? 'blocked-or-open' : 'free'),
    'wash-volts': volts('wash.Vac'),
    'lifted-volts': volts('wash.lifted.Vac'),
    'bus-volts': volts('bus.V'),
    'board-fuse': (look) => (Number.isFinite(look.see('fuse.ohm').mean) ? 'through' : 'open'),
    'bus-capacitor': (look) => (look.eye('bus.esr.ohm') > 5 ? 'dried-out' : 'in-tolerance'),
    'motor-spin': firstOf(
      'free',
      ['seized', (look) => look.see('seized').mean > 0],
      ['grinds', (look) => look.eye('shaft.rough') > 0.5],
    ),
    'belt-look': firstOf(
      'sound',
      ['off', (look) => look.see('belt.there').mean === 0],
      ['slack-or-glazed', (look) => look.eye('belt.slack') > 0.12],
    ),
    'sensor-look': firstOf(
      'tight-and-right',
      ['no-output', (look) => look.see('sensor.pulses').mean === 0],
      ['loose-or-misses', (look) => look.see('sensor.pulses').mean < 0.9],
    ),
    // A board that is known to be good, put in for once.
    'logic-swap': (look) => (look.see('logic.wrong').mean > 0 ? 'cured' : 'the-same'),
    'panel-lamp': (look) => (Number.isFinite(look.see('panel.ohm').mean) ? 'through' : 'open'),
    'drum-play': firstOf(
      'no-play',
      ['object-seen', (look) => look.see('drum.object').mean > 0],
      ['plays', (look) => look.eye('drum.play.mm') > 1.2],
    ),
  },
};
