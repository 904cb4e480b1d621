/** What was seen, against what each fault would show, on a path small enough to be gone through by hand. */
import { describe, expect, it } from 'vitest';
import { ABSURD, ANSWERS, EDGE_PART, OFF_BAND, SEEMS_TO } from './defaults.js';
import { PATHS, type DrivePath } from '../families/index.js';
import { engineOf, observationFrom } from './index.js';
import { inUnit, matches, slipChance, statesOfValue, withBlurred, type Observation, type Saw } from './observation.js';
import { SMALL } from './smallPath.test-data.js';
import told from './inUnit.json' with { type: 'json' };

const engine = engineOf(SMALL);
const { model, space } = engine;
const seen = (saw: Saw, context: Observation['context'] = {}): Observation => ({
  id: 'o',
  context,
  reliability: 0.95,
  saw,
});
/** How well the worlds of these faults account for it, in the order of their shares; most and least. */
const fit = (saw: Saw, faults: readonly string[], context: Observation['context'] = {}) => {
  const values = matches(engine, seen(saw, context));
  const wanted = faults.map((ref) => model.modeOf.get(ref)).sort();
  const of = space.worlds.flatMap(({ hypothesis, share }, w) => {
    const { modes } = space.hypotheses[hypothesis] as (typeof space.hypotheses)[number];
    return String([...modes].sort()) === String(wanted) ? [[share, values[w] as number] as const] : [];
  });
  const all = of.reduce((sum, [share]) => sum + share, 0);
  return of.reduce((sum, [share, value]) => sum + share * value, 0) / all;
};

describe('a value', () => {
  const volts = SMALL.signals[0] as (typeof SMALL.signals)[number];
  const weights = (value: number, unit = 'V') => {
    const states = statesOfValue(volts, value, unit);
    return states.kind === 'states' ? states.weights : states.message;
  };

  it('stands for the band that it lies in, for both halfway on an edge, and for one a margin beside it', () => {
    expect(weights(13)).toEqual({ right: 1 });
    expect(weights(3)).toEqual({ none: 1 });
    expect(weights(-3)).toEqual({ none: 1 });
    expect(weights(0)).toEqual({ none: 1 });
    expect(weights(6)).toEqual({ none: 0.5, right: 0.5 });
    expect(weights(6.001 / (1 - EDGE_PART))).toEqual({ right: 1 });
    expect(weights(5.999 / (1 + EDGE_PART))).toEqual({ none: 1 });
    // Half of the margin inside it is three quarters.
    const half = weights(6 / (1 - EDGE_PART / 2)) as Record<string, number>;
    expect(half['right']).toBeCloseTo(0.75, 9);
    expect(half['none']).toBeCloseTo(0.25, 9);
  });

  it('beyond every band stands for the nearer, by the logarithm of its distance', () => {
    const far = weights(30) as Record<string, number>;
    // Sizes count from a fiftieth of the largest: 1 + 20/0.4 and 1 + 6/0.4.
    expect((far['none'] ?? 0) / (far['right'] ?? 0)).toBeCloseTo((51 / 16) ** (-1 / Math.log(OFF_BAND)), 9);
    expect((far['none'] ?? 0) + (far['right'] ?? 0)).toBeCloseTo(1, 12);
  });

  it('is read in any multiple of its unit, and in no other; what cannot be is no state', () => {
    expect(weights(13_000, 'mV')).toEqual({ right: 1 });
    expect(weights(0.013, 'kV')).toEqual({ right: 1 });
    expect(weights(13, 'Ω')).toContain('is measured in V, not in Ω');
    expect(weights(ABSURD * 20)).toMatchObject({ right: expect.any(Number) as number });
    expect(weights(ABSURD * 20 + 1)).toContain('cannot be');
    expect(weights(-ABSURD * 20 - 1)).toContain('cannot be');
    expect(weights(Infinity)).toContain('cannot be');
    const light = statesOfValue(SMALL.signals[1] as (typeof SMALL.signals)[number], 1, 'V');
    expect(light).toMatchObject({ kind: 'absurd' });
  });

  it.each(told.rows as unknown as readonly [number, string, string, number | null][])(
    '%d %s in %s',
    (value, unit, wanted, is) => {
      const got = inUnit(value, unit, wanted);
      if (is === null) expect(got).toBeNull();
      else expect(got).toBeCloseTo(is, 12);
    },
  );

  it('of states that read as one of several has the mean of theirs', () => {
    expect(withBlurred({ readsAs: { odd: ['a', 'b'] } } as never, { a: 0.5, c: 0.5 })).toEqual({
      a: 0.5,
      c: 0.5,
      odd: 0.25,
    });
    expect(withBlurred({ readsAs: { odd: ['d'] } } as never, { a: 1 })).toEqual({ a: 1 });
    expect(withBlurred(undefined, { a: 1 })).toEqual({ a: 1 });
  });
});

