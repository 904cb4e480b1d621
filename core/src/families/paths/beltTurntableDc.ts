/**
 * Drive path of the belt turntable with a governed d.c. motor. Behaviours, priors, healthy values and
 * minutes are common practice of the trade, with no published source.
 */
import { POT_SCHOOL } from '../shared/schools.js';
import { block, cause, looks, mode, reads, repair, row, signal } from '../path/build.js';
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
import type { PathData } from '../path/schema.js';
import { BELT_DC_WAYS } from '../ways/decks.js';

const SMALL_DECK = 'common practice: small deck with a 12 V motor';
const live = { level: 'bottom', power: 'powered' as const, probe: true, cautions: ['magnet'] };

const AT_BOARD = { level: 'bottom', riskMin: 2, cautions: ['magnet'] };
const SUPPLY = linearSupply({
  ...AT_BOARD,
  origin: SMALL_DECK,
  raw: ['none * 2', 'low 2 12.5', 'right 12.5 20'],
  speeds: true,
  supply: ['none * 2', 'low 2 10.8', 'right 10.8 13.2', 'high 13.2 20'],
});
/** A trim or the pitch pot moves the speed by a little; open at one end it is high. */
const WISHED = WISHES.filter((one) => one !== 'low');
const MOTOR = governedMotor({
  ...AT_BOARD,
  origin: SMALL_DECK,
  bands: ['none * 0.5', 'low 0.5 4', 'right 4 6.5', 'high 6.5 10', 'full 10 14'],
  beltLevel: 'platter',
  fastest: { '@speed': '45' },
  winds: false,
  dipsHeard: true,
  wishes: WISHED,
});

const FIRST = firstLook({ level: 'bottom', feed: 'mains' });

/** A trim moves the speed so far, percent. */
const TRIM = { sizes: [0.5, 8] as [number, number] };

