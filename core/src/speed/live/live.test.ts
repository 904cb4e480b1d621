import { describe, expect, it } from 'vitest';
import { seeded } from '../../numeric/index.js';
import { synthTone, type SynthTone } from '../tone/synth.js';
import { liveMeter, type LiveReading, type LiveWish } from './meter.js';
import { livePulses } from './pulses.js';

const RATE = 22050;
const WISH: LiveWish = {
  sampleRate: RATE,
  nominalHz: 3150,
  turnS: 1.8,
  referenceUncertaintyPercent: 0.1,
  clockLimitPercent: 0.01,
  clockCorrectionPpm: 0,
};
const tone = (more: Partial<SynthTone> = {}) =>
  synthTone({ sampleRate: RATE, durationS: 8, nominalHz: 3150, errorPercent: 0.8, snrDb: 45, ...more });

const join = (...parts: readonly Float64Array[]) => {
  const out = new Float64Array(parts.reduce((sum, part) => sum + part.length, 0));
  parts.reduce((at, part) => (out.set(part, at), at + part.length), 0);
  return out;
};

function listen(samples: Float64Array, wish: Partial<LiveWish> = {}, block = 777) {
  const meter = liveMeter({ ...WISH, ...wish });
  const readings: LiveReading[] = [];
  for (let at = 0; at < samples.length; at += block) readings.push(...meter.push(samples.subarray(at, at + block)));
  return { meter, readings };
}

const lastTone = (readings: readonly LiveReading[]) => {
  const last = readings.filter((one) => one.kind === 'tone').pop();
  if (last?.kind !== 'tone') throw new Error('no tone');
  return last;
};

describe('the ± beside the live number, worked by hand', () => {
  it('is what the phase strays over the stretch, at its two ends', () => {
    // Flutter of p = 0.2 % at 30 Hz moves the phase by p/100 · 3150/30 = 0.21 rad, r = 0.1485 rad r.m.s.;
    // U = 2 · 100 √2 r / (2 π · 3.6 s · 3150 Hz) = 0.00059 %, with nothing from clock and tape.
    const samples = tone({ errorPercent: 0, snrDb: 90, lines: [{ hz: 30, peakPercent: 0.2 }] });
    const bare = { referenceUncertaintyPercent: 0, clockLimitPercent: 0 };
    const { mean } = lastTone(listen(samples, bare).readings);
    expect(mean.overS).toBeCloseTo(3.6, 2);
    expect(mean.expandedPercent / ((200 * Math.SQRT2 * 0.1485) / (2 * Math.PI * 3.6 * 3150))).toBeCloseTo(1, 1);
    // A clock within ±0.1 % has u = 0.1/√3, a tape with U = 0.1 % u = 0.05 %: U = 2 √(0.0577² + 0.05²).
    const known = { referenceUncertaintyPercent: 0.1, clockLimitPercent: 0.1 };
    expect(lastTone(listen(samples, known).readings).mean.expandedPercent).toBeCloseTo(0.1528, 3);
  });
});

describe('a hole in a tone that is as steady as can be', () => {
  it('may have lost half a turn of it: ±0.5 of 3.6 s · 3150 Hz, even between its limits', () => {
    const samples = tone({ errorPercent: 0, snrDb: 90 }).fill(0, 6.5 * RATE, 6.6 * RATE);
    const { mean } = lastTone(listen(samples, { referenceUncertaintyPercent: 0, clockLimitPercent: 0 }).readings);
    expect(mean.expandedPercent / ((2 * 100 * 0.5) / (Math.sqrt(3) * 3.6 * 3150))).toBeCloseTo(1, 1);
  });
});

