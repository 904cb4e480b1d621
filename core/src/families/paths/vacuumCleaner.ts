/** Drive path of the vacuum cleaner with a universal motor. Common practice, with no published source. */
import { firstLook } from '../parts/firstLook.js';
import { block, cause, looks, mode, reads, repair, row, signal } from '../path/build.js';
import type { PathData } from '../path/schema.js';
import { OUTSIDE } from '../parts/part.js';
import { mainsCord, MAINS_CONTROL, phaseControl, universalMotor } from '../parts/universalMotor.js';
import { VACUUM_WAYS } from '../ways/appliances.js';

const INSIDE = { level: 'lid', riskMin: 6, cautions: ['earthed-scope', 'backfeed'] };
const CORD = mainsCord('lid');
const BOARD = phaseControl({
  bands: MAINS_CONTROL,
  thin: true,
  ...INSIDE,
  id: 'board',
  name: 'speed board',
  deadHow: 'Unplugged. Triac of the board in ohms, terminal to terminal, both ways.',
  money: 30,
});
const MOTOR = universalMotor({
  level: 'motor',
  riskMin: 6,
  cautions: ['loose-motor'],
  brushLevel: 'motor',
  opens: ['motor-seal', 'motor-plug'],
  from: 'motor-feed',
  brushMoney: 10,
  motorMoney: 45,
});

const FIRST = firstLook({ level: 'lid', feed: 'mains' });

