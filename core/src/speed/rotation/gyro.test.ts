/** The gyroscope way on logs made from the motion: which stretch, which unit, which way round, what is asked and refused. */
import { describe, expect, it } from 'vitest';
import { measureGyro } from './gyro.js';
import type { GyroWish } from './gyroResult.js';

interface Part {
  readonly seconds: number;
  readonly rpm: number;
}

/** A log of parts at even speeds, 100 rows a second, the spindle along z; degrees a second unless `scale` says otherwise. */
function log(
  parts: readonly Part[],
  {
    head = 'time,x (deg/s),y (deg/s),z (deg/s)',
    scale = 1,
    bias = 0,
  }: { head?: string; scale?: number; bias?: number } = {},
): string {
  const rows = [head];
  let t = 0;
  for (const { seconds, rpm } of parts)
    for (const end = t + seconds - 1e-9; t < end; t += 0.01)
      rows.push([t.toFixed(3), (scale * bias).toFixed(6), '0.000000', (scale * (6 * rpm + bias)).toFixed(6)].join(','));
  return rows.join('\n');
}
const REST: Part = { seconds: 3, rpm: 0 };
const turn = (rpm: number, seconds = 20): Part => ({ seconds, rpm });
const of = (text: string, wish: Partial<GyroWish> = {}) => measureGyro(text, { nominalRpm: 100 / 3, ...wish });
const measured = (text: string, wish: Partial<GyroWish> = {}) => {
  const result = of(text, wish);
  if (result.kind !== 'measured') throw new Error(JSON.stringify(result));
  return result;
};

describe('a gyroscope log', () => {
  it('of twenty minutes, 120 000 rows, is read like any other', () => {
    expect(measured(log([REST, turn(33.6, 1200)])).meanErrorPercent).toBeCloseTo(0.8, 2);
  });

  it('has its times in the first column that rises, not in one that stands', () => {
    const rows = log([REST, turn(33.6)], { head: 'when,x (deg/s),y (deg/s),z (deg/s)' }).split('\n');
    const text = rows.map((row, i) => `${i === 0 ? 'battery' : '7.5'},${row}`).join('\n');
    expect(measured(text).meanRpm).toBeCloseTo(33.6, 3);
  });

  it('gives the speed less what the gyroscope shows at rest, and says how much that was', () => {
    const result = measured(log([REST, turn(33.6)], { bias: 1.2 }));
    expect(result.meanRpm).toBeCloseTo(33.6, 3);
    expect(result.meanErrorPercent).toBeCloseTo(0.8, 2);
    // 1.2 along two axes.
    expect(result.biasDps).toBeCloseTo(1.2 * Math.SQRT2, 2);
    expect(result.warnings).not.toContain('NO_STANDSTILL');
    expect(result.unit).toBe('deg/s');
  });

  it('of a logger left running is that of the ten seconds it turned, whatever the hand did', () => {
    const long: Part = { seconds: 100, rpm: 0 };
    for (const more of [[], [{ seconds: 0.5, rpm: 400 }, REST]])
      expect(measured(log([long, turn(33.6, 10), long, ...more], { bias: 0.1 })).meanRpm).toBeCloseTo(33.6, 3);
  });

  it('without a standstill still gives it, and says that its bias is in it', () => {
    const result = measured(log([turn(33.6)]));
    expect(result.meanRpm).toBeCloseTo(33.6, 3);
    expect(result.warnings).toContain('NO_STANDSTILL');
  });

  it('turns counter-clockwise for a rate above zero, clockwise below', () => {
    expect(measured(log([REST, turn(33.3)])).sense).toBe(1);
    expect(measured(log([REST, turn(-33.3)])).sense).toBe(-1);
    expect(measured(log([REST, turn(-33.3)])).meanRpm).toBeCloseTo(33.3, 3);
  });

  it('carries the scale’s limit as a rectangle: 3 % uncalibrated is 3.46 % expanded, 0.1 % is 0.12 %', () => {
    const at = (scaleLimitPercent?: number) =>
      measured(log([REST, turn(33.3)]), scaleLimitPercent === undefined ? {} : { scaleLimitPercent });
    expect(at().meanErrorExpandedUncertaintyPercent).toBeCloseTo((2 * 3) / Math.sqrt(3), 1);
    expect(at().warnings).toContain('SCALE_NOT_CALIBRATED');
    expect(at(0.1).meanErrorExpandedUncertaintyPercent).toBeCloseTo((2 * 0.1) / Math.sqrt(3), 2);
    expect(at(0.1).warnings).not.toContain('SCALE_NOT_CALIBRATED');
    expect(at(1).warnings).toContain('SCALE_NOT_CALIBRATED');
  });
});

describe('the stretch that is measured', () => {
  const ends = (...parts: Part[]) => measured(log(parts)).stretches.map(({ startS, endS }) => [startS, endS]);
  it('keeps half a second and a window of a twentieth of the log from a start or a stop, and is whole without one', () => {
    expect(ends(REST, turn(33.6))).toEqual([[expect.closeTo(3 + 23 / 20 + 0.5, 0), expect.closeTo(22.99, 2)]]);
    expect(ends(turn(33.6), REST)).toEqual([[0, expect.closeTo(20 - 23 / 20 - 0.5, 0)]]);
    expect(ends(turn(33.6))).toEqual([[0, expect.closeTo(19.99, 2)]]);
  });

  it('holds sixteen samples at least', () => {
    // Five rows a second: four seconds are twenty, two and a half thirteen.
    const rows = (seconds: number) =>
      Array.from({ length: 5 * seconds }, (_, i) => `${(i / 5).toFixed(1)},0,0,${(6 * 33.6).toFixed(3)}`);
    const text = (seconds: number) => `time,x (deg/s),y (deg/s),z (deg/s)\n${rows(seconds).join('\n')}`;
    expect(measured(text(4)).meanRpm).toBeCloseTo(33.6, 3);
    expect(of(text(3))).toMatchObject({ kind: 'unusable', reason: 'TOO_SHORT' });
  });
});

