import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import {
  ask,
  doubtOf,
  figureInUse,
  runOfStopwatch,
  stopwatch,
  turnProfile,
  type SpeedRun,
} from '@amber-gauge/core/speed';
import type { RunFigures } from '@amber-gauge/contract';
import { describe, expect, it } from 'vitest';
import { Question } from '../ways/Question.js';
import { passedOn } from '../ways/kinds.js';
import { Unsaved } from '../ways/Unsaved.js';
import { useHanding } from '../ways/useHanding.js';
import { withoutFile } from '../ways/way.js';
import { Warnings } from './Warnings.js';
import { WowByPart } from './WowByPart.js';

/** Lines of 0.12 and 0.05 at the platter, 0.04 at the motor, 0.03 unknown; the rest makes an rms of 0.1. */
const figures = {
  unit: 'Hz',
  nominal: 3150,
  mean: 3150,
  errorPercent: 0,
  expandedPercent: 0.02,
  uncertainty: [],
  driftPercent: 0,
  flutter: {
    unweightedPeakPercent: 0.17,
    unweightedRmsPercent: 0.105,
    weighted2SigmaPercent: 0.11,
    weightedQuasiPeakPercent: 0.12,
    weightedRmsPercent: 0.08,
  },
  lines: [
    { frequencyHz: 0.5556, peakPercent: 0.12 },
    { frequencyHz: 1.1111, peakPercent: 0.05 },
    { frequencyHz: 5, peakPercent: 0.04 },
    { frequencyHz: 17.3, peakPercent: 0.03 },
  ],
  warnings: [],
  detail: { way: 'tone', live: false, startS: 0, endS: 60, snrDb: 50, dropouts: 0, clipped: false, channel: 0 },
  series: { startS: 0, stepS: 0.04, errorPercent: new Array<number>(1500).fill(0), halfWidthPercent: [] },
  spectrum: null,
} as unknown as RunFigures;

const parts = [
  { name: 'platter', kind: 'platter', hz: 100 / 180 },
  { name: 'motor', kind: 'motor', hz: 5 },
] as const;

describe('who makes the wow', () => {
  it('gives each part its share, in quadrature, with what usually makes it', () => {
    render(<WowByPart figures={figures} parts={parts} />);
    const row = (name: string) => screen.getByText(name, { exact: true }).closest('li') as HTMLElement;
    // sqrt(0.12^2 + 0.05^2) = 0.13
    expect(within(row('platter')).getByText('0.130 %')).toBeTruthy();
    expect(within(row('platter')).getByText('once a turn: off centre, warp, or bearing')).toBeTruthy();
    expect(within(row('motor')).getByText('0.040 %')).toBeTruthy();
    expect(within(row('not known')).getByText('0.030 %')).toBeTruthy();
    // Noise: 2 x 0.105^2 - (0.12^2 + 0.05^2 + 0.04^2 + 0.03^2) = 0.02205 - 0.0194 = 0.00265, its root 0.0515.
    expect(within(row('noise')).getByText('0.051 %')).toBeTruthy();
    // sqrt(0.0194 + 0.00265) = 0.1485
    expect(within(row('together')).getByText('0.148 %')).toBeTruthy();
    const width = (name: string) => row(name).querySelectorAll('span')[2]?.getAttribute('style');
    expect(width('platter')).toBe('width: 100%;');
    expect(width('motor')).toMatch(/^width: 30\.7/);
  });

  it('says so when nothing stands out', () => {
    render(<WowByPart figures={{ ...figures, lines: [], flutter: null }} parts={parts} />);
    expect(screen.getByText(/no part makes wow that can be told/)).toBeTruthy();
  });
});

describe('the figure in use', () => {
  it('is the standard chosen, or too short to tell', () => {
    expect(figureInUse(figures, 'weighted-quasi-peak')).toEqual({
      percent: 0.12,
      words: 'weighted quasi-peak (DIN, IEC 60386)',
    });
    expect(figureInUse({ ...figures, warnings: ['WOW_TOO_SHORT'] }, 'unweighted-peak')?.percent).toBeNull();
    expect(figureInUse({ ...figures, flutter: null }, 'unweighted-peak')).toBeNull();
    const shaft = { wowPeakPercent: 0.07, wowUpToHz: 0.9374 };
    expect(figureInUse({ flutter: null, warnings: [], detail: { way: 'pulses', shaft } }, 'weighted-rms')).toEqual({
      percent: 0.07,
      words: 'unweighted 2-sigma peak, up to 0.94 Hz',
    });
  });
});

describe('the turn', () => {
  it('finds where a once-a-turn bump sits, and its size', () => {
    // Slowest a quarter turn after the start: -0.2 sin(angle).
    const stepS = 0.04;
    const errorPercent = Array.from(
      { length: 1500 },
      (_, i) => 0.7 - 0.2 * Math.sin((2 * Math.PI * (i + 0.5) * stepS) / 1.8),
    );
    const profile = turnProfile({ stepS, errorPercent }, 1 / 1.8);
    expect(profile?.turns).toBe(33);
    expect(Math.abs((profile?.slowest.degrees ?? 0) - 90)).toBeLessThan(12);
    expect(profile?.slowest.percent).toBeCloseTo(-0.2, 2);
    expect(Math.abs((profile?.fastest.degrees ?? 0) - 270)).toBeLessThan(12);
    expect(turnProfile({ stepS, errorPercent: errorPercent.slice(0, 100) }, 1 / 1.8)).toBeNull();
    expect(turnProfile({ stepS, errorPercent }, 8)).toBeNull();
  });
});

