/** 3. Captures of a scope. */
import { asked, mean, pulses, type MadeCase } from './case.js';
import { generatorVolts, pulseVolts, traceCsv } from './logs.js';
import type { Motion } from './shaft.js';

const scope: Motion = { rpm: 301, durationS: 4 };
const fg: Motion = { rpm: 1806, durationS: 2, wow: [{ hz: 7, percent: 0.3 }] };
const pole = { rpm: 45.09, durationS: 30 };

/** Preambles, offsets, few samples, weak places, folding. */
export const CAPTURE_CASES: MadeCase[] = [
  pulses(
    'time and volts',
    () => traceCsv({ sampleHz: 5000, durationS: 4, channels: [pulseVolts(scope, 4)], head: ['Time,CH1', 's,V'] }),
    4,
    300,
    mean(scope),
  ),
  pulses(
    'no time column, interval in the head',
    () =>
      traceCsv({
        sampleHz: 5000,
        durationS: 4,
        time: false,
        channels: [pulseVolts(scope, 4)],
        head: ['Record length,20000', 'Sample interval,2.0E-04', 'Volts'],
      }),
    4,
    300,
    mean(scope),
  ),
  pulses(
    'no time column, rate in the head',
    () =>
      traceCsv({
        sampleHz: 5000,
        durationS: 4,
        time: false,
        channels: [pulseVolts(scope, 4)],
        head: ['Channel: CH1', 'Sample rate: 5 kSa/s'],
      }),
    4,
    300,
    mean(scope),
  ),
  pulses(
    'no time column and no interval',
    () => traceCsv({ sampleHz: 5000, durationS: 4, time: false, channels: [pulseVolts(scope, 4)] }),
    4,
    300,
    asked('SAMPLE_INTERVAL'),
  ),
  pulses(
    'minus times and an offset',
    () =>
      traceCsv({
        sampleHz: 5000,
        durationS: 4,
        startS: -2,
        channels: [(t) => 12 + pulseVolts(scope, 4)(t)],
        head: ['Time (s),Ch A (V)'],
      }),
    4,
    300,
    mean(scope),
  ),
  pulses(
    'semicolons and decimal comma',
    () =>
      traceCsv({
        sampleHz: 5000,
        durationS: 4,
        separator: ';',
        comma: true,
        channels: [pulseVolts(scope, 4)],
        head: ['Zeit;Kanal A', '(s);(V)'],
      }),
    4,
    300,
    mean(scope),
  ),
  pulses(
    'two channels, one of them only noise',
    () =>
      traceCsv({
        sampleHz: 5000,
        durationS: 4,
        noise: 0.02,
        channels: [() => 0, pulseVolts(scope, 4)],
        head: ['Time,CH1,CH2'],
      }),
    4,
    300,
    mean(scope, 0.03),
  ),
  pulses(
    'a preamble of names and values',
    () =>
      traceCsv({
        sampleHz: 5000,
        durationS: 4,
        channels: [pulseVolts(scope, 4)],
        head: ['Model,XX', 'Vertical Scale,2.0', 'Trigger Level,1.5', 'Points,20000', 'Time,Volt'],
      }),
    4,
    300,
    mean(scope),
  ),
  ...[0.03, 0.97].map((high) =>
    pulses(
      `pulses of ${100 * high} % duty in noise`,
      () =>
        traceCsv({
          sampleHz: 10000,
          durationS: 5,
          noise: 0.05,
          channels: [pulseVolts({ rpm: 600, durationS: 5 }, 2, { high })],
          head: ['Time,CH1'],
        }),
      2,
      600,
      mean({ rpm: 600, durationS: 5 }, 0.02),
    ),
  ),
  pulses(
    'a preamble beside the numbers',
    () => {
      const rows = traceCsv({ sampleHz: 5000, durationS: 4, channels: [pulseVolts(scope, 4)] }).split('\n');
      const head = ['Record Length,2.0e+04', 'Sample Interval,2.0e-04', 'Trigger Point,1.0e+01', 'Source,CH1'];
      return rows.map((row, i) => `${head[i] ?? ','},,${row},`).join('\n');
    },
    4,
    300,
    mean(scope),
  ),
  pulses(
    'few converter steps and noise',
    () =>
      traceCsv({
        sampleHz: 20000,
        durationS: 4,
        noise: 0.12,
        step: 0.2,
        channels: [(t) => generatorVolts(scope, 24)(t)],
        head: ['Time,CH1'],
      }),
    24,
    300,
    mean(scope, 0.03),
  ),
  pulses(
    'a sine at four samples a cycle, weak wow',
    () =>
      traceCsv({
        sampleHz: (1806 / 60) * 24 * 4.3,
        durationS: 2,
        channels: [generatorVolts(fg, 24)],
        head: ['Time,CH1'],
      }),
    24,
    1800,
    mean(fg, 0.05, { wow: { percent: 0.3, within: 0.05 } }),
  ),
  ...[0.55, 0.8].map((dip) =>
    pulses(
      `a generator whose level dips by ${dip * 100} % once a turn`,
      () =>
        traceCsv({
          sampleHz: 2000,
          durationS: 30,
          noise: 0.004,
          channels: [generatorVolts(pole, 24, { dip })],
          head: ['Time,CH1'],
        }),
      24,
      45,
      mean(pole, 0.03, { warning: 'WEAK_SEGMENT', weak: { places: 1, dipPercent: 100 * dip } }),
    ),
  ),
  pulses(
    'sampled at 1.3 times the pulse rate',
    () =>
      traceCsv({
        sampleHz: 1.3 * 20.07,
        durationS: 60,
        channels: [pulseVolts({ rpm: 301, durationS: 60 }, 4, { high: 0.5 })],
        head: ['Time,CH1'],
      }),
    4,
    300,
    asked('MAYBE_FOLDED', 301),
  ),
  pulses(
    'sampled at 2.05 times the pulse rate',
    () =>
      traceCsv({
        sampleHz: 2.05 * 20.07,
        durationS: 60,
        channels: [pulseVolts({ rpm: 301, durationS: 60 }, 4, { high: 0.5 })],
        head: ['Time,CH1'],
      }),
    4,
    300,
    asked('MAYBE_FOLDED', 301),
  ),
];
