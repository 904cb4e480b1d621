/** Frequency generator of a direct-drive motor: ring and head or coil. Common practice, with no published source. */
import { block, mode, reads, row, signal } from '../path/build.js';
import type { PathPart } from './part.js';

interface Head {
  /** The signal whose turning it tells, and what is turned by hand to see it. */
  readonly of: string;
  readonly turned: string;
  /** Where it is reached; it makes its own volts: turned by hand, unplugged. */
  readonly level: string;
}

/** Gives signals fg and fg-run; its repairs are the family's own. */
export function fgHead({ of, turned, level }: Head): Pick<PathPart, 'signals' | 'blocks' | 'tests'> {
  return {
    signals: [
      signal('fg', 'frequency generator, turned by hand', ['none', 'weak', 'right'], 'right'),
      signal('fg-run', 'frequency generator while it runs', ['none', 'weak', 'right'], 'none'),
    ],
    blocks: [
      block(
        'fg',
        'FG head',
        'feedback',
        [of],
        ['fg', 'fg-run'],
        // What stands or quivers gives no pulses: the servo asks for all it has.
        [row({ [of]: ['still', 'quivers'] }, { 'fg-run': 'none' }), row({}, { fg: 'right', 'fg-run': 'right' })],
        [
          mode('lost', 'frequency generator lost', 0.03, [row({}, { fg: 'none', 'fg-run': 'none' })], {
            sizes: [10, 200],
          }),
          // Turned by hand so little may come over a wide gap that nothing is seen.
          mode('weak', 'frequency generator weak or its gap wide', 0.03, [
            row({ [of]: ['slow', 'right', 'fast', 'hunting'] }, { 'fg-run': 'weak' }),
            row({}, { fg: { weak: 0.7, none: 0.3 } }),
          ]),
          mode(
            'scar',
            'magnetic coating touched or erased at one spot',
            0.003,
            [row({ [of]: ['slow', 'right', 'fast', 'hunting'] }, { 'fg-run': 'weak' }), row({}, { fg: 'weak' })],
            {
              byWork: true,
            },
          ),
        ],
      ),
    ],
    tests: [
      reads(
        'fg-scope',
        `FG at the scope, ${turned} turned by hand`,
        'Unplugged. A clean sine that grows with speed: the head makes it by itself.',
        'fg',
        ['clean sine: right', 'weak: weak', 'none: none'],
        { level, handsMin: 3, reliability: 0.95 },
      ),
    ],
  };
}
