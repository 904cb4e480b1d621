/** What is asked, smelt and measured before any power. Common practice, with no published source. */
import { asks } from '../path/build.js';
import type { PathPart } from './part.js';

interface First {
  /** Level at which boards, coils and leads can be seen. */
  readonly level: string;
  readonly feed: 'mains' | 'low' | 'pack' | 'pack-or-mains';
}

/** Questions that raise bans, the look that traces them, and the insulation of what hangs on the mains. */
export function firstLook({ level, feed }: First): Pick<PathPart, 'tests'> {
  const mains = feed === 'mains' || feed === 'pack-or-mains';
  const pack = feed === 'pack' || feed === 'pack-or-mains';
  return {
    tests: [
      asks(
        'first',
        'Before any power',
        `${feed === 'pack' ? 'Pack out' : feed === 'pack-or-mains' ? 'Pack or plug out' : 'Unplugged'}. Ask its owner what happened; look all round it, smell at its vents.`,
        [
          'nothing special',
          'smells burnt or smoked: burnt !burnt',
          ...(mains ? ['tingled or tripped the earth-leakage breaker: tingle !frame'] : []),
          'blew a fuse: blew !fuse',
          'got wet: wet !wet',
          ...(pack ? ['swollen, punctured or reversed cell: swollen !cell'] : []),
        ],
        { outside: true, handsMin: 1, reliability: 0.97 },
      ),
      asks(
        'inside-look',
        'Inside, by eye and nose',
        'Power off, charge measured gone. Every board, coil, lead and joint: scorched, swollen, loose, wet?',
        ['nothing burnt, dry', 'a burnt place: scorched', 'wet: wet !wet'],
        { level, handsMin: 3, reliability: 0.95, lifts: ['burnt', 'wet'] },
      ),
      ...(mains
        ? [
            asks(
              'insulation',
              'Insulation of what hangs on the mains',
              'Unplugged, switch on. Insulation tester from the joined pins of the plug to every metal part that can be touched; local rules give the volts and the limit.',
              ['good', 'poor: leak !frame'],
              {
                outside: true,
                handsMin: 2,
                reliability: 0.98,
                lifts: ['frame'],
                limit: { unit: 'MΩ', below: 1, answer: 'poor', right: 'good' },
              },
            ),
          ]
        : []),
    ],
  };
}

/** Marks of something that reaches the frame. */
export const LEAKS = { tingle: 0.6, leak: 0.97 };
