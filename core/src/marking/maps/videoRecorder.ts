/** The video recorder. */
import { videoRecorder } from '../../practice/index.js';
import { usualCondition, type FamilyMap } from '../family.js';
import { firstOf, type Look, type TestMap } from '../look.js';
import { FIRST_TESTS } from './shared.js';

/** Under this many decibels noise is seen, under that there is no picture to speak of (chosen). */
const CLEAN_DB = 35;
const NONE_DB = 10;

const picture = (look: Look): string => {
  const { mean } = look.see('picture.dB');
  return mean > CLEAN_DB ? 'good' : mean > NONE_DB ? 'bars-or-noise' : 'none';
};

/** What is seen of something that should turn at its speed. */
const turns = (error: string, wanders: string, unsteady: string) =>
  firstOf(
    'right',
    ['still', (look) => look.see(error).mean < -95],
    [unsteady, (look) => look.see(wanders).mean > 0.5],
    ['slow', (look) => look.see(error).mean < -2],
    ['fast', (look) => look.see(error).mean > 2],
  );
const capstan = (look: Look): string =>
  look.see('capstan.quivers').mean > 0 ? 'quivers' : turns('capstan.error.percent', 'capstan.hunts', 'hunts')(look);
const tape = turns('tape.error.percent', 'tape.unsteady.percent', 'unsteady');

/** At the drive chip's input. */
const order = firstOf(
  'right',
  ['none', (look) => look.see('capstan.ordered').mean === 0],
  ['full', (look) => look.see('capstan.ordered').mean > 1.5],
  ['wanders', (look) => look.see('order.wanders').mean > 0.5],
);

/** Supply, control, loading. */
const CONTROL_TESTS: TestMap = {
  display: (look) => (look.see('display').mean > 0 ? 'lit' : 'dark'),
  dew: (look) => (look.see('dew.warns').mean > 0 ? 'on' : 'off'),
  loads: (look) => {
    const { mean } = look.see('threaded');
    return mean < 0.25 ? 'no' : mean < 0.9 ? 'changes-its-mind' : 'threads';
  },
  'loading-sound': (look) => (look.see('loading.turns').mean > 0.5 ? 'turns' : 'silent'),
  cord: firstOf(
    'through',
    ['a-lead-reaches-the-frame', (look) => look.see('insulation.Mohm').mean < 0.05],
    ['open', (look) => !Number.isFinite(look.see('cord.itself.ohm').mean)],
    ['fuse-open', (look) => !Number.isFinite(look.see('fuse.ohm').mean)],
  ),
  'supply-look': firstOf(
    'sound',
    ['switch-or-rail-near-nought', (look) => look.see('supply.shorted').mean > 0],
    ['dried-out', (look) => look.meter('supply.capacitor.ohm') > 0.5],
    ['sound-and-does-not-start', (look) => look.see('supply.dead').mean > 0],
  ),
  'rail-volts': (look) => ({ value: look.meter('rail.V'), unit: 'V' }),
  'display-rails': (look) => (look.see('display.dead').mean > 0 ? 'dark-with-its-feeds-right' : 'works'),
  'dew-ohms': (look) => (look.meter('dew.ohm') > 2e5 ? 'reads-wet' : 'dry'),
  'position-scope': firstOf(
    'clean',
    ['nothing', (look) => look.see('contact.ohm').mean > 2e6],
    ['erratic', (look) => look.see('mode.oxidised').mean > 0 || look.see('mode.phase').mean > 0],
  ),
  'mode-look': firstOf(
    'bright',
    ['was-not-soldered', (look) => look.see('mode.unsoldered').mean > 0],
    ['out-of-phase', (look) => look.see('mode.phase').mean > 0],
    ['oxidised', (look) => look.see('mode.oxidised').mean > 0],
  ),
  'loading-motor': firstOf(
    'drives-the-mechanism',
    ['does-not-turn', (look) => look.see('loading.dead').mean > 0],
    ['jams', (look) => look.see('loading.jam').mean > 0],
    ['turns-belt-slips', (look) => look.see('loading.slips').mean > 0],
  ),
  'system-orders': (look) => (look.see('system.dead').mean > 0 ? 'gives-none' : 'gives-orders'),
};

