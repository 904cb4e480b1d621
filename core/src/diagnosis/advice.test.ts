import { describe, expect, it } from 'vitest';
import { PATHS, type DrivePath } from '../families/index.js';
import { block, mode, row, signal } from '../families/path/build.js';
import {
  adviseNext,
  engineOf,
  HUNTING,
  posteriorOf,
  reasonOf,
  statesOfValue,
  type Event,
  type Observation,
  type Situation,
} from './index.js';
import { SMALL } from './smallPath.test-data.js';

const engine = engineOf(SMALL);
let count = 0;
const saw = (name: string, states: readonly string[], more: Partial<Observation> = {}): Event => ({
  kind: 'saw',
  observation: {
    id: `o${++count}`,
    context: {},
    reliability: 0.97,
    saw: { kind: 'signal', signal: name, weights: Object.fromEntries(states.map((state) => [state, 1])) },
    ...more,
  },
});
const situation = (more: Partial<Situation> = {}): Situation => ({
  level: 'outside',
  power: 'dead',
  done: new Set(),
  unreachable: new Set(),
  putBack: new Map(),
  mended: new Set<string>(),
  ...more,
});

describe('values', () => {
  const volts = SMALL.signals[0] as DrivePath['signals'][number];

  it('stand for a state; near an edge for both', () => {
    expect(statesOfValue(volts, 12, 'V')).toEqual({ kind: 'states', weights: { right: 1 } });
    const edge = statesOfValue(volts, 6.1, 'V');
    if (edge.kind !== 'states') throw new Error('absurd');
    expect(Object.keys(edge.weights).sort()).toEqual(['none', 'right']);
    expect(edge.weights.right).toBeGreaterThan(edge.weights.none as number);
  });

  it('that cannot be are refused with what to do', () => {
    expect(statesOfValue(volts, 2300, 'V')).toMatchObject({
      kind: 'absurd',
      message: expect.stringContaining('check range'),
    });
    expect(statesOfValue(volts, 12, 'Ω')).toMatchObject({
      kind: 'absurd',
      message: expect.stringContaining('measured in V'),
    });
    expect(statesOfValue(SMALL.signals[1] as DrivePath['signals'][number], 1, 'V').kind).toBe('absurd');
  });
});

describe('the next test', () => {
  it('has the best information for its minutes, and says what it splits', () => {
    const posterior = posteriorOf(engine, [saw('turn', ['still'])]);
    const { tests } = adviseNext(engine, posterior, situation({ done: new Set() }));
    expect(tests[0]?.test.id).toBe('light');
    expect(reasonOf(tests[0] as (typeof tests)[number])).toMatch(/^(parts|tells).*; about \d+ min|under 1 min/);
    expect(reasonOf(tests[0] as (typeof tests)[number])).not.toContain('bits');
    for (const test of tests) expect(test.chances.reduce((sum, one) => sum + one.chance, 0)).toBeCloseTo(1, 9);
  });

  it('never bears less than nothing nor more than the answer has', () => {
    const posterior = posteriorOf(engine, [saw('turn', ['still'])]);
    for (const { bits, test } of adviseNext(engine, posterior, situation()).tests) {
      expect(bits).toBeGreaterThan(0);
      expect(bits).toBeLessThanOrEqual(Math.log2(test.outcomes.length));
    }
  });

  it('counts the opening and the power it needs', () => {
    const posterior = posteriorOf(engine, [saw('turn', ['still'])]);
    const minutes = (more: Partial<Situation>) =>
      adviseNext(engine, posterior, situation(more)).tests.find((one) => one.test.id === 'motor-look')?.minutes ?? 0;
    expect(minutes({})).toBeCloseTo(12, 6);
    expect(minutes({ level: 'open' })).toBeCloseTo(2, 6);
    expect(minutes({ level: 'open', power: 'live' })).toBeCloseTo(5, 6);
  });

  it('counts the parts it uses up', () => {
    const dear = { ...SMALL, tests: SMALL.tests.map((test) => ({ ...test, money: test.id === 'motor-look' ? 7 : 0 })) };
    const made = engineOf(dear);
    const { tests } = adviseNext(made, posteriorOf(made, [saw('turn', ['still'])]), situation());
    expect(tests.find((one) => one.test.id === 'motor-look')?.minutes).toBeCloseTo(19, 6);
  });

  it('forbids power while it may kill a good part', () => {
    const posterior = posteriorOf(engine, [saw('turn', ['still']), saw('light', ['lit'])]);
    const volts = adviseNext(engine, posterior, situation()).tests.find((one) => one.test.id === 'volts');
    if (volts) expect(volts.forbidden).toContain('burns');
    const first = adviseNext(engine, posterior, situation({ done: new Set(['light']) })).tests[0];
    expect(first?.live).toBe(false);
  });

  it('stops when mending is cheaper than knowing more', () => {
    const sure = posteriorOf(engine, [saw('turn', ['still']), saw('light', ['dark']), saw('volts', ['none'])]);
    const done = new Set(['light', 'volts']);
    const advice = adviseNext(engine, sure, situation({ done, level: 'open' }));
    expect(advice.next).toBe('mend');
    expect(advice.mends[0]?.repair.id).toBe('supply');
  });
});

