/** A gyroscope's log before it is measured: units of its axes, its standstill, its columns. */
import { describe, expect, it } from 'vitest';
import type { NumberTable } from '../../formats/index.js';
import { axisUnitNamed, guessGyroColumns, gyroscopeRows, type GyroColumns } from './gyroColumns.js';
import { lengthS, logOf, magnitude, meanVector, restOf, type GyroLog } from './gyroLog.js';
import { unitFor } from './gyro.js';
import { tableOf } from './numberTable.test-data.js';
import told from './heads.json' with { type: 'json' };

const count = (n: number, of: (i: number) => number) => Array.from({ length: n }, (_, i) => of(i));

describe('the unit of a gyroscope’s axes', () => {
  it.each(told.axisUnits as unknown as readonly [string, string | null][])('%s: %s', (words, unit) => {
    expect(axisUnitNamed(words)).toBe(unit);
  });

  const log = (said: GyroLog['said']): GyroLog => ({
    kind: 'log',
    timeS: new Float64Array(0),
    axes: [],
    said,
    warnings: [],
  });
  const wish = { nominalRpm: 33.33 };

  it('is the one said where it can be, and asked about where it cannot', () => {
    // 200 deg/s are 33.3 turns a minute.
    expect(unitFor(log('deg/s'), 200, wish)).toBe('deg/s');
    const asked = unitFor(log('rad/s'), 200, wish);
    if (typeof asked === 'string') throw new Error('not asked');
    // In radians 200 would be 1910 turns a minute.
    expect(asked.message).toContain('1910 rpm');
    expect(asked.choices[0]).toEqual({
      words: 'deg/s: 33.33 rpm',
      answer: { axisUnit: 'deg/s' },
      meanRpm: expect.closeTo(200 / 6, 9),
    });
    // Nothing fits: as said.
    expect(unitFor(log('rad/s'), 1e9, wish)).toBe('rad/s');
    // As it is, or as chosen: not asked.
    expect(unitFor(log('rad/s'), 200, { ...wish, asIs: true })).toBe('rad/s');
    expect(unitFor(log('rad/s'), 200, { ...wish, axisUnit: 'rpm' })).toBe('rpm');
  });

  it('unsaid is the one nearest to the nominal, within 15 %; else the two are asked about', () => {
    expect(unitFor(log(null), 3.49, wish)).toBe('rad/s');
    expect(unitFor(log(null), 33, wish)).toBe('rpm');
    expect(unitFor(log(null), 1e9, wish)).toBe('deg/s');
    // 6 rad/s are 57.3; 6 turns a second 360; 60 would be …: 57.3 alone is within three times 33.
    expect(unitFor(log(null), 6, wish)).toBe('rad/s');
    // 12 is 12 rpm (0.36 of nominal) or 114.6 (over three times): one.
    expect(unitFor(log(null), 12, wish)).toBe('rpm');
    // 10.4 is 10.4 rpm (0.31) or 99.3 (2.98 times): two, neither near.
    const asked = unitFor(log(null), 10.4, wish);
    if (typeof asked === 'string') throw new Error('not asked');
    expect(asked.choices.map(({ answer }) => answer.axisUnit).sort()).toEqual(['rad/s', 'rpm']);
    expect(unitFor(log(null), 10.4, { ...wish, asIs: true })).toBe('rad/s');
  });
});

