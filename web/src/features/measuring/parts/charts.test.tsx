/** Charts of a run: what is drawn where, what its axes and points say. */
import type { RunFigures } from '@amber-gauge/contract';
import type { NamedLine, TurnProfile } from '@amber-gauge/core/speed';
import { screen } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import { lastDrawn, standForCharts } from '../../../test/chartStand.js';
import { show } from '../../../test/scene.js';
import { SeriesChart } from './SeriesChart.js';
import { SpectrumChart } from './SpectrumChart.js';
import { TurnChart } from './TurnChart.js';

beforeEach(standForCharts);

const plain = (text: string | null) => (text ?? '').replaceAll('\u202f', ' ');

describe('speed over time', () => {
  const run = (errorPercent: number | null, stepS: number, values: readonly number[] | null): RunFigures =>
    ({ errorPercent, series: values && { stepS, errorPercent: values } }) as unknown as RunFigures;

  it('is drawn from nought on by its own step, its mean as a line across', () => {
    show(<SeriesChart figures={run(-0.4, 0.5, [-0.5, -0.3, -0.4])} />);
    const { series } = lastDrawn();
    expect(series).toHaveLength(1);
    expect(series[0]?.data).toEqual([
      [0, -0.5],
      [0.5, -0.3],
      [1, -0.4],
    ]);
    expect(series[0]?.markLine.data).toEqual([{ yAxis: -0.4 }]);
  });

  it('what it was before lies under it, dashed, by the step of its own', () => {
    show(<SeriesChart figures={run(null, 0.5, [0.1])} before={run(-2, 0.25, [-2.1, -1.9])} />);
    const [before, now] = lastDrawn().series;
    expect([before?.name, now?.name]).toEqual(['before', 'now']);
    expect(before?.data).toEqual([
      [0, -2.1],
      [0.25, -1.9],
    ]);
    expect([before?.lineStyle.type, now?.lineStyle.type]).toEqual(['dashed', undefined]);
    expect(now?.data).toEqual([[0, 0.1]]);
    // Without a mean the line lies at the nominal speed.
    expect(now?.markLine.data).toEqual([{ yAxis: 0 }]);
  });

  it('a run without a course draws nothing, and one before without lies under nothing', () => {
    show(<SeriesChart figures={run(0.1, 0.5, null)} before={run(0.2, 0.5, null)} />);
    expect(lastDrawn().series.map(({ data }) => data)).toEqual([[]]);
  });

  it('figures carry a true minus, thousandths at a point and hundredths at the axis', () => {
    show(<SeriesChart figures={run(0, 1, [0])} />);
    const { series, xAxis, yAxis } = lastDrawn();
    expect(series[0]?.tooltip.valueFormatter(-0.4216)).toBe('−0.422 %');
    expect(yAxis.axisLabel.formatter(-1.2)).toBe('−1.20');
    expect([xAxis.axisLabel.formatter(2), xAxis.axisLabel.formatter(2.25)]).toEqual(['2', '2.3']);
  });
});

describe('the flutter spectrum', () => {
  const line = (frequencyHz: number, peakPercent: number, part: string | null): NamedLine =>
    ({
      frequencyHz,
      peakPercent,
      parts: part === null ? [] : [{ part, rateHz: frequencyHz, multiple: 1, offPercent: 0 }],
    }) as unknown as NamedLine;
  const spectrum = { frequencyHz: [0.5, 1, 2], peakPercent: [0.02, 0.15, 0.01] } as NonNullable<RunFigures['spectrum']>;

  it('has each line at its frequency with its peak, from a fifth of a hertz to two hundred', () => {
    show(<SpectrumChart spectrum={spectrum} lines={[]} />);
    const { series, xAxis, yAxis } = lastDrawn();
    expect(series.map(({ data }) => data)).toEqual([
      [
        [0.5, 0.02],
        [1, 0.15],
        [2, 0.01],
      ],
    ]);
    expect([xAxis.min, xAxis.max, yAxis.min]).toEqual([0.2, 200, 0]);
    expect(series[0]?.tooltip.valueFormatter(0.15)).toBe('0.1500 %');
    expect([xAxis.axisLabel.formatter(0.2), xAxis.axisLabel.formatter(100)]).toEqual(['0.2', '100']);
  });

  it('names the four strongest, by frequency in three figures where no part fits', () => {
    const peaks = [0.2, 0.18, 0.16, 0.14, 0.12];
    const lines = [0.5551, 5.55, 16.67, 33.3333, 100].map((hz, i) => line(hz, peaks[i] as number, null));
    show(<SpectrumChart spectrum={spectrum} lines={lines} />);
    expect(lastDrawn().series[0]?.markPoint.data).toEqual([
      { coord: [0.5551, 0.2], value: '0.555 Hz' },
      { coord: [5.55, 0.18], value: '5.55 Hz' },
      { coord: [16.67, 0.16], value: '16.7 Hz' },
      { coord: [33.3333, 0.14], value: '33.3 Hz' },
    ]);
  });

  it('the one before lies under it, dashed', () => {
    const before = { frequencyHz: [1], peakPercent: [0.4] } as typeof spectrum;
    show(<SpectrumChart spectrum={spectrum} lines={[]} before={before} />);
    const [old, now] = lastDrawn().series;
    expect([old?.data, old?.lineStyle.type]).toEqual([[[1, 0.4]], 'dashed']);
    expect(now?.data).toHaveLength(3);
  });
});

describe('the turn', () => {
  const profile: TurnProfile = {
    degrees: [0, 90, 180, 270],
    percent: [0.1, -0.2, -0.1, 0.2],
    spreadPercent: [0.05, 0.01, 0.02, 0.03],
    slowest: { degrees: 90.4, percent: -0.2 },
    fastest: { degrees: 269.6, percent: 0.2 },
    turns: 12,
  } as unknown as TurnProfile;

  it('is drawn by the angle, within one scatter either way, the slowest place marked', () => {
    show(<TurnChart part="platter" profile={profile} />);
    const { series, xAxis } = lastDrawn();
    const [foot, scatter, mean] = series;
    expect([xAxis.min, xAxis.max, xAxis.interval]).toEqual([0, 360, 90]);
    const near = (data: readonly (readonly number[])[] | undefined, values: readonly number[]) =>
      data?.forEach(([, value], i) => expect(value).toBeCloseTo(values[i] as number, 12));
    expect(foot?.data.map(([angle]) => angle)).toEqual([0, 90, 180, 270]);
    // 0.1 − 0.05, −0.2 − 0.01, −0.1 − 0.02, 0.2 − 0.03; then twice the scatter on top.
    near(foot?.data, [0.05, -0.21, -0.12, 0.17]);
    near(scatter?.data, [0.1, 0.02, 0.04, 0.06]);
    near(mean?.data, [0.1, -0.2, -0.1, 0.2]);
    expect(mean?.markPoint.data).toEqual([{ coord: [90.4, -0.2], value: 'slowest' }]);
    expect(mean?.markLine.data).toEqual([{ yAxis: 0 }]);
    expect([xAxis.axisLabel.formatter(90), lastDrawn().yAxis.axisLabel.formatter(-0.2)]).toEqual(['90°', '−0.20']);
  });

  it('is told in words: where to look on the platter', () => {
    show(<TurnChart part="platter" profile={profile} />);
    expect(plain(screen.getByText(/^Slowest/).textContent)).toBe(
      'Slowest −0.20 % at 90°, fastest +0.20 % at 270°, mean of 12 turns.',
    );
  });
});
