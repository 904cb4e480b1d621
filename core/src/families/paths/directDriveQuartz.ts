/**
 * Drive path of the quartz-locked direct drive with a pitch slider. Behaviours, priors, healthy values
 * and minutes are common practice of the trade, with no published source.
 */
import { ZENER_SCHOOL } from '../shared/schools.js';
import { block, looks, measure, mode, reads, repair, row, signal } from '../path/build.js';
import { fgHead } from '../parts/fgHead.js';
import { firstLook } from '../parts/firstLook.js';
import { linearSupply } from '../parts/linearSupply.js';
import { statorDrive } from '../parts/statorDrive.js';
import type { PathData } from '../path/schema.js';
import { QUARTZ_WAYS } from '../ways/decks.js';

const DECK = 'common practice: direct drive deck with a 12 V rail and a 5.6 V zener';
const SPEED = ['still', 'quivers', 'slow', 'right', 'fast'] as const;
const speedAnswers = [
  'still|does not turn: still',
  'quivers: quivers',
  'slow: slow',
  'right: right',
  'fast|runs away, or fast: fast',
  'wanders: hunting',
];
const live = { level: 'bottom', power: 'powered' as const, probe: true, cautions: ['magnet'] };

const AT_BOARD = { level: 'bottom', riskMin: 2, cautions: ['magnet'] };
const SUPPLY = linearSupply({
  ...AT_BOARD,
  origin: DECK,
  raw: ['none * 2', 'low 2 15', 'right 15 28'],
  supply: ['none * 2', 'low 2 10.8', 'right 10.8 13.2', 'high 13.2 20'],
});
const STATOR = statorDrive(AT_BOARD);
const FG = fgHead({ of: 'platter', turned: 'the platter', level: 'bottom' });

const FIRST = firstLook({ level: 'bottom', feed: 'mains' });

