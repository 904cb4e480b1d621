/** What the practice instruments show of known speeds, waves and volts: waves worked out beside them, noise by its own spread (statistics). */
import { describe, expect, it } from 'vitest';
import { measureAt, noiseOfUnit, readAt, shown, strobeAt, toneOf, type ToolId, type Visit } from './index.js';
import told from './instruments.json' with { type: 'json' };

type Seen = Readonly<Record<string, readonly [mean: number, spread: number]>>;
/** A unit of nothing but what is seen of it. */
const stand = (sees: Seen, { map = {}, ...more }: Record<string, unknown> = {}): Visit =>
  ({
    map: { family: 'none', machine: { sounds: [] }, ...(map as object) },
    unit: { see: (of: string) => ({ mean: sees[of]?.[0] ?? 0, spread: sees[of]?.[1] ?? 0 }), moment: () => more },
    on: true,
    acts: 0,
    ...more,
  }) as never;
const at = { quantity: 'x', words: 'here' };
const often = <T>(make: (acts: number) => T, times = 600) => Array.from({ length: times }, (_, i) => make(i));
const mean = (values: readonly number[]) => values.reduce((sum, one) => sum + one, 0) / values.length;
const spread = (values: readonly number[]) => {
  const middle = mean(values);
  return Math.sqrt(mean(values.map((one) => (one - middle) ** 2)));
};
const measured = (tool: ToolId, visit: Visit) => measureAt(visit, tool, at, {}, 3);

describe('a meter', () => {
  it.each([
    [12.3456, 'V', '12.35V'],
    [0.98765, 'V', '0.99V'],
    [-0.98765, 'V', '-0.99V'],
    [-1.2345, '%', '-1.234%'],
    [4712.34, 'Ω', '4712R'],
    [Infinity, 'Ω', 'OL'],
  ])('shows %s %s as %s', (value, unit, typed) => expect(shown(value, unit).typed).toBe(typed));

  it('reads half a percent and two thousandths beside, anew at each reading, the same when looked at twice', () => {
    const read = (volts: number) => (acts: number) =>
      parseFloat(readAt(stand({ x: [volts, 0] }, { acts }), 'volts-dc', at, {}, 3).typed ?? '');
    expect(mean(often(read(9)))).toBeCloseTo(9, 1);
    expect(spread(often(read(9)))).toBeCloseTo(0.045, 2);
    expect(spread(often(read(0.02)))).toBeCloseTo(0.002, 3);
    expect(read(9)(4)).toBe(read(9)(4));
    expect(new Set(often(read(9))).size).toBeGreaterThan(60);
  });

  it.each([
    [10, 0.31, true],
    [10, 0.29, false],
    [-10, 0.31, true],
    [0, 0.0025, true],
    [0, 0.0015, false],
    [10, NaN, false],
  ])('%s V with a spread of %s wanders: %s', (volts, around, wanders) => {
    const words = (on: boolean) => readAt(stand({ x: [volts, around] }, { on }), 'volts-dc', at, {}, 3).words;
    expect(words(true).endsWith(', and it wanders')).toBe(wanders);
    expect(words(false)).toBe('0\u202fV');
  });
});

describe('a ring of 180 bars under 100 flashes', () => {
  const ring = (percent: number) =>
    strobeAt(
      stand({ e: [percent, 0] }, { map: { tone: { error: 'e', lines: () => [] } } }),
      {},
      { id: '33', nominalRpm: 100 / 3 },
      50,
    );

  it.each(told.strobe as unknown as readonly [number, string][])(
    '%s %% off drifts ten bars a percent: %s',
    (percent, typed) => expect(ring(percent)?.typed).toBe(typed),
  );

  it('of a platter that all but stands there is no tone, nor a line of what does nothing', () => {
    const lines = [
      [0, 1],
      [1, 0],
      [1, 1],
      [-1, 1],
      [0, 0],
    ].map(([percent, hz]) => ({ percent, hz }));
    const tone = (percent: number) =>
      toneOf(stand({ e: [percent, 2] }, { map: { tone: { error: 'e', lines: () => lines } } }), {});
    expect(tone(-96)).toBeNull();
    expect(tone(-94)).toEqual({ errorPercent: -94, wanderPercent: 2, lines: [{ percent: 1, hz: 1 }] });
  });
});

