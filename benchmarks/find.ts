/**
 * How long the drive path takes to reason: making a family ready, an update after an observation with
 * the list of next tests, and how both grow with the number of blocks. `npm run benchmark-find`.
 */
import { adviseNext, engineOf, posteriorOf, suspectsOf, type Event } from '../core/src/diagnosis/index.js';
import { PATHS, type DrivePath } from '../core/src/families/index.js';
import { block, mode, reads, row, signal } from '../core/src/families/path/build.js';

const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] as number;

/** Milliseconds to make ready (all contexts that its tests need) and the median of twenty updates. */
function timed(path: DrivePath) {
  const from = performance.now();
  const engine = engineOf(path);
  for (const test of path.tests) engine.answers(test);
  const ready = performance.now() - from;
  const situation = {
    level: path.levels[0]?.id ?? '',
    power: 'dead' as const,
    done: new Set<string>(),
    unreachable: new Set<string>(),
    putBack: new Map(),
    mended: new Map<string, number>(),
  };
  const events: Event[] = path.tests
    .filter((test) => test.signal !== null)
    .slice(0, 6)
    .map((test) => ({
      kind: 'saw',
      observation: {
        id: test.id,
        context: test.context,
        reliability: test.reliability,
        saw: {
          kind: 'signal',
          signal: test.signal ?? '',
          weights: Object.fromEntries((test.outcomes[0]?.states ?? []).map((state) => [state, 1])),
        },
      },
    }));
  const updates = Array.from({ length: 20 }, () => {
    const start = performance.now();
    const posterior = posteriorOf(engine, events);
    suspectsOf(engine, posterior);
    adviseNext(engine, posterior, situation);
    return performance.now() - start;
  });
  const contexts = new Set(path.tests.map((test) => JSON.stringify(test.context))).size;
  return { engine, ready, update: median(updates), contexts };
}

/** A made-up chain of `count` blocks, two faults and one test each. */
function chain(count: number): DrivePath {
  const names = Array.from({ length: count }, (_, i) => `s${i}`);
  return {
    speed: null,
    causes: [],
    ways: [],
    guards: [],
    trims: [],
    options: [],
    contexts: [],
    levels: [{ id: 'outside', name: 'closed', minutes: 0, steps: [] }],
    signals: names.map((name) => signal(name, name, ['none', 'low', 'right'], 'none')),
    blocks: names.map((name, i) =>
      block(
        name,
        name,
        'supply',
        i > 0 ? [`s${i - 1}`] : [],
        [name],
        [row({}, { [name]: i > 0 ? `=s${i - 1}` : 'right' })],
        [
          mode('open', 'open', 0.03, [row({}, { [name]: 'none' })]),
          mode('low', 'low', 0.03, [row({}, { [name]: 'low' })]),
        ],
      ),
    ),
    tests: names.map((name) => reads(`t-${name}`, name, 'Measure.', name, ['none: none', 'low: low', 'right: right'])),
    repairs: [],
  };
}

const line = (name: string, path: DrivePath) => {
  const { engine, ready, update, contexts } = timed(path);
  console.log(
    [
      name.padEnd(22),
      `${path.blocks.length} blocks`.padStart(10),
      `${engine.space.hypotheses.length} hypotheses`.padStart(16),
      `${engine.space.worlds.length} worlds`.padStart(12),
      `${contexts} contexts`.padStart(12),
      `${path.tests.length} tests`.padStart(9),
      `ready ${ready.toFixed(0)} ms`.padStart(14),
      `update ${update.toFixed(1)} ms`.padStart(17),
    ].join(' '),
  );
};
timed(chain(6));
for (const [id, path] of PATHS) line(id, path);
for (const count of [8, 12, 16, 24]) line(`chain of ${count}`, chain(count));
