import { describe, expect, it } from 'vitest';
import { gaussian, seeded } from '../../numeric/index.js';
import { coastChange, coastsOf, coastTime } from './coast.js';
import { abaResult, leakTimes, provokedKeys, trialsOf, type TrialPhase } from './trial.js';
import type { EventBody } from '../event.js';
import { logAt as log } from '../job.test-data.js';
import { phase, speed } from './tape.test-data.js';

const cycle = (...values: readonly number[]): TrialPhase[] =>
  values.map((value, i) => ({ phase: i % 2 === 0 ? 'rest' : 'provoked', at: '', values: [value] }));

describe('rest, provoke, rest', () => {
  it('gives the mean change with its interval: three changes of 3.0, 2.8 and 3.2 by hand', () => {
    const result = abaResult(cycle(0, -3, 0, -2.8, 0, -3.2, 0), 0.5);
    if (result.kind === 'unfinished') throw new Error('unfinished');
    expect(result.kind).toBe('moved');
    expect(result.by).toBeCloseTo(-3, 10);
    // s = 0.2, t(2) = 4.303: 4.303 * 0.2 / sqrt(3).
    expect(result.high - result.by).toBeCloseTo(0.4969, 3);
    // 0.8 ± 4.303 · 0.1 / √3 = 0.55 to 1.05: up, by more than is allowed.
    expect(abaResult(cycle(0, 0.7, 0, 0.8, 0, 0.9, 0), 0.2).kind).toBe('moved');
  });

  it('a rest that was not read leaves two provoked ones side by side: neither stands between two rests', () => {
    const [first, hot, , again, last] = cycle(0, -3, 0, -3, 0);
    const unread: TrialPhase = { phase: 'rest', at: '', values: [] };
    expect(abaResult([first, hot, unread, again, last] as TrialPhase[], 0.5).kind).toBe('unfinished');
  });

  it('a steady drift falls out', () => {
    const drifting = [0, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6].map((drift, i) => drift + (i % 2 === 0 ? 0 : -2));
    expect(abaResult(cycle(...drifting), 0.5)).toMatchObject({ kind: 'moved' });
    const only = abaResult(cycle(0, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6), 0.5);
    expect(only.kind).toBe('held');
  });

  it('held is only said when the whole interval is small enough', () => {
    expect(abaResult(cycle(0, 0.1, 0.05, -0.1, 0, 0.02, 0), 0.5).kind).toBe('held');
    expect(abaResult(cycle(0, 0.9, 0, -0.9, 0, 0.6, 0), 0.5).kind).toBe('undecided');
  });

  it('says what it still wants', () => {
    expect(abaResult([], 1)).toEqual({ kind: 'unfinished', wants: 'a reading at rest' });
    expect(abaResult(cycle(0), 1)).toEqual({ kind: 'unfinished', wants: 'provoke it, and a reading' });
    expect(abaResult(cycle(0, 1), 1)).toEqual({ kind: 'unfinished', wants: 'let it rest, and a reading' });
    expect(abaResult(cycle(0, 1, 0), 1)).toMatchObject({ kind: 'unfinished' });
  });

  it('one cycle of several readings each is enough for an interval', () => {
    const noise = gaussian(seeded(3));
    const part = (one: 'rest' | 'provoked', middle: number): TrialPhase => ({
      phase: one,
      at: '',
      values: Array.from({ length: 6 }, () => middle + 0.05 * noise()),
    });
    const result = abaResult([part('rest', 0), part('provoked', -3), part('rest', 0)], 0.5);
    expect(result).toMatchObject({ kind: 'moved' });
    if (result.kind !== 'unfinished') expect(Math.abs(result.by + 3)).toBeLessThan(0.15);
  });

  it('one cycle of two readings each: the interval by hand, with the freedom of two readings', () => {
    const part = (one: 'rest' | 'provoked', ...values: readonly number[]): TrialPhase => ({
      phase: one,
      at: '',
      values,
    });
    const result = abaResult([part('rest', 0, 0.2), part('provoked', -3, -3.2), part('rest', 0, 0.2)], 0.5);
    if (result.kind === 'unfinished') throw new Error('unfinished');
    expect(result.by).toBeCloseTo(-3.2, 10);
    // Variances 0.02, two readings each: 0.01 (1/4 + 1 + 1/4); t(1) = 12.706.
    expect(result.high - result.by).toBeCloseTo(12.706 * Math.sqrt(0.015), 2);
    expect(result.kind).toBe('moved');
  });

  it('is read from the log: readings of another place or speed belong to no phase', () => {
    const lines = log(
      [0, phase('rest', null)],
      [1, speed(-0.1)],
      [2, speed(4, { pitch: 'plus' })],
      [3, phase('provoked')],
      [4, speed(-3.1)],
      [5, phase('rest')],
      [6, speed(-0.1)],
      [7, phase('provoked')],
      [8, speed(-3.3)],
      [9, phase('rest')],
      [10, speed(-0.1)],
      [11, phase('end')],
      [12, speed(9)],
    );
    const [trial] = trialsOf(lines, 0.75);
    expect(trial?.phases.map((one) => one.values)).toEqual([[-0.1], [-3.1], [-0.1], [-3.3], [-0.1]]);
    expect(trial).toMatchObject({ open: false, unit: '%', result: { kind: 'moved' }, index: 0 });
    expect(trial?.result).toMatchObject({ by: expect.closeTo(-3.1, 10) as number });
    expect(provokedKeys(lines)).toEqual(new Set(['k4', 'k8']));
  });

  it('of volts counts from two parts in a hundred of what they are at rest; another place and a bound belong to no phase', () => {
    const volts = (value: number, more: object = {}): EventBody =>
      ({
        kind: 'reading',
        place: 'supply',
        values: [value],
        unit: 'V',
        bound: 'exact',
        ...more,
      }) as unknown as EventBody;
    const run = (change: number) =>
      trialsOf(
        log(
          [0, phase('rest', null)],
          [1, volts(12)],
          [1, volts(5, { place: 'reference' })],
          [1, volts(30, { bound: 'above' })],
          [1, volts(12, { unit: 'Ω' })],
          [2, phase('provoked')],
          [3, volts(12 + change)],
          [4, phase('rest')],
          [5, volts(12)],
          [6, phase('provoked')],
          [7, volts(12 + change)],
          [8, phase('rest')],
          [9, volts(12)],
        ),
        0.75,
      )[0];
    // Two hundredths of twelve are 0.24 V.
    expect(run(-0.6)).toMatchObject({
      unit: 'V',
      allowed: expect.closeTo(0.24, 9) as number,
      open: true,
      result: { kind: 'moved', by: expect.closeTo(-0.6, 9) as number },
    });
    expect(run(-0.6)?.phases.map(({ values }) => values)).toEqual([[12], [11.4], [12], [11.4], [12]]);
    expect(run(0.2)?.result.kind).toBe('held');
    expect(run(0.25)?.result.kind).toBe('moved');
  });

  it('a second trial begun ends the first, and each ends by its own line', () => {
    const lines = log(
      [0, phase('rest', null)],
      [1, speed(0)],
      [2, phase('rest', null)],
      [3, speed(1)],
      [4, phase('provoked', 'k2')],
      [5, speed(2)],
      [6, phase('end', 'k0')],
      [7, speed(3)],
      [8, phase('end', 'k2')],
      [9, speed(4)],
    );
    expect(trialsOf(lines, 0.75)).toMatchObject([
      { key: 'k0', open: false, phases: [{ values: [0] }] },
      { key: 'k2', open: false, phases: [{ values: [1] }, { values: [2, 3] }] },
    ]);
    // A phase of a trial that nobody began is none.
    expect(trialsOf(log([0, phase('provoked', 'k9')], [1, speed(1)]), 0.75)).toEqual([]);
  });

  it('work ends a trial that was left open: what is read after it is no part of it', () => {
    const lines = log(
      [0, phase('rest', null)],
      [1, speed(0)],
      [2, phase('provoked')],
      [3, speed(-3)],
      [4, { kind: 'work', action: 'clean', what: 'the small capacitors' }],
      [5, speed(0.1)],
    );
    expect(trialsOf(lines, 0.75)[0]).toMatchObject({ open: false, phases: [{ values: [0] }, { values: [-3] }] });
    expect(provokedKeys(lines)).toEqual(new Set(['k3']));
  });

  it('a leak that slows by 3 % is 32 times the lower leg (worked value); one that speeds by 2 % is 50 times the resistor', () => {
    expect(leakTimes(-3)).toBeCloseTo(32.3, 1);
    expect(leakTimes(2)).toBeCloseTo(50, 10);
    expect(leakTimes(0)).toBeNull();
  });
});