/** Capstan, its sensors and its servo. */
const CAPSTAN_TESTS: TestMap = {
  'capstan-look': capstan,
  'capstan-search': capstan,
  'fg-scope': firstOf(
    'clean-sine',
    ['none', (look) => look.see('fg.part').mean < 0.05],
    ['uneven', (look) => look.see('fg.scar').mean > 0],
  ),
  'fg-joints': firstOf(
    'through-head-right',
    ['plug-off', (look) => look.see('fg.plug.off').mean > 0],
    ['open-between', (look) => look.see('fg.track.open').mean > 0],
    ['head-open-or-gap-wide', (look) => look.see('fg.head.dead').mean > 0],
    ['a-pole-damaged', (look) => look.see('fg.scar').mean > 0],
  ),
  'control-scope': (look) => (look.see('control.pulses').mean > 0.5 ? 'there' : 'none'),
  'hall-by-hand': firstOf(
    'all-toggle',
    ['one-does-not', (look) => look.see('hall.stuck').mean > 0],
    ['one-barely-does', (look) => look.see('hall.weak').mean > 0],
  ),
  'order-volts': order,
  'order-warm': order,
  'phase-scope': firstOf(
    'right',
    ['none', (look) => look.meter('phases.V') < 0.1],
    ['one-missing', (look) => look.see('phases.missing').mean > 0],
    ['full', (look) => look.see('phases.full').mean > 0],
  ),
  'capstan-spin': firstOf(
    'free-and-alike',
    ['tape-wound-round-it', (look) => look.see('capstan.wound').mean > 0],
    ['one-coil-open', (look) => [1, 2, 3].some((i) => !Number.isFinite(look.see(`coil.${i}.ohm`).mean))],
    ['stiff', (look) => look.eye('bearing.coast.s') < 8],
  ),
};

/** Modes and tests of the recorder. */
export const videoRecorderMap: FamilyMap = {
  family: 'video-recorder',
  machine: videoRecorder,
  condition: usualCondition,
  faults: {
    'cord-open': 'plug.open',
    'lead-on-case': 'plug.frame',
    'fuse-aged': 'plug.fuse',
    'supply-dead': 'supply.dead',
    'supply-shorted': 'supply.shorted',
    'supply-low': 'supply.low',
    'display-dead': 'display.dark',
    'dew-wet': 'dew.leaky',
    'mode-dirty': 'mode.dirty',
    'mode-unsoldered': 'mode.unsoldered',
    'mode-phase': 'mode.phase',
    'system-dead': 'system.dead',
    'loading-dead': 'loading.dead',
    'loading-belt': 'loading.belt',
    'loading-jam': 'loading.jam',
    'drum-dead': 'drum-servo.dead',
    'drum-pulses': 'drum-servo.pulses',
    disturbed: 'place.disturbed',
    'heads-dirty': 'heads.dirty',
    'heads-worn': 'heads.worn',
    'servo-dead': 'capstan-servo.dead',
    'servo-warm': 'capstan-servo.warm',
    'chip-dead': 'capstan-driver.dead',
    'chip-leg': 'capstan-driver.one',
    'hall-dead': 'hall.one',
    'hall-weak': 'hall.weak',
    'fg-track': 'fg.track',
    'fg-head': 'fg.head',
    'fg-plug': 'fg.unplugged',
    'fg-scar': 'fg.bump',
    'control-dirty': 'control-head.dirty',
    'capstan-dry': 'capstan.dry',
    'capstan-wound': 'capstan.wound',
    'coil-open': 'capstan.coil',
    'pinch-hard': 'pinch.hard',
    'guides-off': 'tape-path.guides',
    'tyre-glazed': 'winder.idler',
  },
  tests: {
    ...FIRST_TESTS,
    ...CONTROL_TESTS,
    ...CAPSTAN_TESTS,
    'play-picture': picture,
    'still-picture': picture,
    'search-picture': picture,
    'play-speed': tape,
    'play-warm': tape,
    winds: (look) => (look.see('winding.turns').mean > 0.5 ? 'turns' : 'still'),
    elsewhere: (look) =>
      look.see('field').mean > 0.1 && look.see('picture.dB', { mode: 'play' }).mean > 0
        ? 'clean-elsewhere'
        : 'the-same-elsewhere',
    'drum-look': (look) => {
      const { mean } = look.see('drum.part');
      return mean === 0 ? 'still' : mean < 0.95 ? 'wrong' : 'right';
    },
    'drum-scope': (look) => (look.see('drum.part').mean > 0.95 ? 'there' : 'none'),
    'heads-clean': firstOf(
      'no-change-picture-good',
      ['cured-by-cleaning', (look) => look.see('heads.dirt').mean < 0.5 && look.see('heads.level').mean > 0.5],
      ['not-cured', (look) => look.see('heads.level').mean < 0.5],
    ),
    'pinch-look': (look) => (look.eye('pinch.hard') > 0.2 ? 'hard-or-glazed' : 'springy'),
    'guides-look': (look) => (look.eye('guide.wander') > 0.01 ? 'curls' : 'runs-flat'),
    'idler-look': (look) => (look.eye('idler.tyre') < 0.5 ? 'glazed' : 'grips'),
    'control-head-look': (look) => (look.see('control.head.dirty').mean > 0 ? 'dirty-or-off' : 'clean-and-at-height'),
  },
};
