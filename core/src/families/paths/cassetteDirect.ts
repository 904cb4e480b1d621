/** Drive path of the cassette deck with a direct-drive capstan. Common practice, with no published source. */
import { fgHead } from '../parts/fgHead.js';
import { firstLook } from '../parts/firstLook.js';
import { linearSupply } from '../parts/linearSupply.js';
import { OUTSIDE } from '../parts/part.js';
import { statorDrive } from '../parts/statorDrive.js';
import { block, looks, mode, reads, repair, row, signal } from '../path/build.js';
import type { PathData } from '../path/schema.js';
import { CASSETTE_DIRECT_WAYS } from '../ways/decks.js';
import { SET_SCHOOL } from '../shared/schools.js';

const DECK = 'common practice: deck with a 12 V servo board';
const AT_BOARD = { level: 'motor', riskMin: 2, cautions: ['magnet'] };
const live = { level: 'motor', power: 'powered' as const, probe: true, cautions: ['magnet'] };
const SUPPLY = linearSupply({
  ...AT_BOARD,
  level: 'cover',
  origin: DECK,
  raw: ['none * 2', 'low 2 15', 'right 15 28'],
  supply: ['none * 2', 'low 2 10.8', 'right 10.8 13.2', 'high 13.2 20'],
});
const STATOR = statorDrive(AT_BOARD);
const SPEED_ANSWERS = [
  'still: still',
  'quivers: quivers',
  'slow: slow',
  'right: right',
  'fast|fast, or runs away: fast',
  'wanders: hunting',
];
const FG = fgHead({ of: 'capstan', turned: 'the capstan', level: 'motor' });

const FIRST = firstLook({ level: 'motor', feed: 'mains' });

