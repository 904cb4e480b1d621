/** The pieces that a row of pulses goes through, each by itself: what must come out is worked out by hand. */
import { describe, expect, it } from 'vitest';
import type { PulseSignal } from './channels.js';
import { countPulses, type CountedPulses } from './count.js';
import { edgeFinder, evenStep, risingEdges } from './edges.js';
import { medianOfFive, steadyStretches } from './steady.js';
import { stretchesOf } from './stretches.js';
import { tickOf, unwrapCounter } from './timeBase.js';
import { weakSegments } from './weak.js';

const list = (values: ArrayLike<number>) => Array.from(values);
const range = (count: number, make: (i: number) => number) => Float64Array.from({ length: count }, (_, i) => make(i));

describe('a running median of five', () => {
  it('takes a single wild value out, and leans on fewer at the ends', () => {
    expect(list(medianOfFive(Float64Array.of(1, 1, 9, 1, 1, 1)))).toEqual([1, 1, 1, 1, 1, 1]);
    // Two wild ones of five go; three stay.
    expect(medianOfFive(Float64Array.of(1, 9, 9, 1, 1))[2]).toBe(1);
    expect(medianOfFive(Float64Array.of(1, 9, 9, 9, 1))[2]).toBe(9);
    // A step stays where it is.
    expect(list(medianOfFive(Float64Array.of(1, 1, 1, 5, 5, 5)))).toEqual([1, 1, 1, 5, 5, 5]);
  });
});

describe('steady stretches', () => {
  const levels = (...parts: (readonly [seconds: number, level: number])[]) => {
    const values = parts.flatMap(([seconds, level]) => Array<number>(seconds * 20).fill(level));
    return { timeS: range(values.length, (i) => i / 20), values: Float64Array.from(values) };
  };
  const found = ({ timeS, values }: ReturnType<typeof levels>, leastS = 2) =>
    steadyStretches(timeS, values, { windowS: 0.5, leastS }).map(({ from, to, level }) => [
      timeS[from],
      (timeS[to - 1] as number) + 0.05,
      level,
    ]);

  it('of two levels are two, parted within a window of the step; standing still is none', () => {
    const two = found(levels([10, 33], [10, 45], [10, 0]));
    expect(two.map(([, , level]) => level)).toEqual([33, 45]);
    expect(two[0]?.[0]).toBe(0);
    for (const [end, at] of [
      [two[0]?.[1], 10],
      [two[1]?.[0], 10],
      [two[1]?.[1], 20],
    ])
      expect(Math.abs((end ?? NaN) - (at as number))).toBeLessThan(0.6);
  });

  it('shorter than is asked for are left out; a change under four parts in a hundred is none', () => {
    expect(found(levels([10, 33], [1, 40], [10, 45]), 2).map(([, , level]) => level)).toEqual([33, 45]);
    expect(found(levels([10, 100], [10, 103.5]))).toHaveLength(1);
    expect(found(levels([10, 100], [10, 105]))).toHaveLength(2);
    expect(steadyStretches(Float64Array.of(1), Float64Array.of(5), { windowS: 1, leastS: 0 })).toEqual([]);
  });

  it('leave out what still comes up or goes down beside a move, to a thousandth of their level', () => {
    // Still, then from 96.5 % up to speed within ten seconds, a minute of it, and down again the same way.
    const at = (t: number) => (t < 5 || t >= 85 ? 0 : 33 * (1 - 0.0035 * Math.max(0, 15 - t, t - 75)));
    const timeS = range(1800, (i) => i / 20);
    const [one, ...more] = steadyStretches(timeS, timeS.map(at), { windowS: 0.5, leastS: 2 });
    expect(more).toEqual([]);
    expect(one?.level).toBeCloseTo(33, 9);
    expect(timeS[one?.from ?? 0]).toBeCloseTo(14.5, 0);
    expect(timeS[one?.to ?? 0]).toBeCloseTo(75.5, 0);
  });

  it('of one level with a short knock between them are one', () => {
    const knocked = found(levels([60, 33], [0.1, 20], [60, 33]));
    expect(knocked).toEqual([[0, expect.closeTo(120.1, 6), 33]]);
  });
});

