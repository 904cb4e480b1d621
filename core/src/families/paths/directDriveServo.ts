/** Drive path of the direct-drive turntable with a pitch-controlled servo. Common practice, with no published source. */
import { POT_SCHOOL } from '../shared/schools.js';
import { fgHead } from '../parts/fgHead.js';
import { firstLook } from '../parts/firstLook.js';
import { linearSupply } from '../parts/linearSupply.js';
import { OUTSIDE } from '../parts/part.js';
import { statorDrive } from '../parts/statorDrive.js';
import { block, looks, measure, mode, reads, repair, row, signal, taken } from '../path/build.js';
import type { PathData } from '../path/schema.js';
import { SERVO_WAYS } from '../ways/decks.js';

const DECK = 'common practice: deck with a 12 V servo board';
const AT_BOARD = { level: 'bottom', riskMin: 2, cautions: ['magnet'] };
const live = { level: 'bottom', power: 'powered' as const, probe: true, cautions: ['magnet'] };
const SUPPLY = linearSupply({
  ...AT_BOARD,
  origin: DECK,
  raw: ['none * 2', 'low 2 15', 'right 15 28'],
  supply: ['none * 2', 'low 2 10.8', 'right 10.8 13.2', 'high 13.2 20'],
});
const STATOR = statorDrive(AT_BOARD);
const FIRST = firstLook({ level: 'bottom', feed: 'mains' });
const SPEED_ANSWERS = [
  'still: still',
  'quivers: quivers',
  'slow: slow',
  'right: right',
  'fast|fast, or runs away: fast',
  'wanders: hunting',
];
const FG = fgHead({ of: 'platter', turned: 'the platter', level: 'bottom' });

/** A trim moves the speed so far, percent. */
const TRIM = { sizes: [0.3, 10] as [number, number] };