export const cassetteDirectPath: PathData = {
  speed: { signal: 'tape', speedKey: null, heatKey: 'heat' },
  options: [],
  contexts: [
    { id: 'heat', name: 'cold or warm', values: ['cold', 'warm'] },
    { id: 'air', name: 'breath on the board', values: ['dry', 'damp'] },
    { id: 'mode', name: 'function', values: ['play', 'wind'] },
    { id: 'sink', name: 'heat sink pressed on the chip', values: ['no', 'yes'] },
  ],
  trims: ['servo'],
  levels: [
    { id: 'outside', name: 'closed', minutes: 0, steps: [] },
    { id: 'cover', name: 'cover off', minutes: 4, steps: ['cover', 'lid', 'top'] },
    { id: 'motor', name: 'capstan motor out', minutes: 20, steps: ['motor', 'capstan', 'transport'] },
  ],
  signals: [
    ...FG.signals,
    ...SUPPLY.signals,
    signal('lamps', 'display or lamps', ['dark', 'lit'], 'dark'),
    signal('order', 'order of the system', ['none', 'right'], 'none'),
    signal('leak', 'surface of the servo board', ['dry', 'fast', 'slow', 'jumps'], 'dry'),
    signal('control', 'control voltage', ['none', 'off', 'under', 'wandering', 'right', 'full'], 'none'),
    ...STATOR.signals,
    signal('capstan', 'capstan', ['still', 'quivers', 'slow', 'right', 'fast'], 'still'),
    signal('tape', 'tape in play', ['still', 'quivers', 'slow', 'right', 'fast'], 'still'),
    signal('warble', 'warble', ['none', 'warbles'], 'none'),
    signal('wind', 'wind', ['still', 'turns'], 'still'),
    signal('take-up', 'take-up', ['pulls', 'slack'], 'pulls'),
  ],
  blocks: [
    ...FG.blocks,
    ...SUPPLY.blocks,
    block(
      'lamps',
      'display or lamps',
      'supply',
      ['ac'],
      ['lamps'],
      [row({ ac: 'none' }, { lamps: 'dark' }), row({}, { lamps: 'lit' })],
      [mode('dark', 'lamp or display dead', 0.02, [row({}, { lamps: 'dark' })])],
    ),
    block(
      'system',
      'mechanism control',
      'control',
      ['supply'],
      ['order'],
      [row({ supply: 'none' }, { order: 'none' }), row({}, { order: 'right' })],
      [mode('dead', 'mechanism control gives no order', 0.03, [row({}, { order: 'none' })])],
    ),
    block(
      'capacitors',
      'board capacitors',
      'control',
      [],
      ['leak'],
      [row({}, { leak: 'dry' })],
      [
        // Where the leak lies decides the side; warmth dries it, damp wets it.
        mode(
          'leaked',
          'electrolyte leaked, board conducts',
          0.15,
          [
            row({ '@air': 'damp' }, { leak: 'jumps' }),
            row({ '@heat': 'warm' }, { leak: { dry: 0.6, jumps: 0.4 } }),
            row({}, { leak: { fast: 0.3, slow: 0.3, jumps: 0.4 } }),
          ],
          { provoked: ['breath', 'heat', 'cold'], sizes: [1, 60] },
        ),
        mode('tired', 'capacitors tired: slow until warm', 0.06, [row({ '@heat': 'cold' }, { leak: 'slow' })], {
          provoked: ['heat', 'cold'],
          sizes: [1, 40],
        }),
        mode(
          'salts',
          'salts left after recapping: damp brings it back',
          0.02,
          [row({ '@air': 'damp' }, { leak: 'jumps' }), row({}, { leak: { dry: 0.5, jumps: 0.5 } })],
          { byWork: true, provoked: ['breath'] },
        ),
      ],
    ),
    block(
      'servo',
      'servo board',
      'control',
      ['supply', 'order', 'leak', 'fg-run'],
      ['control'],
      [
        row({ supply: 'none' }, { control: 'none' }),
        row({ order: 'none' }, { control: 'none' }),
        row({ 'fg-run': 'none' }, { control: 'full' }),
        row({ leak: 'jumps' }, { control: 'wandering' }),
        row({ leak: 'fast' }, { control: 'off' }),
        row({ leak: 'slow' }, { control: 'under' }),
        row({ 'fg-run': 'weak' }, { control: 'wandering' }),
        row({ supply: 'unsteady' }, { control: 'wandering' }),
        row({ supply: 'low' }, { control: 'under' }),
        row({}, { control: 'right' }),
      ],
      [
        mode('dead', 'servo chip gives nothing', 0.03, [row({}, { control: 'none' })]),
        mode(
          'trim',
          'speed trim off',
          0.06,
          [
            row(
              { supply: ['right', 'high'], order: 'right', 'fg-run': 'right', leak: 'dry' },
              { control: { off: 0.5, under: 0.5 } },
            ),
          ],
          { sizes: [0.3, 8] },
        ),
        mode(
          'full',
          'servo chip at its rail',
          0.02,
          [row({ supply: ['right', 'low', 'unsteady', 'high'], order: 'right' }, { control: 'full' })],
          { sizes: [10, 200] },
        ),
      ],
    ),
    ...STATOR.blocks,
    block(
      'capstan',
      'capstan and bearing',
      'mechanical',
      ['torque', 'control'],
      ['capstan'],
      [
        row({ torque: 'none' }, { capstan: 'still' }),
        row({ torque: 'uneven' }, { capstan: 'quivers' }),
        row({ torque: 'full' }, { capstan: 'fast' }),
        row({ torque: 'weak' }, { capstan: 'slow' }),
        row({ control: 'wandering' }, { capstan: 'hunting' }),
        row({ control: 'off' }, { capstan: 'fast' }),
        row({ control: 'under' }, { capstan: 'slow' }),
        row({}, { capstan: 'right' }),
      ],
      [
        mode(
          'dry',
          'capstan bearing dry: slow until warm',
          0.04,
          [row({ torque: ['right', 'weak'], '@heat': 'cold' }, { capstan: 'slow' })],
          { sizes: [0.5, 10] },
        ),
      ],
    ),
    block(
      'pinch',
      'pinch roller',
      'mechanical',
      ['capstan'],
      ['tape', 'warble'],
      [row({ capstan: 'hunting' }, { warble: 'warbles' }), row({}, { tape: '=capstan', warble: 'none' })],
      [
        mode(
          'hard',
          'pinch roller hard or dirty',
          0.08,
          [row({ capstan: ['slow', 'right', 'fast'] }, { tape: { slow: 0.4, right: 0.6 }, warble: 'warbles' })],
          { sizes: [0.3, 4] },
        ),
      ],
    ),
    block(
      'reels',
      'reel drive',
      'mechanical',
      ['order'],
      ['wind', 'take-up'],
      [row({ order: 'none' }, { wind: 'still', 'take-up': 'slack' }), row({}, { wind: 'turns', 'take-up': 'pulls' })],
      [
        mode('idler', 'idler tyre glazed', 0.08, [
          row({ order: 'right' }, { wind: { turns: 0.4, still: 0.6 }, 'take-up': 'slack' }),
        ]),
        mode('motor', 'reel motor dead', 0.03, [row({}, { wind: 'still', 'take-up': 'slack' })]),
      ],
    ),
  ],
  tests: [
    ...FG.tests,
    reads('lamps', 'Display or lamps', 'Switched on: lit?', 'lamps', ['lit: lit', 'dark: dark'], {
      ...OUTSIDE,
      power: 'powered',
      handsMin: 0.2,
    }),
    reads('play', 'Tone in play, cold', 'Test tape, first minute: measure.', 'tape', SPEED_ANSWERS, { ...OUTSIDE }),
    reads('play-warm', 'Tone in play, warm', 'The same after half an hour.', 'tape', SPEED_ANSWERS, {
      ...OUTSIDE,
      waitMin: 30,
      context: { heat: 'warm' },
    }),
    reads(
      'warble',
      'Warble',
      'A held tone: steady, or does it warble?',
      'warble',
      ['steady: none', 'warbles: warbles, hunting'],
      { ...OUTSIDE, handsMin: 0.5, reliability: 0.93 },
    ),
    reads('winds', 'Winds', 'Wind both ways.', 'wind', ['turns: turns', 'still: still'], {
      ...OUTSIDE,
      handsMin: 0.5,
      context: { mode: 'wind' },
    }),
    reads(
      'take-up',
      'Take-up',
      'A scrap tape: does it pull in what the capstan gives?',
      'take-up',
      ['pulls: pulls', 'slack: slack'],
      { ...OUTSIDE, handsMin: 0.7 },
    ),
    looks(
      'pinch-look',
      'Pinch roller and capstan',
      'Cassette door off: shine, cracks, oxide; clean both and listen again.',
      'pinch',
      ['soft and clean: healthy', 'hard or glazed: hard'],
      { outside: true, handsMin: 2, reliability: 0.93 },
    ),
    looks(
      'idler-look',
      'Idler tyre and reel motor',
      'Cover off: shine on the tyre; does the reel motor turn on order?',
      'reels',
      ['grips: healthy', 'glazed: idler', 'motor dead: motor'],
      { level: 'cover', handsMin: 3, reliability: 0.94 },
    ),
    looks(
      'lamp-ohms',
      'Lamp or display by itself',
      'Unplugged. Ohms, or its own feeds.',
      'lamps',
      ['sound: healthy', 'dead: dark'],
      { level: 'cover', handsMin: 3 },
    ),
    reads(
      'order-volts',
      'Order to the capstan motor',
      'At its plug in play, d.c.',
      'order',
      ['none: none', 'there: right'],
      { level: 'cover', power: 'powered', probe: true, riskMin: 1, handsMin: 2 },
    ),
    reads(
      'breath',
      'Breathe on the servo board',
      'In play, through a straw at the board: does the tone move?',
      'tape',
      ['does not move: right, slow, fast, quivers, still', 'moves: hunting'],
      { ...live, level: 'cover', riskMin: 0.5, handsMin: 2, context: { air: 'damp' }, reliability: 0.95 },
    ),
    looks(
      'board-look',
      'Servo board under the lens',
      'Unplugged. Brown or wet round the small electrolytics, dull joints, white salts?',
      'capacitors',
      ['clean and dry: healthy', 'leaked: leaked, tired', 'new parts, white salts: salts'],
      { level: 'motor', handsMin: 4, opens: ['motor-plug'], reliability: 0.95 },
    ),
    reads(
      'control-volts',
      'Control voltage',
      'Servo output in play, d.c.',
      'control',
      ['none: none', 'under: under', 'right: right', 'over: off', 'at its rail: full', 'wanders: wandering, hunting'],
      { ...live, handsMin: 3 },
    ),
    looks(
      'trim-nudge',
      'Nudge the trim',
      'Mark it. A hair each way: does the tone come right and stay?',
      'servo',
      ['not the trim: healthy', 'comes right: trim', 'no answer, no output: dead', 'no answer, at its rail: full'],
      { ...live, handsMin: 3, reliability: 0.93 },
    ),
    looks('capstan-spin', 'Capstan by hand', 'Unplugged. Free, no notch.', 'capstan', ['free: healthy', 'stiff: dry'], {
      level: 'cover',
      handsMin: 1.5,
      reliability: 0.93,
    }),
    looks(
      'system-orders',
      'Mechanism control',
      'Its supply right: does any key bring an order?',
      'system',
      ['gives orders: healthy', 'gives none: dead'],
      { level: 'cover', power: 'powered', probe: true, riskMin: 1, handsMin: 4, reliability: 0.94 },
    ),
    looks(
      'fg-ohms',
      'FG coil',
      'Unplugged. Ohms of the coil; a scar on the magnet ring?',
      'fg',
      ['sound: healthy', 'open: lost', 'low or far: weak', 'a spot on the ring: scar'],
      { level: 'motor', handsMin: 3, opens: ['motor-plug'], reliability: 0.95 },
    ),
    reads(
      'sink',
      'Heat sink on the chip',
      'Warm and failing: press an insulated heat sink on the drive chip.',
      'capstan',
      ['still wrong: still, quivers, slow, fast, hunting', 'comes right: right'],
      { ...live, handsMin: 3, waitMin: 20, context: { heat: 'warm', sink: 'yes' }, reliability: 0.93 },
    ),
  ].concat(FIRST.tests, SUPPLY.tests, STATOR.tests),
  causes: [...(SUPPLY.causes ?? []), ...(STATOR.causes ?? [])],
  ...CASSETTE_DIRECT_WAYS,
  repairs: [
    ...SUPPLY.repairs,
    ...STATOR.repairs,
    repair('lamps', 'Renew lamp or display', ['lamps.dark'], 15, 'cover', { money: 4 }),
    repair('system', 'Mend the mechanism control', ['system.dead'], 60, 'cover', { money: 10, residual: 0.2 }),
    repair('recap', 'Recap alone', ['capacitors.leaked', 'capacitors.tired'], 40, 'motor', {
      ...SET_SCHOOL.only,
      money: 6,
      residual: 0.6,
      leaves: 'the electrolyte under the parts: damp brings the fault back; wash the board too',
    }),
    repair(
      'recap-wash',
      'Recap, wash with warm water and detergent, rinse, alcohol, dry warm, coat',
      ['capacitors.*'],
      60,
      'motor',
      { ...SET_SCHOOL.set, waitMin: 300, money: 6, residual: 0.06 },
    ),
    repair('wash', 'Wash and dry the board again, coat it', ['capacitors.salts'], 30, 'motor', {
      waitMin: 300,
      residual: 0.1,
    }),
    repair('trim', 'Set the speed trim', ['servo.trim'], 8, 'motor', { residual: 0.02, power: 'running' }),
    repair('servo', 'Renew the servo chip', ['servo.dead', 'servo.full'], 45, 'motor', { money: 15, retrim: true }),
    repair('ring', 'Re-magnetise the ring, or a donor ring', ['fg.scar'], 40, 'motor', { money: 25, residual: 0.3 }),
    repair('fg', 'Mend or renew the FG', ['fg.*'], 40, 'motor', { money: 15, residual: 0.1 }),
    repair('capstan', 'Clean and oil the capstan bearing', ['capstan.dry'], 12, 'motor', { residual: 0.08 }),
    repair('pinch', 'Renew the pinch roller', ['pinch.hard'], 12, 'outside', { money: 8 }),
    repair('idler', 'Renew the idler tyre', ['reels.idler'], 20, 'cover', { money: 3 }),
    repair('reel-motor', 'Renew the reel motor', ['reels.motor'], 30, 'cover', { money: 15 }),
  ],
};