describe('a counter', () => {
  const wrapped = (bits: number, step: number, count: number) => range(count, (i) => (i * step) % 2 ** bits);
  it.each([16, 24, 32] as const)('of %i bits that ran over goes on counting', (bits) => {
    const step = 2 ** bits / 10 + 1;
    const { values, bits: told, backward } = unwrapCounter(wrapped(bits, Math.floor(step), 40));
    expect([told, backward]).toEqual([bits, -1]);
    expect(list(values)).toEqual(list(range(40, (i) => i * Math.floor(step))));
  });
  it('that never fell ran over nothing; a fall that is no wrap is told by its place', () => {
    const rising = Float64Array.of(5, 70_000, 90_000);
    expect(unwrapCounter(rising)).toEqual({ values: rising, bits: 0, backward: -1 });
    // Less than half of its range down: no wrap.
    expect(unwrapCounter(Float64Array.of(10, 40_000, 39_000, 41_000))).toMatchObject({ bits: 0, backward: 2 });
    expect(unwrapCounter(Float64Array.of(10, 20, 5))).toMatchObject({ bits: 0, backward: 2 });
    expect(unwrapCounter(Float64Array.of(1.5, 60_000.5, 2))).toMatchObject({ bits: 0, backward: 2 });
    expect(unwrapCounter(Float64Array.of(-1, 60_000, 2))).toMatchObject({ bits: 0, backward: 2 });
    // To and fro at each second one is no counter.
    expect(unwrapCounter(range(11, (i) => (i % 2 ? 60_000 : 10)))).toMatchObject({ bits: 0 });
  });
  it('has a step that all its times are multiples of, if it is no finer than a thousandth of a gap', () => {
    expect(tickOf(range(50, (i) => 7 + 0.02 * Math.round(i * 3.3)))).toBeCloseTo(0.02, 12);
    expect(tickOf(range(50, (i) => 5 * Math.round(i * 3.3)))).toBe(5);
    expect(tickOf(range(50, (i) => i * Math.PI))).toBe(0);
    expect(tickOf(Float64Array.of(0, 1, 2))).toBe(0);
    expect(tickOf(range(50, (i) => i + (i % 7) * 0.0123))).toBe(0);
  });
});

describe('edges', () => {
  it('are where the middle is crossed upwards, between two samples by a straight line', () => {
    const volts = Float64Array.of(0, 0, 0, 1, 4, 5, 5, 0, 0, 0, 5, 5);
    const times = range(volts.length, (i) => 10 + i / 100);
    // The middle of nought and five is 2.5: halfway from 1 to 4, and halfway from 0 to 5.
    expect(list(risingEdges(times, volts))).toEqual([expect.closeTo(10.035, 9), expect.closeTo(10.095, 9)]);
  });
  it('that do not come past the middle far enough are none, and one needs a fall before the next', () => {
    const finder = edgeFinder({ low: 0, high: 10 }, 1);
    // Armed under 3.5, fired from 6.5 on.
    finder.push(Float64Array.of(0, 6, 4, 6.4, 0, 6.6, 4, 7, 3.4, 7));
    expect(finder.edges).toEqual([expect.closeTo(4 + 5 / 6.6, 9), expect.closeTo(8 + 1.6 / 3.6, 9)]);
    // Between them it went from 6.6, by 4 and 7, down to 3.4: 3.6 of ten.
    expect(finder.levels).toEqual([expect.closeTo(0.36, 9)]);
    expect(finder.duty()).toBeCloseTo(5 / 10, 9);
  });
  it('of a recording that begins high are those after its first fall; smoothing shifts none', () => {
    const high = edgeFinder({ low: 0, high: 1 }, 1);
    high.push(Float64Array.of(1, 1, 0, 0, 1, 1));
    expect(high.edges).toEqual([3.5]);
    const ramp = range(200, (i) => Math.sin((2 * Math.PI * (i - 25)) / 100));
    const [plain, smooth] = [1, 9].map((width) => {
      const finder = edgeFinder({ low: -1, high: 1 }, width);
      finder.push(ramp);
      return finder.edges;
    });
    // Rising through nought at 25 (its fall was not seen) and at 125.
    expect(plain?.at(-1)).toBeCloseTo(125, 6);
    expect(smooth?.at(-1)).toBeCloseTo(125, 3);
  });
  it('that come in one jump are told from a slope', () => {
    const jumps = edgeFinder({ low: 0, high: 1 }, 1);
    jumps.push(Float64Array.of(0, 1, 0, 1, 0, 0.3, 0.6, 1, 0, 1));
    expect(jumps.jumps()).toBeCloseTo(3 / 4, 9);
    expect(edgeFinder({ low: 0, high: 1 }, 1).jumps()).toBe(0);
  });
  it('none of a line without a swing', () => {
    expect(
      list(
        risingEdges(
          range(20, (i) => i),
          new Float64Array(20).fill(3),
        ),
      ),
    ).toEqual([]);
  });
});

