/** Drive path of the belt-driven cassette transport. Common practice, with no published source. */
import {
  driveAnswers,
  governedMotor,
  SPEED_ANSWERS,
  speedSignal,
  TURNS,
  WANDERS,
  WISHES,
} from '../parts/governedMotor.js';
import { firstLook } from '../parts/firstLook.js';
import { FEED_READS, FEEDS, linearSupply } from '../parts/linearSupply.js';
import { OUTSIDE } from '../parts/part.js';
import { block, cause, looks, measure, mode, reads, repair, row, signal } from '../path/build.js';
import type { PathData } from '../path/schema.js';
import { CASSETTE_BELT_WAYS } from '../ways/decks.js';

const DECK = 'common practice: 12 V deck with a governed motor';
const AT_BOARD = { level: 'cover', riskMin: 1, cautions: ['magnet'] };
const live = { level: 'cover', power: 'powered' as const, probe: true, riskMin: 1 };
const SUPPLY = linearSupply({
  ...AT_BOARD,
  origin: DECK,
  raw: ['none * 2', 'low 2 14', 'right 14 24'],
  speeds: true,
  supply: ['none * 2', 'low 2 11', 'right 11 14', 'high 14 22'],
});
/** A switch that does not change over leaves it far too low; nothing leaves it far too high. */
const WISHED = WISHES.filter((one) => one !== 'high');
const MOTOR = governedMotor({
  ...AT_BOARD,
  // Behind its governor: the feed itself, of 13 to 14 V, is a reading of its own.
  origin:
    'common practice: behind the governor of a 12 V motor about half of its feed; all of it when the governor is through',
  bands: ['none * 0.5', 'low 0.5 3.5', 'right 3.5 7', 'full 7 14'],
  beltLevel: 'cover',
  fastest: { '@speed': '9.5' },
  winds: true,
  dipsHeard: false,
  wishes: WISHED,
});

const FIRST = firstLook({ level: 'cover', feed: 'mains' });