describe('the live meter', () => {
  it('gives twenty readings a second, whatever the block', () => {
    for (const block of [128, 1024, 5000]) {
      const { readings } = listen(tone({ durationS: 3 }), {}, block);
      expect(readings.length).toBeGreaterThanOrEqual(59);
    }
  });

  it('shows the mean of the last two whole turns, in which the platter’s wow falls out', () => {
    const wow = { hz: (100 / 3 / 60) * 1.008, peakPercent: 0.3 };
    const { readings } = listen(tone({ durationS: 12, lines: [wow] }));
    const tail = readings.slice(-60).flatMap((one) => (one.kind === 'tone' ? [one] : []));
    for (const one of tail) {
      expect(one.mean.of).toBe('two turns');
      // What swings by 0.3 % either way beside it, seen over a fifth of a second at a time.
      expect(one.halfWidthPercent / 0.3).toBeGreaterThan(0.95);
      expect(one.halfWidthPercent / 0.3).toBeLessThan(1.03);
      expect(one.mean.overS).toBeCloseTo(3.6 / 1.008, 1);
      expect(Math.abs(one.mean.errorPercent - 0.8)).toBeLessThan(0.01);
    }
    const edges = tail.map((one) => one.edgePercent);
    expect(Math.max(...edges) - Math.min(...edges)).toBeGreaterThan(0.4);
  });

  it('says one second where the time of a turn is not known, and so far while there is less', () => {
    const { readings } = listen(tone({ durationS: 3 }), { turnS: null });
    expect(lastTone(readings).mean).toMatchObject({ of: 'one second', overS: 1 });
    expect(lastTone(listen(tone({ durationS: 2 })).readings).mean.of).toBe('so far');
  });

  it('the edge follows a step within 0.2 s', () => {
    const before = tone({ durationS: 3, errorPercent: 0, snrDb: 60 });
    const after = tone({ durationS: 2, errorPercent: 1.5, snrDb: 60 });
    const { readings } = listen(join(before, after));
    const late = readings.find((one) => one.kind === 'tone' && one.atS >= 3.2);
    expect(late?.kind === 'tone' ? late.edgePercent : NaN).toBeCloseTo(1.5, 1);
  });

  it('calls a lifted stylus “tone ended”, and finds the tone again', () => {
    const { readings } = listen(
      join(new Float64Array(RATE), tone({ durationS: 4 }), new Float64Array(RATE), tone({ durationS: 4 })),
    );
    const kinds = readings.map((one) => one.kind).filter((kind, i, all) => kind !== all[i - 1]);
    expect(kinds).toEqual(['waiting', 'tone', 'ended', 'tone']);
  });

  it('a late buffer that comes as silence, or a dropout of the tape, moves the number by less than half a turn of the tone', () => {
    // Half a cycle over 3.6 s of 3150 Hz is 0.0044 %. A line through a step in its middle
    // has half as much again, and the first moment says the speed that carries over the hole to some 0.02 %.
    for (const [gapS, kept] of [
      [0.06, 'the tone goes on behind it'],
      [0.15, 'the tone goes on behind it'],
      [0.06, 'the tone waits for it'],
      [0.15, 'the tone waits for it'],
    ] as const) {
      const whole = tone({ durationS: 9, snrDb: 60 });
      const gap = Math.round(gapS * RATE);
      for (const atS of [0.18, 0.3, 1.01, 5.003]) {
        const at = Math.round(atS * RATE);
        const behind = whole.subarray(kept === 'the tone goes on behind it' ? at + gap : at);
        const { readings } = listen(join(whole.subarray(0, at), new Float64Array(gap), behind));
        for (const one of readings) {
          if (one.kind !== 'tone') continue;
          const room = 0.03 + (1.5 * 100) / (2 * 3150 * one.mean.overS);
          expect(Math.abs(one.mean.errorPercent - 0.8), `${atS}, ${gapS} s, ${kept}`).toBeLessThan(room);
        }
        expect(Math.abs(lastTone(readings).mean.errorPercent - 0.8)).toBeLessThan(0.006);
      }
    }
  });

  it('a tone that is gone just after it came has ended, and no number is carried on without it', () => {
    for (const heardS of [0.3, 0.4, 0.6, 1.5]) {
      const { readings } = listen(join(tone({ durationS: heardS }), new Float64Array(3 * RATE)));
      const kinds = readings.filter((one) => one.atS > heardS + 0.15).map((one) => one.kind);
      expect(new Set(kinds), `${heardS} s`).toEqual(new Set(['ended']));
    }
  });

  describe('a machine that stands still for up to half a second, and hands on nothing meanwhile', () => {
    it.each([0.05, 0.1, 0.3, 0.5])(
      'keeps the tone at ±%f % of wow: number and capture are right to what they say',
      (wow) => {
        for (let seed = 1; seed <= 3; seed++) {
          const random = seeded(seed);
          const heard = tone({ durationS: 9, lines: [{ hz: 0.55, peakPercent: wow, phaseRad: 6 * random() }] });
          for (let atS = 0.6 + random(); atS < 8;) {
            const forS = 0.05 + 0.42 * random();
            heard.fill(0, Math.round(atS * RATE), Math.round((atS + forS) * RATE));
            atS += forS + 0.5 + 1.5 * random();
          }
          const { meter, readings } = listen(heard, { clockLimitPercent: 1e-4, referenceUncertaintyPercent: null });
          for (const one of readings)
            if (one.kind === 'tone' && one.mean.of === 'two turns')
              expect(Math.abs(one.mean.errorPercent - 0.8), `${seed}`).toBeLessThan(one.mean.expandedPercent);
          const run = meter.capture();
          if (run.kind !== 'measured') throw new Error(run.kind);
          expect(run.tone.endS - run.tone.startS, `${seed}`).toBeGreaterThan(7);
          expect(Math.abs(run.meanErrorPercent - 0.8), `${seed}`).toBeLessThan(run.meanErrorExpandedUncertaintyPercent);
        }
      },
    );

    it.each([
      ['nothing for 0.4 s is the machine', 0, 0.4, 5.8],
      ['nothing for 1.2 s is a switch', 0, 1.2, 2],
      ['an input that hears its own noise is a stylus lifted', 1e-4, 0.4, 2],
    ])('%s', (_what, noise, forS, toneS) => {
      const gap = Float64Array.from({ length: forS * RATE }, (_, i) => (i % 2 === 0 ? noise : -noise));
      const { readings } = listen(join(tone({ durationS: 4 }), gap, tone({ durationS: 1.8 })));
      // As long as it is the same tone; the filters settle and the look that finds one is 0.1 to 0.3 s.
      expect(lastTone(readings).toneS - toneS).toBeGreaterThan(-0.5);
      expect(lastTone(readings).toneS - toneS).toBeLessThan(0.5);
    });
  });

  it('waits through music and noise without an error', () => {
    const noise = tone({ nominalHz: 3150, snrDb: -25, durationS: 3 });
    expect(listen(noise).readings.every((one) => one.kind === 'waiting')).toBe(true);
  });

  it('warns of clipping', () => {
    const loud = tone({ durationS: 1 }).map((value) => Math.max(-1, Math.min(1, 3 * value)));
    expect(listen(loud).readings.some((one) => one.level.clipped)).toBe(true);
  });

  it('captures what was heard as a recording would be measured', () => {
    const { meter } = listen(tone({ durationS: 20, lines: [{ hz: 5, peakPercent: 0.1 }] }));
    const result = meter.capture();
    if (result.kind !== 'measured') throw new Error(result.kind);
    expect(Math.abs(result.meanErrorPercent - 0.8)).toBeLessThan(1e-3);
    expect(result.lines[0]?.frequencyHz).toBeCloseTo(5, 1);
    expect(result.lines[0]?.peakPercent).toBeCloseTo(0.1, 2);
    expect(listen(new Float64Array(RATE)).meter.capture()).toEqual({ kind: 'unusable', reason: 'TOO_SHORT' });
  });

  it('takes the clock’s correction and its limit', () => {
    const exact = listen(tone({ snrDb: 70 }), { clockCorrectionPpm: -100, clockLimitPercent: 0.001 });
    expect(lastTone(exact.readings).mean.errorPercent).toBeCloseTo(0.8 - 0.01, 3);
  });
});

