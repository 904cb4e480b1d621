import { describe, expect, it } from 'vitest';
import { CAUTIONS, familyOf, PATHS, type DrivePath } from '../index.js';
import { alike, row } from './build.js';
import { checkPath } from './check.js';

const family = familyOf('stand-mixer');
const path = PATHS.get('stand-mixer') as DrivePath;
const check = (changed: Partial<DrivePath>) => () => checkPath(family, { ...path, ...changed }, CAUTIONS);
const [first, ...others] = path.tests as [DrivePath['tests'][number], ...DrivePath['tests']];
const withTest = (changed: Partial<typeof first>) => check({ tests: [{ ...first, ...changed }, ...others] });

describe('a path that does not hold together is refused at load, naming what is wrong', () => {
  it('as it stands it holds', () => {
    expect(check({})).not.toThrow();
  });

  it.each([
    ['a signal twice', check({ signals: [...path.signals, ...path.signals.slice(0, 1)] }), /signal twice/],
    [
      'a place that two signals are read at',
      check({
        signals: path.signals.flatMap((one) => (one.measure ? [one, { ...one, id: `${one.id}-too` }] : [one])),
      }),
      /place twice: .*, V/,
    ],
    [
      'a state that reads as one which reads otherwise itself',
      check({
        signals: path.signals.map((one, i) =>
          i === 0
            ? {
                ...one,
                readsAs: { [one.states[0] ?? '']: [one.states[1] ?? ''], [one.states[1] ?? '']: [one.states[0] ?? ''] },
              }
            : one,
        ),
      }),
      /reads as what reads otherwise/,
    ],
    [
      'a state that reads as one the signal has not',
      check({
        signals: path.signals.map((one, i) =>
          i === 0 ? { ...one, readsAs: { [one.states[0] ?? '']: ['purple'] } } : one,
        ),
      }),
      /reads as not known.*purple/,
    ],
    [
      'a victim that comes oftener than its cause',
      check({ causes: [{ cause: 'armature.seized', victim: 'brushes.worn', share: 0.2 }] }),
      /victim oftener than its cause.*armature.seized to brushes.worn/,
    ],
    ['a level nobody has', withTest({ level: 'cellar' }), /level of .* not known.*cellar/],
    ['an open end of another family', withTest({ opens: ['timing-belt'] }), /open end .*timing-belt/],
    ['a caution nobody wrote', withTest({ cautions: ['dragons'] }), /caution .*dragons/],
    ['a condition that is none', withTest({ context: { moon: 'full' } }), /context .*full/],
    ['a test that reads two things', withTest({ block: 'switch', signal: 'feed' }), /exactly one thing/],
    ['a row for an answer it has not', withTest({ row: alike(['a', 'b'], 'Ω', {}, 'purple') }), /row of .*purple/],
    [
      'a variant without a part that is none',
      check({ options: [{ id: 'x', name: 'x', choices: [{ name: 'a', absent: ['sail'] }] }] }),
      /option x .*sail/,
    ],
    [
      'a mend for a fault that is none',
      check({ repairs: path.repairs.map((one, i) => (i === 0 ? { ...one, cures: ['switch.haunted'] } : one)) }),
      /cures .*switch.haunted/,
    ],
    [
      'a condition that a part answers to and no test asks for',
      check({
        contexts: [...path.contexts, { id: 'moon', name: 'moon', values: ['new', 'full'] }],
        blocks: path.blocks.map((one) =>
          one.id === 'switch' ? { ...one, healthy: [...one.healthy, row({ '@moon': 'full' }, {})] } : one,
        ),
      }),
      /no test asks for the condition.*moon full/,
    ],
    [
      'a healthy part that does one of several things',
      check({
        blocks: path.blocks.map((one) =>
          one.id === 'switch' ? { ...one, healthy: [row({}, { switched: { none: 0.5, right: 0.5 } })] } : one,
        ),
      }),
      /one thing, not one of several.*switch/,
    ],
  ] as const)('%s', (_name, made, message) => {
    expect(made).toThrow(message);
  });
});