describe('a column of times', () => {
  it('is even when nine steps of ten are, within two parts in a hundred; its step is from end to end', () => {
    expect(evenStep(range(100, (i) => 3 + i * 0.25))).toBeCloseTo(0.25, 12);
    expect(evenStep(range(100, (i) => i * 0.25 + (i === 50 ? 0.1 : 0)))).toBeCloseTo(0.25, 12);
    expect(evenStep(range(100, (i) => i * 0.25 + (i % 2) * 0.1))).toBeNull();
    expect(evenStep(range(15, (i) => i))).toBeNull();
    expect(evenStep(range(16, (i) => i))).toBe(1);
    expect(evenStep(new Float64Array(30))).toBeNull();
  });
});

describe('stretches of pulses', () => {
  const signal = (timeS: Float64Array, senses: Int8Array | null = null): PulseSignal => ({
    kind: 'signal',
    name: '',
    timeS,
    levels: null,
    senses,
    from: 'times',
    sampleHz: null,
    tickS: 0,
    edge: 'times',
    dutyPercent: null,
    notes: [],
  });
  const WISH = { perTurn: 4, nominalRpm: 100 / 3 };
  /** Pulses of a shaft at these speeds, rpm, one after the other. */
  const pulses = (...parts: (readonly [seconds: number, rpm: number])[]) => {
    const out: number[] = [];
    let begun = 0;
    for (const [seconds, rpm] of parts) {
      if (rpm > 0) for (let t = 0; t < seconds; t += 60 / rpm / 4) out.push(begun + t);
      begun += seconds;
    }
    return Float64Array.from(out);
  };

  it('of one speed are one, by its turns a minute', () => {
    const found = stretchesOf(signal(pulses([30, 33])), WISH);
    if (found.kind !== 'stretches') throw new Error(found.kind);
    expect(found.all.map(({ meanRpm }) => meanRpm)).toEqual([expect.closeTo(33, 6)]);
    expect(found.warnings).toEqual([]);
  });
  it('of two speeds are asked about, the one near to the nominal offered first, unless it is taken as it is', () => {
    const two = signal(pulses([30, 45], [20, 33.3]));
    const asked = stretchesOf(two, WISH);
    if (asked.kind !== 'asked') throw new Error(asked.kind);
    expect(asked.choices.map(({ meanRpm }) => Math.round(meanRpm ?? 0))).toEqual([33, 45]);
    // Whole seconds, figures of four.
    expect(asked.choices.map(({ words }) => words)).toEqual([
      expect.stringMatching(/^33\.3 rpm from 3\d to \d\d s$/),
      expect.stringMatching(/^45 rpm from \d to \d\d s$/),
    ]);
    const [first] = asked.choices;
    // Within the two turns that means are taken over.
    expect(Math.abs((first?.answer.fromS ?? 0) - 30)).toBeLessThan(3.6);
    const whole = stretchesOf(two, { ...WISH, asIs: true });
    if (whole.kind !== 'stretches') throw new Error(whole.kind);
    // The longer one is measured, and the other named.
    expect(
      Math.round(
        60 /
          4 /
          ((two.timeS[(whole.use[0]?.from ?? 0) + 1] as number) - (two.timeS[whole.use[0]?.from ?? 0] as number)),
      ),
    ).toBe(45);
    expect(whole.warnings).toContain('OTHER_SPEEDS_IN_LOG');
    const part = stretchesOf(two, { ...WISH, fromS: 32 });
    if (part.kind !== 'stretches') throw new Error(part.kind);
    expect(part.all.map(({ meanRpm }) => Math.round(meanRpm))).toEqual([33]);
  });
  it('from one second to another hold the pulse at the first, not that at the second', () => {
    const found = stretchesOf(signal(range(30, (i) => i)), { ...WISH, perTurn: 1, fromS: 5, toS: 10 });
    expect(found).toMatchObject({ use: [{ from: 5, to: 10, sense: null }] });
  });
  it('with a gap of many pulses but under a second between are one run', () => {
    const times = range(1200, (i) => i / 100 + (i >= 600 ? 0.5 : 0));
    const found = stretchesOf(signal(times), { ...WISH, perTurn: 100, nominalRpm: 60 });
    expect(found).toMatchObject({ kind: 'stretches' });
    if (found.kind === 'stretches') expect(found.warnings).not.toContain('RUN_BY_RUN');
  });
  it('with a pause between are measured run by run; under four pulses there is nothing', () => {
    const paused = stretchesOf(signal(pulses([20, 33], [5, 0], [20, 33])), WISH);
    if (paused.kind !== 'stretches') throw new Error(paused.kind);
    expect(paused.use).toHaveLength(2);
    expect(paused.warnings).toEqual(['RUN_BY_RUN']);
    expect(stretchesOf(signal(Float64Array.of(0, 1, 2)), WISH)).toMatchObject({
      kind: 'unusable',
      reason: 'TOO_FEW_PULSES',
    });
    expect(stretchesOf(signal(Float64Array.of(0, 1, 2, 3)), WISH).kind).toBe('stretches');
  });
  it('to and fro have their sense: backwards is below nought', () => {
    const times = pulses([20, 33], [20, 33]);
    const senses = Int8Array.from(times, (t) => (t < 20 ? 1 : -1));
    const found = stretchesOf(signal(times, senses), WISH);
    if (found.kind !== 'stretches') throw new Error(found.kind);
    expect(found.all.map(({ meanRpm }) => Math.round(meanRpm))).toEqual([33, -33]);
    expect(found.use.map(({ sense }) => sense)).toEqual([1, -1]);
  });
});

