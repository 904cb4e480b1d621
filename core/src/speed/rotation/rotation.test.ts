import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { gaussian, seeded } from '../../numeric/index.js';
import { measureGyro } from './gyro.js';
import { measurePulses } from './pulses.js';
import type { MeasuredPulses } from './pulseResult.js';

interface Wheel {
  readonly rpm: number;
  readonly perTurn: number;
  readonly turns: number;
  /** Place of each pulse off even spacing, in pitches. */
  readonly places?: readonly number[];
  readonly jitterS?: number;
  readonly wow?: { readonly hz: number; readonly percent: number };
  readonly seed?: number;
}

/** Times at which a wheel's pulses pass: the time when the shaft's phase reaches each place. */
function pulses({ rpm, perTurn, turns, places = [], jitterS = 0, wow, seed = 1 }: Wheel): number[] {
  const normal = gaussian(seeded(seed));
  const hz = rpm / 60;
  return Array.from({ length: turns * perTurn + 1 }, (_, n) => {
    const turn = (n + (places[n % perTurn] ?? 0)) / perTurn;
    let t = turn / hz;
    for (let i = 0; wow && i < 6; i++) {
      const w = 2 * Math.PI * wow.hz;
      t = turn / hz + ((wow.percent / 100) * (Math.cos(w * t) - 1)) / w;
    }
    return t + jitterS * normal();
  });
}

const csv = (times: readonly number[]) => times.map((t) => t.toFixed(7)).join('\n');
const measured = async (text: string, perTurn: number, nominalRpm: number): Promise<MeasuredPulses> => {
  const result = await measurePulses(text, { perTurn, nominalRpm });
  if (result.kind !== 'measured') throw new Error(result.kind === 'asked' ? result.message : result.reason);
  return result;
};