describe('the scope', () => {
  it('shows each pulse where the turn that wows ends, with its own noise', () => {
    const [rpm, percent, hz] = [100 / 3, 10, 0.25];
    const tone = { error: 'e', lines: () => [{ percent, hz }] };
    const { trace, done } = measured('pulses', stand({ x: [rpm, 0], e: [0, 0] }, { map: { tone } }));
    const { intervalS, volts } = trace as NonNullable<typeof trace>;
    expect([intervalS, volts.length, done.words]).toEqual([0.009, 8000, 'pulses of 5\u202fV, 1800\u202fms apart']);
    // Turns by time, the integral of a speed with a sine on it.
    const turns = (t: number) =>
      (rpm / 60) * (t + (percent / 100 / (2 * Math.PI * hz)) * (1 - Math.cos(2 * Math.PI * hz * t)));
    const rises = [...volts].flatMap((one, i) => (i > 0 && one > 2.5 && (volts[i - 1] as number) <= 2.5 ? [i] : []));
    expect(rises.length).toBeGreaterThan(38);
    rises.forEach((i, k) => expect(Math.abs(turns(i * intervalS) - (k + 1))).toBeLessThan(0.015));
    expect(spread([...volts].filter((one) => one < 2.5))).toBeCloseTo(0.02, 3);
    expect(spread([...volts].filter((one) => one > 2.5))).toBeCloseTo(0.02, 2);
    expect([...volts].filter((one) => one > 2.5).length / volts.length).toBeCloseTo(0.1, 2);
  });

  it.each([
    [[-1, 0, 0, 1, 1, 0, 0, -1], '2\u202fVpp at 125\u202fHz'],
    [[-1, -1, 1, 1], '2\u202fVpp at 250\u202fHz'],
    [[1, 2, 3, 2], '2\u202fVpp at 0\u202fHz'],
    [[0, 0, 0, 0], 'a flat line'],
  ])('counts how often %s goes up through nought', (wave, words) => {
    const volts = Float64Array.from({ length: 64 }, (_, i) => wave[i % wave.length] as number);
    const visit = stand({});
    Object.assign(visit.unit, { trace: () => ({ intervalS: 0.001, volts }) });
    expect(measured('ripple', visit).done.words.replace('\u202fV p-p', '\u202fVpp')).toBe(words);
  });

  it('of one rise alone it tells no frequency', () => {
    const visit = stand({});
    Object.assign(visit.unit, { trace: () => ({ intervalS: 0.001, volts: Float64Array.of(-1, -1, 1, 1) }) });
    expect(measured('ripple', visit).done.words).toMatch(/ at 0\u202fHz$/);
  });
});

it('a hundred turns of 33⅓ are three minutes, each end a thumb of 0.15 s beside (standards: 0.1 to 0.2 s)', () => {
  const count = (acts: number) => measured('stopwatch', stand({ x: [100 / 3, 0] }, { acts })).done;
  const seconds = often((acts) => parseFloat(/in ([\d.]+)/.exec(count(acts).words)?.[1] ?? ''));
  expect(mean(seconds)).toBeCloseTo(180, 1);
  expect(spread(seconds)).toBeCloseTo(0.15 * Math.SQRT2, 1);
  // 2 √2 0.15 s of 180 s, of 33⅓.
  expect(count(0).words).toMatch(/ ± 0\.08\u202frpm$/);
  expect(count(0).minutes).toBeCloseTo(4, 1);
  expect(measured('stopwatch', stand({ x: [121, 0] })).done).toMatchObject({ typed: null, minutes: 1 });
  expect(measured('stopwatch', stand({})).done).toMatchObject({ typed: null, minutes: 1 });
  expect(measured('stopwatch', stand({ x: [119, 0] })).done.minutes).toBeCloseTo(1 + 100 / 119, 1);
});