describe('a gyroscope’s log', () => {
  const columns: GyroColumns = { time: 0, axes: [1, 2, 3], timeUnitS: 1e-3, unit: null };
  /** Two seconds at rest with a bias of (1, −2, 0.5), then four turning at 200 about z; a hundred a second. */
  const rows = count(600, (i) => i);
  const turning = (i: number) => (i < 200 ? 0 : 200);
  const table = tableOf([
    ['t', rows.map((i) => 10 * i)],
    ['x', rows.map(() => 1)],
    ['y', rows.map(() => -2)],
    ['z', rows.map((i) => 0.5 + turning(i))],
  ]);
  const logged = (more: Partial<NumberTable> = {}, wish = { nominalRpm: 33.33 }) =>
    logOf({ ...table, ...more }, columns, wish) as GyroLog;

  it('has times from nought in seconds, by the unit of the wish before that of the column', () => {
    const log = logged();
    expect(log.timeS[0]).toBe(0);
    expect(log.timeS.at(-1)).toBeCloseTo(5.99, 9);
    expect(logged({}, { nominalRpm: 33.33, timeUnitS: 1 } as never).timeS.at(-1)).toBeCloseTo(5990, 6);
    expect(log.warnings).toEqual([]);
    expect(lengthS(log.timeS, [100, 201])).toBeCloseTo(1, 9);
  });

  it('leaves doubled rows out, names gaps and counters that ran over', () => {
    const twice = [...table.columns[0]!];
    twice[10] = twice[9] as number;
    expect(logged({ columns: [Float64Array.from(twice), ...table.columns.slice(1)] }).timeS).toHaveLength(599);
    const gap = rows.map((i) => 10 * i + (i > 300 ? 60 : 0));
    expect(logged({ columns: [Float64Array.from(gap), ...table.columns.slice(1)] }).warnings).toEqual(['GAPS']);
    // A step under five usual ones is no gap.
    const small = rows.map((i) => 10 * i + (i > 300 ? 39 : 0));
    expect(logged({ columns: [Float64Array.from(small), ...table.columns.slice(1)] }).warnings).toEqual([]);
    const over = rows.map((i) => (10 * i + 63000) % 65536);
    const wrapped = logged({ columns: [Float64Array.from(over), ...table.columns.slice(1)] });
    expect(wrapped.warnings).toEqual(['COUNTER_WRAPPED']);
    expect(wrapped.timeS.at(-1)).toBeCloseTo(5.99, 9);
  });

  it('is refused where time runs backward, with the line, and under sixteen rows', () => {
    const back = rows.map((i) => (i === 50 ? 0 : 10 * i));
    expect(logged({ columns: [Float64Array.from(back), ...table.columns.slice(1)] })).toEqual({
      kind: 'unusable',
      reason: 'TIMES_BACKWARD',
      line: 52,
    });
    const few = (n: number) => logged({ columns: table.columns.map((one) => one.subarray(0, n)) });
    expect(few(15)).toMatchObject({ kind: 'unusable', reason: 'TOO_SHORT' });
    expect(few(16).kind).toBe('log');
    expect(logOf(table, { ...columns, axes: [] }, { nominalRpm: 33 })).toBeNull();
    expect(logOf(table, { ...columns, axes: [1, 2, 9] }, { nominalRpm: 33 })).toBeNull();
  });

  it('has its bias from the standstill, a tenth left out at either end, and none without one', () => {
    const rest = restOf(logged());
    expect(rest.hasStill).toBe(true);
    expect(rest.bias).toEqual([1, -2, 0.5]);
    // Nine tenths of the readings are at or below √(1 + 4 + 200.5²).
    expect(rest.full).toBeCloseTo(Math.hypot(1, 2, 200.5), 6);
    const always = tableOf([
      ['t', rows.map((i) => 10 * i)],
      ['x', rows.map(() => 1)],
      ['y', rows.map(() => -2)],
      ['z', rows.map(() => 200)],
    ]);
    expect(restOf(logOf(always, columns, { nominalRpm: 33 }) as GyroLog)).toMatchObject({
      bias: [0, 0, 0],
      hasStill: false,
    });
  });

  it('a standstill is the longest, over up to three wild readings, and lasts three tenths of a second', () => {
    const wild = (still: number, more: (i: number) => number | null = () => null) =>
      restOf(
        logOf(
          tableOf([
            ['t', rows.map((i) => 10 * i)],
            ['x', rows.map((i) => more(i) ?? (i < still ? 0.4 : 200))],
            ['y', rows.map(() => 0)],
            ['z', rows.map(() => 0)],
          ]),
          columns,
          { nominalRpm: 33 },
        ) as GyroLog,
      );
    expect(wild(31)).toMatchObject({ hasStill: true, bias: [expect.closeTo(0.4, 9), 0, 0] });
    expect(wild(30).hasStill).toBe(false);
    // Knocked for three readings in its middle: still one standstill of 40, mean over its inner 32.
    const knocked = wild(40, (i) => (i >= 18 && i < 21 ? 100 : null));
    expect(knocked.hasStill).toBe(true);
    expect(knocked.bias[0]).toBeCloseTo((29 * 0.4 + 300) / 32, 9);
    // For four: it ends there, and neither half is long enough.
    expect(wild(40, (i) => (i >= 18 && i < 22 ? 100 : null)).hasStill).toBe(false);
  });

  it('has sizes of what is left of its axes, one axis or three, and means over a stretch', () => {
    const log = logged();
    expect(magnitude(log, [1, -2, 0.5])[300]).toBeCloseTo(200, 9);
    expect(magnitude(log, [1, -2, 0.5])[3]).toBe(0);
    const one = { ...log, axes: [Float64Array.of(3, -5)] };
    expect([...magnitude(one, [1])]).toEqual([2, 6]);
    expect(meanVector([Float64Array.of(1, 2, 3, 10), Float64Array.of(0, 4, 8, 9)], [1, 3])).toEqual([2.5, 6]);
  });
});