describe('pulses', () => {
  it('give the mean within three times the bound of a straight line through jittered times', async () => {
    const jitterS = 1e-4;
    const [turns, perTurn] = [60, 4];
    let square = 0;
    for (let seed = 1; seed <= 20; seed++) {
      const result = await measured(csv(pulses({ rpm: 33.5, perTurn, turns, jitterS, seed })), perTurn, 100 / 3);
      square += (result.meanErrorPercent - 100 * (33.5 / (100 / 3) - 1)) ** 2;
      expect(result.meanErrorPercent).toBeCloseTo(0.5, 2);
    }
    const count = turns * perTurn + 1;
    const period = 60 / 33.5 / perTurn;
    const bound = (100 * jitterS * Math.sqrt(12 / count ** 3)) / period;
    expect(Math.sqrt(square / 20) / bound).toBeLessThan(3);
  });

  it('a capture shorter than a tenth of a second is as good as its clock, not taken for one that steps', async () => {
    // A tool at 18,090 turns, six pulses each, 25 turns in 83 ms: what is left is the time base's 100 ppm.
    const result = await measured(`time_s\n${csv(pulses({ rpm: 18_090, perTurn: 6, turns: 25 }))}`, 6, 18_000);
    expect(result.meanErrorPercent).toBeCloseTo(0.5, 3);
    expect(result.meanErrorExpandedUncertaintyPercent).toBeCloseTo((2 * 0.01) / Math.sqrt(3), 3);
    expect(result.warnings).not.toContain('POLLED_TIMES');
  });

  it('keep the wheel’s places and the shaft’s wow apart, and name the greatest line first', async () => {
    const places = [0, 0.04, -0.03, 0.02, -0.05, 0.02];
    const base = { rpm: 45, perTurn: 6, turns: 90, places };
    const spacing = places.map((one, i) => 100 * ((places[(i + 1) % 6] ?? 0) - one));
    const still = await measured(csv(pulses(base)), 6, 45);
    const wowing = await measured(csv(pulses({ ...base, wow: { hz: 1.1, percent: 0.3 } })), 6, 45);
    for (const { spacingErrorsPercent } of [still, wowing])
      spacingErrorsPercent.forEach((error, i) => expect(Math.abs(error - (spacing[i] as number))).toBeLessThan(0.1));
    expect(wowing.lines[0]?.frequencyHz).toBeCloseTo(1.1, 2);
    expect(wowing.lines[0]?.peakPercent).toBeCloseTo(0.3, 2);
    const sizes = wowing.lines.map(({ peakPercent }) => peakPercent);
    expect(sizes).toEqual([...sizes].sort((a, b) => b - a));
  });

  it('find errors of the wheel’s spacing and keep them out of the mean', async () => {
    const places = [0, 0.04, -0.02, 0.01, 0, -0.03];
    const result = await measured(csv(pulses({ rpm: 45.09, perTurn: 6, turns: 50, places, jitterS: 2e-5 })), 6, 45);
    expect(result.meanErrorPercent).toBeCloseTo(0.2, 2);
    places.forEach((place, i) => {
      const expected = 100 * ((places[(i + 1) % 6] as number) - place);
      expect(Math.abs((result.spacingErrorsPercent[i] as number) - expected)).toBeLessThan(
        Math.max(0.2, 0.1 * Math.abs(expected)),
      );
    });
    expect(result.warnings).toContain('ONCE_A_TURN_NOT_SEPARABLE');
  });

  it('find them in a shaft that slows down meanwhile, and say by how much it does', async () => {
    const places = [0, 0.04, -0.02, 0.01, 0, -0.03];
    // From 45.45 to 44.55 rpm at an even rate: the time of a place solves h t + a t²/2 = place.
    const [h, seconds] = [45.45 / 60, 70];
    const a = (44.55 - 45.45) / 60 / seconds;
    const timeOf = (turn: number) => (-h + Math.sqrt(h * h + 2 * a * turn)) / a;
    const times = Array.from({ length: 6 * 50 + 1 }, (_, n) => timeOf((n + (places[n % 6] ?? 0)) / 6));
    const result = await measured(csv(times), 6, 45);
    places.forEach((place, i) => {
      const expected = 100 * ((places[(i + 1) % 6] as number) - place);
      expect(Math.abs((result.spacingErrorsPercent[i] as number) - expected)).toBeLessThan(0.3);
    });
    // 50 turns take 66.7 s of the 70: the speed falls by 1.9 % of 45, nine tenths of it from tenth to tenth.
    expect(result.driftPercent).toBeGreaterThan(-1.95);
    expect(result.driftPercent).toBeLessThan(-1.6);
  });

  it('of a sound wheel warn of nothing; of several poles, that its own pattern and the shaft’s once a turn are one', async () => {
    const of = async (perTurn: number, turns: number) => {
      const { warnings, missing, doubled, damagedSegmentsPerTurn } = await measured(
        csv(pulses({ rpm: 119.37, perTurn, turns })),
        perTurn,
        120,
      );
      return [warnings, missing, doubled, damagedSegmentsPerTurn];
    };
    expect(await of(1, 60)).toEqual([[], 0, 0, 0]);
    expect(await of(6, 60)).toEqual([['ONCE_A_TURN_NOT_SEPARABLE'], 0, 0, 0]);
    expect((await of(6, 3))[0]).toContain('ONCE_A_TURN_NOT_SEPARABLE');
    expect((await of(12, 1))[0]).not.toContain('ONCE_A_TURN_NOT_SEPARABLE');
  });

  it('name two waves with the greater first, wherever they lie', async () => {
    for (const [slow, quick] of [
      [0.3, 0.1],
      [0.1, 0.3],
    ] as const) {
      const hz = [0.7, 2.3];
      const wave = (t: number) =>
        [slow, quick].reduce(
          (sum, size, i) =>
            sum + (size / 100 / (2 * Math.PI * (hz[i] as number))) * Math.sin(2 * Math.PI * (hz[i] as number) * t),
          0,
        );
      // Pulses of 20 a second, each where turning with the waves brings it: three rounds of putting it in place.
      const times = Array.from({ length: 1200 }, (_, n) => {
        let t = n / 20;
        for (let i = 0; i < 6; i++) t = n / 20 - wave(t);
        return t;
      });
      const { lines } = await measured(csv(times), 1, 1200);
      expect(lines.slice(0, 2).map((one) => one.frequencyHz.toFixed(1))).toEqual(
        slow > quick ? ['0.7', '2.3'] : ['2.3', '0.7'],
      );
      expect(lines[0]?.peakPercent).toBeCloseTo(0.3, 2);
    }
  });

  it('absent in every turn count as damage from three turns on', async () => {
    const of = async (turns: number) => {
      const times = pulses({ rpm: 100, perTurn: 8, turns }).filter((_, i) => i % 8 !== 3);
      const { damagedSegmentsPerTurn, missing } = await measured(csv(times), 8, 100);
      return [damagedSegmentsPerTurn, missing];
    };
    expect(await of(4)).toEqual([1, 0]);
    expect((await of(2))[1]).toBe(2);
  });

  it('of a shaft that creeps up to its speed are measured where it has come there', async () => {
    // Up to 97 % within three seconds, the rest with a time constant of eight: 33.3 rpm at last.
    const speed = (t: number) => 33.3 * (t < 3 ? (0.97 * t) / 3 : 1 - 0.03 * Math.exp(-(t - 3) / 8));
    const times: number[] = [];
    let turned = 0;
    for (let t = 0; t < 70; t += 0.001) {
      const before = turned;
      turned += (speed(t) / 60) * 0.001 * 12;
      if (Math.floor(turned) > Math.floor(before))
        times.push(t + (0.001 * (Math.floor(turned) - before)) / (turned - before));
    }
    const result = await measured(csv(times), 12, 33.3);
    expect(result.warnings).toContain('UNSTEADY_PART_LEFT_OUT');
    // Of the whole it would be 0.35 % low.
    expect(Math.abs(result.meanErrorPercent)).toBeLessThan(0.05);
    expect(Math.abs(result.driftPercent)).toBeLessThan(0.1);
  });

  it('count over missing pulses and leave out doubled ones', async () => {
    const times = pulses({ rpm: 100, perTurn: 8, turns: 40 });
    const lacking = times.filter((_, i) => ![50, 51, 133, 200].includes(i));
    const doubled = [...lacking, (times[20] as number) + 0.002, (times[90] as number) + 0.003].sort((a, b) => a - b);
    const result = await measured(csv(doubled), 8, 100);
    expect(result.missing).toBe(4);
    expect(result.doubled).toBe(2);
    expect(Math.abs(result.meanErrorPercent)).toBeLessThan(0.001);
    expect(result.damagedSegmentsPerTurn).toBe(0);
  });

  it('call a pole that fails every turn damaged, not missing', async () => {
    const times = pulses({ rpm: 100, perTurn: 8, turns: 40 }).filter((_, i) => i % 8 !== 3);
    const result = await measured(csv(times), 8, 100);
    expect(result.damagedSegmentsPerTurn).toBe(1);
    expect(result.missing).toBe(0);
  });

  it('see wow that is not locked to the wheel', async () => {
    const result = await measured(
      csv(pulses({ rpm: 300, perTurn: 10, turns: 300, wow: { hz: 1.3, percent: 0.4 } })),
      10,
      300,
    );
    expect(result.lines[0]?.frequencyHz).toBeCloseTo(1.3, 2);
    expect(result.lines[0]?.peakPercent).toBeCloseTo(0.4, 2);
  });

  it('come out of a scope capture, whatever its header, separator and decimals', async () => {
    const times = pulses({ rpm: 60.3, perTurn: 2, turns: 20 });
    const rows = Array.from({ length: 20000 }, (_, i) => {
      const t = i * 0.001 - 0.1;
      const high = times.some((edge) => t >= edge && t < edge + 0.1);
      return `${t.toFixed(4)};${high ? 4.93 : 0.08}`.replaceAll('.', ',');
    });
    const result = await measured(['Instrument export', 'Time;Channel A', 's;V', ...rows].join('\r\n'), 2, 60);
    expect(result.from).toBe('scope');
    expect(result.meanErrorPercent).toBeCloseTo(0.5, 1);
  });

  it('do not depend on when the clock starts nor on the unit of time', async () => {
    const times = pulses({ rpm: 78, perTurn: 3, turns: 30 });
    const seconds = await measured(csv(times), 3, 78);
    const shifted = await measured(`Time (ms)\n${csv(times.map((t) => 1000 * (t + 500)))}`, 3, 78);
    expect(shifted.meanRpm).toBeCloseTo(seconds.meanRpm, 6);
  });

  it('refuse by name, with the line', async () => {
    const wish = { perTurn: 1, nominalRpm: 33 };
    expect(await measurePulses('', wish)).toMatchObject({ reason: 'EMPTY_FILE' });
    expect(await measurePulses('hello\nworld', wish)).toMatchObject({ reason: 'NOT_A_TABLE' });
    expect(await measurePulses('1\n2\n3\nfour\n5\n6', wish)).toMatchObject({ reason: 'TEXT_IN_NUMBERS', line: 4 });
    expect(await measurePulses('1\n2\n3\n2.5\n5\n6', wish)).toMatchObject({ reason: 'TIMES_BACKWARD', line: 4 });
    expect(await measurePulses('1\n2\n3', wish)).toMatchObject({ reason: 'TOO_FEW_PULSES' });
  });

  it('carry the scatter of their parts where that contradicts the noise', async () => {
    // A belt that slips at random: each second runs at its own speed, 4 % either way.
    const random = seeded(3);
    const times = [0];
    let rpm = 60;
    for (let n = 1; n < 600; n++) {
      if (n % 10 === 0) rpm = 60 * (1 + 0.08 * (random() - 0.5));
      times.push((times[n - 1] as number) + 6 / rpm);
    }
    const result = await measurePulses(csv(times), { perTurn: 10, nominalRpm: 60 });
    if (result.kind !== 'measured') throw new Error(result.kind);
    const truth = (60 * (times.length - 1)) / (times[times.length - 1] as number) / 10;
    const wander = result.uncertainty.find(({ why }) => why.startsWith('scatter of'));
    // Sixty seconds of their own, 2.3 % scatter each: 0.3 % of the mean.
    expect(wander?.standardPercent).toBeGreaterThan(0.1);
    expect(Math.abs(100 * (result.meanRpm / truth - 1))).toBeLessThan(result.meanErrorExpandedUncertaintyPercent);
  });

  it('take four times that are hardly apart without falling over', async () => {
    expect(['measured', 'unusable', 'asked']).toContain(
      (await measurePulses('0\n5e-324\n1e-323\n8.9e-16', { perTurn: 3, nominalRpm: 33 })).kind,
    );
  });

  it('refuse times so near to each other that no clock tells them apart', async () => {
    const times = Array.from({ length: 24 }, (_, i) => String(i * 5e-324)).join('\n');
    expect((await measurePulses(times, { perTurn: 3, nominalRpm: 33 })).kind).toBe('unusable');
  });

  it('never throw on any text', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.string({ maxLength: 300 }),
        async (text) => void (await measurePulses(text, { perTurn: 2, nominalRpm: 33 })),
      ),
    );
    await fc.assert(
      fc.asyncProperty(fc.array(fc.double({ min: 0, max: 100, noNaN: true }), { maxLength: 60 }), async (times) => {
        await measurePulses([...times].sort((a, b) => a - b).join('\n'), { perTurn: 3, nominalRpm: 33 });
      }),
    );
  });
});

