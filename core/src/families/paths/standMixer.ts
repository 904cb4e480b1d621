/** Drive path of the stand mixer with a universal motor, by governor and plate or by phase control. Common practice, with no published source. */
import { block, looks, mode, reads, repair, row, signal } from '../path/build.js';
import type { PathData } from '../path/schema.js';
import { OUTSIDE } from '../parts/part.js';
import { firstLook } from '../parts/firstLook.js';
import { mainsCord, MAINS_CONTROL, phaseControl, universalMotor } from '../parts/universalMotor.js';
import { MIXER_WAYS } from '../ways/appliances.js';

const INSIDE = { level: 'inside', riskMin: 6, cautions: ['earthed-scope'] };
const CORD = mainsCord('inside');
const FIRST = firstLook({ level: 'inside', feed: 'mains' });
const CONTROL = phaseControl({
  bands: MAINS_CONTROL,
  ...INSIDE,
  id: 'triac',
  name: 'triac board',
  deadHow: 'Unplugged, interference capacitor discharged. Ohms from terminal to terminal, both ways.',
  money: 35,
});
const MOTOR = universalMotor({
  ...INSIDE,
  from: 'motor-feed',
  brushLevel: 'caps',
  opens: ['board-plugs'],
  brushMoney: 8,
  motorMoney: 70,
});
const BOWL = ['still', 'weak', 'slow', 'fast'];