describe('loops', () => {
  const loop = (feedback: 'same' | 'against'): DrivePath => ({
    speed: null,
    causes: [],
    options: [],
    contexts: [],
    levels: [{ id: 'outside', name: 'closed', minutes: 0, steps: [] }],
    signals: [signal('a', 'a', ['low', 'high'], 'low'), signal('b', 'b', ['low', 'high'], 'low')],
    blocks: [
      block(
        'one',
        'one',
        'control',
        ['b'],
        ['a'],
        feedback === 'same' ? [row({}, { a: '=b' })] : [row({ b: 'low' }, { a: 'high' }), row({}, { a: 'low' })],
        [],
      ),
      block(
        'two',
        'two',
        'feedback',
        ['a'],
        ['b'],
        [row({}, { b: '=a' })],
        [mode('stuck', 'stuck', 0.1, [row({}, { b: 'low' })])],
      ),
    ],
    tests: [],
    repairs: [],
  });
  const stateOf = (path: DrivePath, world: number) => {
    const made = engineOf(path);
    return [...made.settled({}).slice(2 * world, 2 * world + 2)].map((state, i) => made.model.states[i]?.[state]);
  };

  it('that hold settle, that fight hunt, and a stuck part ends the fight', () => {
    expect(stateOf(loop('same'), 0)).toEqual(['low', 'low']);
    expect(stateOf(loop('against'), 0)).toEqual([HUNTING, HUNTING]);
    expect(stateOf(loop('against'), 1)).toEqual(['high', 'low']);
  });
});

describe('uncertain behaviour', () => {
  it('splits a fault into worlds that keep their choice in every context', () => {
    const modes = engine.space.worlds.filter((world) => world.choices.size > 0);
    expect(modes.length).toBeGreaterThan(0);
    const lone = engine.space.hypotheses.findIndex(
      (one) => one.modes.length === 1 && engine.model.modes[one.modes[0] ?? 0]?.ref === 'motor.sometimes',
    );
    const worlds = engine.space.worlds.filter((world) => world.hypothesis === lone);
    expect(worlds.map((world) => world.share)).toEqual([0.5, 0.5]);
  });
});

describe('what does not belong', () => {
  it('is named', () => {
    expect(() => posteriorOf(engine, [saw('nothing', ['x'])])).toThrow(/no signal nothing/);
    expect(() => posteriorOf(engine, [saw('light', ['purple'])])).toThrow(/no state purple/);
    expect(() => posteriorOf(engine, [saw('light', ['lit'], { context: { moon: 'full' } })])).toThrow(/moon/);
  });

  it('every family’s path is whole', () => {
    for (const [id, path] of PATHS) expect(() => engineOf(path, { most: 1 }), id).not.toThrow();
  });
});

describe('the stop rule', () => {
  it('covers what is merely switched on, once what was seen speaks for the danger; not what the owner did himself', () => {
    const path = PATHS.get('washer-top');
    if (!path) throw new Error('no path');
    const made = engineOf(path);
    const put = (events: Parameters<typeof posteriorOf>[1]) =>
      adviseNext(made, posteriorOf(made, events), {
        level: path.levels[0]?.id ?? '',
        power: 'dead',
        done: new Set(),
        unreachable: new Set(),
        putBack: new Map(),
        mended: new Set<string>(),
      });
    const fresh = [...put([]).tests, ...put([]).rest];
    expect(fresh.filter((one) => one.test.outside && one.powered).every((one) => one.forbidden === null)).toBe(true);
    const looks = path.tests.find(
      (one) => one.block === 'inverter' && one.outcomes.some((out) => out.modes.includes('shorted')),
    );
    const shorted = looks?.outcomes.find((one) => one.modes.includes('shorted'));
    if (!looks || !shorted) throw new Error('no such test');
    const seen = put([
      {
        kind: 'saw',
        observation: {
          id: 'a',
          context: {},
          reliability: 0.97,
          saw: { kind: 'block', block: 'inverter', modes: shorted.modes },
        },
      },
    ]);
    const powered = [...seen.tests, ...seen.rest].filter((one) => one.powered);
    expect(powered.length).toBeGreaterThan(3);
    expect(powered.every((one) => one.forbidden !== null)).toBe(true);
    expect(
      [...seen.tests, ...seen.rest].filter((one) => one.test.power === 'dead').every((one) => one.forbidden === null),
    ).toBe(true);
    // What is forbidden never stands before what may be done.
    const first = seen.tests.findIndex((one) => one.forbidden !== null);
    expect(seen.tests.slice(first).every((one) => one.forbidden !== null)).toBe(true);
  });
});