describe('a log of two speeds', () => {
  const both = log([REST, turn(33.6), REST, turn(45.3, 15)]);

  it('is asked about, with both speeds to choose from', () => {
    const result = of(both);
    expect(result.kind).toBe('asked');
    if (result.kind !== 'asked') return;
    expect(result.choices.map(({ meanRpm }) => Number((meanRpm ?? 0).toFixed(1)))).toEqual([33.6, 45.3]);
  });

  it('gives the one of the stretch asked for, and says that others stand in it', () => {
    const first = measured(both, { toS: 23 });
    expect(first.meanRpm).toBeCloseTo(33.6, 3);
    expect(first.warnings).toContain('OTHER_SPEEDS_IN_LOG');
    const second = measured(both, { fromS: 25, nominalRpm: 45 });
    expect(second.meanRpm).toBeCloseTo(45.3, 3);
    expect(second.stretches).toHaveLength(2);
    const between = measured(both, { fromS: 5, toS: 10 });
    expect(between.meanRpm).toBeCloseTo(33.6, 3);
  });

  it('has nothing to give where the stretch holds no turning, or too little of it', () => {
    expect(of(both, { fromS: 23.5, toS: 25.5 })).toMatchObject({ reason: 'TOO_SHORT' });
    expect(of(both, { fromS: 10, toS: 11 })).toMatchObject({ reason: 'TOO_SHORT' });
  });

  it('of one speed twice asks nothing', () => {
    expect(measured(log([REST, turn(33.6), REST, turn(33.6)])).meanRpm).toBeCloseTo(33.6, 3);
  });
});

describe('the unit of the axes', () => {
  const plain = 'time,x,y,z';
  const rad = Math.PI / 180;

  it('is told by what the machine can reach where it is not said, and is then a guess', () => {
    const degrees = measured(log([REST, turn(33.6)], { head: plain }));
    expect(degrees).toMatchObject({ unit: 'deg/s' });
    expect(degrees.warnings).toContain('UNIT_GUESSED');
    const radians = measured(log([REST, turn(33.6)], { head: plain, scale: rad }));
    expect(radians).toMatchObject({ unit: 'rad/s' });
    expect(radians.meanRpm).toBeCloseTo(33.6, 2);
    expect(measured(log([REST, turn(33.6)])).warnings).not.toContain('UNIT_GUESSED');
  });

  it('may be turns a minute or turns a second', () => {
    for (const [unit, scale] of [
      ['rpm', 1 / 6],
      ['turns/s', 1 / 360],
      ['mdeg/s', 1000],
    ] as const) {
      const result = measured(log([REST, turn(33.6)], { head: `time,x (${unit}),y (${unit}),z (${unit})`, scale }));
      expect(result.unit).toBe(unit);
      expect(result.meanRpm).toBeCloseTo(33.6, 2);
    }
  });

  it('that is said is asked about where it makes no sense, and taken as said when told to', () => {
    // 33.6 rpm in radians under a head that says degrees: 0.59 rpm.
    const wrong = log([REST, turn(33.6)], { scale: rad });
    const result = of(wrong);
    expect(result.kind).toBe('asked');
    if (result.kind === 'asked') {
      expect(result.message).toContain('cannot reach');
      expect(result.choices[0]?.answer).toEqual({ axisUnit: 'rad/s' });
    }
    expect(measured(wrong, { axisUnit: 'rad/s' }).meanRpm).toBeCloseTo(33.6, 2);
    expect(measured(wrong, { asIs: true }).meanRpm).toBeCloseTo(33.6 * rad, 3);
  });

  it('chosen so that the speed is out of reach is asked about, with what it came to', () => {
    const result = of(log([REST, turn(33.6)]), { axisUnit: 'rad/s' });
    expect(result.kind).toBe('asked');
    if (result.kind === 'asked') expect(result.choices[0]?.answer).toEqual({ asIs: true });
  });
});

describe('what is no such log', () => {
  it('is refused by name: at rest throughout, turning for less than two seconds, text', () => {
    expect(of(log([{ seconds: 20, rpm: 0 }]))).toMatchObject({ reason: 'NOT_TURNING' });
    expect(of(log([REST, turn(33.3, 1.5)]))).toMatchObject({ reason: 'TOO_SHORT' });
    expect(of('a phone lay here\nand turned')).toMatchObject({ kind: 'unusable' });
    expect(() => measureGyro('1,2', { nominalRpm: 0 })).toThrow('nominalRpm');
  });

  it('an accelerometer tells gravity, not turning', () => {
    const rows = ['time,accelX (m/s²),accelY (m/s²),accelZ (m/s²)'];
    for (let t = 0; t < 20; t += 0.01) rows.push(`${t.toFixed(2)},0.01,0.02,9.81`);
    expect(of(rows.join('\n'))).toMatchObject({ reason: 'ACCELEROMETER_ONLY' });
  });
});
