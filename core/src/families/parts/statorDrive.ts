/** Three-phase drive of a direct-drive motor: chip, coils, Hall sensors. Common practice, with no published source. */
import { alike, block, cause, looks, mode, reads, repair, row, signal } from '../path/build.js';
import { liveAt, type PathPart, type Reach } from './part.js';

/** Fed from signal supply, told by signal control; gives phases, torque and hall. Contexts heat and sink. */
export function statorDrive(at: Reach): PathPart {
  const live = liveAt(at);
  const { level } = at;
  return {
    signals: [
      signal('phases', 'three phases', ['none', 'one missing', 'weak', 'right', 'full'], 'none'),
      signal('torque', 'torque of the coils', ['none', 'uneven', 'weak', 'right', 'full'], 'none'),
      signal('hall', 'Hall sensors', ['one missing', 'right'], 'right'),
    ],
    blocks: [
      block(
        'driver',
        'drive chip',
        'control',
        ['control', 'hall', 'supply'],
        ['phases'],
        [
          row({ supply: 'none' }, { phases: 'none' }),
          row({ control: 'none' }, { phases: 'none' }),
          row({ hall: 'one missing' }, { phases: 'one missing' }),
          row({ control: 'full' }, { phases: 'full' }),
          row({ supply: 'low' }, { phases: 'weak' }),
          row({}, { phases: 'right' }),
        ],
        [
          mode('dead', 'drive chip dead', 0.03, [row({}, { phases: 'none' })], {
            marks: { burnt: 0.25, scorched: 0.3, blew: 0.1 },
          }),
          mode('one', 'one output of the drive chip dead', 0.03, [
            row({ control: ['right', 'full', 'off', 'wandering'] }, { phases: 'one missing' }),
          ]),
          mode(
            'warm',
            'drive chip gives way when warm',
            0.04,
            [
              row(
                { '@heat': 'warm', '@sink': 'no', control: ['right', 'full', 'off', 'wandering'] },
                { phases: 'weak' },
              ),
            ],
            { provoked: ['cold', 'heat'], sizes: [1, 60] },
          ),
        ],
      ),
      block(
        'coils',
        'stator coils',
        'mechanical',
        ['phases'],
        ['torque'],
        [row({ phases: 'one missing' }, { torque: 'uneven' }), row({}, { torque: '=phases' })],
        [
          mode('open', 'one coil open', 0.02, [row({ phases: ['right', 'full', 'weak'] }, { torque: 'uneven' })]),
          mode(
            'shorted',
            'one coil shorted',
            0.01,
            [row({ phases: ['right', 'full', 'weak'] }, { torque: 'uneven' })],
            { bans: 'bridge', marks: { burnt: 0.4, scorched: 0.4 } },
          ),
          mode('unplugged', 'coil connector left off', 0.0005, [row({}, { torque: 'none' })], { byWork: true }),
        ],
      ),
      block(
        'hall',
        'Hall sensors',
        'feedback',
        [],
        ['hall'],
        [row({}, { hall: 'right' })],
        [
          mode('one', 'one Hall sensor dead', 0.04, [row({}, { hall: 'one missing' })]),
          mode('weak', 'one Hall sensor weak: fails warm', 0.02, [row({ '@heat': 'warm' }, { hall: 'one missing' })], {
            provoked: ['cold', 'heat'],
          }),
        ],
      ),
    ],
    tests: [
      reads(
        'phases-scope',
        'Three phases at the coils',
        'Scope at each coil in turn.',
        'phases',
        ['none: none', 'one missing: one missing', 'weak: weak', 'right: right', 'full: full'],
        { ...live, handsMin: 4 },
      ),
      looks(
        'coil-ohms',
        'Ohms of the coils',
        'Unplugged. Pair by pair: alike within a few percent.',
        'coils',
        ['alike: healthy', 'one open: open', 'one low: shorted', 'plug off: unplugged'],
        {
          level,
          handsMin: 3,
          reliability: 0.96,
          lifts: ['fuse', 'bridge'],
          row: alike(
            ['1 to 2', '2 to 3', '3 to 1'],
            'Ω',
            { low: [0.3, 'one-low'], open: [200, 'one-open'], apart: [1, 'one-low'] },
            'alike',
          ),
        },
      ),
      looks(
        'hall-volts',
        'Hall outputs, platter turned by hand',
        'Each output while the rotor is turned slowly.',
        'hall',
        ['all toggle: healthy', 'one does not: one', 'one barely does: weak'],
        { ...live, handsMin: 4, reliability: 0.95 },
      ),
      looks(
        'chip-touch',
        'Drive chip: short from output to rail',
        'Unplugged, diode range from each output to both rails, coils off: all alike.',
        'driver',
        ['alike: healthy, warm', 'one differs: one', 'dead short or open: dead'],
        { level, handsMin: 5, opens: ['board-plugs'], reliability: 0.92 },
      ),
    ],
    causes: [cause('coils.shorted', 'driver.dead', 0.15)],
    repairs: [
      repair('driver', 'Renew the drive chip, heat sink with it', ['driver.*'], 45, level, { money: 15 }),
      repair('hall', 'Renew the Hall sensor', ['hall.one', 'hall.weak'], 35, level, { money: 5 }),
      repair('coils', 'Donor stator', ['coils.open', 'coils.shorted'], 60, level, { way: 'donor', money: 40 }),
      repair('coil-plug', 'Put the coil connector on', ['coils.unplugged'], 2, level, { residual: 0.01 }),
    ],
  };
}
