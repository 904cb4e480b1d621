/** Speed over time, zoomable with wheel or drag; an earlier run lies under it, dashed. */
import type { RunFigures } from '@amber-gauge/contract';
import { useCallback } from 'react';
import { axis, baseOption, inks, useChart } from '../../../shared/chart/chart.js';
import classes from './Speed.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly figures: RunFigures;
  readonly before?: RunFigures | null;
}

const minus = (text: string): string => text.replace('-', '−');

export function SeriesChart({ figures, before = null }: Props) {
  const make = useCallback(() => {
    const { ink, ink2, amber } = inks();
    const common = {
      type: 'line',
      showSymbol: false,
      sampling: 'lttb',
      tooltip: { valueFormatter: (v: number) => `${minus(Number(v).toFixed(3))} %` },
    };
    return {
      ...baseOption(),
      xAxis: axis({
        type: 'value',
        name: 's',
        nameLocation: 'end',
        nameGap: 4,
        min: 'dataMin',
        max: 'dataMax',
        axisLabel: { hideOverlap: true, formatter: (v: number) => String(Number(v.toFixed(1))) },
      }),
      yAxis: axis({
        type: 'value',
        scale: true,
        splitNumber: 4,
        // Finer than its labels it would repeat them.
        minInterval: 0.01,
        axisLabel: { formatter: (v: number) => minus(v.toFixed(2)) },
      }),
      dataZoom: [{ type: 'inside' }],
      series: [
        ...(before?.series
          ? [
              {
                ...common,
                name: 'before',
                data: points(before),
                lineStyle: { color: ink2, width: 1.5, type: 'dashed' },
                itemStyle: { color: ink2 },
              },
            ]
          : []),
        {
          ...common,
          name: 'now',
          data: points(figures),
          lineStyle: { color: ink, width: 1.5 },
          itemStyle: { color: ink },
          markLine: {
            symbol: 'none',
            silent: true,
            label: { show: false },
            lineStyle: { color: amber, type: 'solid', width: 2 },
            data: [{ yAxis: figures.errorPercent ?? 0 }],
          },
        },
      ],
    };
  }, [figures, before]);
  const ref = useChart(make);
  return <div ref={ref} className={classes.chart} role="img" aria-label={say`Speed over time`} />;
}

/** Both start at nought, so that they lie over each other. */
function points({ series }: RunFigures): [number, number][] {
  return series ? series.errorPercent.map((value, i) => [i * series.stepS, value]) : [];
}
