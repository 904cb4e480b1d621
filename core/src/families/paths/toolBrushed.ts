/** Drive path of the tool with a brushed motor and a speed trigger, cordless or corded. Common practice, with no published source. */
import { firstLook, LEAKS } from '../parts/firstLook.js';
import { block, cause, looks, measure, mode, ratedAt, reads, repair, row, signal } from '../path/build.js';
import type { PathData } from '../path/schema.js';
import { OUTSIDE } from '../parts/part.js';
import { phaseControl, universalMotor } from '../parts/universalMotor.js';
import { BRUSHED_WAYS } from '../ways/appliances.js';

const INSIDE = { level: 'shell', riskMin: 3, cautions: ['blade', 'earthed-scope'] };
const TRIGGER = phaseControl({
  ...INSIDE,
  id: 'trigger',
  name: 'trigger module',
  deadHow: 'Pack or plug out. Ohms from its input to its output, trigger at rest, both ways.',
  money: 20,
});
const MOTOR = universalMotor({
  ...INSIDE,
  brushLevel: 'caps',
  opens: ['brush-caps'],
  from: 'reversed',
  brushMoney: 6,
  motorMoney: 35,
});
const SPEED = ['still', 'weak', 'slow', 'fast'];

const FIRST = firstLook({ level: 'shell', feed: 'pack-or-mains' });