describe('weak places', () => {
  const perTurn = 6;
  const even = range(perTurn, (i) => i / perTurn);
  const turns = (dips: Readonly<Record<number, number>>, count = 10, places = perTurn) => {
    const timeS = range(places * count, (i) => i / 20);
    const levels = range(places * count, (i) => dips[i % places] ?? 1);
    return weakSegments(countPulses(timeS, places) as CountedPulses, timeS, levels, even, places);
  };
  it('dip once a turn: where, how far, and by how many degrees', () => {
    const [one, ...others] = turns({ 2: 0.6 });
    expect(others).toEqual([]);
    expect(one).toMatchObject({ place: 2, degrees: 120, dipPercent: expect.closeTo(40, 6) as unknown });
  });
  it('say how uneven the wheel is on either side of them', () => {
    // The third place stands a tenth of a pitch late: the gaps before and behind it are off by ten percent.
    const late = Float64Array.of(0, 0, 0.1, 0, 0, 0);
    const timeS = range(perTurn * 10, (i) => i / 20);
    const speedAt = (place: number) =>
      weakSegments(
        countPulses(timeS, perTurn) as CountedPulses,
        timeS,
        range(perTurn * 10, (i) => (i % perTurn === place ? 0.5 : 1)),
        late,
        perTurn,
      )[0]?.speedPercent;
    expect([0, 1, 2, 3, 4, 5].map(speedAt)).toEqual([0, 10, 10, 10, 0, 0].map((one) => expect.closeTo(one, 6)));
    // All of them late alike is none late.
    late.fill(0.1);
    expect([0, 1, 2, 3, 4, 5].map(speedAt)).toEqual(Array(6).fill(expect.closeTo(0, 6)));
  });
  it('beside each other are one, the deepest; a dip of less than a quarter is none', () => {
    expect(turns({ 2: 0.7, 3: 0.5 }).map(({ place }) => place)).toEqual([3]);
    expect(turns({ 0: 0.7, 5: 0.5 }).map(({ place }) => place)).toEqual([5]);
    expect(turns({ 2: 0.5, 3: 0.5 }).map(({ place }) => place)).toEqual([2]);
    expect(turns({ 2: 0.76 })).toEqual([]);
    expect(turns({ 2: 0.74 })).toHaveLength(1);
  });
  it('of more than a third are an eccentric gap, no places; three turns are wanted, and three a turn', () => {
    expect(turns({ 0: 0.5, 2: 0.5 })).toHaveLength(2);
    expect(turns({ 0: 0.5, 2: 0.5, 4: 0.5 })).toEqual([]);
    expect([4, 3, 2].map((count) => turns({ 2: 0.5 }, count).length)).toEqual([1, 0, 0]);
    expect([3, 2].map((few) => turns({ 1: 0.5 }, 10, few).length)).toEqual([1, 0]);
  });
});
