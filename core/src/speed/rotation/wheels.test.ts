/** Wheels that are not as they should be: uneven, with a pole missing or out of its place, read from plain lists of times. */
import { describe, expect, it } from 'vitest';
import { seeded } from '../../numeric/index.js';
import { measurePulses, requirePerTurn } from './pulses.js';
import type { MeasuredPulses, PulseWish } from './pulseResult.js';

const TURN_S = 0.6137;
const RPM = 60 / TURN_S;
const WISH: PulseWish = { perTurn: 6, nominalRpm: 100 };
/** Turns of 0.6137 s, on no step of a clock: 97.768 a minute; pole i stands at `places[i]` of the turn. */
const list = (places: readonly number[], turns = 40, more: (turn: number, i: number) => number | null = () => 0) => {
  const rows = ['time (s)'];
  for (let turn = 0; turn < turns; turn++)
    places.forEach((place, i) => {
      const off = more(turn, i);
      if (off !== null) rows.push((TURN_S * (turn + place) + off).toFixed(9));
    });
  return rows.join('\n');
};
const EVEN = [0, 1, 2, 3, 4, 5].map((i) => i / 6);
const measured = async (text: string, wish: Partial<PulseWish> = {}): Promise<MeasuredPulses> => {
  const found = await measurePulses(text, { ...WISH, ...wish });
  if (found.kind !== 'measured') throw new Error(JSON.stringify(found));
  return found;
};