describe('the microphone', () => {
  const parts = [
    { quantity: 'x', part: 'fan', lines: 'blades', count: 7, loud: 0.1 },
    { quantity: 'y', part: 'rotor', lines: 'blades', count: 5, loud: 0.05 },
  ];
  const listen = (sees: Seen, wear: Record<string, unknown> = {}) => {
    const sound = noiseOfUnit(stand(sees, { ...wear, map: { machine: { sounds: parts } } }), {}, 3);
    const { samples, sampleRate } = sound as NonNullable<typeof sound>;
    /** Amplitude of one tone, by its sine and cosine. */
    const tone = (hz: number) => {
      const [re, im] = [Math.cos, Math.sin].map((wave) =>
        samples.reduce((sum, one, n) => sum + one * wave((2 * Math.PI * hz * n) / sampleRate), 0),
      ) as [number, number];
      return (2 * Math.hypot(re, im)) / samples.length;
    };
    return { samples, sampleRate, tone };
  };

  it('hears the lines of each part, their multiples falling by half, and one turn of the first', () => {
    const { tone, samples, sampleRate } = listen({ x: [600, 0], y: [1500, 0] });
    expect(samples.length / sampleRate).toBe(8);
    for (const [hz, loud] of [
      [70, 0.1],
      [140, 0.05],
      [210, 0.025],
      [125, 0.05],
      [250, 0.025],
      [375, 0.0125],
      [10, 0.0275],
      [25, 0],
      [280, 0],
      [35, 0],
    ] as const)
      expect(tone(hz), `${hz} Hz`).toBeCloseTo(loud, 3);
    // All sines and the noise, in power.
    const sines = [0.1, 0.05, 0.025, 0.05, 0.025, 0.0125, 0.0275].reduce((sum, one) => sum + one ** 2 / 2, 0);
    expect(spread([...samples])).toBeCloseTo(Math.sqrt(sines + 0.015 ** 2), 3);
  });

  it.each([
    ['motor.roughness', 0.05],
    ['gears.grind', 0.05],
    ['sparks', 0.03],
  ])('%s is heard between the lines and once a turn', (name, more) => {
    const { tone, samples } = listen({ x: [600, 0] }, { [name]: 1 });
    expect(tone(10)).toBeCloseTo(0.02 + (0.015 + more) / 2, 2);
    const sines = [0.1, 0.05, 0.025, tone(10)].reduce((sum, one) => sum + one ** 2 / 2, 0);
    expect(spread([...samples])).toBeCloseTo(Math.sqrt(sines + (0.015 + more) ** 2), 3);
  });

  it('a speed that wanders goes evenly from each half second to the next', () => {
    const { samples, sampleRate } = listen({ x: [6000, 300] });
    // Smoothed over a sixth of the period of 700 Hz, and where the wave rises steeply, so that noise makes no rises of its own.
    const smooth = (n: number) => mean(Array.from(samples.subarray(n - 5, n + 6)));
    const rises: number[] = [];
    for (let n = 6, was = smooth(5); n < samples.length - 6; n++) {
      const now = smooth(n);
      if (was < -0.08 && now >= -0.08) rises.push((n - (now + 0.08) / (now - was)) / sampleRate);
      was = now;
    }
    const phase = (t: number) => {
      const i = rises.findIndex((one) => one > t);
      const [a, b] = [rises[i - 1] ?? 0, rises[i] ?? 0];
      return i - 1 + (t - a) / (b - a);
    };
    const rate = (from: number) => (phase(from + 0.24) - phase(from)) / 0.24;
    const ends = Array.from({ length: 14 }, (_, k) => {
      const [first, second] = [rate(k / 2 + 0.01), rate(k / 2 + 0.25)];
      const more = ((second - first) * 0.13) / 0.24;
      return [first - more, second + more] as const;
    });
    ends.slice(1).forEach(([start], k) => expect(Math.abs(start - (ends[k]?.[1] ?? 0))).toBeLessThan(1.5));
    expect(spread(ends.map(([start]) => start))).toBeGreaterThan(20);
    expect(spread(ends.map(([start]) => start))).toBeLessThan(50);
    expect(mean(ends.map(([start]) => start))).toBeCloseTo(700, -2);
  });
});