describe('what is worth knowing', () => {
  it('names hum, the coder’s limit and the weak place with their figures', () => {
    const detail = {
      ...figures.detail,
      added: [{ hz: 180.02, levelDb: -20.4, mainsHz: 60 }],
      lossyLimitPercent: 0.211,
    };
    render(<Warnings figures={{ ...figures, warnings: ['ADDED_TONES', 'LOSSY'], detail } as RunFigures} />);
    expect(screen.getByText('Taken out of every figure: hum 180 Hz, −20 dB.')).toBeTruthy();
    expect(screen.getByText(/wow under 0\.21 % cannot be told/)).toBeTruthy();
    cleanup();
    const pulses = {
      way: 'pulses',
      weakSegments: [{ place: 6, degrees: 90, dipPercent: 55, speedPercent: 0.31 }],
    };
    render(<Warnings figures={{ ...figures, warnings: ['WEAK_SEGMENT'], detail: pulses } as unknown as RunFigures} />);
    expect(screen.getByText(/90° after the first pulse.*level down 55 %, 0\.31 % of speed there/)).toBeTruthy();
  });
});

describe('a figure that cannot be', () => {
  it('is asked about: the likely reading first, nothing filed until one is chosen', () => {
    const answers: unknown[] = [];
    const question = ask('TIME_UNIT', 'By its header 33 466 rpm. Is it in milliseconds?', [
      { words: 'milliseconds: 33.47 rpm', answer: { timeUnitS: 1e-3 }, meanRpm: 33.47 },
      { words: '33 466 rpm is right', answer: { asIs: true }, meanRpm: 33466 },
    ]);
    render(<Question question={question} onAnswer={(answer) => answers.push(answer)} onCancel={() => {}} />);
    expect(screen.getByRole('alert').textContent).toContain('Nothing is filed until one is chosen.');
    fireEvent.click(screen.getByRole('button', { name: 'milliseconds: 33.47 rpm' }));
    expect(answers).toEqual([{ timeUnitS: 1e-3 }]);
  });

  it('by hand and by ear it is asked about too: ten turns a tap taken for one', () => {
    const run = runOfStopwatch(stopwatch([0, 18, 36, 54], 10), 100 / 3) as SpeedRun;
    expect(doubtOf(run)).toBeNull();
    const miscounted = runOfStopwatch(stopwatch([0, 18, 36, 54], 1), 100 / 3) as SpeedRun;
    expect(doubtOf(miscounted)).toBe(
      '3.333 rpm is 0.1 times the nominal 33.33 rpm. Were the turns of each tap counted right?',
    );
    expect(doubtOf({ ...miscounted, nominal: null })).toBeNull();
    const kept: unknown[] = [];
    const Way = () => {
      const handing = useHanding((measured) => Promise.resolve(void kept.push(measured)));
      return (
        <>
          <button onClick={() => void handing.hand(withoutFile(miscounted, 'taps'))}>Tapped</button>
          <Unsaved handing={handing} />
        </>
      );
    };
    render(<Way />);
    fireEvent.click(screen.getByText('Tapped'));
    expect(kept).toHaveLength(0);
    fireEvent.click(screen.getByText('It is right: keep it'));
    expect(kept).toHaveLength(1);
    expect(screen.queryByRole('alert')).toBeNull();
    fireEvent.click(screen.getByText('Tapped'));
    fireEvent.click(screen.getByText('No, leave it'));
    expect(kept).toHaveLength(1);
  });

  it('asks for the time between samples as a number', () => {
    const answers: unknown[] = [];
    render(
      <Question
        question={ask('SAMPLE_INTERVAL', 'No times.', [])}
        onAnswer={(answer) => answers.push(answer)}
        onCancel={() => {}}
      />,
    );
    expect(screen.getByRole('button', { name: 'Measure' })).toHaveProperty('disabled', true);
    fireEvent.change(screen.getByLabelText('Time between samples, ms'), { target: { value: '0,2' } });
    fireEvent.click(screen.getByRole('button', { name: 'Measure' }));
    expect(answers).toEqual([{ sampleIntervalS: 0.0002 }]);
  });

  it('a recording dropped on the gyroscope goes to the test tone, with a word', async () => {
    const file = new File([], 'tone.wav');
    expect(await passedOn(file, 'gyroscope', ['recording', 'gyroscope'])).toMatchObject({
      to: 'recording',
      words: 'tone.wav is a recording, no log: measured as a test tone.',
    });
    expect(await passedOn(file, 'recording', ['recording', 'gyroscope'])).toBeNull();
  });
});