export const beltTurntableDcPath: PathData = {
  speed: { signal: 'platter', speedKey: 'speed', heatKey: 'heat' },
  contexts: [
    { id: 'speed', name: 'speed chosen', values: ['33', '45'] },
    { id: 'heat', name: 'cold or warm', values: ['cold', 'warm'] },
    { id: 'belt', name: 'belt', values: ['on', 'off'] },
    { id: 'hand', name: 'turned by hand', values: ['no', 'yes'] },
    { id: 'tap', name: 'tapped', values: ['no', 'yes'] },
  ],
  trims: ['trims'],
  levels: [
    { id: 'outside', name: 'closed', minutes: 0, steps: [] },
    { id: 'platter', name: 'platter off', minutes: 1, steps: ['platter', 'mat'] },
    { id: 'bottom', name: 'bottom cover off', minutes: 8, steps: ['bottom', 'base', 'plinth', 'underside'] },
  ],
  signals: [
    ...SUPPLY.signals,
    ...MOTOR.signals,
    signal('lamp', 'lamp', ['dark', 'lit'], 'dark'),
    // Of what sags between two peaks a meter shows the mean.
    signal('gated', 'supply behind the return switch', FEEDS, 'none', null, {
      ...FEED_READS,
      unsteady: ['unsteady', 'low'],
    }),
    signal('chosen', 'speed contact', ['right', 'open', 'noisy'], 'right'),
    signal(
      'set',
      'setting behind the trims',
      WISHES.filter((one) => one !== 'low' && one !== 'high'),
      'right',
    ),
    signal('wish', 'setting behind the pitch pot', WISHED, 'right'),
    speedSignal('pulley', 'pulley speed'),
    signal('pulley-wow', 'wobble of the pulley', ['none', 'wobble'], 'none'),
    speedSignal('belt-speed', 'speed behind the belt'),
    signal('belt-wow', 'unevenness of the belt', ['none', 'uneven'], 'none'),
    speedSignal('platter', 'platter speed'),
    signal('rumble', 'rumble', ['none', 'rumble'], 'none'),
    signal('disc', 'the record', ['true', 'off'], 'true'),
    signal('wow', 'wow, by its rate', ['none', 'platter rate', 'belt rate', 'pulley rate', 'no rate'], 'none'),
  ],
  blocks: [
    ...SUPPLY.blocks,
    ...MOTOR.blocks,
    block(
      'lamp',
      'lamp',
      'supply',
      ['ac'],
      ['lamp'],
      [row({ ac: 'none' }, { lamp: 'dark' }), row({}, { lamp: 'lit' })],
      [mode('burnt', 'lamp burnt out', 0.02, [row({}, { lamp: 'dark' })])],
    ),
    block(
      'use',
      'record and settings',
      'control',
      [],
      ['disc'],
      [row({}, { disc: 'true' })],
      [mode('record', 'the record: off-centre hole or warp', 0.05, [row({}, { disc: 'off' })])],
    ),
    block(
      'return',
      'auto-return',
      'supply',
      ['supply'],
      ['gated'],
      [row({}, { gated: '=supply' })],
      [mode('tripped', 'auto-return tripped or its switch open', 0.04, [row({}, { gated: 'none' })])],
    ),
    block(
      'selector',
      'speed selector',
      'control',
      [],
      ['chosen'],
      [row({}, { chosen: 'right' })],
      [
        mode('noisy', 'selector contacts dirty', 0.04, [
          row({ '@tap': 'yes' }, { chosen: 'noisy' }),
          row({}, { chosen: { noisy: 0.5, right: 0.5 } }),
        ]),
        mode('open-45', 'selector open at 45', 0.02, [row({ '@speed': '45' }, { chosen: 'open' })]),
        mode('open-33', 'selector open at 33', 0.02, [row({ '@speed': '33' }, { chosen: 'open' })]),
      ],
    ),
    block(
      'trims',
      'speed trims',
      'control',
      ['chosen'],
      ['set'],
      [
        row({ chosen: 'open' }, { set: 'none' }),
        row({ chosen: 'noisy' }, { set: 'erratic' }),
        row({}, { set: 'right' }),
      ],
      [
        mode('dirty', 'trims dirty', 0.08, [row({ chosen: 'right' }, { set: WANDERS })]),
        mode('spot', 'a scratchy spot of a trim', 0.03, [row({ chosen: 'right' }, { set: WANDERS })], {
          provoked: ['tap'],
        }),
        mode('low-33', 'trim of 33 set low', 0.03, [row({ '@speed': '33', chosen: 'right' }, { set: 'lowish' })], TRIM),
        mode(
          'high-33',
          'trim of 33 set high',
          0.02,
          [row({ '@speed': '33', chosen: 'right' }, { set: 'highish' })],
          TRIM,
        ),
        mode('low-45', 'trim of 45 set low', 0.03, [row({ '@speed': '45', chosen: 'right' }, { set: 'lowish' })], TRIM),
        mode(
          'high-45',
          'trim of 45 set high',
          0.02,
          [row({ '@speed': '45', chosen: 'right' }, { set: 'highish' })],
          TRIM,
        ),
        mode('low-both', 'both trims set low', 0.02, [row({ chosen: 'right' }, { set: 'lowish' })], TRIM),
        mode('high-both', 'both trims set high', 0.02, [row({ chosen: 'right' }, { set: 'highish' })], TRIM),
      ],
    ),
    block(
      'pitch',
      'pitch pot',
      'control',
      ['set'],
      ['wish'],
      [row({}, { wish: '=set' })],
      [
        mode('dirty', 'pitch pot dirty', 0.05, [row({ set: ['lowish', 'right', 'highish'] }, { wish: WANDERS })]),
        mode(
          'off-centre',
          'pitch not at its centre',
          0.04,
          [row({ set: 'right' }, { wish: { lowish: 0.5, highish: 0.5 } })],
          TRIM,
        ),
        mode('end', 'pitch pot open at one end', 0.01, [row({}, { wish: { none: 0.5, high: 0.5 } })]),
      ],
    ),
    block(
      'pulley',
      'pulley',
      'mechanical',
      ['motor'],
      ['pulley', 'pulley-wow'],
      [row({}, { pulley: '=motor', 'pulley-wow': 'none' })],
      [
        mode('loose', 'pulley slips on its shaft', 0.02, [row({ motor: TURNS }, { pulley: 'slow' })], {
          sizes: [2, 80],
        }),
        mode('bent', 'pulley out of true', 0.03, [row({ motor: TURNS }, { 'pulley-wow': 'wobble' })]),
        mode(
          'low',
          'pulley at another height than before',
          0.0005,
          [row({ motor: 'right' }, { pulley: { slow: 0.5, fast: 0.5 } })],
          { byWork: true },
        ),
      ],
    ),
    block(
      'belt',
      'belt',
      'mechanical',
      ['pulley', 'load'],
      ['belt-speed', 'belt-wow', 'drag'],
      [
        row({ '@belt': 'off' }, { 'belt-speed': 'still', drag: 'light' }),
        row({}, { 'belt-speed': '=pulley', 'belt-wow': 'none', drag: '=load' }),
      ],
      [
        mode(
          'slips',
          'belt stretched, glazed or oily, slips',
          0.1,
          [row({ '@belt': 'on', pulley: TURNS }, { 'belt-speed': 'slow' })],
          { sizes: [0.5, 15] },
        ),
        mode('off', 'belt off or gone', 0.03, [row({}, { 'belt-speed': 'still', drag: 'light' })]),
        mode('uneven', 'belt with a stiff place, seam or twist', 0.04, [
          row({ '@belt': 'on', pulley: TURNS }, { 'belt-wow': 'uneven' }),
        ]),
        mode('left-off', 'belt left off', 0.001, [row({}, { 'belt-speed': 'still', drag: 'light' })], { byWork: true }),
      ],
    ),
    block(
      'bearing',
      'platter bearing',
      'mechanical',
      ['belt-speed'],
      ['platter', 'rumble', 'load'],
      [row({}, { platter: '=belt-speed', rumble: 'none', load: 'light' })],
      [
        mode(
          'dry',
          'platter bearing dry: slow',
          0.05,
          [
            row({ 'belt-speed': ['slow', 'right'] }, { platter: { slow: 0.6, right: 0.4 }, rumble: 'rumble' }),
            row({}, { load: { heavy: 0.8, light: 0.2 } }),
          ],
          { sizes: [0.5, 15] },
        ),
        mode('noisy', 'platter bearing dry: rumbles at right speed', 0.02, [
          row({ 'belt-speed': TURNS }, { rumble: 'rumble' }),
        ]),
        mode('worn', 'platter bearing worn', 0.02, [row({ 'belt-speed': TURNS }, { rumble: 'rumble' })]),
      ],
    ),
    block(
      'platter',
      'platter',
      'mechanical',
      ['platter', 'steadiness', 'belt-wow', 'pulley-wow', 'disc'],
      ['wow'],
      [
        row({ platter: 'still' }, { wow: 'none' }),
        row({ steadiness: 'surging' }, { wow: 'no rate' }),
        row({ disc: 'off' }, { wow: 'platter rate' }),
        row({ 'belt-wow': 'uneven' }, { wow: 'belt rate' }),
        row({ 'pulley-wow': 'wobble' }, { wow: 'pulley rate' }),
        row({}, { wow: 'none' }),
      ],
      [
        mode('off-centre', 'platter not seated or out of true', 0.04, [
          row({ platter: TURNS }, { wow: 'platter rate' }),
        ]),
      ],
    ),
  ],
  tests: [
    reads('lamp', 'Lamp', 'Look at the lamp with the switch on.', 'lamp', ['lit: lit', 'dark: dark'], {
      outside: true,
      power: 'powered',
      handsMin: 0.2,
    }),
    reads('speed-33', 'Platter at 33⅓', 'Choose 33⅓; measure, or look at the rim.', 'platter', SPEED_ANSWERS, {
      outside: true,
      power: 'running',
      handsMin: 2,
      context: { speed: '33' },
    }),
    reads('speed-45', 'Platter at 45', 'Choose 45; measure, or look at the rim.', 'platter', SPEED_ANSWERS, {
      outside: true,
      power: 'running',
      handsMin: 2,
      context: { speed: '45' },
    }),
    reads(
      'speed-33-warm',
      'Platter at 33⅓ after 20 minutes',
      'Let it run for twenty minutes; measure again.',
      'platter',
      SPEED_ANSWERS,
      { outside: true, power: 'running', handsMin: 2, waitMin: 20, context: { speed: '33', heat: 'warm' } },
    ),
    reads(
      'steady',
      'Does it surge',
      'Listen to a held note, or watch the strobe.',
      'steadiness',
      ['steady: steady', 'surges: surging, hunting'],
      { outside: true, power: 'running', handsMin: 1 },
    ),
    reads(
      'wow-rate',
      'Rate of the wow',
      'Measure a minute of tone; read the largest line.',
      'wow',
      [
        'none: none',
        'platter|once a turn of the platter: platter rate',
        'belt|a little below that: belt rate',
        'pulley|once a turn of the pulley: pulley rate',
        'no-line|wanders, no line stands out: no rate, hunting',
      ],
      { outside: true, power: 'running', handsMin: 3, reliability: 0.93 },
    ),
    reads('rumble', 'Rumble', 'Ear to the plinth, stylus up.', 'rumble', ['none: none', 'rumbles: rumble'], {
      outside: true,
      power: 'running',
      handsMin: 1,
      reliability: 0.9,
    }),
    reads(
      'tap-33',
      'Tap the selector while it runs',
      'Tap round the selector with a plastic rod.',
      'steadiness',
      ['stays: steady', 'stops or jumps: surging, hunting'],
      { outside: true, power: 'running', handsMin: 1, context: { speed: '33', tap: 'yes' }, reliability: 0.92 },
    ),
    looks(
      'other-record',
      'Another record',
      'The same place of a flat record with a true hole, or the hole eased and set by hand: does the wow go?',
      'use',
      ['still there: healthy', 'gone: record'],
      { outside: true, power: 'running', handsMin: 1.5, reliability: 0.97 },
    ),
    looks(
      'spin-platter',
      'Spin the platter by hand, belt off',
      'Belt off. Spin it: it should coast half a minute and be silent.',
      'bearing',
      ['coasts: healthy', 'drags: dry, noisy', 'loose and rough: worn'],
      { level: 'platter', handsMin: 2, opens: ['belt'], reliability: 0.93 },
    ),
    looks(
      'belt-look',
      'Look at the belt',
      'Turn the platter by hand; look for slack, shine, oil, twist.',
      'belt',
      ['sound: healthy', 'slack or shiny: slips', 'off: off, left-off', 'stiff or twisted: uneven'],
      { level: 'platter', handsMin: 1.5, reliability: 0.88 },
    ),
    looks(
      'pulley-look',
      'Look at the pulley',
      'Mark pulley and shaft, turn both by hand; look along the shaft.',
      'pulley',
      ['sits and runs true: healthy', 'marks part: loose', 'wobbles: bent', 'height changed: low'],
      { level: 'platter', handsMin: 2, reliability: 0.9 },
    ),
    looks(
      'platter-seat',
      'Seat of the platter',
      'Clean seat and spindle, turn the platter a quarter, look at its rim against a pencil.',
      'platter',
      ['true: healthy', 'runs out: off-centre'],
      { level: 'platter', handsMin: 2, reliability: 0.92 },
    ),
    reads(
      'gated-volts',
      'Supply behind the return switch',
      'Behind the auto-return switch, d.c.',
      'gated',
      ['none: none', 'low: low', 'right: right, high, unsteady'],
      { ...live, handsMin: 2 },
    ),
    reads(
      'drive-33',
      'Volts at the motor, 33⅓',
      'At the motor terminals, d.c., 33⅓ chosen.',
      'drive',
      driveAnswers(true),
      { ...live, handsMin: 2, context: { speed: '33' } },
    ),
    reads(
      'drive-45',
      'Volts at the motor, 45',
      'At the motor terminals, d.c., 45 chosen.',
      'drive',
      driveAnswers(true),
      { ...live, handsMin: 2, context: { speed: '45' } },
    ),
    looks(
      'selector-ohms',
      'Speed contacts',
      'Unplugged. Ohms of each speed contact, moved to and fro.',
      'selector',
      ['under an ohm: healthy', 'wanders: noisy', '45-open|open at 45: open-45', '33-open|open at 33: open-33'],
      { level: 'bottom', handsMin: 3, reliability: 0.95 },
    ),
    looks(
      'trim-ohms',
      'Trims',
      'Unplugged. Ohms at the wiper while it is turned a little; mark where it stood.',
      'trims',
      ['smooth: healthy, low-33, high-33, low-45, high-45, low-both, high-both', 'jumps: dirty, spot'],
      { level: 'bottom', handsMin: 3, reliability: 0.93 },
    ),
    looks(
      'trim-nudge',
      'Nudge each trim',
      'A hair each way at each speed: does the speed come right?',
      'trims',
      [
        'not the trims: healthy, dirty, spot',
        '33 only, was low: low-33',
        '33 only, was high: high-33',
        '45 only, was low: low-45',
        '45 only, was high: high-45',
        'both were low: low-both',
        'both were high: high-both',
      ],
      // A hair brings the speed right whatever made it wrong: it is no proof of the trim.
      { ...live, handsMin: 5, reliability: 0.9, positive: 0.7 },
    ),
    looks(
      'pitch-sweep',
      'Sweep the pitch pot',
      'Sweep it end to end while it runs; then set the centre.',
      'pitch',
      ['smooth, stood at centre: healthy', 'jumps: dirty', 'stood off centre: off-centre', 'dead at one end: end'],
      { outside: true, power: 'running', handsMin: 1.5, reliability: 0.93 },
    ),
    looks(
      'return-look',
      'Auto-return lever',
      'Move the arm to its rest and start by hand; watch the switch.',
      'return',
      ['works: healthy', 'tripped: tripped'],
      { level: 'platter', handsMin: 1.5, reliability: 0.95 },
    ),
    ...FIRST.tests,
    ...SUPPLY.tests,
    ...MOTOR.tests,
  ],
  causes: [...(SUPPLY.causes ?? []), cause('motor.jammed', 'governor.dead', 0.12)],
  ...BELT_DC_WAYS,
  repairs: [
    repair('other-disc', 'Tell the owner: it is the record', ['use.record'], 1, 'outside', { residual: 0.02 }),
    ...SUPPLY.repairs,
    ...MOTOR.repairs,
    repair('clean-trims', 'Clean trims and pitch pot', ['trims.dirty', 'trims.spot', 'pitch.dirty'], 6, 'bottom', {
      retrim: true,
      ...POT_SCHOOL.clean,
      residual: 0.1,
    }),
    repair('renew-trims', 'Renew the trims', ['trims.dirty', 'trims.spot'], 25, 'bottom', {
      retrim: true,

      money: 6,
    }),
    repair(
      'set-trims',
      'Set the trims',
      ['trims.low-33', 'trims.high-33', 'trims.low-45', 'trims.high-45', 'trims.low-both', 'trims.high-both'],
      10,
      'bottom',
      { residual: 0.02, power: 'running' },
    ),
    repair('centre-pitch', 'Set the pitch to its centre', ['pitch.off-centre'], 1, 'outside', { residual: 0.01 }),
    repair('new-belt', 'Fit a new belt', ['belt.*'], 6, 'platter', { money: 12, residual: 0.03 }),
    repair('oil-platter', 'Clean and oil the platter bearing', ['bearing.dry', 'bearing.noisy'], 8, 'platter', {
      residual: 0.08,
    }),
    repair('platter-bearing', 'Renew the platter bearing', ['bearing.worn'], 40, 'bottom', { money: 30 }),
    repair(
      'selector',
      'Clean the speed selector',
      ['selector.noisy', 'selector.open-45', 'selector.open-33'],
      10,
      'bottom',
      { residual: 0.2 },
    ),
    repair(
      'selector-renew',
      'Renew the speed selector',
      ['selector.noisy', 'selector.open-45', 'selector.open-33'],
      30,
      'bottom',
      { money: 12 },
    ),
    repair('pitch-pot', 'Renew the pitch pot', ['pitch.end', 'pitch.dirty'], 20, 'bottom', {
      retrim: true,
      ...POT_SCHOOL.renew,
      money: 5,
    }),
    repair('pulley', 'Fasten or true the pulley', ['pulley.*'], 15, 'platter', { residual: 0.1 }),
    repair('seat', 'Clean the seat, true the platter', ['platter.off-centre'], 6, 'platter', { residual: 0.2 }),
    repair('return', 'Free the auto-return', ['return.tripped'], 6, 'platter', { residual: 0.05 }),
    repair('lamp', 'Renew the lamp', ['lamp.burnt'], 10, 'bottom', { money: 2 }),
  ],
};