export const directDriveServoPath: PathData = {
  speed: { signal: 'platter', speedKey: 'speed', heatKey: 'heat' },
  options: [
    {
      id: 'third',
      name: 'third speed',
      choices: [
        { name: 'none', absent: ['added', 'speed-78'] },
        { name: 'by a resistor across the timing resistor of 45', absent: [] },
      ],
    },
  ],
  contexts: [
    { id: 'speed', name: 'speed chosen', values: ['33', '45', '78'] },
    { id: 'heat', name: 'cold or warm', values: ['cold', 'warm'] },
    { id: 'sink', name: 'heat sink pressed on the chip', values: ['no', 'yes'] },
  ],
  trims: ['timing'],
  levels: [
    { id: 'outside', name: 'closed', minutes: 0, steps: [] },
    { id: 'platter', name: 'platter off', minutes: 1, steps: ['platter', 'mat'] },
    { id: 'bottom', name: 'bottom cover off', minutes: 10, steps: ['bottom', 'base', 'plinth'] },
  ],
  signals: [
    ...FG.signals,
    ...SUPPLY.signals,
    signal('strobe', 'rim lamp', ['dark', 'lit'], 'dark'),
    signal('chosen', 'contact of the selector', ['right', 'open', 'noisy'], 'right'),
    signal('added', 'added third speed', ['right', 'open', 'off'], 'right'),
    signal('timing', 'timing resistance chosen', ['right', 'high', 'low', 'open', 'jumps'], 'right'),
    signal('wish', 'timing behind the pitch pot', ['right', 'high', 'low', 'open', 'jumps'], 'right'),
    signal('fg-volts', 'speed as a voltage', ['none', 'low', 'right'], 'none'),
    signal(
      'control',
      'control voltage',
      ['none', 'off', 'wandering', 'right', 'full', 'under'],
      'none',
      measure('comparator output', 'V', DECK, 'none * 0.3', 'under 0.3 1.5', 'right 1.5 4.5', 'full 4.5 12'),
      // A few percent of speed are fewer volts than a meter tells apart.
      { under: ['under', 'right'], off: ['off', 'right'], wandering: ['wandering', 'right'] },
    ),
    ...STATOR.signals,
    signal('drag', 'drag of the bearing', ['free', 'drags', 'held'], 'free'),
    taken('pull', 'what the platter takes', ['light', 'heavy']),
    signal('platter', 'platter speed', ['still', 'quivers', 'slow', 'right', 'fast'], 'still'),
  ],
  blocks: [
    ...FG.blocks,
    ...SUPPLY.blocks,
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
      'selector',
      'speed selector',
      'control',
      [],
      ['chosen'],
      [row({}, { chosen: 'right' })],
      [
        mode('dirty', 'selector contacts dirty', 0.06, [row({}, { chosen: 'noisy' })]),
        mode('open-45', 'selector open at 45', 0.02, [row({ '@speed': '45' }, { chosen: 'open' })]),
        mode('open-33', 'selector open at 33', 0.02, [row({ '@speed': '33' }, { chosen: 'open' })]),
      ],
    ),
    block(
      'added',
      'added third speed',
      'control',
      [],
      ['added'],
      [row({}, { added: 'right' })],
      [
        mode('switch', 'added switch open: falls back to 45', 0.04, [row({ '@speed': '78' }, { added: 'open' })]),
        mode('contact', 'added contact or resistor off value', 0.03, [row({ '@speed': '78' }, { added: 'off' })]),
      ],
    ),
    block(
      'timing',
      'timing and trims',
      'control',
      ['chosen', 'added'],
      ['timing'],
      [
        row({ chosen: 'open' }, { timing: 'open' }),
        row({ chosen: 'noisy' }, { timing: 'jumps' }),
        row({ added: ['open', 'off'] }, { timing: 'high' }),
        row({}, { timing: 'right' }),
      ],
      [
        mode(
          'off-33',
          'trim of 33 off',
          0.05,
          [row({ '@speed': '33', chosen: 'right' }, { timing: { high: 0.5, low: 0.5 } })],
          TRIM,
        ),
        mode(
          'off-45',
          'trim of 45 off',
          0.05,
          [row({ '@speed': ['45', '78'], chosen: 'right' }, { timing: { high: 0.5, low: 0.5 } })],
          TRIM,
        ),
        mode('dirty', 'trims dirty', 0.06, [row({ chosen: 'right' }, { timing: 'jumps' })]),
        mode('aged', 'timing capacitor aged', 0.03, [row({ chosen: 'right' }, { timing: { low: 0.7, high: 0.3 } })], {
          sizes: [1, 20],
        }),
        mode(
          'warm',
          'timing parts drift when warm',
          0.05,
          [row({ '@heat': 'warm', chosen: 'right' }, { timing: { low: 0.5, high: 0.5 } })],
          { sizes: [0.5, 10], provoked: ['cold', 'heat'] },
        ),
      ],
    ),
    block(
      'pitch',
      'pitch pot',
      'control',
      ['timing'],
      ['wish'],
      [row({}, { wish: '=timing' })],
      [
        mode('dirty', 'pitch pot dirty', 0.08, [row({ timing: ['right', 'high', 'low'] }, { wish: 'jumps' })]),
        mode('open', 'pitch pot open', 0.02, [row({}, { wish: 'open' })]),
      ],
    ),
    block(
      'comparator',
      'speed comparator',
      'control',
      ['supply', 'wish', 'fg', 'fg-run', 'pull'],
      ['control', 'fg-volts'],
      [
        row({ supply: 'none' }, { control: 'none', 'fg-volts': 'none' }),
        row({ fg: 'none' }, { 'fg-volts': 'none' }),
        row({ fg: 'weak' }, { 'fg-volts': 'low' }),
        row({ wish: 'open' }, { control: 'none' }),
        row({ 'fg-run': 'none' }, { control: 'full' }),
        row({ 'fg-run': 'weak' }, { control: 'wandering' }),
        // It gives all it has to a platter that drags.
        row({ pull: 'heavy', '@heat': 'cold' }, { control: 'full' }),
        row({ wish: 'jumps' }, { control: 'wandering' }),
        row({ supply: ['low', 'unsteady'] }, { control: 'wandering' }),
        row({ wish: 'high' }, { control: 'under' }),
        row({ wish: 'low' }, { control: 'off' }),
        row({}, { control: 'right', 'fg-volts': 'right' }),
      ],
      [
        mode('dead', 'comparator gives nothing', 0.03, [row({}, { control: 'none' })]),
        mode(
          'full',
          'comparator at its rail',
          0.02,
          [row({ supply: ['right', 'low', 'unsteady', 'high'] }, { control: 'full' })],
          { sizes: [10, 200] },
        ),
      ],
    ),
    ...STATOR.blocks,
    block(
      'platter',
      'platter as rotor',
      'mechanical',
      ['torque', 'control', 'drag'],
      ['platter'],
      [
        row({ torque: 'none' }, { platter: 'still' }),
        row({ torque: 'uneven' }, { platter: 'quivers' }),
        row({ drag: 'drags', torque: ['right', 'full'], '@heat': 'cold' }, { platter: 'slow' }),
        row({ drag: 'held', torque: ['right', 'full'], '@heat': 'cold' }, { platter: 'right' }),
        row({ torque: 'full' }, { platter: 'fast' }),
        row({ torque: 'weak' }, { platter: 'slow' }),
        row({ control: 'wandering' }, { platter: 'hunting' }),
        row({ control: 'under' }, { platter: 'slow' }),
        row({ control: 'off' }, { platter: 'fast' }),
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
      ['drag', 'pull'],
      [row({}, { drag: 'free', pull: 'light' })],
      [
        mode('dry', 'platter bearing dry', 0.04, [row({}, { drag: { drags: 0.5, held: 0.5 }, pull: 'heavy' })], {
          sizes: [0.3, 10],
        }),
      ],
    ),
  ],
  tests: [
    ...FG.tests,
    reads('rim-lamp', 'Rim lamp', 'Look at the lamp at the rim.', 'strobe', ['lit: lit', 'dark: dark'], {
      ...OUTSIDE,
      power: 'powered',
      handsMin: 0.2,
    }),
    reads('speed-33', 'Platter at 33⅓', 'Pitch at its centre, 33⅓: measure.', 'platter', SPEED_ANSWERS, {
      ...OUTSIDE,
      context: { speed: '33' },
    }),
    reads('speed-45', 'Platter at 45', 'Pitch at its centre, 45: measure.', 'platter', SPEED_ANSWERS, {
      ...OUTSIDE,
      context: { speed: '45' },
    }),
    reads('speed-78', 'Platter at 78', 'On a unit with the added speed: measure.', 'platter', SPEED_ANSWERS, {
      ...OUTSIDE,
      context: { speed: '78' },
    }),
    reads(
      'speed-warm',
      'Platter at 33⅓ after 20 minutes',
      'Let it run for twenty minutes; measure again.',
      'platter',
      SPEED_ANSWERS,
      { ...OUTSIDE, waitMin: 20, context: { speed: '33', heat: 'warm' } },
    ),
    looks(
      'pitch-sweep',
      'Sweep the pitch',
      'End to end while it runs: does the speed follow smoothly?',
      'pitch',
      ['follows: healthy', 'jumps: dirty', 'nothing happens, or it stops: open'],
      { outside: true, power: 'running', handsMin: 1, reliability: 0.9 },
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
    looks(
      'lamp-ohms',
      'Lamp by itself',
      'Unplugged. Ohms of the lamp or its resistor.',
      'strobe',
      ['sound: healthy', 'dead: burnt'],
      { level: 'bottom', handsMin: 3 },
    ),
    looks(
      'selector-ohms',
      'Selector contacts',
      'Unplugged. Ohms at each speed, moved to and fro.',
      'selector',
      ['under an ohm: healthy', 'wanders: dirty', '45-open|open at 45: open-45', '33-open|open at 33: open-33'],
      { level: 'bottom', handsMin: 3, reliability: 0.95 },
    ),
    looks(
      'added-ohms',
      'Added switch and resistor',
      'Unplugged. Ohms through the added switch and its resistor; an ohm of contact is 0.7 % per kilohm.',
      'added',
      ['right: healthy', 'open: switch', 'off value: contact'],
      { level: 'bottom', handsMin: 3, reliability: 0.95 },
    ),
    looks(
      'trim-nudge',
      'Nudge the trims',
      'Mark where they stood. A hair each way at each speed, cold and warm.',
      'timing',
      [
        'not the trims: healthy',
        '33 comes right: off-33',
        '45 comes right: off-45',
        'jumps while turned: dirty',
        'both at the end of their range: aged',
        'right cold, wrong warm: warm',
      ],
      // A hair brings the speed right whatever made it wrong: it is no proof of the trim.
      { ...live, handsMin: 6, reliability: 0.9, positive: 0.7 },
    ),
    reads(
      'fg-volts',
      'Speed as a voltage',
      'At the comparator’s input while the platter is turned by hand.',
      'fg-volts',
      ['none: none', 'low: low', 'right: right'],
      { ...live, handsMin: 3 },
    ),
    reads(
      'control-volts',
      'Control voltage',
      'Comparator output, d.c., while it runs at 33⅓.',
      'control',
      ['none: none', 'under: under', 'right: right', 'over: off', 'at its rail: full', 'wanders: wandering, hunting'],
      { ...live, handsMin: 2 },
    ),
    looks(
      'comparator-chip',
      'Comparator, its inputs right',
      'Supply, timing and FG proved: does its output answer?',
      'comparator',
      ['answers: healthy', 'gives nothing: dead', 'at its rail: full'],
      { ...live, handsMin: 5, reliability: 0.94 },
    ),
    reads(
      'sink',
      'Heat sink on the chip',
      'Warm and failing: press an insulated heat sink on the drive chip. Does it come right?',
      'platter',
      ['still wrong: still, quivers, slow, fast, hunting', 'comes right: right'],
      { ...live, handsMin: 3, waitMin: 20, context: { heat: 'warm', sink: 'yes' }, reliability: 0.93 },
    ),
    looks(
      'fg-look',
      'FG ring and coil',
      'Platter off: scratch or bright spot on the ring, ohms of the coil, gap.',
      'fg',
      ['sound: healthy', 'open or off: lost', 'gap wide: weak', 'a spot on the ring: scar'],
      { level: 'platter', handsMin: 4, reliability: 0.92 },
    ),
  ].concat(FIRST.tests, SUPPLY.tests, STATOR.tests),
  causes: [...(SUPPLY.causes ?? []), ...(STATOR.causes ?? [])],
  ...SERVO_WAYS,
  repairs: [
    ...SUPPLY.repairs,
    ...STATOR.repairs,
    repair('lamp', 'Renew the rim lamp', ['strobe.burnt'], 15, 'bottom', { money: 3 }),
    repair('selector', 'Clean the speed selector', ['selector.*'], 12, 'bottom', { residual: 0.15 }),
    repair('added', 'Renew the added switch and resistor', ['added.*'], 20, 'bottom', { money: 5 }),
    repair('clean', 'Clean trims and pitch pot', ['timing.dirty', 'pitch.dirty'], 8, 'bottom', {
      retrim: true,
      ...POT_SCHOOL.clean,
      residual: 0.1,
    }),
    repair('trims', 'Set the trims, 33 then 45 then both again', ['timing.off-33', 'timing.off-45'], 10, 'bottom', {
      residual: 0.02,
      power: 'running',
    }),
    repair('timing', 'Renew the timing capacitor and resistors', ['timing.aged', 'timing.warm'], 25, 'bottom', {
      retrim: true,
      money: 3,
    }),
    repair('pitch', 'Renew the pitch pot', ['pitch.*'], 20, 'bottom', { ...POT_SCHOOL.renew, money: 6, retrim: true }),
    repair('comparator', 'Renew the comparator', ['comparator.*'], 40, 'bottom', { money: 12, retrim: true }),
    repair('ring', 'Re-magnetise the ring, or a donor ring', ['fg.scar'], 40, 'platter', { money: 25, residual: 0.3 }),
    repair('fg', 'Clean and gap the FG, mend its connection', ['fg.lost', 'fg.weak'], 25, 'bottom', { residual: 0.2 }),
    repair('seat', 'Seat the rotor', ['platter.seat'], 3, 'platter', { residual: 0.02 }),
    repair('bearing', 'Clean and oil the bearing', ['bearing.dry'], 8, 'platter', { residual: 0.08 }),
  ],
};
