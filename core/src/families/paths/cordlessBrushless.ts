/** Drive path of the cordless tool with a brushless motor. Common practice, with no published source. */
import { BOARD_SCHOOL } from '../shared/schools.js';
import { bridge } from '../parts/bridge.js';
import { firstLook } from '../parts/firstLook.js';
import { OUTSIDE } from '../parts/part.js';
import { block, cause, looks, measure, mode, ratedAt, reads, repair, row, signal } from '../path/build.js';
import type { PathData } from '../path/schema.js';
import { BRUSHLESS_WAYS } from '../ways/appliances.js';

const TOOL = 'common practice: tool of ten cells, 36 V; another pack on the model’s sheet';
const FIRST = firstLook({ level: 'board', feed: 'pack' });
const BRIDGE = bridge({
  mains: false,
  level: 'board',
  waitMin: 2,
  dead: 'Pack out',
  apartOhm: 0.1,
  windingsHow:
    'Pack out, motor leads off. Three pairs alike to a tenth of an ohm on a four-wire or a 1 A supply; none to the frame.',
});
const live = { level: 'shell', power: 'powered' as const, probe: true, riskMin: 4, cautions: ['blade'] };

export const cordlessBrushlessPath: PathData = {
  speed: { signal: 'load', speedKey: null, heatKey: null },
  options: [
    {
      id: 'speed',
      name: 'speed set by',
      choices: [
        { name: 'trigger', absent: ['dial'] },
        { name: 'trigger and dial', absent: [] },
      ],
    },
  ],
  contexts: [
    { id: 'trigger', name: 'trigger', values: ['full', 'a little'] },
    { id: 'load', name: 'load', values: ['free', 'loaded'] },
  ],
  levels: [
    { id: 'outside', name: 'closed', minutes: 0, steps: [] },
    { id: 'shell', name: 'shell open', minutes: 6, steps: ['shell', 'housing', 'half', 'cover'] },
    { id: 'board', name: 'controller out', minutes: 6, steps: ['controller', 'board', 'potting'] },
  ],
  signals: [
    signal(
      'pack',
      'pack',
      ['none', 'sags', 'right'],
      'none',
      ratedAt(36, measure('pack at rest', 'V', TOOL, 'none * 5', 'sags 5 33', 'right 33 43')),
    ),
    signal('seated', 'feed behind the interlock', ['none', 'sags', 'right'], 'none'),
    signal(
      'contacted',
      'feed behind the main contact',
      ['none', 'sags', 'right'],
      'none',
      ratedAt(36, measure('controller input', 'V', TOOL, 'none * 5', 'sags 5 33', 'right 33 43')),
    ),
    signal('bus', 'feed of the bridge', ['none', 'low', 'right'], 'none'),
    signal(
      'reference',
      'reference of the pot',
      ['none', 'right'],
      'none',
      measure('pot reference', 'V', 'common practice: about 4.5 to 5 V', 'none * 1', 'right 4 5.5'),
    ),
    signal('wish', 'wiper of the pot', ['none', 'jumps', 'right'], 'none'),
    signal('command', 'gate drive', ['none', 'right'], 'none'),
    ...BRIDGE.signals,
    signal('lamp', 'lamp of the tool', ['dark', 'lit', 'blinks'], 'dark'),
    signal('motor', 'motor', ['still', 'kicks once', 'weak', 'turns'], 'still'),
    signal('motor-noise', 'noise of the motor', ['quiet', 'grinds'], 'quiet'),
    signal('load', 'fan, blade or chain', ['still', 'kicks once', 'weak', 'turns'], 'still'),
  ],
  blocks: [
    block(
      'pack',
      'pack',
      'supply',
      [],
      ['pack'],
      [row({}, { pack: 'right' })],
      [
        mode('flat', 'pack flat, or its protection has cut', 0.1, [row({}, { pack: 'none' })]),
        mode('weak', 'a cell weak: sags', 0.08, [row({ '@load': 'loaded' }, { pack: 'sags' })]),
        mode('swollen', 'a cell swollen, punctured or reversed', 0.01, [row({}, { pack: 'none' })], {
          bans: 'cell',
          marks: { swollen: 0.9, wet: 0.1 },
        }),
      ],
    ),
    block(
      'interlock',
      'pack-seated interlock',
      'supply',
      ['pack'],
      ['seated'],
      [row({}, { seated: '=pack' })],
      [mode('open', 'interlock or pack contacts open', 0.06, [row({}, { seated: 'none' })])],
    ),
    block(
      'contact',
      'contact and fuse',
      'supply',
      ['seated'],
      ['contacted'],
      [row({}, { contacted: '=seated' })],
      [
        mode('burnt', 'main contact of the trigger burnt', 0.08, [row({}, { contacted: 'none' })]),
        mode('fuse', 'fuse blown', 0.04, [row({}, { contacted: 'none' })], {
          bans: 'fuse',
          marks: { blew: 0.5 },
        }),
      ],
    ),
    block(
      'bulk',
      'bulk capacitor',
      'supply',
      ['contacted'],
      ['bus'],
      [row({ contacted: 'none' }, { bus: 'none' }), row({}, { bus: 'right' })],
      [
        mode('dry', 'bulk capacitor dried out', 0.05, [
          row({ '@load': 'loaded', contacted: ['right', 'sags'] }, { bus: 'low' }),
          row({ contacted: ['right', 'sags'] }, { bus: { right: 0.6, low: 0.4 } }),
        ]),
      ],
    ),
    block(
      'logic',
      'controller logic',
      'control',
      ['contacted', 'wish'],
      ['reference', 'command', 'lamp'],
      [
        row({ contacted: 'none' }, { reference: 'none', command: 'none', lamp: 'dark' }),
        row({ contacted: 'sags' }, { reference: 'right', command: 'right', lamp: 'blinks' }),
        row({ wish: 'none' }, { reference: 'right', command: 'none', lamp: 'lit' }),
        row({}, { reference: 'right', command: 'right', lamp: 'lit' }),
      ],
      [
        mode('dead', 'logic or its own regulator dead', 0.07, [
          row({}, { reference: 'none', command: 'none', lamp: 'dark' }),
        ]),
        mode('gate', 'gate drive dead', 0.05, [row({}, { command: 'none' })]),
      ],
    ),
    block(
      'dial',
      'trigger pot and dial',
      'control',
      ['reference'],
      ['wish'],
      [row({ reference: 'none' }, { wish: 'none' }), row({}, { wish: 'right' })],
      [
        mode('open', 'pot open at its wiper', 0.06, [row({}, { wish: 'none' })]),
        mode('dirty', 'pot track worn', 0.05, [row({ reference: 'right' }, { wish: 'jumps' })]),
      ],
    ),
    ...BRIDGE.blocks,
    block(
      'motor',
      'motor',
      'mechanical',
      ['at-motor', 'windings', 'wish', 'bus'],
      ['motor', 'motor-noise'],
      [
        row({ 'at-motor': 'none' }, { motor: 'still' }),
        row({ 'at-motor': 'one missing' }, { motor: 'kicks once' }),
        row({ windings: ['one open', 'one low', 'to case'] }, { motor: 'kicks once' }),
        row({ bus: 'low' }, { motor: 'weak' }),
        row({ wish: 'jumps' }, { motor: 'hunting' }),
        row({}, { motor: 'turns', 'motor-noise': 'quiet' }),
      ],
      [
        mode('hall', 'a Hall sensor of the motor dead', 0.05, [
          row({ 'at-motor': ['right', 'one missing'] }, { motor: 'kicks once' }),
        ]),
        mode('magnet', 'a rotor magnet loose or cracked', 0.02, [
          row({ 'at-motor': 'right' }, { motor: { turns: 0.5, weak: 0.5 }, 'motor-noise': 'grinds' }),
        ]),
        mode('bearing', 'motor bearings worn', 0.06, [row({ 'at-motor': 'right' }, { 'motor-noise': 'grinds' })]),
      ],
    ),
    block(
      'load',
      'fan, blade or gearbox',
      'mechanical',
      ['motor', 'contacted'],
      ['load'],
      [row({ contacted: 'sags', motor: 'turns' }, { load: 'weak' }), row({}, { load: '=motor' })],
      [
        mode('jammed', 'fan, blade or chain jammed', 0.08, [row({}, { load: 'kicks once' })], {
          bans: 'stalled',
        }),
        mode('slips', 'fan or gear slips on its shaft', 0.04, [row({ motor: ['weak', 'turns'] }, { load: 'weak' })]),
      ],
    ),
  ],
  tests: [
    reads(
      'full',
      'Full trigger',
      'Blade off or guarded: still, kicks once, weak, turns?',
      'load',
      ['still: still', 'kicks once and stops: kicks once', 'weak: weak', 'turns: turns', 'hunts: hunting'],
      { ...OUTSIDE, handsMin: 0.3 },
    ),
    reads(
      'loaded',
      'Under load',
      'Seconds only: does it hold?',
      'load',
      ['still: still', 'kicks once and stops: kicks once', 'weak: weak', 'holds: turns', 'hunts: hunting'],
      { ...OUTSIDE, handsMin: 0.5, context: { load: 'loaded' } },
    ),
    reads(
      'lamp',
      'Lamp of the tool',
      'Trigger touched: dark, lit, blinks?',
      'lamp',
      ['dark: dark', 'lit: lit', 'blinks: blinks'],
      { ...OUTSIDE, power: 'powered', handsMin: 0.2 },
    ),
    reads(
      'grind',
      'Grinding',
      'Turn it by hand, pack out; listen while it runs.',
      'motor-noise',
      ['quiet: quiet', 'grinds: grinds'],
      { ...OUTSIDE, handsMin: 0.4, reliability: 0.92 },
    ),
    looks(
      'pack-volts',
      'Pack, at rest and loaded',
      'Cool, dry, not swollen. Volts at rest, then with a lamp across it. Single cells only where the pack has its own access, never by opening it: none under 2.0 V.',
      'pack',
      ['holds: healthy', 'nothing: flat', 'sags: weak', 'a cell swollen or under 2 V: swollen'],
      { outside: true, handsMin: 2, cautions: ['cell'], reliability: 0.96 },
    ),
    looks(
      'other-pack',
      'Another pack and its contacts',
      'A pack known good: does it seat? Look at the contacts and the interlock’s pin.',
      'interlock',
      ['seats, bright: healthy', 'bent, burnt or does not close: open'],
      { outside: true, handsMin: 2, reliability: 0.93 },
    ),
    looks(
      'load-turn',
      'Fan, blade or chain by hand',
      'Pack out, gloves. Does it turn free, and tight on its shaft?',
      'load',
      ['free and tight: healthy', 'jammed: jammed', 'slips: slips'],
      { outside: true, handsMin: 1, cautions: ['blade'], reliability: 0.95 },
    ),
    looks(
      'contact-ohms',
      'Main contact and fuse',
      'Pack out, capacitor measured discharged. Ohms of contact, trigger pulled, and of the fuse.',
      'contact',
      ['through: healthy', 'contact open: burnt', 'fuse open: fuse'],
      { level: 'shell', handsMin: 3, reliability: 0.96 },
    ),
    looks(
      'interlock-ohms',
      'Interlock',
      'Pack out. Ohms of the interlock, pressed.',
      'interlock',
      ['closes: healthy', 'open: open'],
      { level: 'shell', handsMin: 2, reliability: 0.97 },
    ),
    looks(
      'pot-ohms',
      'Pot of trigger and dial',
      'Pack out. End to end, then the wiper while it is moved slowly.',
      'dial',
      ['smooth: healthy', 'wiper open: open', 'jumps: dirty'],
      { level: 'shell', handsMin: 3, reliability: 0.95 },
    ),
    reads(
      'input-volts',
      'Volts at the controller',
      'Clipped with the pack out. Pack in, trigger pulled, read, pack out.',
      'contacted',
      ['none: none', 'sags: sags', 'right: right'],
      { ...live, handsMin: 3 },
    ),
    reads(
      'reference-volts',
      'Reference of the pot',
      'Clipped with the pack out. Reference to ground: about 5 V.',
      'reference',
      ['none: none', 'right: right'],
      { ...live, handsMin: 3 },
    ),
    looks(
      'bulk-capacitor',
      'Bulk capacitor',
      'Pack out, discharged and measured. Capacitance and series resistance, bulged top?',
      'bulk',
      ['in tolerance: healthy', 'dried out: dry'],
      { level: 'board', handsMin: 5, reliability: 0.95 },
    ),
    looks(
      'gate-parts',
      'Logic and gate drive',
      'Pack out, discharged. Rail to rail like a sister unit, gate parts in diode range.',
      'logic',
      ['like the sister: healthy', 'its regulator shorted or dead: dead', 'gate parts differ: gate'],
      { level: 'board', handsMin: 10, reliability: 0.92 },
    ),
    looks(
      'motor-known',
      'Motor on a known controller',
      'Pack out, its plug off the board, held down. On a known controller and a supply of about 30 V limited to 5 A: starts and runs? A controller that will not start at 30 V may be healthy.',
      'motor',
      ['runs: healthy', 'kicks: hall', 'weak, scrapes: magnet', 'runs, grinds: bearing'],
      {
        level: 'board',
        riskMin: 4,
        handsMin: 8,
        opens: ['motor-plug'],
        reliability: 0.95,
      },
    ),
  ].concat(FIRST.tests, BRIDGE.tests),
  causes: [
    cause('inverter.shorted', 'contact.fuse', 0.7),
    cause('winding.shorted', 'contact.fuse', 0.1),
    cause('winding.case', 'contact.fuse', 0.05),
    cause('inverter.shorted', 'logic.gate', 0.3),
    cause('winding.shorted', 'inverter.shorted', 0.08),
    cause('load.jammed', 'inverter.shorted', 0.1),
  ],
  ...BRUSHLESS_WAYS,
  repairs: [
    ...BRIDGE.repairs,
    repair('pack', 'Another pack; this one to the recycler', ['pack.*'], 2, 'outside', { money: 60, residual: 0.02 }),
    repair('interlock', 'Clean and set interlock and contacts', ['interlock.open'], 12, 'shell', { residual: 0.06 }),
    repair('contact', 'Renew the trigger contact', ['contact.burnt'], 20, 'shell', { money: 12 }),
    repair('fuse', 'Renew the fuse for the pack’s d.c. volts, the bridge proved', ['contact.fuse'], 15, 'board', {
      money: 3,
    }),
    repair('bulk', 'Renew the bulk capacitor with voltage margin', ['bulk.dry'], 30, 'board', { money: 5 }),
    repair('pot', 'Renew the trigger pot or dial', ['dial.*'], 20, 'shell', { money: 8 }),
    repair('switches', 'Renew both switches of the leg and its gate parts', ['inverter.*', 'logic.gate'], 90, 'board', {
      ...BOARD_SCHOOL.repair,
      money: 15,
      residual: 0.2,
      leaves: 'first power at 0.2 to 0.5 A without the motor, rail to rail like a sister unit',
    }),
    repair('controller', 'Retrofit a controller', ['logic.*', 'inverter.*', 'bulk.dry'], 40, 'board', {
      ...BOARD_SCHOOL.replace,
      way: 'retrofit',
      loses: 'the charge lamp and the braking of its own controller',
      money: 70,
    }),
    repair('motor', 'Replace the motor', ['motor.*', 'winding.*'], 40, 'board', { money: 50 }),
    repair('load', 'Free and clean fan, blade or chain', ['load.jammed'], 10, 'outside', { residual: 0.03 }),
    repair('load-fasten', 'Fasten the fan or renew the gear', ['load.slips'], 25, 'shell', { money: 12 }),
  ],
};