describe('how well a fault accounts for what was seen', () => {
  it('a signal: by what it shows with the fault; a lamp is dark when it is burnt or its supply is dead', () => {
    const dark: Saw = { kind: 'signal', signal: 'light', weights: { dark: 1 } };
    expect(fit(dark, ['supply.dead'])).toBe(1);
    expect(fit(dark, ['lamp.burnt'])).toBe(1);
    expect(fit(dark, ['motor.stuck'])).toBe(0);
    expect(fit(dark, [])).toBe(0);
    const half: Saw = { kind: 'signal', signal: 'light', weights: { dark: 0.3, lit: 0.7 } };
    expect(fit(half, ['lamp.burnt'])).toBeCloseTo(0.3, 12);
    expect(fit(half, [])).toBeCloseTo(0.7, 12);
  });

  it('one that comes and goes half of the time, one that comes warm by how warm it is', () => {
    const still: Saw = { kind: 'signal', signal: 'turn', weights: { still: 1 } };
    expect(fit(still, ['motor.sometimes'])).toBeCloseTo(0.5, 9);
    expect(fit(still, ['motor.warm'], { heat: 'warm' })).toBe(1);
    expect(fit(still, ['motor.warm'], { heat: 'cold' })).toBe(0);
    expect(fit(still, ['motor.stuck'], { heat: 'cold' })).toBe(1);
  });

  it('a part looked at: the faults that look so, and sound where it is', () => {
    const stuck: Saw = { kind: 'block', block: 'motor', modes: ['stuck'] };
    expect(fit(stuck, ['motor.stuck'])).toBe(1);
    expect(fit(stuck, ['motor.sometimes'])).toBe(0);
    expect(fit(stuck, ['lamp.burnt'])).toBe(0);
    expect(fit({ kind: 'block', block: 'motor', modes: ['healthy', 'warm'] }, ['lamp.burnt'])).toBe(1);
  });

  it('tried with a part as good as sound: what is wrong besides it shows', () => {
    const turns: Saw = { kind: 'tried', sound: ['supply'], signal: 'turn', weights: { turns: 1 } };
    expect(fit(turns, ['supply.dead'])).toBeCloseTo(1, 9);
    expect(fit(turns, ['motor.stuck'])).toBeCloseTo(0, 9);
    expect(fit(turns, ['lamp.burnt'])).toBeCloseTo(1, 9);
    expect(fit(turns, ['motor.sometimes'])).toBeCloseTo(0.5, 9);
  });

  it('provoked: a fault that answers to it changes nearly always, another nearly never', () => {
    const warmed = (changed: boolean, blocks: readonly string[], how: string | null): Saw => ({
      kind: 'provoked',
      blocks,
      how,
      changed,
    });
    // Only that it helped is known: any fault of the part.
    expect(fit(warmed(true, ['motor'], null), ['motor.stuck'])).toBe(ANSWERS);
    expect(fit(warmed(false, ['motor'], null), ['motor.stuck'])).toBeCloseTo(1 - ANSWERS, 12);
    expect(fit(warmed(true, ['motor'], null), ['lamp.burnt'])).toBe(SEEMS_TO);
    expect(fit(warmed(false, ['motor'], null), ['lamp.burnt'])).toBeCloseTo(1 - SEEMS_TO, 12);
    expect(fit(warmed(true, ['lamp'], null), ['lamp.burnt'])).toBe(ANSWERS);
    expect(fit(warmed(true, ['motor'], 'no such way'), ['motor.stuck'])).toBe(SEEMS_TO);
  });

  it('a mark nobody asked for: seldom without what leaves it', () => {
    expect(fit({ kind: 'left', mark: 'burnt' }, ['motor.stuck'])).toBeCloseTo(SEEMS_TO, 12);
  });

  it('what the path does not know is refused', () => {
    expect(() => matches(engine, seen({ kind: 'signal', signal: 'x', weights: {} }))).toThrow('no signal x');
    expect(() => matches(engine, seen({ kind: 'signal', signal: 'turn', weights: { x: 1 } }))).toThrow(
      'turn has no state x',
    );
    expect(() => matches(engine, seen({ kind: 'block', block: 'x', modes: [] }))).toThrow();
    expect(() => matches(engine, seen({ kind: 'mark', test: 'light', outcome: 'x' }))).toThrow('no answer x of light');
  });
});