describe('coast-down', () => {
  /** Moments of whole turns of a rotor that loses `loss` rpm each second. */
  const taps = (fromRpm: number, loss: number) =>
    Array.from({ length: 400 }, (_one, turn) => {
      const root = (fromRpm / 60) ** 2 - 2 * turn * (loss / 60);
      return root > 0 ? (fromRpm / 60 - Math.sqrt(root)) / (loss / 60) : NaN;
    }).filter(Number.isFinite);

  it('times a run down at a constant loss: 45 to 20 rpm at 2 rpm a second is 12.5 s', () => {
    expect(coastTime(taps(50, 2), 45, 20)).toBeCloseTo(12.5, 1);
    expect(() => coastTime(taps(40, 2), 45, 20)).toThrow('was not seen');
  });

  it('sets drag after against drag before, only where both were held alike', () => {
    const coast = (seconds: number, conditions = 'mat on'): EventBody => ({
      kind: 'coast',
      speedId: '33',
      fromRpm: 33.3,
      toRpm: 16.7,
      seconds,
      how: 'stopwatch',
      conditions,
    });
    const oil: EventBody = { kind: 'work', action: 'oil', what: 'the platter bearing' };
    const change = coastChange(coastsOf(log([0, coast(10)], [5, oil], [9, coast(20)])));
    expect(change?.dragTimes).toBe(0.5);
    // Two hands of 0.15 s at each end: 0.0212 of 10 s and 0.0106 of 20 s.
    expect(change?.uncertainty).toBeCloseTo(0.5 * Math.hypot(0.0212, 0.0106), 3);
    expect(coastChange(coastsOf(log([0, coast(10)], [5, oil], [9, coast(20, 'bare')])))).toBeNull();
    // Taps are a hand's too; pulses and a gyroscope time to a fiftieth of a second.
    const by = (how: 'taps' | 'pulses' | 'gyro') =>
      coastChange(
        coastsOf(log([0, { ...coast(10), how } as EventBody], [5, oil], [9, { ...coast(20), how } as EventBody])),
      );
    expect(by('taps')?.uncertainty).toBeCloseTo(0.5 * Math.hypot(0.0212, 0.0106), 3);
    for (const how of ['pulses', 'gyro'] as const)
      expect(by(how)?.uncertainty).toBeCloseTo(0.5 * Math.SQRT2 * 0.02 * Math.hypot(1 / 10, 1 / 20), 9);
  });
});
