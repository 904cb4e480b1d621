/** Frequency generator of a direct-drive motor: ring and head or coil. Common practice, with no published source. */
import { block, mode, reads, row, signal } from '../path/build.js';
import type { PathTest } from '../path/schema.js';
import type { PathPart } from './part.js';

interface Head {
  /** The signal whose turning it tells, and what is turned by hand to see it. */
  readonly of: string;
  readonly turned: string;
  readonly scope: Partial<PathTest>;
}

/** Gives signal fg; its repairs are the family's own. */
export function fgHead({ of, turned, scope }: Head): Pick<PathPart, 'signals' | 'blocks' | 'tests'> {
  return {
    signals: [signal('fg', 'frequency generator', ['none', 'weak', 'right'], 'none')],
    blocks: [
      block(
        'fg',
        'FG head',
        'feedback',
        [of],
        ['fg'],
        [row({}, { fg: 'right' })],
        [
          mode('lost', 'frequency generator lost', 0.03, [row({}, { fg: 'none' })]),
          mode('weak', 'frequency generator weak or its gap wide', 0.03, [row({}, { fg: 'weak' })]),
          mode('scar', 'magnetic coating touched or erased at one spot', 0.003, [row({}, { fg: 'weak' })], {
            byWork: true,
          }),
        ],
      ),
    ],
    tests: [
      reads(
        'fg-scope',
        `FG at the scope, ${turned} turned by hand`,
        'A clean sine that grows with speed.',
        'fg',
        ['clean sine: right', 'weak: weak', 'none: none'],
        { handsMin: 3, reliability: 0.95, ...scope },
      ),
    ],
  };
}