export const cassetteBeltPath: PathData = {
  speed: { signal: 'tape', speedKey: 'speed', heatKey: 'heat' },
  options: [
    {
      id: 'supply',
      name: 'fed by',
      choices: [
        { name: 'mains', absent: ['batteries'] },
        { name: 'batteries or adapter', absent: ['plug', 'transformer', 'rectifier', 'regulator', 'insulation'] },
      ],
    },
    {
      id: 'speeds',
      name: 'speeds',
      choices: [
        { name: 'one', absent: ['doubling'] },
        { name: 'normal and double', absent: [] },
      ],
    },
    {
      id: 'mechanism',
      name: 'keys',
      choices: [
        { name: 'mechanical', absent: ['control'] },
        { name: 'logic with a control motor', absent: [] },
      ],
    },
  ],
  contexts: [
    { id: 'speed', name: 'speed chosen', values: ['4.76', '9.5'] },
    { id: 'heat', name: 'cold or warm', values: ['cold', 'warm'] },
    { id: 'mode', name: 'function', values: ['play', 'wind'] },
    { id: 'belt', name: 'belt', values: ['on', 'off'] },
    { id: 'hand', name: 'turned by hand', values: ['no', 'yes'] },
    { id: 'tap', name: 'tapped', values: ['no', 'yes'] },
  ],
  trims: ['doubling'],
  levels: [
    { id: 'outside', name: 'closed', minutes: 0, steps: [] },
    { id: 'cover', name: 'cover off', minutes: 5, steps: ['cover', 'back', 'shell', 'lid'] },
    { id: 'transport', name: 'transport out', minutes: 15, steps: ['transport', 'mechanism', 'deck'] },
  ],
  signals: [
    ...SUPPLY.signals,
    signal('lamps', 'lamps or meters', ['dark', 'lit'], 'dark'),
    signal('ready', 'order to the motor', ['none', 'right'], 'none'),
    signal(
      'gated',
      'feed of the motor',
      FEEDS,
      'none',
      measure('motor feed', 'V', DECK, 'none * 2', 'low 2 11', 'right 11 14', 'high 14 22'),
      FEED_READS,
    ),
    signal('wish', 'trim of the speed', WISHED, 'right'),
    ...MOTOR.signals,
    speedSignal('belt-speed', 'speed behind the belt'),
    speedSignal('capstan', 'capstan'),
    speedSignal('tape', 'tape in play'),
    signal('warble', 'warble', ['none', 'warbles'], 'none'),
    signal('take-up', 'take-up', ['none', 'slack', 'pulls'], 'none'),
    signal('wind', 'wind', ['still', 'turns'], 'still'),
    signal('stop', 'auto-stop', ['works', 'stops early'], 'works'),
  ],
  blocks: [
    ...SUPPLY.blocks,
    block(
      'batteries',
      'battery contacts',
      'supply',
      ['supply'],
      ['lamps'],
      [row({ supply: 'none' }, { lamps: 'dark' }), row({}, { lamps: 'lit' })],
      [mode('contacts', 'battery contacts corroded', 0.05, [row({}, { lamps: 'dark' })])],
    ),
    block(
      'control',
      'mode switch',
      'control',
      ['supply', 'lamps'],
      ['ready'],
      [
        row({ supply: 'none' }, { ready: 'none' }),
        row({ lamps: 'dark' }, { ready: 'none' }),
        row({}, { ready: 'right' }),
      ],
      [
        mode('switch', 'mode switch or its position pot dirty', 0.08, [row({}, { ready: 'none' })]),
        mode('motor', 'control motor or its belt gone', 0.05, [row({}, { ready: 'none' })]),
      ],
    ),
    block(
      'feeder',
      'motor transistor',
      'supply',
      ['supply', 'ready'],
      ['gated'],
      [row({ ready: 'none' }, { gated: 'none' }), row({}, { gated: '=supply' })],
      [
        mode('open', 'motor supply transistor open or its plug melted', 0.05, [row({}, { gated: 'none' })], {
          marks: { burnt: 0.4, scorched: 0.6 },
        }),
        mode('weak', 'motor supply transistor weak from heat', 0.03, [
          row({ supply: ['right', 'high', 'unsteady'], ready: 'right' }, { gated: { low: 0.5, short: 0.5 } }),
        ]),
      ],
    ),
    block(
      'doubling',
      'speed switch',
      'control',
      [],
      ['wish'],
      [row({}, { wish: 'right' })],
      [
        mode('stuck', 'speed switch does not change over', 0.03, [row({ '@speed': '9.5' }, { wish: 'low' })], {
          sizes: [40, 60],
        }),
        mode('open', 'speed switch open at double', 0.02, [row({ '@speed': '9.5' }, { wish: 'none' })]),
        mode('dirty', 'trim or speed switch dirty', 0.06, [row({}, { wish: WANDERS })]),
        mode('low', 'trim set low', 0.03, [row({}, { wish: 'lowish' })], { sizes: [0.5, 10] }),
        mode('high', 'trim set high', 0.03, [row({}, { wish: 'highish' })], { sizes: [0.5, 10] }),
      ],
    ),
    ...MOTOR.blocks,
    block(
      'belt',
      'capstan belt',
      'mechanical',
      ['motor', 'load'],
      ['belt-speed', 'drag'],
      [
        row({ '@belt': 'off' }, { 'belt-speed': 'still', drag: 'light' }),
        row({}, { 'belt-speed': '=motor', drag: '=load' }),
      ],
      [
        mode(
          'slips',
          'belt stretched, glazed or oily',
          0.12,
          [row({ '@belt': 'on', motor: TURNS }, { 'belt-speed': 'slow' })],
          { sizes: [0.5, 20] },
        ),
        mode('tar', 'belt turned to tar or broken', 0.1, [row({}, { 'belt-speed': 'still', drag: 'light' })]),
        mode(
          'wound',
          'belt wound round the pulley, motor stalled',
          0.02,
          [row({ '@belt': 'on' }, { drag: 'stuck' }), row({}, { 'belt-speed': 'still', drag: 'light' })],
          {
            bans: 'stalled',
            marks: { burnt: 0.3 },
          },
        ),
        mode(
          'groove',
          'belt on the wrong groove',
          0.001,
          [row({ '@belt': 'on', motor: TURNS }, { 'belt-speed': { slow: 0.5, fast: 0.5 } })],
          { byWork: true },
        ),
      ],
    ),
    block(
      'flywheel',
      'flywheel and capstan',
      'mechanical',
      ['belt-speed'],
      ['capstan', 'load'],
      [row({}, { capstan: '=belt-speed', load: 'light' })],
      [
        mode(
          'dry',
          'capstan bearing dry',
          0.06,
          [
            row({ 'belt-speed': ['slow', 'right'] }, { capstan: { slow: 0.8, right: 0.2 } }),
            row({}, { load: { heavy: 0.8, light: 0.2 } }),
          ],
          { sizes: [0.5, 15] },
        ),
      ],
    ),
    block(
      'pinch',
      'pinch roller',
      'mechanical',
      ['capstan', 'steadiness'],
      ['tape', 'warble'],
      [
        row({ steadiness: ['surging', 'hunting'] }, { warble: 'warbles' }),
        row({}, { tape: '=capstan', warble: 'none' }),
      ],
      [
        mode(
          'hard',
          'pinch roller hard or glazed',
          0.06,
          [row({ capstan: TURNS }, { tape: { slow: 0.4, right: 0.6 }, warble: 'warbles' })],
          { sizes: [0.3, 4] },
        ),
        mode(
          'dirt',
          'oxide on capstan and roller',
          0.1,
          [row({ capstan: TURNS }, { warble: 'warbles', tape: { fast: 0.4, right: 0.6 } })],
          { sizes: [0.3, 4] },
        ),
        mode('arm', 'pinch arm does not press: winds, does not play', 0.03, [row({}, { tape: 'still' })]),
      ],
    ),
    block(
      'idler',
      'idler and reels',
      'mechanical',
      ['motor'],
      ['take-up', 'wind', 'stop'],
      [
        row({ motor: 'still' }, { 'take-up': 'none', wind: 'still' }),
        row({}, { 'take-up': 'pulls', wind: 'turns', stop: 'works' }),
      ],
      [
        mode('tyre', 'idler tyre glazed: take-up slack, hardly winds', 0.12, [
          row({ motor: TURNS }, { 'take-up': 'slack', wind: { still: 0.6, turns: 0.4 } }),
        ]),
        mode('tyre-gone', 'idler tyre gone: plays, does not wind, no take-up', 0.02, [
          row({}, { 'take-up': 'none', wind: 'still' }),
        ]),
        mode('clutch', 'take-up clutch weak', 0.04, [row({ motor: TURNS }, { 'take-up': 'slack' })]),
        mode('counter', 'counter belt or auto-stop sensor', 0.05, [row({}, { stop: 'stops early' })]),
      ],
    ),
  ],
  tests: [
    reads('lamps', 'Lamps or meters', 'Switched on: lit?', 'lamps', ['lit: lit', 'dark: dark'], {
      ...OUTSIDE,
      power: 'powered',
      handsMin: 0.2,
    }),
    reads(
      'play',
      'Tone in play',
      'Test tape at normal speed: measure, or listen to a known tune.',
      'tape',
      SPEED_ANSWERS,
      { ...OUTSIDE, context: { speed: '4.76' } },
    ),
    reads('play-double', 'Tone in play, double speed', 'The same at double speed.', 'tape', SPEED_ANSWERS, {
      ...OUTSIDE,
      context: { speed: '9.5' },
    }),
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
      ['pulls: pulls', 'slack|slack, tape comes out: slack', 'does not turn: none'],
      { ...OUTSIDE, handsMin: 0.7 },
    ),
    reads(
      'stop',
      'Auto-stop',
      'Does it stop by itself within seconds, or only at the end?',
      'stop',
      ['only at the end: works', 'within seconds: stops early'],
      { ...OUTSIDE, handsMin: 0.7 },
    ),
    reads(
      'motor-heard',
      'Motor heard',
      'Ear to the case in play: does a motor turn?',
      'motor',
      ['silent: still', 'turns: slow, right, fast, uneven, hunting'],
      { ...OUTSIDE, handsMin: 0.3, reliability: 0.92 },
    ),
    looks(
      'pinch-look',
      'Pinch roller and capstan',
      'Door open: oxide, shine, cracks; clean both and listen again.',
      'pinch',
      ['soft and clean: healthy', 'hard or glazed: hard', 'oxide came off: dirt', 'does not press: arm'],
      { outside: true, handsMin: 2, reliability: 0.93 },
    ),
    looks(
      'contacts',
      'Batteries and contacts',
      'Fresh cells; green or white on the springs?',
      'batteries',
      ['bright: healthy', 'corroded: contacts'],
      { outside: true, handsMin: 1, reliability: 0.95 },
    ),
    looks(
      'belt-look',
      'Capstan belt',
      'Cover off, power out: slack, shine, tar, wound round the pulley, which groove?',
      'belt',
      [
        'sound: healthy',
        'slack or shiny: slips',
        'tar or broken: tar',
        'wound round the pulley: wound',
        'wrong groove: groove',
      ],
      { level: 'cover', handsMin: 1.5, cautions: ['tar'], reliability: 0.95 },
    ),
    looks(
      'idler-look',
      'Idler tyre, clutch, counter belt',
      'Power out. Shine on the tyre; pull the take-up by a finger; is the counter belt on?',
      'idler',
      [
        'grips: healthy',
        'tyre glazed: tyre',
        'tyre gone: tyre-gone',
        'clutch weak: clutch',
        'counter belt off: counter',
      ],
      { level: 'cover', handsMin: 3, reliability: 0.93 },
    ),
    looks(
      'flywheel-spin',
      'Flywheel by hand',
      'Belt off. It should coast for seconds.',
      'flywheel',
      ['coasts: healthy', 'drags: dry'],
      { level: 'cover', handsMin: 1.5, opens: ['belt'], reliability: 0.93 },
    ),
    looks(
      'mode-look',
      'Mode switch and control motor',
      'Power out. Contacts while the cams are turned by hand; a few volts on the control motor.',
      'control',
      ['works: healthy', 'switch dirty: switch', 'motor or belt gone: motor'],
      { level: 'transport', handsMin: 6, reliability: 0.95 },
    ),
    reads(
      'order-volts',
      'Order to the motor',
      'At the base of the motor supply transistor in play.',
      'ready',
      ['none: none', 'there: right'],
      { ...live, handsMin: 3 },
    ),
    reads(
      'feed-volts',
      'Feed of the motor',
      'At the motor’s plug in play, d.c.',
      'gated',
      ['none: none', 'low: low', 'unsteady: unsteady', 'right: right', 'high: high'],
      { ...live, handsMin: 2 },
    ),
    looks(
      'feeder-look',
      'Motor supply transistor and its plug',
      'Power out. Browned or melted? Diode range of its junctions.',
      'feeder',
      ['sound: healthy', 'open or melted: open', 'leaky, brown: weak'],
      { level: 'cover', handsMin: 3, reliability: 0.94 },
    ),
    looks(
      'trim-nudge',
      'Nudge the trim',
      'Mark it, thin blade, never touch its case. A hair each way: does the tone come right?',
      'doubling',
      [
        'not the trim: healthy',
        'jumps: dirty',
        'stood low: low',
        'stood high: high',
        'no change at double: stuck',
        'crawls at double: open',
      ],
      // A hair brings the tone right whatever made it wrong: it is no proof of the trim.
      { ...live, handsMin: 4, reliability: 0.92, positive: 0.7 },
    ),
    reads('drive-volts', 'Volts at the motor', 'At its terminals in play, d.c.', 'drive', driveAnswers(false), {
      ...live,
      handsMin: 2,
    }),
  ].concat(FIRST.tests, SUPPLY.tests, MOTOR.tests),
  causes: [
    ...(SUPPLY.causes ?? []),
    cause('belt.wound', 'feeder.open', 0.2),
    cause('motor.jammed', 'feeder.open', 0.08),
    cause('motor.jammed', 'feeder.weak', 0.1),
    cause('belt.wound', 'feeder.weak', 0.15),
  ],
  ...CASSETTE_BELT_WAYS,
  repairs: [
    ...SUPPLY.repairs,
    ...MOTOR.repairs,
    repair('contacts', 'Clean the battery contacts', ['batteries.contacts'], 8, 'outside', { residual: 0.05 }),
    repair('mode', 'Clean the mode switch, belt of the control motor', ['control.*'], 30, 'transport', {
      money: 3,
      residual: 0.1,
    }),
    repair('feeder', 'Renew the motor supply transistor and its plug', ['feeder.*'], 25, 'cover', { money: 3 }),
    repair(
      'clean-trim',
      'Clean trim and speed switch',
      ['doubling.dirty', 'doubling.stuck', 'doubling.open'],
      8,
      'cover',
      {
        residual: 0.1,
      },
    ),
    repair(
      'renew-trim',
      'Renew trim or speed switch',
      ['doubling.dirty', 'doubling.stuck', 'doubling.open'],
      25,
      'cover',
      {
        retrim: true,

        money: 6,
      },
    ),
    repair('set-trim', 'Set the trim', ['doubling.low', 'doubling.high'], 8, 'cover', {
      residual: 0.02,
      power: 'running',
    }),
    repair('pinch-arm', 'Free the pinch arm, hang its spring in', ['pinch.arm'], 15, 'cover', { residual: 0.05 }),
    repair('belt', 'Clean off the old belt, fit a new one', ['belt.*'], 20, 'cover', { money: 6, residual: 0.02 }),
    repair('flywheel', 'Clean and oil the capstan bearing', ['flywheel.dry'], 15, 'cover', { residual: 0.08 }),
    repair('pinch', 'Renew the pinch roller', ['pinch.hard'], 12, 'cover', { money: 8 }),
    repair('capstan-clean', 'Clean capstan and pinch roller', ['pinch.dirt'], 3, 'outside', { residual: 0.03 }),
    repair('idler', 'Renew the idler tyre', ['idler.tyre', 'idler.tyre-gone'], 20, 'cover', { money: 3 }),
    repair('clutch', 'Clean and set the take-up clutch', ['idler.clutch'], 15, 'cover', { residual: 0.1 }),
    repair('counter', 'Put the counter belt on', ['idler.counter'], 5, 'cover', { money: 1 }),
  ],
};