export const standMixerPath: PathData = {
  speed: { signal: 'bowl', speedKey: 'setting', heatKey: null },
  options: [
    {
      id: 'control',
      name: 'speed held by',
      choices: [
        { name: 'governor and control plate', absent: ['triac', 'pickup'] },
        { name: 'electronic control with a pickup', absent: ['plate'] },
      ],
    },
  ],
  contexts: [
    { id: 'setting', name: 'setting', values: ['high', 'low'] },
    { id: 'load', name: 'load', values: ['empty', 'dough'] },
    { id: 'tap', name: 'tapped', values: ['no', 'yes'] },
  ],
  levels: [
    { id: 'outside', name: 'closed', minutes: 0, steps: [] },
    { id: 'caps', name: 'brush caps off', minutes: 1, steps: ['brush', 'cap'] },
    { id: 'inside', name: 'cover and end bell off', minutes: 8, steps: ['cover', 'bell', 'housing', 'shell'] },
  ],
  signals: [
    ...CORD.signals,
    signal('switched', 'feed behind the switch', ['none', 'right'], 'none'),
    signal('smoke', 'smoke and smell', ['none', 'smoke'], 'none'),
    signal('pickup', 'pickup', ['none', 'right'], 'right'),
    signal('wish', 'speed wished', ['none', 'low', 'high', 'lost'], 'high'),
    signal('plate', 'setting of the plate', ['none', 'low', 'high', 'lost'], 'high'),
    signal('slot', 'sparks at the control slot', ['none', 'sparks'], 'none'),
    ...CONTROL.signals,
    ...MOTOR.signals,
    signal('bowl', 'attachment', BOWL, 'still'),
    signal('droop', 'held under load', ['held', 'drops'], 'held'),
    signal('gear-noise', 'noise of the gears', ['quiet', 'grinds'], 'quiet'),
    signal('stance', 'how the motor and machine sit', ['firm', 'motor hangs', 'rocks'], 'firm'),
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
      [
        mode('open', 'lever switch does not make', 0.08, [row({}, { switched: 'none' })]),
        mode('not-soldered', 'switch lead left off', 0.001, [row({}, { switched: 'none' })], { byWork: true }),
      ],
    ),
    block(
      'filter',
      'X2 capacitor',
      'supply',
      ['feed'],
      ['smoke'],
      [row({}, { smoke: 'none' })],
      [
        mode('burst', 'X2 capacitor burst', 0.1, [row({ feed: 'right' }, { smoke: 'smoke' })], {
          marks: { burnt: 0.9, scorched: 0.9, blew: 0.2 },
        }),
      ],
    ),
    block(
      'plate',
      'governor and plate',
      'control',
      ['contact', 'sparks'],
      ['plate', 'slot'],
      // Through the slot one sees the sparks of the brushes as well.
      [
        row({ contact: 'poor' }, { slot: 'sparks' }),
        row({ sparks: 'many' }, { slot: 'sparks' }),
        row({ '@setting': 'low' }, { plate: 'low' }),
        row({}, { plate: 'high', slot: 'none' }),
      ],
      [
        mode('burnt', 'plate contacts burnt', 0.07, [row({}, { plate: { none: 0.6, low: 0.4 }, slot: 'sparks' })], {
          marks: { burnt: 0.2, scorched: 0.5 },
        }),
        mode('welded', 'plate contacts stay shut', 0.04, [row({}, { plate: 'lost' })]),
        mode('worn', 'governor pin worn, plate out of its distance', 0.04, [
          row({ '@load': 'dough' }, { plate: 'low' }),
        ]),
        mode('distance', 'plate set back at another distance', 0.001, [row({}, { plate: 'lost' })], { byWork: true }),
      ],
    ),
    block(
      'pickup',
      'pickup coil',
      'feedback',
      [],
      ['pickup'],
      [row({}, { pickup: 'right' })],
      [
        mode('open', 'pickup coil open', 0.02, [row({}, { pickup: 'none' })]),
        mode('gap', 'pickup gap too wide', 0.03, [row({}, { pickup: 'none' })]),
      ],
    ),
    block(
      'knob',
      'speed knob',
      'control',
      ['plate', 'pickup'],
      ['wish'],
      [row({ pickup: 'none' }, { wish: 'lost' }), row({}, { wish: '=plate' })],
      [mode('linkage', 'linkage of the knob slips', 0.03, [row({ '@setting': 'low' }, { wish: 'high' })])],
    ),
    ...CONTROL.blocks,
    ...MOTOR.blocks,
    block(
      'mounts',
      'mounts and feet',
      'mechanical',
      [],
      ['stance'],
      [row({}, { stance: 'firm' })],
      [
        mode('perished', 'motor mounts perished', 0.04, [row({}, { stance: 'motor hangs' })]),
        mode('feet', 'feet hard', 0.06, [row({}, { stance: 'rocks' })]),
      ],
    ),
    block(
      'gearbox',
      'gearbox and planetary',
      'mechanical',
      ['turns', 'plate'],
      ['bowl', 'droop', 'gear-noise'],
      [
        row({ '@load': 'dough', plate: 'low', '@setting': 'high' }, { droop: 'drops' }),
        row({ '@load': 'dough', turns: 'weak' }, { bowl: '=turns', droop: 'drops', 'gear-noise': 'quiet' }),
        row({}, { bowl: '=turns', droop: 'held', 'gear-noise': 'quiet' }),
      ],
      [
        mode('grease', 'grease hard or gone', 0.06, [
          row({ turns: ['weak', 'slow', 'fast'] }, { 'gear-noise': 'grinds' }),
          row({ '@load': 'dough', turns: ['weak', 'slow', 'fast'] }, { droop: 'drops' }),
          // Stiff enough it slows the motor that has nothing else to do.
          row({ turns: 'fast' }, { bowl: { fast: 0.5, weak: 0.5 } }),
          row({ turns: 'slow' }, { bowl: { slow: 0.5, weak: 0.5 } }),
        ]),
        mode('stripped', 'worm or gear stripped', 0.05, [
          row({ turns: ['weak', 'slow', 'fast'] }, { bowl: 'still', 'gear-noise': 'grinds' }),
        ]),
      ],
    ),
  ],
  tests: [
    reads(
      'runs-high',
      'Highest setting, empty',
      'Highest setting, bowl off, fingers clear: still, weak, slow, fast?',
      'bowl',
      ['still: still', 'weak: weak', 'slow: slow', 'fast: fast'],
      { ...OUTSIDE, handsMin: 0.5, context: { setting: 'high' } },
    ),
    reads(
      'runs-low',
      'Lowest setting, empty',
      'The same at the lowest setting.',
      'bowl',
      ['still: still', 'weak: weak', 'slow: slow', 'fast|runs away, or fast: fast'],
      { ...OUTSIDE, handsMin: 0.5, context: { setting: 'low' } },
    ),
    reads(
      'smoke',
      'Smoke and smell',
      'Has it smoked or smelt, and does it still work?',
      'smoke',
      ['none: none', 'smoked: smoke'],
      { ...OUTSIDE, power: 'either', handsMin: 0.2 },
    ),
    reads(
      'slot',
      'Sparks at the control slot',
      'Look into the slot behind the knob while it runs.',
      'slot',
      ['none: none', 'sparks: sparks'],
      { ...OUTSIDE, handsMin: 0.3, reliability: 0.93 },
    ),
    reads(
      'droop',
      'Under load',
      'Firm dough at a middle setting: does it hold its speed?',
      'droop',
      ['holds: held', 'drops: drops'],
      { ...OUTSIDE, handsMin: 3, context: { load: 'dough' }, reliability: 0.92 },
    ),
    reads(
      'gear-noise',
      'Noise of the gears',
      'Listen at the head.',
      'gear-noise',
      ['quiet: quiet', 'grinds or clicks: grinds'],
      { ...OUTSIDE, handsMin: 0.3, reliability: 0.92 },
    ),
    reads(
      'stance',
      'How it sits',
      'Push the motor, rock the machine.',
      'stance',
      ['firm: firm', 'motor hangs: motor hangs', 'rocks: rocks'],
      { ...OUTSIDE, power: 'dead', handsMin: 0.5 },
    ),
    looks(
      'switch-ohms',
      'Lever switch',
      'Unplugged. Ohms in each position, lever moved slowly; leads in place?',
      'switch',
      ['makes: healthy', 'open: open', 'a lead is off: not-soldered'],
      { level: 'inside', handsMin: 2 },
    ),
    looks(
      'filter-look',
      'Interference capacitor',
      'Unplugged. Look for cracks and wax; capacitance against its print.',
      'filter',
      ['whole: healthy', 'cracked or burst: burst'],
      { level: 'inside', handsMin: 2, reliability: 0.96 },
    ),
    looks(
      'plate-look',
      'Control plate',
      'Unplugged. Contacts bright, open at rest by a card’s width; measure its distance before it is moved; is the pin whole?',
      'plate',
      [
        'bright and at its distance: healthy',
        'burnt: burnt',
        'stays shut: welded',
        'pin worn: worn',
        'at another distance: distance',
      ],
      { level: 'inside', handsMin: 4, reliability: 0.95 },
    ),
    looks(
      'pickup-gap',
      'Pickup coil and its gap',
      'Unplugged. Feeler gauge between coil and magnet before anything is moved; ohms of the coil.',
      'pickup',
      ['gap and ohms right: healthy', 'open: open', 'gap wide: gap'],
      { level: 'inside', handsMin: 3, reliability: 0.95 },
    ),
    looks(
      'knob-look',
      'Linkage of the knob',
      'Unplugged. Turn it from end to end and watch what it moves.',
      'knob',
      ['follows: healthy', 'slips: linkage'],
      { level: 'inside', handsMin: 1.5, reliability: 0.95 },
    ),
    looks(
      'mounts-look',
      'Motor mounts',
      'Unplugged. Lift the motor at its end.',
      'mounts',
      ['firm: healthy, feet', 'torn: perished'],
      { level: 'inside', handsMin: 1.5, reliability: 0.95 },
    ),
    looks(
      'gear-look',
      'Gears and grease',
      'Unplugged. Planetary off: teeth, grease; turn it through by hand.',
      'gearbox',
      ['whole and greased: healthy', 'grease hard: grease', 'teeth gone: stripped'],
      { level: 'inside', handsMin: 10, reliability: 0.97 },
    ),
  ].concat(FIRST.tests, CORD.tests, CONTROL.tests, MOTOR.tests),
  causes: [...(MOTOR.causes ?? [])],
  ...MIXER_WAYS,
  repairs: [
    ...CORD.repairs,
    ...CONTROL.repairs,
    ...MOTOR.repairs,
    repair('switch', 'Renew the lever switch', ['switch.open', 'switch.not-soldered'], 20, 'inside', { money: 8 }),
    repair('x2', 'Renew the interference capacitor, class X2', ['filter.burst'], 15, 'inside', { money: 2 }),
    repair(
      'plate-contacts',
      'Clean the plate contacts and set the distance',
      ['plate.welded', 'plate.distance'],
      15,
      'inside',
      {
        residual: 0.1,
      },
    ),
    repair('plate', 'Renew the control plate and governor', ['plate.*'], 30, 'inside', { money: 25 }),
    repair('pickup-gap', 'Set the pickup gap', ['pickup.gap'], 8, 'inside', { residual: 0.03 }),
    repair('pickup', 'Renew the pickup coil', ['pickup.*'], 20, 'inside', { money: 12 }),
    repair('knob', 'Fasten the linkage', ['knob.linkage'], 8, 'inside'),
    repair('mounts', 'Renew the motor mounts', ['mounts.perished'], 25, 'inside', { money: 8 }),
    repair('feet', 'Renew the feet', ['mounts.feet'], 5, 'outside', { money: 4, residual: 0.01 }),
    repair('regrease', 'Clean out and regrease the gears', ['gearbox.grease'], 30, 'inside', { money: 3 }),
    repair('gear', 'Renew the worm gear and regrease', ['gearbox.stripped'], 40, 'inside', { money: 15 }),
  ],
};
