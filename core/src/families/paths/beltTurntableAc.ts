/** Drive path of the belt turntable with an a.c. synchronous motor. Common practice, with no published source. */
import { firstLook, LEAKS } from '../parts/firstLook.js';
import { OUTSIDE } from '../parts/part.js';
import { mainsCord } from '../parts/universalMotor.js';
import { block, cause, looks, mode, reads, repair, row, signal } from '../path/build.js';
import type { PathData } from '../path/schema.js';
import { BELT_AC_WAYS } from '../ways/decks.js';
import { OIL_SCHOOL } from '../shared/schools.js';

const CORD = mainsCord('bottom');
const FIRST = firstLook({ level: 'bottom', feed: 'mains' });
const SPEED = ['still', 'slow', 'right', 'fast', 'backward'] as const;
const SPEED_ANSWERS = ['still: still', 'slow: slow', 'right: right', 'fast: fast', 'backward: backward'];
const live = {
  level: 'bottom',
  power: 'powered' as const,
  probe: true,
  riskMin: 6,
  cautions: ['isolation', 'earthed-scope'],
};

export const beltTurntableAcPath: PathData = {
  speed: { signal: 'platter', speedKey: null, heatKey: 'heat' },
  options: [
    {
      id: 'phase',
      name: 'motor starts by',
      choices: [
        { name: 'a run capacitor', absent: [] },
        { name: 'itself, straight on the mains', absent: ['phase'] },
      ],
    },
  ],
  contexts: [
    { id: 'heat', name: 'cold or warm', values: ['cold', 'warm'] },
    { id: 'switch', name: 'power switch', values: ['on', 'off'] },
    { id: 'belt', name: 'belt', values: ['on', 'off'] },
    { id: 'held', name: 'how the motor is held', values: ['mounted', 'soft cradle'] },
  ],
  levels: [
    { id: 'outside', name: 'closed', minutes: 0, steps: [] },
    { id: 'platter', name: 'platter off', minutes: 1, steps: ['platter', 'mat'] },
    { id: 'bottom', name: 'bottom cover off', minutes: 8, steps: ['bottom', 'base', 'plinth'] },
  ],
  signals: [
    ...CORD.signals,
    signal('switched', 'feed behind the switch', ['none', 'trickle', 'right'], 'none'),
    signal('phases', 'two phases of the motor', ['none', 'one', 'reversed', 'shifted', 'right'], 'none'),
    signal('windings', 'windings', ['alike', 'one low', 'one open'], 'alike'),
    signal('motor', 'motor', ['still', 'slow', 'right', 'backward'], 'still'),
    signal('hum', 'noise of the motor', ['quiet', 'hums', 'knocks'], 'quiet'),
    signal('stirs', 'anything of the motor', ['nothing', 'hums or turns'], 'nothing'),
    signal('buzz', 'buzz of the plinth', ['none', 'buzzes'], 'none'),
    signal('pulley', 'pulley speed', SPEED, 'still'),
    signal('belt-speed', 'speed behind the belt', SPEED, 'still'),
    signal('platter', 'platter speed', SPEED, 'still'),
    signal('rumble', 'rumble', ['none', 'rumbles'], 'none'),
    signal('wow', 'wow', ['none', 'uneven'], 'none'),
  ],
  blocks: [
    ...CORD.blocks,
    block(
      'switch',
      'power switch',
      'supply',
      ['feed'],
      ['switched'],
      [row({ '@switch': 'off' }, { switched: 'none' }), row({}, { switched: '=feed' })],
      [
        mode('dirty', 'switch resistive: starts at the third try', 0.02, [
          row({ '@switch': 'on', feed: 'right' }, { switched: 'trickle' }),
        ]),
        mode('open', 'switch does not make', 0.06, [row({}, { switched: 'none' })]),
        mode('leaks', 'spark capacitor lets a trickle through: off is not dead', 0.08, [
          row({ '@switch': 'off', feed: 'right' }, { switched: 'trickle' }),
        ]),
        mode('welded', 'switch stays shut', 0.02, [row({ '@switch': 'off' }, { switched: '=feed' })]),
      ],
    ),
    block(
      'phase',
      'run capacitor',
      'supply',
      ['switched'],
      ['phases'],
      [row({ switched: ['none', 'trickle'] }, { phases: 'none' }), row({}, { phases: 'right' })],
      [
        mode('open', 'run capacitor open', 0.06, [row({ switched: 'right' }, { phases: { one: 0.6, reversed: 0.4 } })]),
        mode('value', 'run capacitor out of value', 0.08, [row({ switched: 'right' }, { phases: 'shifted' })]),
        mode('dropper', 'dropper resistor open', 0.03, [row({}, { phases: 'none' })]),
      ],
    ),
    block(
      'winding',
      'motor windings',
      'mechanical',
      [],
      ['windings'],
      [row({}, { windings: 'alike' })],
      [
        mode('open', 'a winding open', 0.03, [row({}, { windings: 'one open' })]),
        mode('shorted', 'turns of a winding shorted: hot', 0.01, [row({}, { windings: 'one low' })], {
          bans: 'rails',
          marks: { burnt: 0.6, scorched: 0.5, blew: 0.2 },
        }),
        mode('frame', 'winding to the frame', 0.008, [], { bans: 'frame', marks: LEAKS }),
      ],
    ),
    block(
      'motor',
      'motor',
      'mechanical',
      ['phases', 'windings', 'switched'],
      ['motor', 'hum'],
      [
        row({ phases: 'none', switched: 'trickle' }, { motor: 'still', hum: 'hums' }),
        row({ phases: 'none' }, { motor: 'still', hum: 'quiet' }),
        row({ phases: 'one' }, { motor: 'still', hum: 'hums' }),
        row({ phases: 'reversed' }, { motor: 'backward', hum: 'hums' }),
        row({ windings: ['one open', 'one low'] }, { motor: 'still', hum: 'hums' }),
        row({ phases: 'shifted' }, { motor: 'right', hum: 'hums' }),
        row({}, { motor: 'right', hum: 'quiet' }),
      ],
      [
        // A synchronous motor is in step or out of it: gummed it drops out of step cold, or does not start.
        mode(
          'gummed',
          'motor bearing gummed: out of step until warm',
          0.07,
          [
            row({ phases: ['shifted', 'right'], '@heat': 'cold', '@belt': 'on' }, { motor: 'slow', hum: 'knocks' }),
            row({ phases: ['shifted', 'right'] }, { hum: 'knocks' }),
          ],
          { sizes: [3, 60] },
        ),
        mode('dry', 'motor bearing dry: noisy, in step', 0.07, [
          row({ phases: ['shifted', 'right'] }, { hum: 'knocks' }),
        ]),
        mode('seized', 'motor seized', 0.02, [row({ phases: ['shifted', 'right'] }, { motor: 'still', hum: 'hums' })], {
          bans: 'stalled',
          marks: { burnt: 0.4, 'much-current': 0.6 },
        }),
        mode('cap', 'end cap of the motor loose', 0.04, [row({ phases: ['shifted', 'right'] }, { hum: 'knocks' })]),
      ],
    ),
    block(
      'mount',
      'motor mount',
      'mechanical',
      ['hum', 'motor'],
      ['buzz', 'stirs'],
      [
        row({ motor: 'still', hum: 'quiet' }, { buzz: 'none', stirs: 'nothing' }),
        row({ hum: ['hums', 'knocks'] }, { buzz: 'buzzes', stirs: 'hums or turns' }),
        row({}, { buzz: 'none', stirs: 'hums or turns' }),
      ],
      [
        mode('hard', 'rubber of the mount hard, or a transport screw in', 0.07, [
          row({ '@held': 'mounted', motor: ['slow', 'right', 'backward'] }, { buzz: 'buzzes' }),
        ]),
      ],
    ),
    block(
      'pulley',
      'pulley',
      'mechanical',
      ['motor'],
      ['pulley'],
      [row({}, { pulley: '=motor' })],
      [
        mode('loose', 'pulley slips on its shaft', 0.06, [row({ motor: ['slow', 'right'] }, { pulley: 'slow' })], {
          sizes: [1, 80],
        }),
        mode(
          'mains',
          'pulley for the other mains frequency',
          0.03,
          [row({ motor: ['right'] }, { pulley: { slow: 0.5, fast: 0.5 } })],
          // 50 Hz on a pulley for 60 is 17 % slow, 60 on one for 50 is 20 % fast.
          { sizes: [15, 22] },
        ),
        mode('height', 'pulley at another height than before', 0.001, [row({ motor: 'right' }, { pulley: 'slow' })], {
          byWork: true,
        }),
      ],
    ),
    block(
      'belt',
      'belt',
      'mechanical',
      ['pulley'],
      ['belt-speed', 'wow'],
      [row({ '@belt': 'off' }, { 'belt-speed': 'still' }), row({}, { 'belt-speed': '=pulley', wow: 'none' })],
      [
        mode(
          'slips',
          'belt stretched, glazed or oily, slips',
          0.12,
          [row({ '@belt': 'on', pulley: ['slow', 'right', 'fast'] }, { 'belt-speed': 'slow' })],
          { sizes: [0.5, 15] },
        ),
        mode('snatches', 'belt snatches or has a stiff place', 0.04, [
          row({ '@belt': 'on', pulley: ['slow', 'right', 'fast'] }, { wow: 'uneven' }),
        ]),
        mode('off', 'belt off or gone', 0.04, [row({}, { 'belt-speed': 'still' })]),
      ],
    ),
    block(
      'bearing',
      'sub-platter and bearing',
      'mechanical',
      ['belt-speed'],
      ['platter', 'rumble'],
      [row({}, { platter: '=belt-speed', rumble: 'none' })],
      [
        mode(
          'dry',
          'platter bearing dry: slow',
          0.04,
          [row({ 'belt-speed': ['slow', 'right'] }, { platter: 'slow', rumble: 'rumbles' })],
          { sizes: [0.5, 15] },
        ),
        mode('noisy', 'platter bearing dry: rumbles at right speed', 0.02, [
          row({ 'belt-speed': ['slow', 'right', 'fast'] }, { rumble: 'rumbles' }),
        ]),
        mode('worn', 'platter bearing worn', 0.02, [
          row({ 'belt-speed': ['slow', 'right', 'fast'] }, { rumble: 'rumbles' }),
        ]),
      ],
    ),
  ],
  tests: [
    reads('platter', 'Platter speed', 'Measure at the usual speed, or look at the rim.', 'platter', SPEED_ANSWERS, {
      ...OUTSIDE,
    }),
    reads('platter-warm', 'Platter speed, warm', 'The same after twenty minutes.', 'platter', SPEED_ANSWERS, {
      ...OUTSIDE,
      waitMin: 20,
      context: { heat: 'warm' },
    }),
    reads(
      'hum',
      'Noise of the motor',
      'Ear to the plinth: quiet, hum, knock?',
      'hum',
      ['quiet: quiet', 'hums: hums', 'knocks or grinds: knocks'],
      { ...OUTSIDE, handsMin: 0.5, reliability: 0.92 },
    ),
    reads(
      'off-hum',
      'Hum with the switch off',
      'Plugged in, switched off: does it hum or turn?',
      'stirs',
      ['quiet: nothing', 'hums or turns: hums or turns'],
      { ...OUTSIDE, power: 'powered', handsMin: 0.5, context: { switch: 'off' } },
    ),
    reads(
      'off-turns',
      'Does it turn with the switch off',
      'Plugged in, switched off.',
      'motor',
      ['still: still', 'turns: slow, right, backward'],
      { ...OUTSIDE, power: 'powered', handsMin: 0.3, context: { switch: 'off' } },
    ),
    reads('buzz', 'Buzz', 'Hand flat on the plinth.', 'buzz', ['none: none', 'buzzes: buzzes'], {
      ...OUTSIDE,
      handsMin: 0.3,
      reliability: 0.92,
    }),
    reads('rumble', 'Rumble', 'Ear to the plinth, belt just coasting.', 'rumble', ['none: none', 'rumbles: rumbles'], {
      ...OUTSIDE,
      handsMin: 1,
      reliability: 0.9,
    }),
    reads('wow', 'Wow', 'A held tone: even, or not?', 'wow', ['even: none', 'uneven: uneven'], {
      ...OUTSIDE,
      handsMin: 2,
      reliability: 0.93,
    }),
    looks(
      'belt-look',
      'Belt',
      'Platter off: slack, shine, oil, stiff place.',
      'belt',
      ['sound: healthy', 'slack or shiny: slips', 'stiff or sticky: snatches', 'off: off'],
      { level: 'platter', handsMin: 1.5, reliability: 0.92 },
    ),
    looks(
      'platter-spin',
      'Sub-platter by hand, belt off',
      'Spin it: it should coast half a minute and be silent.',
      'bearing',
      ['coasts: healthy', 'drags: dry, noisy', 'loose and rough: worn'],
      { level: 'platter', handsMin: 2, opens: ['belt'], reliability: 0.93 },
    ),
    looks(
      'pulley-mark',
      'Mark pulley and shaft',
      'Unplugged: a pencil line across both. Run a minute, hands off, unplug, look. Read the number on the pulley against the mains; its height against the belt’s track.',
      'pulley',
      [
        'marks together, right for the mains: healthy',
        'marks part: loose',
        'for the other mains: mains',
        'at another height: height',
      ],
      { level: 'platter', power: 'running', handsMin: 4, reliability: 0.95 },
    ),
    looks(
      'coast',
      'Motor coasts by hand',
      'Unplugged, belt off. Spin the pulley: does it coast? Even magnetic notches are healthy.',
      'motor',
      ['coasts: healthy', 'drags: gummed', 'dry: dry', 'will not turn: seized', 'rattles: cap'],
      { level: 'platter', handsMin: 2, opens: ['belt'], reliability: 0.93 },
    ),
    reads(
      'motor-alone',
      'Motor alone, belt off',
      'Belt off, power on: does the pulley turn at its speed?',
      'motor',
      ['still: still', 'slow: slow', 'right: right', 'backward: backward'],
      {
        level: 'platter',
        power: 'powered',
        probe: true,
        riskMin: 1,
        handsMin: 2,
        context: { belt: 'off' },
        opens: ['belt'],
        cautions: ['isolation'],
      },
    ),
    reads(
      'cradle',
      'Motor in a soft cradle',
      'Unscrewed, terminals covered, in an insulated soft cradle, never in the hand: does the buzz go?',
      'buzz',
      ['gone: none', 'still buzzes: buzzes'],
      { ...live, handsMin: 10, cautions: ['cradle', 'isolation'], context: { held: 'soft cradle' } },
    ),
    looks(
      'mount-look',
      'Motor mounts',
      'Rubber hard, transport screw still in, plate touching?',
      'mount',
      ['soft and free: healthy', 'hard or touching: hard'],
      { level: 'bottom', handsMin: 2, reliability: 0.93 },
    ),
    looks(
      'switch-ohms',
      'Switch and spark capacitor',
      'Unplugged. Ohms on and off, capacitor lifted at one leg; its value.',
      'switch',
      [
        'on makes, off open: healthy',
        'makes with tens of ohms: dirty',
        'does not make: open',
        'capacitor leaks: leaks',
        'stays shut: welded',
      ],
      { level: 'bottom', handsMin: 4, opens: ['lifted-leg'], reliability: 0.96 },
    ),
    looks(
      'run-capacitor',
      'Run capacitor and dropper',
      'Unplugged, discharged. Capacitance against its print; ohms of the dropper.',
      'phase',
      ['in value: healthy', 'open: open', 'out of value: value', 'dropper open: dropper'],
      { level: 'bottom', handsMin: 4, opens: ['lifted-leg'], reliability: 0.96 },
    ),
    looks(
      'winding-ohms',
      'Ohms of each winding',
      'Unplugged, leads off. Each winding by itself.',
      'winding',
      ['alike: healthy', 'one open: open', 'one low: shorted', 'to the frame: frame'],
      { level: 'bottom', handsMin: 3, opens: ['motor-plug'], reliability: 0.97, lifts: ['rails', 'fuse'] },
    ),
    reads(
      'switch-volts',
      'Volts behind the switch',
      'At the motor’s feed: clip dead, step back, power, read, unplug.',
      'switched',
      ['none: none', 'a trickle: trickle', 'mains: right'],
      { ...live, handsMin: 3 },
    ),
  ].concat(FIRST.tests, CORD.tests),
  // A burnt resistor has a short behind it.
  causes: [cause('winding.shorted', 'phase.dropper', 0.1), cause('motor.seized', 'winding.open', 0.2)],
  ...BELT_AC_WAYS,
  repairs: [
    ...CORD.repairs,
    repair('switch', 'Renew the switch', ['switch.open', 'switch.welded', 'switch.dirty'], 20, 'bottom', { money: 8 }),
    repair('spark', 'Renew the spark capacitor with an X-class part', ['switch.leaks'], 15, 'bottom', { money: 2 }),
    repair('run-capacitor', 'Renew the run capacitor', ['phase.open', 'phase.value'], 15, 'bottom', { money: 6 }),
    repair('dropper', 'Renew the dropper with one of its rating', ['phase.dropper'], 15, 'bottom', { money: 3 }),
    repair(
      'motor-oil',
      'Flush and oil the motor, run it in for a day',
      ['motor.gummed', 'motor.dry', 'motor.seized'],
      40,
      'bottom',
      {
        ...OIL_SCHOOL.heavy,
        leaves: 'no power before the solvent has gone; oil until the well is full; once a year',
        waitMin: 1440,
        residual: 0.12,
      },
    ),
    repair('motor-cap', 'Press the end cap home', ['motor.cap'], 20, 'bottom', { residual: 0.1 }),
    repair('motor', 'Replace the motor', ['motor.*', 'winding.*'], 45, 'bottom', { money: 60 }),
    repair('mount', 'Renew the mounts, take the transport screws out', ['mount.hard'], 15, 'bottom', { money: 6 }),
    repair(
      'pulley-lock',
      'Fasten the pulley at its height with medium thread locker',
      ['pulley.loose', 'pulley.height'],
      12,
      'platter',
      { waitMin: 60, residual: 0.05 },
    ),
    repair('pulley', 'Fit the pulley for this mains', ['pulley.mains'], 12, 'platter', { money: 25 }),
    repair('talc', 'Talc on a belt that snatches', ['belt.snatches'], 3, 'platter', {
      residual: 0.5,
      leaves: 'talc calms a snatching belt, it does not cure slip',
    }),
    repair('belt', 'Fit a new belt', ['belt.*'], 6, 'platter', { money: 12, residual: 0.03 }),
    repair('bearing', 'Clean and oil the platter bearing', ['bearing.dry', 'bearing.noisy'], 10, 'platter', {
      residual: 0.08,
    }),
    repair('bearing-new', 'Renew the platter bearing', ['bearing.worn'], 40, 'bottom', { money: 30 }),
  ],
};