describe('live pulses', () => {
  it('count turns a minute and capture as a file would', () => {
    const hz = (4 * 45.2) / 60;
    const samples = Float64Array.from({ length: 20 * RATE }, (_, n) => (((n * hz) / RATE) % 1 < 0.3 ? 0.6 : 0.02));
    const counter = livePulses({ sampleRate: RATE, perTurn: 4, nominalRpm: 45 });
    const readings = Array.from({ length: 200 }, (_, i) =>
      counter.push(samples.subarray((i * RATE) / 10, ((i + 1) * RATE) / 10)),
    ).flat();
    expect(readings[0]?.kind).toBe('waiting');
    expect(readings[readings.length - 1]?.rpm).toBeCloseTo(45.2, 2);
    const result = counter.capture();
    expect(result).toMatchObject({ kind: 'measured', from: 'live' });
    expect(result.kind === 'measured' ? result.meanRpm : 0).toBeCloseTo(45.2, 3);
  });

  it('ask about a speed that cannot be, and measure what was heard then by the answer', () => {
    // 8 slots were taken for one: 8 x 45.2 rpm is eight times what the machine can do.
    const hz = (8 * 45.2) / 60;
    const samples = Float64Array.from({ length: 12 * RATE }, (_, n) => (((n * hz) / RATE) % 1 < 0.3 ? 0.6 : 0.02));
    const counter = livePulses({ sampleRate: RATE, perTurn: 1, nominalRpm: 45 });
    counter.push(samples);
    const asked = counter.capture();
    expect(asked).toMatchObject({ kind: 'asked', code: 'SPEED_OUT_OF_REACH' });
    // What comes in while somebody thinks does not change what was asked about.
    counter.push(new Float64Array(5 * RATE).fill(0.02));
    const answered = counter.capture({ perTurn: 8 });
    expect(answered.kind === 'measured' ? answered.meanRpm : 0).toBeCloseTo(45.2, 2);
    const asIs = counter.capture({ asIs: true });
    expect(asIs.kind === 'measured' ? asIs.meanRpm : 0).toBeCloseTo(8 * 45.2, 1);
  });

  it('begin anew after a hole in the sound: 20 ms of silence in 3.6 s would read 0.56 % slow', () => {
    const sine = (fromS: number, toS: number) =>
      Float64Array.from(
        { length: (toS - fromS) * RATE },
        (_, n) => 0.4 * Math.sin(2 * Math.PI * 3150 * (fromS + n / RATE)),
      );
    const hole = new Float64Array(0.02 * RATE);
    const counter = livePulses({ sampleRate: RATE, perTurn: 5670, nominalRpm: 100 / 3 });
    const read = (samples: Float64Array) => counter.push(samples).flatMap((one) => one.errorPercent ?? []);
    const errors = [...read(sine(0, 3)), ...read(hole), ...read(sine(3, 8))];
    expect(errors.length).toBeGreaterThan(60);
    expect(Math.max(...errors.map(Math.abs))).toBeLessThan(0.05);
  });

  it('two teeth left out of a wheel are no hole: the turn they belong to is counted whole', () => {
    // 58 of 60 teeth stand: a mean of whole turns of the 58 is right, one of the teeth alone would be 3.4 % fast.
    const toothHz = (60 * 45) / 60;
    const samples = Float64Array.from({ length: 8 * RATE }, (_, n) => {
      const teeth = (n * toothHz) / RATE;
      return teeth % 60 < 58 && teeth % 1 < 0.5 ? 0.5 : -0.5;
    });
    const counter = livePulses({ sampleRate: RATE, perTurn: 58, nominalRpm: 45 });
    expect(counter.push(samples).at(-1)?.errorPercent).toBeCloseTo(0, 1);
  });

  it('wait again when the shaft stops, and refuse an empty capture', () => {
    const counter = livePulses({ sampleRate: RATE, perTurn: 1, nominalRpm: 45 });
    const silent = counter.push(new Float64Array(3 * RATE));
    expect(silent.every((one) => one.kind === 'waiting')).toBe(true);
    expect(counter.capture()).toMatchObject({ kind: 'unusable', reason: 'TOO_FEW_PULSES' });
  });
});