describe('a wheel', () => {
  it('that is even has no errors of spacing, and its turns a minute', async () => {
    const found = await measured(list(EVEN));
    expect(found.meanRpm).toBeCloseTo(RPM, 4);
    expect(found.meanErrorPercent).toBeCloseTo(RPM - 100, 4);
    expect(found).toMatchObject({ perTurn: 6, missing: 0, doubled: 0, damagedSegmentsPerTurn: 0, channel: '' });
    for (const error of found.spacingErrorsPercent) expect(Math.abs(error)).toBeLessThan(0.01);
    expect(found.spacingErrorsPercent).toHaveLength(6);
    // What comes once a turn cannot be told from the wheel.
    expect(found.warnings).toEqual(['ONCE_A_TURN_NOT_SEPARABLE']);
  });

  it('with a pole a tenth of a pitch late: ten percent more before it, ten less behind it', async () => {
    const late = EVEN.map((place, i) => (i === 2 ? place + 0.1 / 6 : place));
    const found = await measured(list(late));
    expect(found.meanRpm).toBeCloseTo(RPM, 3);
    const errors = found.spacingErrorsPercent;
    // Pole 2 is late: from 1 to 2 is longer, from 2 to 3 shorter.
    expect(errors.map((one) => Math.round(one) + 0)).toEqual([0, 10, -10, 0, 0, 0]);
    expect(found.damagedSegmentsPerTurn).toBe(0);
  });

  it('with a pole three tenths out of its place has a damaged one', async () => {
    const bad = EVEN.map((place, i) => (i === 4 ? place + 0.32 / 6 : place));
    const found = await measured(list(bad));
    expect(found.damagedSegmentsPerTurn).toBe(1);
    expect(found.warnings).toContain('DAMAGED_SEGMENT');
    // However few the wheel has: one of three.
    const three = await measured(list([0, 1 / 3, (2 - 0.3) / 3]), { perTurn: 3 });
    expect(three.damagedSegmentsPerTurn).toBe(1);
    // Of two nobody can say which is out of its place.
    const two = await measured(list([0, 0.65]), { perTurn: 2 });
    expect(two.damagedSegmentsPerTurn).toBe(0);
    expect(found.meanRpm).toBeCloseTo(RPM, 3);
  });

  it('with a pole that is never there counts it as damaged, not as missing', async () => {
    const found = await measured(list(EVEN, 40, (_, i) => (i === 3 ? null : 0)));
    expect(found).toMatchObject({ missing: 0, damagedSegmentsPerTurn: 1 });
    expect(found.meanRpm).toBeCloseTo(RPM, 3);
    // There in four turns of ten it is damaged as well.
    const seldom = await measured(list(EVEN, 40, (turn, i) => (i === 3 && turn % 10 < 6 ? null : 0)));
    expect(seldom).toMatchObject({ missing: 0, damagedSegmentsPerTurn: 1 });
    // There in six turns of ten it is missing in four: no damaged pole, sixteen pulses missing.
    const often = await measured(list(EVEN, 40, (turn, i) => (i === 3 && turn % 10 < 4 ? null : 0)));
    expect(often).toMatchObject({ missing: 16, damagedSegmentsPerTurn: 0 });
    expect(often.warnings).toContain('MISSING_PULSES');
  });

  it.each([
    [8, 12.3, 0.37, 2],
    [12, 5.5, 1.6, 1],
    [6, 20.4, 0.37, 2],
    [6, 8.4, 0.77, 2],
  ])(
    'of %i uneven poles over %d turns, wow %d times a turn of %d percent: each told from the other',
    async (perTurn, turns, per, percent) => {
      const late = Array.from({ length: perTurn }, (_, i) => 0.04 * Math.sin(1 + 2.3 * i * i));
      const w = (2 * Math.PI * per) / TURN_S;
      const at = (t: number) => (t + (percent / 100 / w) * (1 - Math.cos(w * t))) / TURN_S;
      const times = Array.from({ length: Math.floor(perTurn * turns) }, (_, n) => {
        const wanted = (n + (late[n % perTurn] as number)) / perTurn;
        let t = wanted * TURN_S;
        for (let i = 0; i < 30; i++) t += (wanted - at(t)) * TURN_S;
        return (t + 3).toFixed(9);
      });
      const found = await measured(times.join('\n'), { perTurn });
      late.forEach((place, i) => {
        const next = late[(i + 1) % perTurn] as number;
        expect(Math.abs((found.spacingErrorsPercent[i] as number) - 100 * (next - place))).toBeLessThan(0.03);
      });
      expect(Math.abs(found.meanRpm / RPM - 1)).toBeLessThan(2e-6);
      expect(Math.abs((found.lines[0]?.peakPercent ?? 0) / percent - 1)).toBeLessThan(0.005);
      expect(Math.abs((found.lines[0]?.frequencyHz ?? 0) * TURN_S - per)).toBeLessThan(0.001);
    },
  );

  it.each([
    [1, 12],
    [4, 4],
    [8, 4],
    [8, 6],
    [4, 12],
  ])(
    'of %i poles over %i turns with slow wow: its mean lies within what is stated, nineteen times of twenty',
    async (perTurn, turns) => {
      const random = seeded(5);
      let inside = 0;
      for (let run = 0; run < 40; run++) {
        const [w, depth, from] = [
          (2 * Math.PI * (0.15 + 0.7 * random())) / TURN_S,
          0.002 * 10 ** random(),
          6.28 * random(),
        ];
        const at = (t: number) => (t + (depth / w) * (Math.cos(from) - Math.cos(w * t + from))) / TURN_S;
        const times = Array.from({ length: perTurn * turns + 1 }, (_, n) => {
          let t = (n / perTurn) * TURN_S;
          for (let i = 0; i < 30; i++) t += (n / perTurn - at(t)) * TURN_S;
          return (t + 1 + 2e-5 * (random() - 0.5)).toFixed(7);
        });
        const found = await measured(times.join('\n'), { perTurn });
        const off = Math.abs(found.meanErrorPercent - (RPM - 100));
        if (off <= found.meanErrorExpandedUncertaintyPercent) inside++;
      }
      expect(inside).toBeGreaterThanOrEqual(37);
    },
  );

  it('polled in steps says what they cost: half a step at either end, two rectangles', async () => {
    const rows = ['time (s)'];
    for (let n = 0; n < 240; n++) rows.push((Math.round((n * 0.1013) / 0.004) * 0.004).toFixed(3));
    const found = await measured(rows.join('\n'));
    const part = found.uncertainty.find(({ name }) => name === 'counting');
    // 4 ms: u = √2 · (2 ms/√3)/24.2 s, of which the straight line takes half.
    expect(part?.standardPercent).toBeCloseTo((100 * Math.SQRT2 * (0.002 / Math.sqrt(3))) / (239 * 0.1013) / 2, 5);
    expect(part?.why).toContain('steps of 4 ms');
    expect(found.warnings).toContain('POLLED_TIMES');
  });

  it('that slows by one percent has that drift, nine tenths of it from tenth to tenth', async () => {
    // The turn's time grows by 1 % over 60 turns.
    const found = await measured(
      list(EVEN, 60, (turn, i) => TURN_S * 0.01 * ((turn + (EVEN[i] ?? 0)) ** 2 / (2 * 60))),
    );
    expect(found.driftPercent).toBeCloseTo(-0.9, 1);
    expect(found.warnings).toContain('DRIFTING');
  });

  it('under ten turns says so, under two sees no wow', async () => {
    expect((await measured(list(EVEN, 12))).warnings).not.toContain('FEW_TURNS');
    const nine = await measured(list(EVEN, 9));
    expect(nine.warnings).toContain('FEW_TURNS');
    expect(nine.unweightedPeakPercent).not.toBeNull();
    const short = await measured(list(EVEN, 2).split('\n').slice(0, 11).join('\n'));
    expect(short.warnings).toEqual(expect.arrayContaining(['FEW_TURNS', 'WOW_TOO_SHORT']));
    expect(short.unweightedPeakPercent).toBeNull();
  });

  it('takes a whole number of pulses a turn from one up', () => {
    expect(() => requirePerTurn(1)).not.toThrow();
    for (const count of [0, -1, 1.5, Number.NaN]) expect(() => requirePerTurn(count)).toThrow();
  });
});