describe('a slip of the hand', () => {
  const chance = (saw: Saw) => slipChance(engine, seen(saw));

  it('gives any state of the signal alike, any fault of the part or none, any answer', () => {
    // Still, turning, or hunting between them.
    expect(chance({ kind: 'signal', signal: 'turn', weights: { still: 1 } })).toBe(1 / 3);
    expect(chance({ kind: 'signal', signal: 'turn', weights: { still: 0.4, turns: 0.2 } })).toBeCloseTo(0.2, 12);
    expect(chance({ kind: 'signal', signal: 'turn', weights: { still: 2, turns: 2 } })).toBe(1);
    // Four faults of the motor, or sound; one of the lamp, or sound.
    expect(chance({ kind: 'block', block: 'motor', modes: ['stuck'] })).toBe(1 / 5);
    expect(chance({ kind: 'block', block: 'motor', modes: ['healthy', 'sometimes', 'warm'] })).toBe(3 / 5);
    expect(chance({ kind: 'block', block: 'lamp', modes: ['burnt'] })).toBe(1 / 2);
    expect(chance({ kind: 'mark', test: 'motor-look', outcome: 'stuck' })).toBe(1 / 3);
    expect(chance({ kind: 'provoked', blocks: ['motor'], how: null, changed: true })).toBe(1 / 2);
    expect(chance({ kind: 'left', mark: 'burnt' })).toBe(1 / 2);
  });
});

describe('an answer as what was seen', () => {
  const deck = PATHS.get('belt-turntable-dc') as DrivePath;
  const answered = (test: string, outcome: string) => {
    const read = observationFrom(deck, { test, outcome }, 'o');
    if (read.kind !== 'observation') throw new Error(read.message);
    return read.observation;
  };

  it('of a dead test was read with power off, of a speed and of what was smelt it was not', () => {
    expect(answered('motor-ohms', 'even').dead).toBe(true);
    expect(answered('speed-33', 'slow').dead).toBeUndefined();
    const smelt = deck.tests.find(({ marks }) => marks);
    expect(answered(smelt?.id ?? '', smelt?.outcomes[0]?.id ?? '').dead).toBeUndefined();
  });

  it('that shows a fault at the part itself pins it, one that shows it sound pins nothing', () => {
    const look = deck.tests.find(({ id }) => id === 'belt-look');
    expect(answered('belt-look', 'slack-or-shiny').pin).toBe(look?.positive);
    expect(answered('belt-look', 'sound').pin).toBeUndefined();
    expect(answered('speed-33', 'slow').pin).toBeUndefined();
  });

  it('raises its ban and lifts none, or lifts what its test lifts', () => {
    for (const test of deck.tests)
      for (const { id, raises } of test.outcomes) {
        const { raises: ban, lifts } = answered(test.id, id);
        expect([ban, lifts], `${test.id}=${id}`).toEqual(raises ? [raises, []] : [null, test.lifts]);
      }
  });
});