describe('the columns of a gyroscope', () => {
  const n = 60;
  const wave = (size: number) => count(n, (i) => size * Math.sin(i));
  const flat = (size: number) => count(n, (i) => size + 0.001 * (i % 3));
  const time = ['time', count(n, (i) => i * 0.02)] as const;
  const axesOf = (columns: readonly (readonly [string, readonly number[]])[], nominal: number | null = null) =>
    guessGyroColumns(tableOf(columns), nominal);

  it('are the three named, in the order x, y, z whatever theirs', () => {
    expect(
      axesOf([time, ['gyro z (deg/s)', flat(200)], ['gyro x (deg/s)', wave(1)], ['gyro y (deg/s)', wave(1)]]),
    ).toEqual({ time: 0, axes: [2, 3, 1], timeUnitS: 1, unit: 'deg/s' });
  });

  it('are the gyroscope’s beside an accelerometer’s and a compass’s', () => {
    const names = ['ax', 'ay', 'az', 'gx', 'gy', 'gz', 'mag x', 'mag y', 'mag z'];
    expect(axesOf([time, ...names.map((name) => [name, wave(2)] as const)])).toMatchObject({ axes: [4, 5, 6] });
  });

  it('an accelerometer alone is told as such; nothing is nothing', () => {
    expect(axesOf([time, ['ax', wave(1)], ['ay', wave(1)], ['az', flat(9.81)]])).toBe('accelerometer');
    expect(axesOf([time, ['pressure', flat(1000)]])).toBeNull();
  });

  it('without names are the triple that is neither gravity nor out of the machine’s reach', () => {
    const unnamed = (...columns: (readonly number[])[]) => columns.map((values) => ['', values] as const);
    const gravity = [flat(0), flat(0), flat(9.81)];
    const rate = [wave(0.1), wave(0.1), flat(200)];
    expect(axesOf([time, ...unnamed(...gravity, ...rate)])).toMatchObject({ axes: [4, 5, 6] });
    // In units of g as well.
    expect(axesOf([time, ...unnamed(flat(0), flat(0), flat(1), ...rate)])).toMatchObject({ axes: [4, 5, 6] });
    // A field of 48 microteslas is no speed of a machine of 33 turns a minute: 8 or 458 rpm, or 48 rpm …: it is reachable.
    expect(axesOf([time, ...unnamed(flat(0), flat(0), flat(5000), ...rate)], 33.33)).toMatchObject({ axes: [4, 5, 6] });
    // Under six unnamed: the first three, under three the first.
    expect(axesOf([time, ...unnamed(wave(1), wave(2), flat(200), flat(1))])).toMatchObject({ axes: [1, 2, 3] });
    expect(axesOf([time, ...unnamed(wave(1), flat(200))])).toMatchObject({ axes: [1] });
  });

  it('find the time by its name, else by what rises and does not only count', () => {
    const rising = ['a', count(n, (i) => 5 * i)] as const;
    const index = ['n', count(n, (i) => i)] as const;
    expect(axesOf([index, rising, ['x', wave(1)], ['y', wave(1)], ['z', flat(200)]])).toMatchObject({
      time: 1,
      axes: [2, 3, 4],
    });
  });

  it.each([
    [0.01, 1],
    [10, 1e-3],
    [1000, 1e-3],
    [10000, 1e-6],
    [1e7, 1e-9],
    [0.4, 1],
  ] as const)('a step of %d is so many seconds: %d', (step, unit) => {
    // Usual loggers sample five to a thousand times a second (common practice). 1000 could be 1 s in milliseconds.
    const got = axesOf([['', count(n, (i) => i * step)] as const, ['x', wave(1)], ['y', wave(1)], ['z', flat(200)]]);
    const seconds = (got as GyroColumns).timeUnitS ?? 0;
    if (step === 1000) expect(step * seconds).toBeCloseTo(1e-3, 12);
    else expect(seconds).toBe(unit);
  });

  it('rows of several sensors: the gyroscope’s alone, none where it has none, all where none is named', () => {
    const table = tableOf([['v', [1, 2, 3, 4]]], {
      texts: [{ name: 'sensor', cells: ['Accelerometer', 'Gyroscope', 'Accelerometer', 'Gyroscope'] }],
    });
    const kept = gyroscopeRows(table);
    expect([...(kept?.columns[0] ?? [])]).toEqual([2, 4]);
    expect([...(kept?.lineOf ?? [])]).toEqual([3, 5]);
    expect(kept?.texts).toEqual([]);
    const other = { ...table, texts: [{ name: 'sensor', cells: ['acc', 'mag', 'acc', 'mag'] }] };
    expect(gyroscopeRows(other)).toBeNull();
    const words = { ...table, texts: [{ name: 'note', cells: ['a', 'b', 'c', 'd'] }] };
    expect(gyroscopeRows(words)).toBe(words);
  });
});
