/** Each figure of a run with its definition and its own numbers put into it: what a tap on it opens. */
import { COVERAGE_FACTOR, fixed, signed, THIN, type UncertaintyPart } from '../../quantity/index.js';
import type { FlutterFigures } from '../tone/result.js';
import type { SpeedRun } from './result.js';
import { say } from '../../words/index.js';

/** A figure with the working behind it. */
export interface Working {
  readonly id: string;
  readonly name: string;
  /** With its unit, as it stands in the table. */
  readonly value: string;
  /** What the figure is, in one line. */
  readonly definition: string;
  /** The sum with this run's numbers, a line each. */
  readonly steps: readonly string[];
}

const percent = (value: number, decimals = 3): string => `${fixed(value, decimals)}${THIN}%`;

/** All figures of a run that has them, in the order of the table. */
export function workingsOf(run: SpeedRun): Working[] {
  return [
    meanWorking(run),
    ...errorWorking(run),
    uncertaintyWorking(run),
    ...driftWorking(run),
    ...(run.flutter ? flutterWorkings(run.flutter, run) : []),
    ...detailWorkings(run),
  ];
}

const MEAN_DEFINITIONS: Readonly<Record<SpeedRun['detail']['way'], string>> = {
  tone: say`steady frequency of the tone, periodic lines fitted out`,
  pulses: say`slope of a line through the counted pulses, lines and wheel errors fitted out`,
  gyro: say`turn rate less the standstill’s bias, integrated and fitted`,
  strobe: say`ring standing still plus the drift of its bars`,
  stopwatch: say`slope of a line through all taps`,
  sound: say`shaft speed under the harmonics, mean of the frames that sound`,
};

function meanWorking(run: SpeedRun): Working {
  return {
    id: 'mean',
    name: say`Mean`,
    value: `${fixed(run.mean, run.unit === 'Hz' ? 3 : run.mean < 1000 ? 3 : 0)}${THIN}${run.unit}`,
    definition: MEAN_DEFINITIONS[run.detail.way],
    steps: meanSteps(run),
  };
}

function meanSteps({ detail, mean }: SpeedRun): string[] {
  switch (detail.way) {
    case 'tone':
      return [
        say`tone from ${fixed(detail.startS, 2)} to ${fixed(detail.endS, 2)} s${detail.live ? say`, heard live` : ''}`,
        say`phase = slow curve (Legendre) + sine lines + rest, by least squares`,
        say`mean = centre + rise of the curve / (2π · ${fixed(detail.endS - detail.startS, 2)} s) = ${fixed(mean, 4)}
          Hz`,
      ];
    case 'pulses':
      return [
        say`${detail.perTurn} a turn; ${detail.missing} missing filled in, ${detail.doubled} doubled left out`,
        say`rpm = 60 · pulses a second / ${detail.perTurn} = ${fixed(mean, 4)}`,
      ];
    case 'gyro':
      return [
        say`bias vector of ${fixed(detail.biasDps, 3)} deg/s taken off before the magnitude`,
        `rpm = deg/s / 6: ${fixed(6 * mean, 3)} / 6 = ${fixed(mean, 4)}`,
      ];
    case 'strobe':
      return [
        `rpm = (60 F + D) / N = (60 · ${fixed(detail.flashHz, 2)} ${detail.driftBarsPerMin < 0 ? '−' : '+'} ${fixed(Math.abs(detail.driftBarsPerMin), 1)}) / ${detail.ringBars} = ${fixed(mean, 3)}`,
        say`F flashes a second, D bars a minute in the sense of rotation, N bars of the ring`,
      ];
    case 'stopwatch':
      return [say`${detail.taps} taps over ${detail.turns} turns: ${fixed(mean, 3)} rpm`];
    case 'sound':
      return [
        say`${detail.linesPerTurn} lines a turn (${detail.lines}): ${fixed((mean * detail.linesPerTurn) / 60, 1)} Hz`,
        `rpm = 60 · Hz / ${detail.linesPerTurn} = ${fixed(mean, 1)}`,
        ...detail.candidates.map((one) => `${fixed(one.rpm, 0)} rpm: ${fixed(100 * one.share, 0)} % (${one.why})`),
      ];
  }
}

