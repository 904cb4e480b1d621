/** Each figure of a run with its definition and its own numbers put into it: what a tap on it opens. */
import { COVERAGE_FACTOR, fixed, signed, THIN, type UncertaintyPart } from '../../quantity/index.js';
import type { FlutterFigures } from '../tone/result.js';
import type { SpeedRun } from './result.js';

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
  tone: 'steady frequency of the tone, periodic lines fitted out',
  pulses: 'slope of a line through the counted pulses, lines and wheel errors fitted out',
  gyro: 'turn rate less the standstill’s bias, integrated and fitted',
  strobe: 'ring standing still plus the drift of its bars',
  stopwatch: 'slope of a line through all taps',
  sound: 'shaft speed under the harmonics, mean of the frames that sound',
};

function meanWorking(run: SpeedRun): Working {
  return {
    id: 'mean',
    name: 'Mean',
    value: `${fixed(run.mean, run.unit === 'Hz' ? 3 : run.mean < 1000 ? 3 : 0)}${THIN}${run.unit}`,
    definition: MEAN_DEFINITIONS[run.detail.way],
    steps: meanSteps(run),
  };
}

function meanSteps({ detail, mean }: SpeedRun): string[] {
  switch (detail.way) {
    case 'tone':
      return [
        `tone from ${fixed(detail.startS, 2)} to ${fixed(detail.endS, 2)} s${detail.live ? ', heard live' : ''}`,
        'phase = slow curve (Legendre) + sine lines + rest, by least squares',
        `mean = centre + rise of the curve / (2π · ${fixed(detail.endS - detail.startS, 2)} s) = ${fixed(mean, 4)} Hz`,
      ];
    case 'pulses':
      return [
        `${detail.perTurn} a turn; ${detail.missing} missing filled in, ${detail.doubled} doubled left out`,
        `rpm = 60 · pulses a second / ${detail.perTurn} = ${fixed(mean, 4)}`,
      ];
    case 'gyro':
      return [
        `bias vector of ${fixed(detail.biasDps, 3)} deg/s taken off before the magnitude`,
        `rpm = deg/s / 6: ${fixed(6 * mean, 3)} / 6 = ${fixed(mean, 4)}`,
      ];
    case 'strobe':
      return [
        `rpm = (60 F + D) / N = (60 · ${fixed(detail.flashHz, 2)} ${detail.driftBarsPerMin < 0 ? '−' : '+'} ${fixed(Math.abs(detail.driftBarsPerMin), 1)}) / ${detail.ringBars} = ${fixed(mean, 3)}`,
        'F flashes a second, D bars a minute in the sense of rotation, N bars of the ring',
      ];
    case 'stopwatch':
      return [`${detail.taps} taps over ${detail.turns} turns: ${fixed(mean, 3)} rpm`];
    case 'sound':
      return [
        `${detail.linesPerTurn} lines a turn (${detail.lines}): ${fixed((mean * detail.linesPerTurn) / 60, 1)} Hz`,
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
      name: 'Error',
      value: `${signed(errorPercent, 3)}${THIN}%`,
      definition: 'against the nominal',
      steps: [
        `(${fixed(mean, 3)} / ${fixed(nominal, 3)} ${unit} − 1) · 100 % = ${signed(errorPercent, 4)} %`,
        `in cents: 1200 · log2(mean / nominal) = ${signed(cents, 1)}`,
      ],
    },
  ];
}

function uncertaintyWorking({ uncertainty, expandedPercent }: SpeedRun): Working {
  return {
    id: 'uncertainty',
    name: 'Uncertainty',
    value: `±${THIN}${percent(expandedPercent, 4)}`,
    definition: `expanded, k = ${COVERAGE_FACTOR}`,
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
      name: 'Drift',
      value: `${signed(driftPercent, 3)}${THIN}%`,
      definition: 'last tenth less first tenth',
      steps:
        detail.way === 'sound'
          ? ['mean of the last tenth of the frames less that of the first']
          : ['slow curve and rest, lines left out: a quadratic through each tenth gives its steady speed'],
    },
  ];
}

const FLUTTER_ROWS: readonly (readonly [keyof FlutterFigures, string, string, string])[] = [
  [
    'unweightedPeakPercent',
    'Unweighted peak',
    '2-sigma, 0.2 to 200 Hz',
    'the size that |deviation| does not exceed 95 % of the time, on a 4 kHz grid',
  ],
  ['unweightedRmsPercent', 'Unweighted rms', '0.5 to 200 Hz (NAB)', 'root of the mean square of lines and rest'],
  [
    'weighted2SigmaPercent',
    'Weighted 2-sigma',
    'AES6',
    'weighted by the curve of IEC 60386 (from memory), then the size not exceeded 95 % of the time',
  ],
  [
    'weightedQuasiPeakPercent',
    'Weighted quasi-peak',
    'DIN, IEC 60386',
    'weighted, then a detector that charges fast and falls slowly; its largest indication',
  ],
  ['weightedRmsPercent', 'Weighted rms', 'JIS, NAB', 'weighted, then the root of the mean square'],
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
        ? `largest line: ${fixed(largest.frequencyHz, 3)} Hz, ${percent(largest.peakPercent, 4)} peak`
        : 'no line stands out of the noise',
    ],
  }));
}

function detailWorkings({ detail }: SpeedRun): Working[] {
  if (detail.way === 'tone') {
    return [
      {
        id: 'snr',
        name: 'Signal to noise',
        value: `${fixed(detail.snrDb, 0)}${THIN}dB`,
        definition: `tone ${fixed(detail.startS, 1)} to ${fixed(detail.endS, 1)} s`,
        steps: [
          'power of the tone over all the rest of its frames',
          `${detail.dropouts} dropouts left out; ${detail.clipped ? 'clipped' : 'not clipped'}; channel ${detail.channel + 1}`,
        ],
      },
    ];
  }
  if (detail.way === 'pulses' && detail.perTurn > 1) {
    const worst = detail.spacingErrorsPercent.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
    return [
      {
        id: 'spacing',
        name: 'Wheel spacing',
        value: percent(worst, 2),
        definition: 'largest error of a gap, of the pitch',
        steps: [
          `from pulse to pulse: ${detail.spacingErrorsPercent
            .slice(0, 64)
            .map((value) => signed(value, 2))
            .join(', ')} %`,
          `${detail.damagedSegmentsPerTurn} damaged segments a turn`,
          'error of the wheel plus any real variation locked to its shaft: one sensor cannot split them',
        ],
      },
    ];
  }
  return [];
}
