/** Drive path of rim and idler drive players, mains or battery. Common practice, with no published source. */
import { firstLook, LEAKS } from '../parts/firstLook.js';
import { OUTSIDE } from '../parts/part.js';
import { mainsCord } from '../parts/universalMotor.js';
import { block, cause, looks, measure, mode, reads, repair, row, signal } from '../path/build.js';
import type { PathData } from '../path/schema.js';
import { RIM_WAYS } from '../ways/decks.js';
import { OIL_SCHOOL } from '../shared/schools.js';

const CORD = mainsCord('below');
const FIRST = firstLook({ level: 'below', feed: 'mains' });
const SPEED = ['still', 'slow', 'right', 'fast', 'backward'] as const;
const SPEED_ANSWERS = ['still: still', 'slow: slow', 'right: right', 'fast: fast', 'backward: backward'];

export const rimDrivePath: PathData = {
  speed: { signal: 'platter', speedKey: 'speed', heatKey: 'heat' },
  options: [
    {
      id: 'kind',
      name: 'motor',
      choices: [
        { name: 'shaded pole on the mains', absent: ['trims'] },
        // No mains motor to bring up slowly, nothing that hangs on the mains.
        { name: 'small d.c. motor, trims on the board', absent: ['field', 'start-volts', 'insulation'] },
      ],
    },
    {
      id: 'amplifier',
      name: 'amplifier',
      choices: [
        { name: 'fed by a winding of the motor', absent: [] },
        { name: 'none, or with its own feed', absent: ['amplifier'] },
      ],
    },
  ],
  contexts: [
    { id: 'speed', name: 'speed chosen', values: ['33', '45', '78'] },
    { id: 'heat', name: 'cold or warm', values: ['cold', 'warm'] },
    { id: 'idler', name: 'idler', values: ['against the rim', 'off'] },
  ],
  trims: ['trims'],
  levels: [
    { id: 'outside', name: 'closed', minutes: 0, steps: [] },
    { id: 'platter', name: 'platter off', minutes: 2, steps: ['platter', 'mat'] },
    { id: 'below', name: 'reached from below', minutes: 10, steps: ['bottom', 'plinth', 'case', 'cabinet'] },
  ],
  signals: [
    ...CORD.signals,
    signal('switched', 'feed behind the switch', ['none', 'right'], 'none'),
    signal('wish', 'trim of the motor', ['right', 'low', 'high', 'jumps'], 'right'),
    signal('hum', 'sound of the amplifier', ['none', 'plays', 'hums'], 'none'),
    signal('motor', 'motor', SPEED, 'still'),
    signal('winding', 'field winding', ['right', 'low', 'open'], 'right'),
    signal(
      'start',
      'volts it starts at, part of its mains',
      ['early', 'late', 'never'],
      'never',
      measure(
        'start volts, part of rated',
        '%',
        'common practice: a third is healthy, two thirds gummed',
        'early 5 45',
        'late 45 98',
        'never 98 130',
      ),
    ),
    signal('motor-noise', 'noise of the motor', ['quiet', 'rattles'], 'quiet'),
    signal('step', 'step the idler lies on', ['right', 'smaller', 'larger', 'none'], 'right'),
    signal('lever', 'speed lever', ['free', 'stiff'], 'free'),
    signal('idler-speed', 'idler speed', SPEED, 'still'),
    signal('thump', 'thump', ['none', 'once a turn of the idler'], 'none'),
    signal('rim', 'rim speed', SPEED, 'still'),
    signal('platter', 'platter speed', SPEED, 'still'),
    signal('rumble', 'rumble', ['none', 'rumbles'], 'none'),
  ],
  blocks: [
    ...CORD.blocks,
    block(
      'switch',
      'switch',
      'supply',
      ['feed'],
      ['switched'],
      [row({}, { switched: '=feed' })],
      [mode('open', 'switch worn, does not make', 0.08, [row({}, { switched: 'none' })])],
    ),
    block(
      'amplifier',
      'amplifier',
      'supply',
      ['switched', 'winding'],
      ['hum'],
      [
        row({ switched: 'none' }, { hum: 'none' }),
        row({ winding: 'open' }, { hum: 'none' }),
        row({}, { hum: 'plays' }),
      ],
      [
        mode('dry', 'electrolytics of the amplifier dried out', 0.1, [
          row({ switched: 'right', winding: 'right' }, { hum: 'hums' }),
        ]),
        mode('dead', 'amplifier dead', 0.03, [row({}, { hum: 'none' })]),
      ],
    ),
    block(
      'trims',
      'speed trims',
      'control',
      [],
      ['wish'],
      [row({}, { wish: 'right' })],
      [
        mode('dirty', 'trims dirty', 0.05, [row({}, { wish: 'jumps' })]),
        mode('off', 'trim off', 0.04, [row({}, { wish: { low: 0.5, high: 0.5 } })], { sizes: [0.5, 20] }),
      ],
    ),
    block(
      'field',
      'field winding',
      'mechanical',
      [],
      ['winding'],
      [row({}, { winding: 'right' })],
      [
        mode('open', 'field winding open', 0.03, [row({}, { winding: 'open' })]),
        mode('shorted', 'turns of the field shorted: hot, weak', 0.01, [row({}, { winding: 'low' })], {
          marks: { burnt: 0.6, scorched: 0.5, blew: 0.2 },
          bans: 'rails',
        }),
        mode('frame', 'field winding to the frame', 0.006, [], { bans: 'frame', marks: LEAKS }),
      ],
    ),
    block(
      'motor',
      'motor',
      'mechanical',
      ['switched', 'winding', 'wish'],
      ['motor', 'start', 'motor-noise'],
      [
        row({ switched: 'none' }, { motor: 'still', start: 'never' }),
        row({ winding: 'open' }, { motor: 'still', start: 'never' }),
        row({ winding: 'low' }, { motor: 'slow', start: 'late' }),
        row({ wish: 'low' }, { motor: 'slow', start: 'early' }),
        row({ wish: 'high' }, { motor: 'fast', start: 'early' }),
        row({ wish: 'jumps' }, { motor: 'hunting', start: 'early' }),
        row({}, { motor: 'right', start: 'early', 'motor-noise': 'quiet' }),
      ],
      [
        mode(
          'gummed',
          'motor bearings gummed: slow until warm',
          0.17,
          [
            row({ switched: 'right', winding: 'right', '@heat': 'cold' }, { motor: 'slow', start: 'late' }),
            row({ switched: 'right', winding: 'right' }, { start: 'late' }),
          ],
          { sizes: [1, 70] },
        ),
        mode('seized', 'motor seized: hums, stands, grows hot', 0.03, [row({}, { motor: 'still', start: 'never' })], {
          bans: 'stalled',
          marks: { burnt: 0.4, 'much-current': 0.5 },
        }),
        mode('worn', 'motor bearings worn, rotor rattles', 0.04, [
          row({ switched: 'right', winding: 'right' }, { 'motor-noise': 'rattles' }),
        ]),
        mode(
          'turned',
          'field stack or motor refitted turned round',
          0.003,
          [row({ switched: 'right', winding: 'right' }, { motor: 'backward' })],
          { byWork: true },
        ),
      ],
    ),
    block(
      'lever',
      'speed lever linkage',
      'control',
      [],
      ['step', 'lever'],
      [row({}, { step: 'right', lever: 'free' })],
      [
        mode('stiff', 'lever stiff from old grease', 0.1, [row({}, { lever: 'stiff' })]),
        mode('bent', 'linkage bent: wrong step', 0.03, [row({}, { step: { smaller: 0.5, larger: 0.5 } })], {
          sizes: [20, 150],
        }),
        mode('stepped', 'lever stood at another speed', 0.02, [row({}, { step: { smaller: 0.4, larger: 0.6 } })], {
          sizes: [20, 150],
        }),
        mode('neutral', 'idler stays in neutral', 0.04, [row({}, { step: 'none', lever: 'stiff' })]),
      ],
    ),
    block(
      'idler',
      'idler wheel',
      'mechanical',
      ['motor', 'step'],
      ['idler-speed', 'thump'],
      [
        row({ step: 'none' }, { 'idler-speed': 'still' }),
        row({ step: 'smaller', motor: ['right', 'slow', 'fast'] }, { 'idler-speed': 'slow' }),
        row({ step: 'larger', motor: ['right', 'slow', 'fast'] }, { 'idler-speed': 'fast' }),
        row({}, { 'idler-speed': '=motor', thump: 'none' }),
      ],
      [
        mode('flat', 'flat spot from resting against the shaft', 0.1, [
          row({ motor: ['slow', 'right', 'fast'] }, { thump: 'once a turn of the idler' }),
        ]),
        mode(
          'glazed',
          'idler glazed or hard, slips',
          0.15,
          [row({ motor: ['slow', 'right', 'fast'] }, { 'idler-speed': 'slow' })],
          { sizes: [0.5, 25] },
        ),
        mode(
          'dry',
          'idler bearing dry',
          0.06,
          [row({ motor: ['slow', 'right', 'fast'], '@heat': 'cold' }, { 'idler-speed': 'slow' })],
          { sizes: [0.5, 15] },
        ),
      ],
    ),
    block(
      'rim',
      'platter rim',
      'mechanical',
      ['idler-speed'],
      ['rim'],
      [row({ '@idler': 'off' }, { rim: 'still' }), row({}, { rim: '=idler-speed' })],
      [
        mode(
          'oily',
          'rim oily',
          0.08,
          [row({ '@idler': 'against the rim', 'idler-speed': ['slow', 'right', 'fast'] }, { rim: 'slow' })],
          { sizes: [0.5, 40] },
        ),
      ],
    ),
    block(
      'bearing',
      'platter bearing',
      'mechanical',
      ['rim'],
      ['platter', 'rumble'],
      [row({}, { platter: '=rim', rumble: 'none' })],
      [
        mode(
          'dry',
          'platter bearing dry: slow',
          0.06,
          [row({ rim: ['slow', 'right'] }, { platter: 'slow', rumble: 'rumbles' })],
          {
            sizes: [0.5, 20],
          },
        ),
        mode('noisy', 'platter bearing dry: rumbles at right speed', 0.04, [
          row({ rim: ['slow', 'right', 'fast'] }, { rumble: 'rumbles' }),
        ]),
        mode('worn', 'platter bearing or ball worn', 0.04, [
          row({ rim: ['slow', 'right', 'fast'] }, { rumble: 'rumbles' }),
        ]),
      ],
    ),
  ],
  tests: [
    reads(
      'speed-33',
      'Platter at 33⅓',
      'Measure, or look at the rim.',
      'platter',
      SPEED_ANSWERS.concat('jumps: hunting'),
      { ...OUTSIDE, context: { speed: '33' } },
    ),
    reads(
      'speed-warm',
      'Platter after 20 minutes',
      'The same, warm.',
      'platter',
      SPEED_ANSWERS.concat('jumps: hunting'),
      { ...OUTSIDE, waitMin: 20, context: { heat: 'warm' } },
    ),
    reads(
      'amplifier',
      'Sound of the amplifier',
      'Volume up: plays, hums, nothing?',
      'hum',
      ['plays: plays', 'hums: hums', 'nothing: none'],
      { ...OUTSIDE, power: 'powered', handsMin: 0.5 },
    ),
    reads(
      'thump',
      'Thump',
      'Stylus up, ear to the case: a thump once a turn of the idler?',
      'thump',
      ['none: none', 'thumps: once a turn of the idler'],
      { ...OUTSIDE, handsMin: 0.7, reliability: 0.92 },
    ),
    reads(
      'rumble',
      'Rumble',
      'Platter coasting with the idler off: does it rumble?',
      'rumble',
      ['none: none', 'rumbles: rumbles'],
      { ...OUTSIDE, power: 'dead', handsMin: 0.7, reliability: 0.92 },
    ),
    reads(
      'motor-noise',
      'Noise of the motor',
      'Ear to the plate.',
      'motor-noise',
      ['quiet: quiet', 'rattles: rattles'],
      { ...OUTSIDE, handsMin: 0.5, reliability: 0.92 },
    ),
    reads(
      'lever',
      'Speed lever',
      'Through all its positions: free or stiff?',
      'lever',
      ['free: free', 'stiff: stiff'],
      { ...OUTSIDE, power: 'either', handsMin: 0.3 },
    ),
    reads(
      'spindle-dot',
      'Motor spindle, idler off',
      'Dot of paint on the spindle, platter off: does it turn, and which way?',
      'motor',
      SPEED_ANSWERS.concat('jumps: hunting'),
      { level: 'platter', power: 'powered', probe: true, riskMin: 1, handsMin: 2, context: { idler: 'off' } },
    ),
    looks(
      'idler-look',
      'Idler wheel',
      'Unplugged, platter off: shine, flat spot; does it spin free?',
      'idler',
      ['soft, round, free: healthy', 'flat spot: flat', 'glazed: glazed', 'stiff: dry'],
      { level: 'platter', handsMin: 2, reliability: 0.95 },
    ),
    looks(
      'rim-wipe',
      'Rim of the platter',
      'White cloth with alcohol round the inside of the rim.',
      'rim',
      ['clean: healthy', 'oily: oily'],
      { level: 'platter', handsMin: 2, reliability: 0.94 },
    ),
    looks(
      'lever-set',
      'Speed chosen',
      'Which speed stands on the lever, which on the label of the record?',
      'lever',
      ['as the record asks: healthy, stiff, bent, neutral', 'another speed: stepped'],
      { outside: true, handsMin: 0.3, reliability: 0.98 },
    ),
    looks(
      'lever-look',
      'Lever and steps',
      'Unplugged: move the lever and watch the idler go to each step and to neutral.',
      'lever',
      ['every step: healthy, stepped', 'stiff, but right: stiff', 'wrong step: bent', 'stays in neutral: neutral'],
      { level: 'platter', handsMin: 2, reliability: 0.95 },
    ),
    looks(
      'bearing-spin',
      'Platter by hand',
      'Idler off. It should coast; rock it at its rim.',
      'bearing',
      ['coasts, no play: healthy', 'drags: dry, noisy', 'plays or grinds: worn'],
      { outside: true, handsMin: 1, reliability: 0.93 },
    ),
    looks('switch-ohms', 'Switch', 'Unplugged. Ohms in each position.', 'switch', ['makes: healthy', 'open: open'], {
      level: 'below',
      handsMin: 2,
    }),
    looks(
      'field-ohms',
      'Field winding',
      'Unplugged. Ohms of the winding and of the tap for the amplifier.',
      'field',
      ['through: healthy', 'open: open', 'low, dark enamel: shorted', 'to the frame: frame'],
      { level: 'below', handsMin: 2, reliability: 0.97, lifts: ['rails', 'fuse'] },
    ),
    looks(
      'motor-spin',
      'Motor spindle by hand',
      'Unplugged. Spin it: it should coast for seconds; does the rotor turn toward the shading rings?',
      'motor',
      ['coasts: healthy', 'drags: gummed', 'will not turn: seized', 'rattles: worn', 'stack turned round: turned'],
      { level: 'platter', handsMin: 2, reliability: 0.93 },
    ),
    reads(
      'start-volts',
      'Volts at which it starts',
      'Isolation transformer first, the variable one after it. Touch no metal. Bring up slowly; at two thirds without turning, switch off.',
      'start',
      ['a third: early', 'two thirds: late', 'never: never'],
      {
        level: 'platter',
        power: 'powered',
        probe: true,
        riskMin: 3,
        handsMin: 5,
        cautions: ['isolation'],
        reliability: 0.96,
      },
    ),
    looks(
      'trim-nudge',
      'Nudge the trims',
      'From below, platter propped: a hair each way.',
      'trims',
      ['not the trims: healthy', 'jumps: dirty', 'comes right: off'],
      { level: 'below', power: 'powered', probe: true, riskMin: 1, handsMin: 5, reliability: 0.93 },
    ),
    looks(
      'amp-capacitors',
      'Electrolytics of the amplifier',
      'Unplugged, discharged: compare each with a new one.',
      'amplifier',
      ['sound: healthy', 'dried out: dry', 'sound, and still silent: dead'],
      { level: 'below', handsMin: 8, reliability: 0.93 },
    ),
  ].concat(FIRST.tests, CORD.tests),
  causes: [cause('motor.seized', 'field.open', 0.3), cause('motor.seized', 'field.shorted', 0.2)],
  ...RIM_WAYS,
  repairs: [
    ...CORD.repairs,
    repair('switch', 'Renew the switch', ['switch.open'], 20, 'below', { money: 6 }),
    repair('amp', 'Renew the few electrolytics of the amplifier', ['amplifier.dry'], 30, 'below', { money: 5 }),
    repair('amp-mend', 'Mend the amplifier', ['amplifier.*'], 60, 'below', { money: 10, residual: 0.1 }),
    repair('trims', 'Clean and set the trims', ['trims.*'], 15, 'below', { residual: 0.05, power: 'running' }),
    repair('motor-oil', 'Clean and oil the motor', ['motor.gummed', 'motor.seized'], 35, 'platter', {
      ...OIL_SCHOOL.thin,
      residual: 0.1,
    }),
    repair('motor', 'Replace the motor', ['motor.gummed', 'motor.seized', 'motor.worn', 'field.*'], 45, 'below', {
      money: 40,
    }),
    repair('turn', 'Turn the field stack round again', ['motor.turned'], 20, 'platter', { residual: 0.02 }),
    repair('lever', 'Clean the lever steps, plastic-safe grease', ['lever.stiff', 'lever.neutral'], 20, 'platter', {
      residual: 0.05,
    }),
    repair('lever-set', 'Choose the right speed', ['lever.stepped'], 0.5, 'outside', { residual: 0.01 }),
    repair('linkage', 'Straighten the linkage', ['lever.bent'], 15, 'platter', { residual: 0.1 }),
    repair('idler-clean', 'Alcohol on the idler, oil its bearing', ['idler.glazed', 'idler.dry'], 10, 'platter', {
      residual: 0.25,
    }),
    repair('idler-true', 'True the tyre with a stone, turning', ['idler.flat'], 25, 'platter', {
      residual: 0.3,
      leaves: 'park the lever in neutral, or the flat comes back',
    }),
    repair('idler', 'Renew the idler or its tyre', ['idler.*'], 12, 'platter', { money: 25, residual: 0.03 }),
    repair('rim', 'Clean the rim', ['rim.oily'], 4, 'platter', { residual: 0.03 }),
    repair('bearing', 'Clean and oil the platter bearing', ['bearing.dry', 'bearing.noisy'], 10, 'platter', {
      residual: 0.08,
    }),
    repair('ball', 'Renew ball and bearing', ['bearing.worn'], 30, 'below', { money: 12 }),
  ],
};
