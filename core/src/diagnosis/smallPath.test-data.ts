/** A made-up path for the tests of the engine. */
import type { DrivePath } from '../families/index.js';
import { block, looks, measure, mode, reads, repair, row, signal } from '../families/path/build.js';

/** Supply feeds lamp and motor; the motor can be looked at. */
export const SMALL: DrivePath = {
  speed: null,
  causes: [],
  ways: [],
  guards: [],
  trims: [],
  options: [],
  contexts: [{ id: 'heat', name: 'heat', values: ['cold', 'warm'] }],
  levels: [
    { id: 'outside', name: 'closed', minutes: 0, steps: [] },
    { id: 'open', name: 'open', minutes: 10, steps: [] },
  ],
  signals: [
    signal('volts', 'supply', ['none', 'right'], 'none', measure('supply', 'V', 'made up', 'none * 6', 'right 6 20')),
    signal('light', 'lamp', ['dark', 'lit'], 'dark'),
    signal('turn', 'motor', ['still', 'turns'], 'still'),
  ],
  blocks: [
    block(
      'supply',
      'supply',
      'supply',
      [],
      ['volts'],
      [row({}, { volts: 'right' })],
      [mode('dead', 'dead', 0.2, [row({}, { volts: 'none' })])],
    ),
    block(
      'lamp',
      'lamp',
      'supply',
      ['volts'],
      ['light'],
      [row({ volts: 'none' }, { light: 'dark' }), row({}, { light: 'lit' })],
      [mode('burnt', 'burnt', 0.1, [row({}, { light: 'dark' })])],
    ),
    block(
      'motor',
      'motor',
      'mechanical',
      ['volts'],
      ['turn'],
      [row({ volts: 'none' }, { turn: 'still' }), row({}, { turn: 'turns' })],
      [
        mode('stuck', 'stuck', 0.1, [row({}, { turn: 'still' })], { bans: 'stalled' }),
        mode('sometimes', 'sometimes', 0.1, [row({ volts: 'right' }, { turn: { still: 0.5, turns: 0.5 } })]),
        mode('warm', 'fails warm', 0.05, [row({ '@heat': 'warm' }, { turn: 'still' })]),
        mode('unplugged', 'left unplugged', 0.001, [row({}, { turn: 'still' })], { byWork: true }),
      ],
    ),
  ],
  tests: [
    reads('volts', 'Supply', 'Measure.', 'volts', ['none: none', 'right: right'], {
      level: 'open',
      power: 'powered',
      probe: true,
    }),
    reads('light', 'Lamp', 'Look.', 'light', ['dark: dark', 'lit: lit'], {
      power: 'either',
      handsMin: 0.5,
      outside: true,
    }),
    looks(
      'motor-look',
      'Motor',
      'Spin.',
      'motor',
      ['free: healthy, sometimes, warm', 'stuck: stuck', 'plug off: unplugged'],
      { level: 'open', handsMin: 2 },
    ),
  ],
  repairs: [
    repair('supply', 'Renew the supply', ['supply.dead'], 20, 'open', { money: 10, residual: 0 }),
    repair('motor', 'Renew the motor', ['motor.*'], 30, 'open', { money: 20, residual: 0.1 }),
  ],
};
