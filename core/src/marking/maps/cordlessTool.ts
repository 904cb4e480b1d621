/** The cordless tool with a brushed motor. */
import { cordlessTool } from '../../practice/index.js';
import { usualCondition, type FamilyMap } from '../family.js';
import { firstOf, type Look } from '../look.js';
import { FIRST_TESTS } from './shared.js';
import { strength, UNIVERSAL_TESTS } from './universal.js';

/** What a sound one does, turns of the spindle a minute. */
const SPINDLE = { high: 995, low: 290 };
const LOADED = 865;
/** Brushes of such a motor are done at this length, mm (common practice). */
const BRUSH_LIMIT_MM = 5;

/** Volts at the motor, as one calls them. */
const feed = (look: Look): string => {
  const volts = look.meter('motor.V');
  if (volts < 1) return 'none';
  return volts < 8 ? 'low' : volts < 13 ? 'about-half' : 'full';
};

/** Modes and tests of the tool. */
export const cordlessToolMap: FamilyMap = {
  family: 'tool-brushed',
  machine: cordlessTool,
  absent: ['insulation'],
  condition: (context) => ({ ...usualCondition(context), mode: context.direction === 'reverse' ? 'reverse' : '' }),
  faults: {
    'pack-flat': 'pack.flat',
    'cell-weak': 'pack.weak',
    'cell-swollen': 'pack.swollen',
    'contacts-burnt': 'cord.dirty',
    'main-burnt': 'contact.burnt',
    'track-worn': 'contact.track',
    'trigger-open': 'trigger.open',
    'trigger-shorted': 'trigger.shorted',
    'reverse-dead': 'reverse.one-way',
    'forward-dead': 'reverse.forward',
    'reverse-burnt': 'reverse.open',
    'brushes-short': 'brushes.early|brushes.worn',
    'brushes-weak': 'brushes.worn|brushes.early',
    'brushes-gone': 'brushes.gone|brushes.tap',
    'brush-stuck': 'brushes.stuck|brushes.tap',
    'bar-open': 'armature.bar',
    'commutator-black': 'armature.pitted',
    'bearing-dry': 'armature.bearing',
    'bearing-stiff': 'armature.stiff',
    seized: 'armature.seized',
    'gear-stripped': 'gearbox.stripped',
    'gear-dry': 'gearbox.dry',
    'gear-jammed': 'gearbox.jammed',
  },
  tests: {
    ...FIRST_TESTS,
    ...UNIVERSAL_TESTS,
    first: (look) =>
      look.see('pack.swollen').mean > 0
        ? 'swollen-punctured-or-reversed-cell'
        : look.see('burnt').mean > 0 && look.chance(0.5)
          ? 'smells-burnt-or-smoked'
          : 'nothing-special',
    full: strength('spindle.rpm', SPINDLE, ['still', 'weak', 'slow', 'fast']),
    half: strength('spindle.rpm', SPINDLE, ['still', 'weak', 'slow', 'full-speed-at-once']),
    loaded: (look) => {
      const rpm = look.eye('spindle.rpm');
      return rpm < 30 ? 'stalls' : rpm < 0.8 * LOADED ? 'weak' : 'holds';
    },
    reverse: (look) => (look.see('spindle.rpm').mean > 30 ? 'turns' : 'still'),
    'gear-noise': (look) => (look.eye('gears.grind') > 0.4 ? 'grinds' : 'quiet'),
    'pack-volts': firstOf(
      'holds',
      ['a-cell-swollen-or-under-2-v', (look) => look.see('pack.swollen').mean > 0],
      ['nothing', (look) => look.meter('pack.V') < 2],
      // Under a lamp of a few amperes a weak cell gives way.
      ['sags', (look) => look.eye('pack.ohm') > 0.3],
    ),
    'spindle-turn': firstOf(
      'free',
      ['jammed', (look) => look.see('gear.jammed').mean > 0],
      ['rough', (look) => look.eye('gear.times') > 3],
    ),
    'contacts-look': (look) => (look.eye('contacts.ohm') > 0.1 ? 'burnt-or-bent' : 'sound'),
    'contact-ohms': firstOf(
      'makes-smooth',
      ['open', (look) => !Number.isFinite(look.see('main.ohm').mean)],
      ['pot-dead-at-its-start', (look) => look.see('track.worn').mean > 0],
    ),
    'reverse-ohms': (look) => {
      const [forward, back] = ['forward.ohm', 'reverse.ohm'].map((way) => Number.isFinite(look.see(way).mean));
      if (!forward && !back) return 'open';
      return forward ? (back ? 'makes-both-ways' : 'open-in-reverse') : 'open-in-forward';
    },
    'gear-look': firstOf(
      'whole',
      ['jammed', (look) => look.see('gear.jammed').mean > 0],
      ['slips', (look) => look.see('gear.stripped').mean > 0],
      ['dry-or-rough', (look) => look.eye('gear.times') > 2],
    ),
    'source-volts': (look) => {
      const volts = look.meter('feed.V');
      return volts < 2 ? 'none' : volts < 16 ? 'sags' : 'right';
    },
    'feed-high': feed,
    'feed-low': feed,
    'tap-start': (look) => (look.see('motor.rpm').mean > 100 ? 'starts' : 'stays-still'),
    'brush-look': firstOf(
      'long-and-free',
      ['stuck', (look) => look.see('brush.stuck').mean > 0],
      ['under-the-limit', (look) => look.see('brush.mm').mean < BRUSH_LIMIT_MM],
    ),
    'trigger-ohms': (look) => (look.meter('control.ohm') < 100 ? 'short' : 'blocks-both-ways'),
  },
};