describe('gyroscope', async () => {
  /** A phone tilted by `tilt` degrees on a platter: 3 s at rest, then turning. */
  function log(
    rpm: number,
    {
      tilt = 5,
      bias = [0.4, -0.2, 0.7],
      unit = 'deg/s',
      seed = 4,
    }: { tilt?: number; bias?: number[]; unit?: string; seed?: number } = {},
  ) {
    const random = seeded(seed);
    const normal = gaussian(random);
    const [rows, a]: [string[], number] = [[`time,x,y,z`.replace('x', `x (${unit})`)], (tilt * Math.PI) / 180];
    const scale = unit === 'rad/s' ? Math.PI / 180 : 1;
    for (let t = 0; t < 33; t += 0.008 + 0.004 * random()) {
      const rate = 6 * rpm * Math.min(1, Math.max(0, (t - 3) / 1.5));
      const axis = [rate * Math.sin(a), 0, -rate * Math.cos(a)];
      rows.push(
        [
          t.toFixed(4),
          ...axis.map((value, i) => (scale * (value + (bias[i] as number) + 0.1 * normal())).toFixed(5)),
        ].join(','),
      );
    }
    return rows.join('\n');
  }

  it('gives the speed in spite of tilt, bias and irregular sampling', async () => {
    const result = measureGyro(log(33.6), { nominalRpm: 100 / 3 });
    if (result.kind !== 'measured') throw new Error(result.kind === 'asked' ? result.message : result.reason);
    expect(Math.abs(result.meanRpm - 33.6)).toBeLessThan(0.01);
    expect(result.biasDps).toBeCloseTo(Math.hypot(0.4, 0.2, 0.7), 1);
    expect(result.warnings).toContain('SCALE_NOT_CALIBRATED');
    expect(result.meanErrorExpandedUncertaintyPercent).toBeGreaterThan(3);
  });
});
