/** The direct-drive turntable locked to a crystal. */
import { quartzDeck } from '../../practice/index.js';
import { usualCondition, type FamilyMap } from '../family.js';
import { firstOf, volts, type Look } from '../look.js';
import { ROTOR_FAULTS, ROTOR_TESTS, rotorSpeed, sinkHelps } from './directDrive.js';
import { FIRST_TESTS, SUPPLY_FAULTS, SUPPLY_TESTS } from './shared.js';

/** A frequency against what it should be: none, off by more than half a percent, right. */
const counted = (quantity: string) => (look: Look) => {
  const { mean } = look.see(quantity);
  return mean === 0 ? 'none' : Math.abs(mean - 1) > 0.005 ? 'off' : 'right';
};

const oscillator = (look: Look): string => {
  const { mean, spread } = look.see('oscillator.part');
  if (mean === 0) return 'none';
  // The pitch that was set is not known to a fraction of a percent: only what is far off shows.
  return spread > 0.006 ? 'wanders' : Math.abs(mean - 1) > 0.02 ? 'off' : 'right';
};

/** Modes and tests of the deck. */
export const quartzDeckMap: FamilyMap = {
  family: 'direct-drive-quartz',
  machine: quartzDeck,
  tone: { error: 'platter.error.percent', lines: () => [] },
  condition: (context) => ({
    ...usualCondition(context),
    mode: context.pitch ?? 'detent',
    off: context.sink === 'yes' ? ['sink'] : [],
  }),
  faults: {
    ...SUPPLY_FAULTS,
    ...ROTOR_FAULTS,
    lamp: 'strobe.burnt',
    'zener-drifts': 'zener.drifts',
    'zener-low': 'zener.low',
    'crystal-dead': 'crystal.dead',
    'crystal-mode': 'crystal.overtone',
    'divider-dead': 'divider.dead',
    'divider-45': 'divider.wrong-45',
    'slider-dirty': 'pitch.dirty',
    'slider-end': 'pitch.end',
    'oscillator-dead': 'oscillator.dead',
    'oscillator-warm': 'oscillator.warm',
    'detent-open': 'detent.stuck-off',
    'detent-shut': 'detent.stuck-on',
    'trim-33': 'trims.off-33',
    'trim-45': 'trims.off-45',
    'lock-dead': 'lock.dead',
    'open-loop': 'lock.open-loop',
  },
  tests: {
    ...FIRST_TESTS,
    ...SUPPLY_TESTS,
    ...ROTOR_TESTS,
    'rim-lamp': (look) => (look.see('lamp').mean > 0 ? 'lit' : 'dark'),
    'detent-33': rotorSpeed('wanders'),
    'detent-45': rotorSpeed('wanders'),
    // Asked is whether it holds what it does; whether the pitch does anything is a question of its own.
    'off-33': rotorSpeed('wanders', 'platter.steady.error.percent'),
    'slow-end': rotorSpeed('wanders', 'platter.steady.error.percent'),
    'off-warm': rotorSpeed('wanders', 'platter.steady.error.percent'),
    'pitch-moves': (look) => (look.see('pitch.follows').mean > 0 ? 'follows' : 'does-nothing'),
    'detent-warm': rotorSpeed('wanders'),
    'lock-lamp': (look) => {
      const { mean } = look.see('lock.lamp', { mode: 'detent' });
      return mean < 0.1 ? 'dark' : mean < 0.9 ? 'flashing' : 'steady';
    },
    'slider-sweep': firstOf(
      'smooth',
      ['dead-at-one-end', (look) => look.see('slider.end').mean > 0],
      ['jumps', (look) => look.see('slider.wander').spread > 0.008],
    ),
    'zener-volts': (look) => (look.wanders('zener.V', 0.02) ? 'wanders' : volts('zener.V')(look)),
    'zener-warm': (look) => (look.wanders('zener.V', 0.02) ? 'wanders' : volts('zener.V')(look)),
    'crystal-scope': counted('crystal.part'),
    'reference-33': counted('reference.part'),
    'reference-45': counted('reference.part'),
    'oscillator-warm': oscillator,
    'oscillator-cold': oscillator,
    'detent-ohms': firstOf(
      'opens-and-closes',
      ['never-closes', (look) => look.see('detent.never.closes').mean > 0],
      ['never-opens', (look) => look.see('detent.never.opens').mean > 0],
    ),
    'capture-edges': firstOf(
      'in-the-middle',
      ['off-33', (look) => Math.abs(look.eye('trim.33.part')) > 0.025],
      ['off-45', (look) => Math.abs(look.eye('trim.45.part')) > 0.025],
    ),
    'control-volts': (look) => {
      const { mean, spread } = look.see('control.V');
      if (mean < 0.3) return 'none';
      if (spread > 0.02 * mean) return 'wanders';
      if (mean > 8) return 'full';
      return Math.abs(look.see('platter.error.percent').mean) > 3 ? 'off' : 'right';
    },
    sink: sinkHelps('platter.error.percent'),
  },
};