export const directDriveQuartzPath: PathData = {
  speed: { signal: 'platter', speedKey: 'speed', heatKey: 'heat' },
  contexts: [
    { id: 'speed', name: 'speed chosen', values: ['33', '45'] },
    { id: 'heat', name: 'cold or warm', values: ['cold', 'warm'] },
    { id: 'pitch', name: 'pitch', values: ['detent', 'off', 'slow end'] },
    { id: 'sink', name: 'heat sink pressed on the chip', values: ['no', 'yes'] },
  ],
  trims: ['trims'],
  levels: [
    { id: 'outside', name: 'closed', minutes: 0, steps: [] },
    { id: 'platter', name: 'platter off', minutes: 1, steps: ['platter', 'mat'] },
    { id: 'bottom', name: 'bottom cover off', minutes: 10, steps: ['bottom', 'base', 'plinth'] },
  ],
  signals: [
    ...FG.signals,
    ...SUPPLY.signals,
    ...STATOR.signals,
    signal('strobe', 'rim lamp', ['dark', 'lit'], 'dark'),
    signal(
      'bias',
      'bias of the pitch oscillator',
      ['none', 'low', 'drifting', 'right'],
      'none',
      measure('zener', 'V', DECK, 'none * 0.5', 'low 0.5 5.2', 'right 5.2 6'),
    ),
    signal('crystal', 'crystal', ['none', 'off', 'right'], 'none'),
    signal('reference', 'divided reference', ['none', 'off', 'right'], 'none'),
    signal('slider', 'slider', ['right', 'jumps'], 'right'),
    signal('oscillator', 'pitch oscillator', ['none', 'off', 'drifting', 'right'], 'none'),
    signal('target', 'frequency to lock to', ['none', 'off', 'drifting', 'right'], 'none'),
    signal('capture', 'capture of the lock', ['right', 'missed', 'under', 'over'], 'right'),
    signal('lamp', 'lock lamp', ['dark', 'flashing', 'steady'], 'dark'),
    signal('control', 'control voltage', ['none', 'off', 'wandering', 'right', 'full'], 'none'),
    signal('platter', 'platter speed', SPEED, 'still'),
    signal('drag', 'drag of the bearing', ['free', 'drags', 'holds back'], 'free'),
  ],
  blocks: [
    ...FG.blocks,
    ...SUPPLY.blocks,
    ...STATOR.blocks,
    block(
      'strobe',
      'rim lamp',
      'supply',
      ['ac'],
      ['strobe'],
      [row({ ac: 'none' }, { strobe: 'dark' }), row({}, { strobe: 'lit' })],
      [mode('burnt', 'rim lamp dead', 0.03, [row({}, { strobe: 'dark' })])],
    ),
    block(
      'zener',
      'zener bias',
      'supply',
      ['supply'],
      ['bias'],
      [row({ supply: 'none' }, { bias: 'none' }), row({}, { bias: 'right' })],
      [
        mode(
          'drifts',
          'zener drifts: worst warm and at the slow end',
          0.09,
          [
            row({ '@heat': 'warm', supply: ['right', 'unsteady', 'low'] }, { bias: 'drifting' }),
            row({ '@pitch': 'slow end', supply: ['right', 'unsteady', 'low'] }, { bias: 'drifting' }),
          ],
          { provoked: ['cold', 'heat'] },
        ),
        mode('low', 'zener or its feed resistor off value', 0.04, [
          row({ supply: ['right', 'unsteady', 'low'] }, { bias: 'low' }),
        ]),
      ],
    ),
    block(
      'crystal',
      'crystal',
      'control',
      ['supply'],
      ['crystal'],
      [row({ supply: 'none' }, { crystal: 'none' }), row({}, { crystal: 'right' })],
      [
        mode('dead', 'crystal does not start', 0.02, [row({}, { crystal: 'none' })]),
        mode('overtone', 'crystal on a wrong mode', 0.005, [
          row({ supply: ['right', 'low', 'unsteady'] }, { crystal: 'off' }),
        ]),
      ],
    ),
    block(
      'divider',
      'divider',
      'control',
      ['crystal'],
      ['reference'],
      [row({}, { reference: '=crystal' })],
      [
        mode('dead', 'divider dead', 0.02, [row({}, { reference: 'none' })]),
        mode('wrong-45', 'divider wrong at 45', 0.01, [
          row({ '@speed': '45', crystal: 'right' }, { reference: 'off' }),
        ]),
      ],
    ),
    block(
      'pitch',
      'pitch slider',
      'control',
      [],
      ['slider'],
      [row({}, { slider: 'right' })],
      [
        mode('dirty', 'slider dirty', 0.06, [row({}, { slider: 'jumps' })]),
        mode('end', 'slider open at one end', 0.01, [row({ '@pitch': 'slow end' }, { slider: 'jumps' })]),
      ],
    ),
    block(
      'oscillator',
      'pitch oscillator',
      'control',
      ['bias', 'slider'],
      ['oscillator'],
      [
        row({ bias: 'none' }, { oscillator: 'none' }),
        row({ bias: 'drifting' }, { oscillator: 'drifting' }),
        row({ slider: 'jumps' }, { oscillator: 'drifting' }),
        row({ bias: 'low', '@pitch': 'slow end' }, { oscillator: 'drifting' }),
        row({ bias: 'low' }, { oscillator: 'off' }),
        row({}, { oscillator: 'right' }),
      ],
      [
        mode('dead', 'pitch oscillator dead', 0.02, [row({}, { oscillator: 'none' })]),
        mode(
          'warm',
          'its timing capacitor drifts when warm',
          0.04,
          [row({ '@heat': 'warm', bias: ['right', 'low'] }, { oscillator: 'drifting' })],
          { provoked: ['cold', 'heat'] },
        ),
      ],
    ),
    block(
      'detent',
      'detent switch',
      'control',
      ['reference', 'oscillator'],
      ['target'],
      [row({ '@pitch': 'detent' }, { target: '=reference' }), row({}, { target: '=oscillator' })],
      [
        mode('stuck-off', 'detent switch never closes', 0.03, [row({}, { target: '=oscillator' })]),
        mode('stuck-on', 'detent switch never opens', 0.02, [row({}, { target: '=reference' })]),
      ],
    ),
    block(
      'trims',
      'speed trims',
      'control',
      [],
      ['capture'],
      [row({}, { capture: 'right' })],
      [
        mode('off-33', 'trim of 33 outside its capture', 0.04, [
          row({ '@speed': '33' }, { capture: { missed: 0.5, under: 0.25, over: 0.25 } }),
        ]),
        mode('off-45', 'trim of 45 outside its capture', 0.04, [
          row({ '@speed': '45' }, { capture: { missed: 0.5, under: 0.25, over: 0.25 } }),
        ]),
      ],
    ),
    block(
      'lock',
      'phase lock',
      'control',
      ['target', 'fg-run', 'supply', 'capture', 'drag'],
      ['control', 'lamp'],
      [
        row({ supply: 'none' }, { control: 'none', lamp: 'dark' }),
        row({ target: 'none' }, { control: 'none', lamp: 'flashing' }),
        row({ 'fg-run': 'none' }, { control: 'full', lamp: 'flashing' }),
        // A rotor that cannot follow slips past the lock: the lamp says so, at the higher speed first.
        row({ drag: 'holds back' }, { control: 'right', lamp: 'flashing' }),
        row({ drag: 'drags', '@speed': '45' }, { control: 'right', lamp: 'flashing' }),
        row({ target: 'off' }, { control: 'off', lamp: 'steady' }),
        row({ target: 'drifting' }, { control: 'wandering', lamp: 'flashing' }),
        row({ capture: 'missed' }, { control: 'wandering', lamp: 'flashing' }),
        row({ capture: ['under', 'over'] }, { control: 'off', lamp: 'flashing' }),
        row({ 'fg-run': 'weak' }, { control: 'wandering', lamp: 'flashing' }),
        row({ supply: ['low', 'unsteady'] }, { control: 'wandering', lamp: 'flashing' }),
        row({}, { control: 'right', lamp: 'steady' }),
      ],
      [
        mode('dead', 'lock chip gives nothing', 0.03, [row({}, { control: 'none', lamp: 'dark' })]),
        mode(
          'open-loop',
          'lock chip lets the motor run free',
          0.02,
          [row({ supply: ['right', 'low', 'unsteady'] }, { control: 'full', lamp: 'flashing' })],
          { sizes: [10, 200] },
        ),
      ],
    ),
    block(
      'platter',
      'platter',
      'mechanical',
      ['torque', 'control', 'capture', 'drag'],
      ['platter'],
      [
        row({ torque: 'none' }, { platter: 'still' }),
        row({ torque: 'uneven' }, { platter: 'quivers' }),
        row({ torque: 'full' }, { platter: 'fast' }),
        row({ control: 'wandering' }, { platter: 'hunting' }),
        row({ torque: 'weak' }, { platter: 'slow' }),
        // A trim far outside runs at its own speed, to either side.
        row({ control: 'off', capture: 'over' }, { platter: 'fast' }),
        row({ control: 'off' }, { platter: 'slow' }),
        // What drags holds at the lower speed and falls behind at the higher.
        row({ drag: 'holds back' }, { platter: 'slow' }),
        row({ drag: 'drags', '@speed': '45' }, { platter: 'slow' }),
        row({}, { platter: 'right' }),
      ],
      [
        mode('seat', 'rotor not seated', 0.01, [row({ torque: ['weak', 'right', 'full'] }, { platter: 'quivers' })], {
          byWork: true,
        }),
      ],
    ),
    block(
      'bearing',
      'platter bearing',
      'mechanical',
      [],
      ['drag'],
      [row({}, { drag: 'free' })],
      [mode('dry', 'platter bearing dry', 0.03, [row({}, { drag: { drags: 0.5, 'holds back': 0.5 } })])],
    ),
  ],
  tests: [
    ...FG.tests,
    reads('rim-lamp', 'Rim lamp', 'Look at the lamp at the rim.', 'strobe', ['lit: lit', 'dark: dark'], {
      outside: true,
      power: 'powered',
      handsMin: 0.2,
    }),
    reads(
      'detent-33',
      'Platter at 33⅓, pitch at the detent',
      'Pitch at its detent, 33⅓: measure.',
      'platter',
      speedAnswers,
      { outside: true, power: 'running', context: { speed: '33', pitch: 'detent' } },
    ),
    reads(
      'detent-45',
      'Platter at 45, pitch at the detent',
      'Pitch at its detent, 45: measure.',
      'platter',
      speedAnswers,
      { outside: true, power: 'running', context: { speed: '45', pitch: 'detent' } },
    ),
    reads(
      'off-33',
      'Platter at 33⅓, pitch off the detent',
      'Pitch a little off the detent: does it hold?',
      'platter',
      speedAnswers,
      { outside: true, power: 'running', handsMin: 1, context: { speed: '33', pitch: 'off' } },
    ),
    reads(
      'slow-end',
      'Platter at the slow end of the pitch',
      'Pitch at its slow end: does it hold?',
      'platter',
      speedAnswers,
      { outside: true, power: 'running', handsMin: 1, context: { speed: '33', pitch: 'slow end' } },
    ),
    reads(
      'off-warm',
      'Off the detent after 20 minutes',
      'Let it run for twenty minutes off the detent; does it hold?',
      'platter',
      speedAnswers,
      { outside: true, power: 'running', waitMin: 20, context: { speed: '33', pitch: 'off', heat: 'warm' } },
    ),
    reads('detent-warm', 'At the detent after 20 minutes', 'The same at the detent.', 'platter', speedAnswers, {
      outside: true,
      power: 'running',
      waitMin: 20,
      context: { speed: '33', pitch: 'detent', heat: 'warm' },
    }),
    reads(
      'lock-lamp',
      'Lock lamp at the detent',
      'Look at it as this model has it: locked, or out.',
      'lamp',
      ['steady|locked: steady', 'flashing|out of lock: flashing', 'dark: dark'],
      { outside: true, power: 'running', handsMin: 0.5, reliability: 0.93 },
    ),
    looks(
      'pitch-moves',
      'Does the pitch do anything',
      'Pitch off its detent and moved: does the speed follow it?',
      'detent',
      ['follows: healthy, stuck-off', 'does nothing: stuck-on'],
      { outside: true, power: 'running', handsMin: 0.5, context: { pitch: 'off' }, reliability: 0.95, positive: 0.9 },
    ),
    looks(
      'slider-sweep',
      'Sweep the slider',
      'Sweep it end to end while it runs off the detent.',
      'pitch',
      ['smooth: healthy', 'jumps: dirty', 'dead at one end: end'],
      { outside: true, power: 'running', handsMin: 1.5, reliability: 0.9 },
    ),
    looks(
      'spin',
      'Spin the platter by hand',
      'Unplugged: it should coast and be silent.',
      'bearing',
      ['coasts: healthy', 'drags: dry'],
      { outside: true, handsMin: 1, reliability: 0.93 },
    ),
    looks(
      'rotor-seat',
      'Seat of the rotor',
      'Lift the platter, look at the magnet and its seat.',
      'platter',
      ['seated: healthy', 'not seated: seat'],
      { level: 'platter', handsMin: 1.5, reliability: 0.95 },
    ),
    reads(
      'zener-volts',
      'Volts at the zener, cold',
      'Across the zener, d.c.',
      'bias',
      ['none: none', 'low: low', 'right: right', 'wanders: drifting'],
      { ...live },
    ),
    reads(
      'zener-warm',
      'Volts at the zener, warm',
      'The same after twenty minutes; or heat it a little with a breath of hot air.',
      'bias',
      ['none: none', 'low: low', 'right: right', 'wanders: drifting'],
      { ...live, waitMin: 20, context: { heat: 'warm' } },
    ),
    reads(
      'crystal-scope',
      'Crystal at the scope',
      'Probe ten to one at the buffer, never at the crystal.',
      'crystal',
      ['none: none', 'off: off', 'right: right'],
      { ...live, handsMin: 3 },
    ),
    reads(
      'reference-33',
      'Divided reference at 33⅓',
      'Behind the divider.',
      'reference',
      ['none: none', 'off: off', 'right: right'],
      { ...live, handsMin: 3, context: { speed: '33' } },
    ),
    reads(
      'reference-45',
      'Divided reference at 45',
      'The same at 45.',
      'reference',
      ['none: none', 'off: off', 'right: right'],
      { ...live, handsMin: 2, context: { speed: '45' } },
    ),
    reads(
      'oscillator-warm',
      'Pitch oscillator, warm, zener steady',
      'At the oscillator output after twenty minutes off the detent; cold spray that does not burn on its capacitor.',
      'oscillator',
      ['none: none', 'off: off', 'wanders: drifting', 'right: right'],
      { ...live, handsMin: 3, waitMin: 20, context: { heat: 'warm', pitch: 'off' } },
    ),
    reads(
      'oscillator-cold',
      'Pitch oscillator, cold',
      'At the oscillator output, off the detent.',
      'oscillator',
      ['none: none', 'off: off', 'wanders: drifting', 'right: right'],
      { ...live, handsMin: 3, context: { pitch: 'off' } },
    ),
    looks(
      'detent-ohms',
      'Detent switch',
      'Unplugged. Ohms of the switch at the detent and off it.',
      'detent',
      ['opens and closes: healthy', 'never closes: stuck-off', 'never opens: stuck-on'],
      { level: 'bottom', handsMin: 2.5 },
    ),
    looks(
      'capture-edges',
      'Capture edges of each trim',
      'Approach lock from both sides at each speed; the trim belongs in the middle.',
      'trims',
      ['in the middle: healthy', 'off-33|outside at 33: off-33', 'off-45|outside at 45: off-45'],
      { ...live, handsMin: 6, reliability: 0.93 },
    ),
    reads(
      'control-volts',
      'Control voltage at the detent',
      'Out of the lock chip, d.c.',
      'control',
      ['none: none', 'off: off', 'wanders: wandering, hunting', 'right: right', 'full: full'],
      { ...live, handsMin: 2 },
    ),
    reads(
      'sink',
      'Heat sink pressed on the drive chip, warm',
      'Warm and failing: press an insulated heat sink on the chip. Does it come right?',
      'platter',
      ['still wrong: still, quivers, slow, fast, hunting', 'comes right: right'],
      { ...live, handsMin: 3, waitMin: 20, context: { heat: 'warm', sink: 'yes' }, reliability: 0.93 },
    ),
    ...FIRST.tests,
    ...SUPPLY.tests,
    ...STATOR.tests,
  ],
  causes: [...(SUPPLY.causes ?? []), ...(STATOR.causes ?? [])],
  ...QUARTZ_WAYS,
  repairs: [
    ...SUPPLY.repairs,
    ...STATOR.repairs,
    repair('zener', 'Renew the zener and its feed resistor', ['zener.*'], 15, 'bottom', {
      retrim: true,
      ...ZENER_SCHOOL.renew,
      money: 1,
    }),
    repair('feed-resistor', 'Raise the feed resistor of the zener', ['zener.drifts'], 12, 'bottom', {
      retrim: true,
      ...ZENER_SCHOOL.resistor,
      money: 1,
      residual: 0.2,
    }),
    repair('oscillator', 'Renew the timing capacitor and oscillator parts', ['oscillator.*'], 25, 'bottom', {
      money: 3,
    }),
    repair('slider', 'Clean the slider', ['pitch.dirty'], 8, 'bottom', { residual: 0.15 }),
    repair('slider-new', 'Renew the slider', ['pitch.*'], 20, 'bottom', { money: 10, retrim: true }),
    repair('detent', 'Clean or renew the detent switch', ['detent.*'], 15, 'bottom', { money: 3 }),
    repair('trims', 'Set both trims to the middle of their capture', ['trims.*'], 12, 'bottom', {
      residual: 0.03,
      power: 'running',
    }),
    repair('lock', 'Renew the lock chip', ['lock.*'], 45, 'bottom', { money: 20, retrim: true }),
    repair('crystal', 'Renew the crystal', ['crystal.*'], 20, 'bottom', { money: 4 }),
    repair('divider', 'Renew the divider', ['divider.*'], 40, 'bottom', { money: 12 }),
    repair('ring', 'Re-magnetise the ring, or a donor ring', ['fg.scar'], 40, 'platter', { money: 25, residual: 0.3 }),
    repair('fg', 'Clean and gap the FG head', ['fg.weak', 'fg.scar'], 15, 'platter', { residual: 0.3 }),
    repair('fg-track', 'Find and mend the FG connection', ['fg.lost'], 30, 'bottom', { residual: 0.1 }),
    repair('seat', 'Seat the rotor', ['platter.seat'], 3, 'platter', { residual: 0.02 }),
    repair('bearing', 'Clean and oil the bearing', ['bearing.dry'], 8, 'platter', { residual: 0.08 }),
    repair('rim-lamp', 'Renew the rim lamp', ['strobe.burnt'], 15, 'bottom', { money: 3 }),
  ],
};
