/** Bridge of six switches, its harness and the three windings it feeds. Common practice, with no published source. */
import { alike, block, looks, mode, repair, row, signal } from '../path/build.js';
import { LEAKS } from './firstLook.js';
import type { PathPart } from './part.js';

interface Bridge {
  readonly level: string;
  /** True where it hangs on the mains. */
  readonly mains: boolean;
  /** Minutes until its capacitor is measured discharged. */
  readonly waitMin: number;
  /** What supplies it, for the words: "Unplugged" or "Pack out". */
  readonly dead: string;
  /** Largest difference of healthy windings, ohms. */
  readonly apartOhm: number;
  /** How the windings are told to be measured. */
  readonly windingsHow: string;
}

/** Fed from signal bus, told by signal command; gives phases, at-motor and windings. */
export function bridge(at: Bridge): PathPart {
  const { level } = at;
  return {
    signals: [
      signal('phases', 'three phases at the board', ['none', 'one missing', 'right'], 'none'),
      signal('at-motor', 'three phases at the motor', ['none', 'one missing', 'right'], 'none'),
      signal('windings', 'winding pairs', ['alike', 'one open', 'one low', 'to case'], 'alike'),
    ],
    blocks: [
      block(
        'inverter',
        'inverter',
        'control',
        ['bus', 'command'],
        ['phases'],
        [
          row({ bus: 'none' }, { phases: 'none' }),
          row({ command: 'none' }, { phases: 'none' }),
          row({}, { phases: 'right' }),
        ],
        [
          // It kicks once and stops by its own guard, or does nothing at all.
          mode(
            'shorted',
            'a switch of the bridge shorted',
            0.05,
            [
              row({ bus: ['right', 'low'], command: 'right' }, { phases: { none: 0.5, 'one missing': 0.5 } }),
              row({}, { phases: 'none' }),
            ],
            { bans: 'bridge', marks: { blew: 0.6, burnt: 0.2, scorched: 0.3 } },
          ),
          mode('gate', 'a gate part of one leg gone: kicks', 0.02, [
            row({ bus: ['right', 'low'], command: 'right' }, { phases: 'one missing' }),
          ]),
          mode('leg', 'one leg dead', 0.04, [
            row({ bus: ['right', 'low'], command: 'right' }, { phases: 'one missing' }),
          ]),
        ],
      ),
      block(
        'winding',
        'windings',
        'mechanical',
        [],
        ['windings'],
        [row({}, { windings: 'alike' })],
        [
          mode('open', 'a winding open', 0.02, [row({}, { windings: 'one open' })]),
          mode('shorted', 'turns shorted', 0.02, [row({}, { windings: 'one low' })], {
            bans: 'bridge',
            marks: { burnt: 0.4, scorched: 0.4, blew: 0.2 },
          }),
          mode('case', 'winding to case', 0.02, [row({}, { windings: 'to case' })], {
            bans: at.mains ? 'frame' : 'bridge',
            marks: { ...LEAKS, blew: 0.2 },
          }),
        ],
      ),
      block(
        'harness',
        'motor harness',
        'control',
        ['phases'],
        ['at-motor'],
        [row({}, { 'at-motor': '=phases' })],
        [
          mode('one', 'one wire of the harness broken or its pin corroded', 0.06, [
            row({ phases: 'right' }, { 'at-motor': 'one missing' }),
          ]),
          mode('off', 'motor plug left off', 0.001, [row({}, { 'at-motor': 'none' })], { byWork: true }),
        ],
      ),
    ],
    tests: [
      looks(
        'bridge-diode',
        'Bridge of six switches',
        `${at.dead}, its capacitor measured discharged, motor leads off. Diode range, each phase to both rails: all alike.`,
        'inverter',
        ['alike: healthy', 'near nought both ways: shorted', 'one differs: leg, gate'],
        {
          level,
          handsMin: 5,
          waitMin: at.waitMin,
          opens: ['motor-plug'],
          reliability: 0.95,
          lifts: ['fuse'],
          row: alike(
            ['1 to plus', '2 to plus', '3 to plus', '1 to minus', '2 to minus', '3 to minus'],
            'V',
            {
              low: [0.1, 'near-nought-both-ways'],
              open: [1.5, 'one-differs'],
              apart: [0.15, 'one-differs'],
            },
            'alike',
          ),
        },
      ),
      looks(
        'winding-ohms',
        'Winding pairs',
        at.windingsHow,
        'winding',
        ['alike: healthy', 'one open: open', 'one low: shorted', 'to case: case'],
        {
          level,
          handsMin: 4,
          opens: ['motor-plug'],
          reliability: 0.96,
          row: alike(
            ['1 to 2', '2 to 3', '3 to 1'],
            'Ω',
            { open: [100, 'one-open'], apart: [at.apartOhm, 'one-low'] },
            'alike',
          ),
        },
      ),
      looks(
        'harness-ohms',
        'Motor harness',
        `${at.dead}. Each wire from board to motor, wiggled.`,
        'harness',
        ['through: healthy', 'one broken: one', 'plug off: off'],
        { level, handsMin: 3, reliability: 0.93 },
      ),
    ],
    repairs: [repair('harness', 'Mend the harness', ['harness.*'], 20, level, { money: 2 })],
  };
}
