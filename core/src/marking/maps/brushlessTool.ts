/** The cordless tool with a brushless motor. */
import { brushlessTool } from '../../practice/index.js';
import { usualCondition, type FamilyMap } from '../family.js';
import { firstOf, volts, type Look } from '../look.js';
import { BRIDGE_FAULTS, BRIDGE_TESTS } from './bridge.js';
import { FIRST_TESTS } from './shared.js';

/** Turns of the fan of a sound one, free and with its nozzle blocked. */
const USUAL = { free: 17_600, loaded: 14_600 };

/** How it goes at full trigger, by eye and ear; `goes` is the word for what is as it should be. */
const going = (goes: string, usual: number) =>
  firstOf(
    goes,
    ['kicks-once-and-stops', (look) => look.see('motor.kicks').mean > 0],
    ['still', (look) => look.see('fan.rpm').mean < 100],
    ['hunts', (look) => look.wanders('fan.rpm', 0.05)],
    ['weak', (look) => look.eye('fan.rpm') < 0.8 * usual],
  );

const grinds = (look: Look) => (look.eye('shaft.rough') > 0.5 ? 'grinds' : 'quiet');

/** Modes and tests of the tool. */
export const brushlessToolMap: FamilyMap = {
  family: 'cordless-brushless',
  machine: brushlessTool,
  absent: ['insulation'],
  condition: (context) => ({
    ...usualCondition(context),
    setting: context.trigger === 'a little' ? 'low' : 'high',
  }),
  faults: {
    ...BRIDGE_FAULTS,
    'pack-flat': 'pack.flat',
    'cell-weak': 'pack.weak',
    'cell-swollen': 'pack.swollen',
    'interlock-open': 'interlock.open',
    'main-burnt': 'contact.burnt',
    'fuse-open': 'contact.fuse',
    'bulk-dry': 'bulk.dry',
    'logic-dead': 'logic.dead',
    'gate-dead': 'logic.gate',
    'pot-open': 'dial.open',
    'pot-worn': 'dial.dirty',
    'hall-dead': 'motor.hall',
    'magnet-loose': 'motor.magnet',
    jammed: 'load.jammed',
    'fan-slips': 'load.slips',
  },
  tests: {
    ...FIRST_TESTS,
    ...BRIDGE_TESTS,
    first: firstOf(
      'nothing-special',
      ['swollen-punctured-or-reversed-cell', (look) => look.see('pack.swollen').mean > 0],
      ['blew-a-fuse', (look) => look.see('blew').mean > 0 && look.chance(0.7)],
      ['smells-burnt-or-smoked', (look) => look.see('burnt').mean > 0 && look.chance(0.5)],
    ),
    full: going('turns', USUAL.free),
    loaded: going('holds', USUAL.loaded),
    lamp: (look) => {
      const { mean } = look.see('lamp', { loaded: false });
      return mean < 0.1 ? 'dark' : mean < 0.9 ? 'blinks' : 'lit';
    },
    grind: grinds,
    'pack-volts': firstOf(
      'holds',
      ['a-cell-swollen-or-under-2-v', (look) => look.see('pack.swollen').mean > 0],
      ['nothing', (look) => look.meter('pack.V') < 5],
      ['sags', (look) => look.eye('pack.ohm') > 0.4],
    ),
    'other-pack': (look) =>
      Number.isFinite(look.see('interlock.ohm').mean) ? 'seats-bright' : 'bent-burnt-or-does-not-close',
    'load-turn': firstOf(
      'free-and-tight',
      ['jammed', (look) => look.see('fan.jammed').mean > 0],
      ['slips', (look) => look.see('fan.slips').mean > 0],
    ),
    'contact-ohms': firstOf(
      'through',
      ['fuse-open', (look) => !Number.isFinite(look.see('fuse.ohm').mean)],
      ['contact-open', (look) => !Number.isFinite(look.see('main.ohm').mean)],
    ),
    'interlock-ohms': (look) => (Number.isFinite(look.see('interlock.ohm').mean) ? 'closes' : 'open'),
    'pot-ohms': firstOf(
      'smooth',
      ['wiper-open', (look) => !Number.isFinite(look.see('pot.ohm').mean)],
      ['jumps', (look) => look.see('pot.wander').spread > 0.02],
    ),
    'input-volts': volts('controller.V'),
    'reference-volts': volts('reference.V'),
    'bulk-capacitor': (look) => (look.eye('bulk.esr.ohm') > 0.2 ? 'dried-out' : 'in-tolerance'),
    'gate-parts': firstOf(
      'like-the-sister',
      ['its-regulator-shorted-or-dead', (look) => look.meter('logic.ohm') < 50],
      ['gate-parts-differ', (look) => look.see('gate.differs').mean > 0],
    ),
    // A known motor of the kind on its three leads: what it does is the controller's doing; what this one does, its own.
    'motor-known': firstOf(
      'runs',
      ['kicks', (look) => look.see('hall.a.stuck').mean > 0],
      ['weak-scrapes', (look) => look.see('magnet.loose').mean > 0],
      ['runs-grinds', (look) => look.eye('shaft.rough') > 0.5],
    ),
  },
};