export const vacuumCleanerPath: PathData = {
  speed: { signal: 'turns', speedKey: 'setting', heatKey: null },
  options: [
    {
      id: 'speed',
      name: 'speeds',
      choices: [
        { name: 'one, no board', absent: ['board', 'boost'] },
        { name: 'boost switch or knob with a board', absent: [] },
      ],
    },
    {
      id: 'cord',
      name: 'cord',
      choices: [
        { name: 'on a reel', absent: [] },
        { name: 'plain', absent: ['reel'] },
      ],
    },
  ],
  contexts: [
    { id: 'setting', name: 'setting', values: ['high', 'low'] },
    { id: 'heat', name: 'cold or hot', values: ['cold', 'hot'] },
    { id: 'inlet', name: 'inlet', values: ['open', 'sealed'] },
    { id: 'tap', name: 'tapped', values: ['no', 'yes'] },
  ],
  levels: [
    { id: 'outside', name: 'closed', minutes: 0, steps: [] },
    { id: 'lid', name: 'top off', minutes: 5, steps: ['top', 'lid', 'cover'] },
    { id: 'motor', name: 'motor out', minutes: 8, steps: ['motor'] },
  ],
  signals: [
    ...CORD.signals,
    signal('reeled', 'feed behind the reel', ['none', 'thin', 'weak', 'right'], 'none'),
    signal('lamp', 'lamp', ['dark', 'lit'], 'dark'),
    signal('switched', 'feed behind the switch', ['none', 'thin', 'right'], 'none'),
    signal('wish', 'boost switch', ['none', 'low', 'high'], 'high'),
    signal('air', 'air through the motor', ['free', 'blocked', 'choked'], 'free'),
    signal('sealed', 'pitch with the inlet sealed', ['none', 'stays', 'rises'], 'none'),
    signal('suction', 'suction', ['none', 'weak', 'good'], 'none'),
    signal('pitch', 'pitch of the motor, inlet open', ['none', 'low', 'usual', 'high'], 'none'),
    ...BOARD.signals,
    ...MOTOR.signals,
  ],
  blocks: [
    ...CORD.blocks,
    block(
      'reel',
      'reel and its rings',
      'supply',
      ['feed'],
      ['reeled'],
      [row({}, { reeled: '=feed' })],
      [
        mode('open', 'reel ring burnt through', 0.04, [row({}, { reeled: 'none' })]),
        mode('thin', 'reel ring pitted: feeds a lamp, not a motor', 0.06, [row({ feed: 'right' }, { reeled: 'thin' })]),
        mode('ohmic', 'reel ring with some ohms: weak, warm at the rings', 0.04, [
          row({ feed: 'right' }, { reeled: 'weak' }),
        ]),
      ],
    ),
    block(
      'lamp',
      'lamp',
      'supply',
      ['reeled'],
      ['lamp'],
      [row({ reeled: 'none' }, { lamp: 'dark' }), row({}, { lamp: 'lit' })],
      [mode('burnt', 'lamp dead', 0.02, [row({}, { lamp: 'dark' })])],
    ),
    block(
      'switch',
      'switch and protector',
      'supply',
      ['reeled', 'air'],
      ['switched'],
      [
        row({ reeled: ['none', 'thin'] }, { switched: 'none' }),
        row({ '@heat': 'hot', air: 'choked' }, { switched: 'none' }),
        row({ reeled: 'weak' }, { switched: 'thin' }),
        row({}, { switched: 'right' }),
      ],
      [
        mode('pole', 'one pole of the switch dead', 0.1, [row({}, { switched: 'none' })]),
        mode('protector', 'thermal protector cuts out too soon', 0.04, [row({ '@heat': 'hot' }, { switched: 'none' })]),
        mode('link', 'one-shot thermal link open', 0.03, [row({}, { switched: 'none' })]),
        mode(
          'resistive',
          'a contact of the switch burnt: weak, warm',
          0.02,
          [row({ reeled: 'right' }, { switched: { thin: 0.4, right: 0.6 } })],
          {
            marks: { burnt: 0.3, scorched: 0.5 },
          },
        ),
      ],
    ),
    block(
      'boost',
      'boost switch',
      'control',
      [],
      ['wish'],
      [row({ '@setting': 'low' }, { wish: 'low' }), row({}, { wish: 'high' })],
      [
        mode('low', 'boost switch dead on low', 0.05, [row({ '@setting': 'low' }, { wish: 'none' })]),
        mode('open', 'boost switch open', 0.03, [row({}, { wish: 'none' })]),
      ],
    ),
    ...BOARD.blocks,
    ...MOTOR.blocks,
    block(
      'filters',
      'air path and filters',
      'mechanical',
      [],
      ['air'],
      [row({}, { air: 'free' })],
      [mode('blocked', 'hose, bag or filter blocked', 0.12, [row({}, { air: { blocked: 0.6, choked: 0.4 } })])],
    ),
    block(
      'fan',
      'fan',
      'mechanical',
      ['turns', 'air'],
      ['suction', 'pitch', 'sealed'],
      [
        row({ turns: 'still' }, { suction: 'none', pitch: 'none', sealed: 'none' }),
        row({ air: ['blocked', 'choked'] }, { sealed: 'stays' }),
        row({ air: ['blocked', 'choked'], turns: ['weak', 'slow'] }, { suction: 'weak', pitch: 'usual' }),
        row({ air: ['blocked', 'choked'] }, { suction: 'weak', pitch: 'high' }),
        row({ turns: 'weak' }, { suction: 'weak', pitch: 'low' }),
        row({ turns: 'slow' }, { suction: 'weak', pitch: 'low' }),
        row({}, { suction: 'good', pitch: 'usual', sealed: 'rises' }),
      ],
      [
        mode('loose', 'fan slips on its shaft', 0.02, [
          row({ turns: ['weak', 'slow', 'fast'] }, { suction: 'weak', pitch: 'high', sealed: 'stays' }),
        ]),
        mode(
          'leak',
          'motor seal left off or lid not flush',
          0.01,
          [row({ turns: ['weak', 'slow', 'fast'] }, { suction: 'weak', sealed: 'stays' })],
          { byWork: true },
        ),
      ],
    ),
  ],
  tests: [
    reads(
      'lamp',
      'Lamp',
      'Switched on: is it lit? It proves the lamp’s current only.',
      'lamp',
      ['lit: lit', 'dark: dark'],
      {
        ...OUTSIDE,
        power: 'powered',
        handsMin: 0.2,
      },
    ),
    reads(
      'pitch-high',
      'Pitch on high, inlet open',
      'High, hose off, seconds only: none, low, usual, high?',
      'pitch',
      ['none: none', 'low: low', 'usual: usual', 'high: high'],
      { ...OUTSIDE, handsMin: 0.5, context: { setting: 'high' }, reliability: 0.93 },
    ),
    reads(
      'pitch-low',
      'Pitch on low',
      'The same on low: none, lower than on high, or the same as on high?',
      'turns',
      ['none: still', 'weak: weak', 'lower: slow', 'the same as on high: fast'],
      { ...OUTSIDE, handsMin: 0.5, context: { setting: 'low' }, reliability: 0.93 },
    ),
    reads(
      'pitch-sealed',
      'Pitch, inlet sealed for a second',
      'Hand over the inlet, a second: does the pitch rise?',
      'sealed',
      ['rises: rises', 'stays: stays', 'none: none'],
      { ...OUTSIDE, handsMin: 0.3, context: { inlet: 'sealed' }, reliability: 0.93 },
    ),
    reads(
      'suction',
      'Suction at the inlet',
      'Hand over the inlet for a second.',
      'suction',
      ['none: none', 'weak: weak', 'good: good'],
      { ...OUTSIDE, handsMin: 0.3 },
    ),
    reads(
      'hot',
      'After ten minutes',
      'Let it run ten minutes: does it cut out?',
      'turns',
      ['cuts out: still', 'runs on: weak, slow, fast'],
      { ...OUTSIDE, handsMin: 0.5, waitMin: 10, context: { heat: 'hot' } },
    ),
    looks(
      'filters-look',
      'Hose, bag and filters',
      'Bag and filters out, a ball through the hose.',
      'filters',
      ['free: healthy', 'blocked: blocked'],
      { outside: true, handsMin: 3, reliability: 0.96 },
    ),
    looks(
      'reel-ohms',
      'Reel rings',
      'Unplugged. Ohms through each ring while the reel is turned; look for pits.',
      'reel',
      ['steady and bright: healthy', 'open: open', 'wanders, pitted: thin, ohmic'],
      { level: 'lid', handsMin: 4, opens: ['reel'], reliability: 0.94 },
    ),
    looks(
      'lamp-ohms',
      'Lamp by itself',
      'Unplugged. Ohms of the lamp, or try another.',
      'lamp',
      ['sound: healthy', 'dead: burnt'],
      { level: 'lid', handsMin: 3, money: 2 },
    ),
    looks(
      'switch-ohms',
      'Each pole of the switch, and the protector',
      'Unplugged. Ohms of each pole in each position; then through the protector.',
      'switch',
      ['all make: healthy, protector', 'one pole open: pole', 'ohms, burnt: resistive', 'protector open: link'],
      { level: 'lid', handsMin: 3, reliability: 0.96 },
    ),
    looks(
      'boost-ohms',
      'Boost switch',
      'Unplugged. Ohms of each pole in each position.',
      'boost',
      ['all make: healthy', 'open on low: low', 'open: open'],
      { level: 'lid', handsMin: 2 },
    ),
    reads(
      'switch-volts',
      'Volts behind the switch',
      'At the board’s input: clip dead, step back, power, read, unplug.',
      'switched',
      ['none: none', 'collapses under load: thin', 'mains: right'],
      { level: 'lid', power: 'powered', probe: true, riskMin: 6, handsMin: 3, cautions: ['earthed-scope'] },
    ),
    looks(
      'fan-look',
      'Fan and seal',
      'Unplugged, motor out: does the fan sit tight on the shaft, is the seal whole and the key in its gap?',
      'fan',
      ['tight and sealed: healthy', 'slips: loose', 'seal off: leak'],
      { level: 'motor', handsMin: 3, opens: ['motor-seal'], reliability: 0.96 },
    ),
  ].concat(FIRST.tests, CORD.tests, BOARD.tests, MOTOR.tests),
  causes: [
    ...(MOTOR.causes ?? []),
    cause('filters.blocked', 'switch.link', 0.7),
    cause('filters.blocked', 'switch.protector', 0.5),
  ],
  ...VACUUM_WAYS,
  repairs: [
    ...CORD.repairs,
    ...BOARD.repairs,
    ...MOTOR.repairs,
    repair('reel', 'Clean or renew the reel rings', ['reel.*'], 30, 'lid', { money: 15, residual: 0.1 }),
    repair('lamp', 'Renew the lamp', ['lamp.burnt'], 10, 'lid', { money: 2 }),
    repair('switch', 'Renew the two-pole switch', ['switch.pole', 'switch.resistive'], 15, 'lid', { money: 6 }),
    repair('thermal', 'Renew the thermal protector with its like', ['switch.protector', 'switch.link'], 20, 'lid', {
      money: 6,
    }),
    repair('boost', 'Renew the boost switch', ['boost.*'], 15, 'lid', { money: 6 }),
    repair('filters', 'Clear the air path, renew bag and filters', ['filters.blocked'], 5, 'outside', {
      money: 6,
      residual: 0.02,
    }),
    repair('fan', 'Fasten the fan', ['fan.loose'], 20, 'motor', { residual: 0.1 }),
    repair('seal', 'Seat motor and seal, lid flush all round', ['fan.leak'], 8, 'lid', { residual: 0.02 }),
  ],
};
