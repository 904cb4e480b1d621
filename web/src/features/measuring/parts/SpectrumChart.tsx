/** The flutter spectrum on a logarithmic axis, its strongest lines named by part or frequency. */
import type { RunFigures } from '@amber-gauge/contract';
import { partWords, type NamedLine } from '@amber-gauge/core/speed';
import { useCallback } from 'react';
import { axis, baseOption, inks, useChart } from '../../../shared/chart/chart.js';
import classes from './Speed.module.css';
import { say } from '@amber-gauge/core/words';

const NAMED = 4;

type Spectrum = NonNullable<RunFigures['spectrum']>;

interface Props {
  readonly spectrum: Spectrum;
  readonly lines: readonly NamedLine[];
  readonly before?: Spectrum | null;
}

/** A line by the part it fits, else by its frequency. */
const lineName = (line: NamedLine): string =>
  line.parts[0] ? partWords({ ...line, parts: [line.parts[0]] }) : `${Number(line.frequencyHz.toPrecision(3))} Hz`;

const points = (spectrum: Spectrum) => spectrum.frequencyHz.map((hz, i) => [hz, spectrum.peakPercent[i]]);

export function SpectrumChart({ spectrum, lines, before = null }: Props) {
  const make = useCallback(() => {
    const { ink, ink2 } = inks();
    return {
      ...baseOption(),
      xAxis: axis({
        type: 'log',
        name: 'Hz',
        nameLocation: 'end',
        nameGap: 4,
        min: 0.2,
        max: 200,
        axisLabel: { hideOverlap: true, formatter: (v: number) => String(Number(v.toPrecision(2))) },
        splitLine: { show: false },
      }),
      yAxis: axis({
        type: 'value',
        min: 0,
        splitNumber: 4,
        axisLabel: { formatter: (v: number) => String(Number(v.toPrecision(2))) },
      }),
      series: [
        ...(before
          ? [
              {
                type: 'line',
                data: points(before),
                showSymbol: false,
                lineStyle: { color: ink2, width: 1.5, type: 'dashed' },
                itemStyle: { color: ink2 },
                tooltip: { valueFormatter: (v: number) => `${Number(v).toFixed(4)} %` },
              },
            ]
          : []),
        {
          type: 'line',
          data: points(spectrum),
          showSymbol: false,
          lineStyle: { color: ink, width: 1.5 },
          itemStyle: { color: ink },
          tooltip: { valueFormatter: (v: number) => `${Number(v).toFixed(4)} %` },
          markPoint: {
            silent: true,
            symbol: 'circle',
            symbolSize: 6,
            label: { color: ink, fontSize: 15, position: 'top', distance: 2 },
            data: lines.slice(0, NAMED).map((line) => ({
              coord: [line.frequencyHz, line.peakPercent],
              value: lineName(line),
            })),
          },
        },
      ],
    };
  }, [spectrum, lines, before]);
  const ref = useChart(make);
  return <div ref={ref} className={classes.chart} role="img" aria-label={say`Flutter spectrum`} />;
}