export const toolBrushedPath: PathData = {
  speed: { signal: 'spindle', speedKey: 'setting', heatKey: null, speedValues: { half: 'low', full: 'high' } },
  options: [
    {
      id: 'source',
      name: 'fed by',
      choices: [
        { name: 'pack', absent: ['cord', 'insulation'] },
        { name: 'mains cord', absent: ['pack'] },
      ],
    },
  ],
  contexts: [
    { id: 'setting', name: 'trigger', values: ['high', 'low'] },
    { id: 'direction', name: 'direction', values: ['forward', 'reverse'] },
    { id: 'load', name: 'load', values: ['free', 'loaded'] },
    { id: 'tap', name: 'tapped', values: ['no', 'yes'] },
  ],
  levels: [
    { id: 'outside', name: 'closed', minutes: 0, steps: [] },
    { id: 'caps', name: 'brush caps off', minutes: 1, steps: ['brush', 'cap'] },
    { id: 'shell', name: 'half shell off', minutes: 5, steps: ['shell', 'housing', 'half'] },
  ],
  signals: [
    signal(
      'source',
      'pack or mains',
      ['none', 'sags', 'right'],
      'none',
      ratedAt(
        18,
        measure(
          'pack under load',
          'V',
          'common practice: pack of five cells, 18 V; another pack by its plate',
          'none * 2',
          'sags 2 16',
          'right 16 21.5',
        ),
      ),
    ),
    signal('fed', 'feed at the trigger', ['none', 'sags', 'right'], 'none'),
    signal('switched', 'contact of the trigger', ['none', 'right'], 'none'),
    signal('wish', 'speed dialled by the trigger', ['none', 'low', 'high'], 'high'),
    // A meter at the motor's terminals shows what comes through the reversing switch.
    ...TRIGGER.signals.map((one) => ({ ...one, measure: null })),
    ...TRIGGER.signals.map((one) => ({ ...one, id: 'reversed', name: 'feed behind the reversing switch' })),
    ...MOTOR.signals,
    signal('spindle', 'spindle', SPEED, 'still'),
    signal('gear-noise', 'noise of the gears', ['quiet', 'grinds'], 'quiet'),
  ],
  blocks: [
    block(
      'pack',
      'pack',
      'supply',
      [],
      ['source'],
      [row({}, { source: 'right' })],
      [
        mode('flat', 'pack flat, or its protection has cut', 0.08, [row({}, { source: 'none' })]),
        mode('weak', 'a cell weak: sags under load', 0.1, [row({ '@load': 'loaded' }, { source: 'sags' })]),
        mode(
          'swollen',
          'a cell swollen, punctured or reversed',
          0.01,
          [row({}, { source: { none: 0.4, sags: 0.6 } })],
          {
            bans: 'cell',
            marks: { swollen: 0.9, wet: 0.1 },
          },
        ),
      ],
    ),
    block(
      'cord',
      'cord or contacts',
      'supply',
      ['source'],
      ['fed'],
      [row({}, { fed: '=source' })],
      [
        mode('open', 'cord or contact open', 0.05, [row({}, { fed: 'none' })]),
        mode('frame', 'a lead of the cord reaches the metal', 0.004, [], { bans: 'frame', marks: LEAKS }),
        mode('dirty', 'contacts burnt or bent', 0.04, [row({ source: 'right', '@load': 'loaded' }, { fed: 'sags' })]),
      ],
    ),
    block(
      'contact',
      'main contact',
      'control',
      ['fed'],
      ['switched', 'wish'],
      [
        row({ fed: 'none' }, { switched: 'none' }),
        row({ '@setting': 'low' }, { wish: 'low' }),
        row({}, { switched: 'right', wish: 'high' }),
      ],
      [
        mode('burnt', 'main contact burnt', 0.06, [row({}, { switched: 'none' })]),
        mode('track', 'track of the speed pot worn: nothing at low', 0.05, [
          row({ '@setting': 'low' }, { wish: 'none' }),
        ]),
      ],
    ),
    ...TRIGGER.blocks,
    block(
      'reverse',
      'reversing switch',
      'control',
      ['motor-feed'],
      ['reversed'],
      [row({}, { reversed: '=motor-feed' })],
      [
        mode('one-way', 'reversing switch dead in reverse', 0.03, [
          row({ '@direction': 'reverse' }, { reversed: 'none' }),
        ]),
        mode('forward', 'reversing switch dead in forward', 0.03, [
          row({ '@direction': 'forward' }, { reversed: 'none' }),
        ]),
        mode('open', 'reversing switch between its positions or burnt', 0.03, [row({}, { reversed: 'none' })]),
      ],
    ),
    ...MOTOR.blocks,
    block(
      'gearbox',
      'gearbox and spindle',
      'mechanical',
      ['turns', 'fed'],
      ['spindle', 'gear-noise'],
      [
        row({ fed: 'sags', turns: ['slow', 'fast'] }, { spindle: 'weak' }),
        row({}, { spindle: '=turns', 'gear-noise': 'quiet' }),
      ],
      [
        mode('stripped', 'gear or clutch gone', 0.04, [
          row({ turns: ['weak', 'slow', 'fast'] }, { spindle: 'still', 'gear-noise': 'grinds' }),
        ]),
        mode('jammed', 'gearbox or spindle jammed', 0.03, [row({}, { spindle: 'still' })], {
          bans: 'stalled',
          marks: { burnt: 0.3, 'much-current': 0.9 },
        }),
        mode('dry', 'grease gone, bearing rough', 0.04, [
          row({ turns: ['weak', 'slow', 'fast'] }, { 'gear-noise': 'grinds' }),
          row({ '@load': 'loaded', turns: 'weak' }, { spindle: 'weak' }),
          row({ '@load': 'loaded', turns: 'slow' }, { spindle: { weak: 0.5, slow: 0.5 } }),
          row({ '@load': 'loaded', turns: 'fast' }, { spindle: { weak: 0.5, fast: 0.5 } }),
          // Stiff enough it slows the motor that has nothing else to do.
          row({ turns: 'fast' }, { spindle: { fast: 0.5, weak: 0.5 } }),
          row({ turns: 'slow' }, { spindle: { slow: 0.5, weak: 0.5 } }),
        ]),
      ],
    ),
  ],
  tests: [
    reads(
      'full',
      'Full trigger',
      'Blade or bit out, full trigger.',
      'spindle',
      ['still: still', 'weak: weak', 'slow: slow', 'fast: fast'],
      {
        ...OUTSIDE,
        handsMin: 0.3,
        context: { setting: 'high' },
      },
    ),
    reads(
      'half',
      'Trigger just pulled',
      'A little trigger: does it start slowly?',
      'spindle',
      ['still: still', 'weak: weak', 'slow: slow', 'full speed at once: fast'],
      { ...OUTSIDE, handsMin: 0.3, context: { setting: 'low' } },
    ),
    reads(
      'loaded',
      'Under load',
      'Full trigger against a load: does it hold?',
      'spindle',
      ['stalls: still', 'weak: weak', 'holds: slow, fast'],
      { ...OUTSIDE, handsMin: 0.7, context: { load: 'loaded' } },
    ),
    reads(
      'reverse',
      'In reverse',
      'Other direction, full trigger.',
      'spindle',
      ['still: still', 'turns: weak, slow, fast'],
      { ...OUTSIDE, handsMin: 0.3, context: { direction: 'reverse' } },
    ),
    reads(
      'gear-noise',
      'Noise of the gears',
      'Listen at the front.',
      'gear-noise',
      ['quiet: quiet', 'grinds: grinds'],
      {
        ...OUTSIDE,
        handsMin: 0.3,
        reliability: 0.92,
      },
    ),
    looks(
      'pack-volts',
      'Pack, at rest and loaded',
      'Pack out and cool, not swollen or wet. Volts at rest, then with a lamp across it for a second; single cells only where the pack has its own access, never by opening it.',
      'pack',
      ['holds: healthy', 'nothing: flat', 'sags: weak', 'a cell swollen or under 2 V: swollen'],
      { outside: true, handsMin: 2, cautions: ['cell'], reliability: 0.95 },
    ),
    looks(
      'spindle-turn',
      'Spindle by hand',
      'Pack or plug out, gloves, bit out. Turn the spindle both ways: free, rough, jammed?',
      'gearbox',
      ['free: healthy, stripped', 'rough: dry', 'jammed: jammed'],
      { outside: true, handsMin: 0.7, reliability: 0.94 },
    ),
    looks(
      'contacts-look',
      'Cord, plug or pack contacts',
      'Pack or plug out. Bright, springing, not bent; ohms through the cord, bent at both its ends.',
      'cord',
      ['sound: healthy', 'open: open', 'burnt or bent: dirty', 'a lead reaches the frame: frame'],
      { outside: true, handsMin: 2, reliability: 0.94, lifts: ['fuse'] },
    ),
    looks(
      'contact-ohms',
      'Main contact and pot of the trigger',
      'Pack or plug out. Ohms of the contact while the trigger is pulled slowly; pot end to end and wiper.',
      'contact',
      ['makes, smooth: healthy', 'open: burnt', 'pot dead at its start: track'],
      { level: 'shell', handsMin: 4, opens: ['trigger-wires'], reliability: 0.94 },
    ),
    looks(
      'reverse-ohms',
      'Reversing switch',
      'Pack or plug out. Ohms through it both ways, lever worked.',
      'reverse',
      ['makes both ways: healthy', 'open in reverse: one-way', 'open in forward: forward', 'open: open'],
      { level: 'shell', handsMin: 3, reliability: 0.95 },
    ),
    looks(
      'gear-look',
      'Gearbox',
      'Pack or plug out. Turn the spindle against the motor: teeth, clutch, grease.',
      'gearbox',
      ['whole: healthy', 'slips: stripped', 'dry or rough: dry', 'jammed: jammed'],
      { level: 'shell', handsMin: 6, reliability: 0.96 },
    ),
    reads(
      'source-volts',
      'Volts at the trigger, loaded',
      'At the trigger’s input while it is pulled against a load: clip on with the source out.',
      'fed',
      ['none: none', 'sags: sags', 'right: right'],
      {
        level: 'shell',
        power: 'powered',
        probe: true,
        riskMin: 3,
        handsMin: 3,
        context: { load: 'loaded' },
        cautions: ['blade', 'earthed-scope'],
      },
    ),
  ].concat(
    FIRST.tests,
    TRIGGER.tests.map((test) => (test.signal === 'motor-feed' ? { ...test, signal: 'reversed' } : test)),
    MOTOR.tests,
  ),
  causes: [
    ...(MOTOR.causes ?? []),
    cause('gearbox.jammed', 'armature.bar', 0.1),
    cause('armature.seized', 'trigger.shorted', 0.05),
  ],
  ...BRUSHED_WAYS,
  repairs: [
    ...TRIGGER.repairs,
    ...MOTOR.repairs,
    repair('pack', 'Another pack; this one to the recycler', ['pack.*'], 2, 'outside', { money: 40, residual: 0.02 }),
    repair('cord', 'Renew the cord, or clean and set the contacts', ['cord.*'], 15, 'outside', {
      money: 5,
      residual: 0.08,
    }),
    repair('contact', 'Renew the trigger with its contact and pot', ['contact.*'], 25, 'shell', { money: 20 }),
    repair('reverse', 'Clean or renew the reversing switch', ['reverse.*'], 15, 'shell', { money: 5, residual: 0.1 }),
    repair('gear-free', 'Free and regrease the gearbox', ['gearbox.jammed', 'gearbox.dry'], 25, 'shell', {
      residual: 0.15,
    }),
    repair('gears', 'Renew the gear or clutch, regrease', ['gearbox.*'], 30, 'shell', { money: 18 }),
  ],
};
