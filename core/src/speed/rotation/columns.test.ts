/** Which column holds the times, by its name or by what its numbers do; nothing is told of what does neither. */
import { describe, expect, it } from 'vitest';
import { guessPulseColumns } from './columns.js';
import { guessGyroColumns } from './gyroColumns.js';
import { tableOf } from './numberTable.test-data.js';

const count = (n: number, of: (i: number) => number) => Array.from({ length: n }, (_, i) => of(i));
const rising = count(40, (i) => i + (i % 3) / 10);
const numbers = count(40, (i) => 1 + i);
const level = count(200, (i) => (i % 20 < 10 ? 5 : 0));
const gaps = count(40, (i) => 1 + 0.1 * Math.sin(i));

describe('columns of pulses', () => {
  const of = (columns: Parameters<typeof tableOf>[0], more = {}) => {
    const { time, intervals, timeUnitS } = guessPulseColumns(tableOf(columns, more));
    return `${time}${intervals ? ' gaps' : ''} ${timeUnitS ?? '?'}`;
  };
  it.each([
    [
      'a column named after the time',
      [
        ['level', level],
        ['elapsed (ms)', level],
      ],
      '1 0.001',
    ],
    [
      'the first that rises',
      [
        ['a', level],
        ['b', count(200, (i) => i + (i % 2) / 3)],
      ],
      '1 ?',
    ],
    [
      'the times beside a count of them',
      [
        ['a', numbers],
        ['b', rising],
      ],
      '1 ?',
    ],
    ['a count alone', [['a', numbers]], '0 ?'],
    [
      'a count beside a level',
      [
        ['a', count(200, (i) => i)],
        ['b', level],
      ],
      '0 ?',
    ],
    ['none: a capture without times', [['', level]], '-1 1'],
    [
      'none of two levels',
      [
        ['a', level],
        ['b', level.map((v) => 5 - v)],
      ],
      '-1 1',
    ],
    [
      'gaps by their name',
      [
        ['n', level.slice(0, 40)],
        ['interval (us)', gaps],
      ],
      '1 gaps 0.000001',
    ],
    ['gaps that scatter about one length', [['', gaps]], '0 gaps ?'],
    ['no gaps where a fifth lies far off', [['', gaps.map((v, i) => (i % 5 === 0 ? 3 * v : v))]], '0 ?'],
  ] as const)('%s', (_what, columns, told) => {
    expect(of(columns)).toBe(told);
  });
  it('a counter that ran over rises; stamps of the clock go before all names', () => {
    expect(of([['', count(300, (i) => (i * 1000) % 65_536)]])).toBe('0 ?');
    expect(
      of(
        [
          ['time', rising],
          ['when', rising],
        ],
        { stamps: 1 },
      ),
    ).toBe('1 1');
  });
});

describe('columns of a gyroscope', () => {
  const axis = (size: number) => count(40, (i) => size + Math.sin(i));
  const of = (...columns: (readonly [string, readonly number[]])[]) => {
    const found = guessGyroColumns(tableOf(columns));
    if (found === null || found === 'accelerometer') return String(found);
    return `${found.time}: ${found.axes.join(' ')} ${found.unit ?? '?'} ${found.timeUnitS}`;
  };
  const log = (step: number) => count(40, (i) => step * (i + (i % 2) / 4));
  it('of five to a thousand rows a second: the unit of time that makes it so', () => {
    const units = [0.01, 10, 1e4, 1e7].map((step) =>
      of(['', log(step)], ['x', axis(1)], ['y', axis(2)], ['z', axis(9)]),
    );
    expect(units).toEqual([1, 1e-3, 1e-6, 1e-9].map((unit) => `0: 1 2 3 ? ${unit}`));
  });
  it('are the gyroscope’s beside others, in the order x, y, z, in their own unit', () => {
    const gyro = ['z', 'x', 'y'].map((name, i) => [`gyro ${name} (deg/s)`, axis(i)] as const);
    expect(of(['time', log(0.01)], ...gyro)).toBe('0: 2 3 1 deg/s 1');
    expect(of(['time', log(0.01)], ['acc x', axis(0)], ['acc y', axis(0)], ['acc z', axis(9.8)], ...gyro)).toBe(
      '0: 5 6 4 deg/s 1',
    );
    // A unit beside axes that name none is somebody else's.
    const bare = ['x', 'y', 'z'].map((name, i) => [`gyro ${name}`, axis(i)] as const);
    expect(of(['time', log(0.01)], ...bare, ['drum rpm', axis(50)])).toBe('0: 1 2 3 ? 1');
    expect(of(['time', log(0.01)], ['acc x', axis(0)], ['acc y', axis(0)], ['acc z', axis(9.8)])).toBe('accelerometer');
    expect(of(['n', numbers], ['time', log(0.01)], ['gyro z (rad/s)', axis(3)])).toBe('1: 2 rad/s 1');
  });
});
