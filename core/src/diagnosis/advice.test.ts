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
  mended: new Map<string, number>(),
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

  it('on the edge of two bands they are half and half, and wholly one of them from 5 % beyond it', () => {
    // SMALL's reservoir is right from 6 V up and has nothing under it.
    const right = (value: number) => {
      const states = statesOfValue(volts, value, 'V');
      return states.kind === 'states' ? (states.weights.right ?? 0) : Number.NaN;
    };
    expect(right(6)).toBeCloseTo(0.5, 6);
    expect(right(6.15)).toBeCloseTo(0.5 + 0.5 * (0.15 / (0.05 * 6.15)), 3);
    expect(right(6.4)).toBe(1);
    expect(right(5.6)).toBe(0);
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

  it('counts the asking, the opening that no mend needs anyway, and the power it needs', () => {
    const posterior = posteriorOf(engine, [saw('turn', ['still'])]);
    const minutes = (more: Partial<Situation>) =>
      adviseNext(engine, posterior, situation(more)).tests.find((one) => one.test.id === 'motor-look')?.minutes ?? 0;
    // Supply and motor are mended behind the lid; a lamp, what is sound and what lies outside are not.
    const share = (block: string) => engine.model.blockOf.get(block) ?? -1;
    const behind = posterior.hypotheses.reduce((sum, chance, h) => {
      const blocks = engine.space.hypotheses[h]?.modes.map((m) => engine.model.modes[m]?.block) ?? [];
      return sum + (blocks.some((one) => one === share('supply') || one === share('motor')) ? chance : 0);
    }, 0);
    expect(behind).toBeGreaterThan(0.5);
    expect(minutes({})).toBeCloseTo(1 + 2 + 10 * (1 - behind), 6);
    expect(minutes({ level: 'open' })).toBeCloseTo(1 + 2, 6);
    expect(minutes({ level: 'open', power: 'live' })).toBeCloseTo(1 + 2 + 3, 6);
  });

  it('counts the parts it uses up', () => {
    const dear = { ...SMALL, tests: SMALL.tests.map((test) => ({ ...test, money: test.id === 'motor-look' ? 7 : 0 })) };
    const made = engineOf(dear);
    const { tests } = adviseNext(made, posteriorOf(made, [saw('turn', ['still'])]), situation({ level: 'open' }));
    expect(tests.find((one) => one.test.id === 'motor-look')?.minutes).toBeCloseTo(1 + 2 + 7, 6);
  });

  it('forbids power while it may kill a good part, and says what lifts it', () => {
    const posterior = posteriorOf(engine, [saw('turn', ['still']), saw('light', ['lit'])]);
    const advice = adviseNext(engine, posterior, situation({ done: new Set(['light']) }));
    const volts = [...advice.tests, ...advice.rest].find((one) => one.test.id === 'volts');
    expect(volts?.forbidden).toMatch(/cannot turn burns.*first turn it by hand/);
    expect(advice.bans.map((one) => one.id)).toEqual(['stalled']);
    expect(advice.tests[0]?.test.id).toBe('motor-look');
    // Turned by hand and free: the ban is lifted, whatever the fault may still be.
    const free = posteriorOf(engine, [
      saw('turn', ['still']),
      saw('light', ['lit']),
      {
        kind: 'saw',
        observation: {
          id: 'free',
          context: {},
          reliability: 0.97,
          dead: true,
          saw: { kind: 'block', block: 'motor', modes: ['healthy', 'sometimes', 'warm'] },
        },
      },
    ]);
    expect(adviseNext(engine, free, situation()).bans).toEqual([]);
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
    ways: [],
    guards: [],
    trims: [],
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