function errorWorking({ errorPercent, nominal, mean, unit }: SpeedRun): Working[] {
  if (errorPercent === null || nominal === null) return [];
  const cents = 1200 * Math.log2(1 + errorPercent / 100);
  return [
    {
      id: 'error',
      name: say`Error`,
      value: `${signed(errorPercent, 3)}${THIN}%`,
      definition: say`against the nominal`,
      steps: [
        `(${fixed(mean, 3)} / ${fixed(nominal, 3)} ${unit} − 1) · 100 % = ${signed(errorPercent, 4)} %`,
        say`in cents: 1200 · log2(mean / nominal) = ${signed(cents, 1)}`,
      ],
    },
  ];
}

function uncertaintyWorking({ uncertainty, expandedPercent }: SpeedRun): Working {
  return {
    id: 'uncertainty',
    name: say`Uncertainty`,
    value: `±${THIN}${percent(expandedPercent, 4)}`,
    definition: say`expanded, k = ${COVERAGE_FACTOR}`,
    steps: [
      ...uncertainty.map(partLine),
      `U = ${COVERAGE_FACTOR} · √(${uncertainty.map((part) => `${fixed(part.standardPercent, 4)}²`).join(' + ')}) = ${fixed(expandedPercent, 4)} %`,
    ],
  };
}

const partLine = (part: UncertaintyPart): string =>
  `${part.name}: u = ${fixed(part.standardPercent, 4)} %, ${part.why}`;

function driftWorking({ driftPercent, detail }: SpeedRun): Working[] {
  if (driftPercent === null) return [];
  return [
    {
      id: 'drift',
      name: say`Drift`,
      value: `${signed(driftPercent, 3)}${THIN}%`,
      definition: say`last tenth less first tenth`,
      steps:
        detail.way === 'sound'
          ? [say`mean of the last tenth of the frames less that of the first`]
          : [say`slow curve and rest, lines left out: a quadratic through each tenth gives its steady speed`],
    },
  ];
}

const FLUTTER_ROWS: readonly (readonly [keyof FlutterFigures, string, string, string])[] = [
  [
    'unweightedPeakPercent',
    say`Unweighted peak`,
    '2-sigma, 0.2 to 200 Hz',
    say`the size that |deviation| does not exceed 95 % of the time, on a 4 kHz grid`,
  ],
  ['unweightedRmsPercent', say`Unweighted rms`, '0.5 to 200 Hz (NAB)', say`root of the mean square of lines and rest`],
  [
    'weighted2SigmaPercent',
    'Weighted 2-sigma',
    'AES6',
    say`weighted by the curve of IEC 60386 (from memory), then the size not exceeded 95 % of the time`,
  ],
  [
    'weightedQuasiPeakPercent',
    say`Weighted quasi-peak`,
    say`DIN, IEC 60386`,
    say`weighted, then a detector that charges fast and falls slowly; its largest indication`,
  ],
  ['weightedRmsPercent', say`Weighted rms`, say`JIS, NAB`, say`weighted, then the root of the mean square`],
];

function flutterWorkings(figures: FlutterFigures, run: SpeedRun): Working[] {
  const largest = run.lines[0];
  return FLUTTER_ROWS.map(([id, name, definition, how]) => ({
    id,
    name,
    value: percent(figures[id]),
    definition,
    steps: [
      how,
      largest
        ? say`largest line: ${fixed(largest.frequencyHz, 3)} Hz, ${percent(largest.peakPercent, 4)} peak`
        : say`no line stands out of the noise`,
    ],
  }));
}

function detailWorkings({ detail }: SpeedRun): Working[] {
  if (detail.way === 'tone') {
    return [
      {
        id: 'snr',
        name: say`Signal to noise`,
        value: `${fixed(detail.snrDb, 0)}${THIN}dB`,
        definition: say`tone ${fixed(detail.startS, 1)} to ${fixed(detail.endS, 1)} s`,
        steps: [
          say`power of the tone over all the rest of its frames`,
          say`${detail.dropouts} dropouts left out; ${detail.clipped ? say`clipped` : say`not clipped`}; channel
            ${detail.channel + 1}`,
        ],
      },
    ];
  }
  if (detail.way === 'pulses' && detail.perTurn > 1) {
    const worst = detail.spacingErrorsPercent.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
    return [
      {
        id: 'spacing',
        name: say`Wheel spacing`,
        value: percent(worst, 2),
        definition: say`largest error of a gap, of the pitch`,
        steps: [
          say`from pulse to pulse: ${detail.spacingErrorsPercent
            .slice(0, 64)
            .map((value) => signed(value, 2))
            .join(', ')} %`,
          say`${detail.damagedSegmentsPerTurn} damaged segments a turn`,
          say`error of the wheel plus any real variation locked to its shaft: one sensor cannot split them`,
        ],
      },
    ];
  }
  return [];
}
