/** The turn: speed against the angle of the slowest part, its mean over turns within the scatter. */
import { signed } from '@amber-gauge/core/quantity';
import type { TurnProfile } from '@amber-gauge/core/speed';
import { useCallback } from 'react';
import { axis, baseOption, inks, useChart } from '../../../shared/chart/chart.js';
import speed from './Speed.module.css';
import classes from './Wow.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly part: string;
  readonly profile: TurnProfile;
}

const minus = (text: string): string => text.replace('-', '−');

export function TurnChart({ part, profile }: Props) {
  const make = useCallback(() => {
    const { ink, ink2, hair } = inks();
    const { degrees, percent, spreadPercent } = profile;
    const line = (values: readonly number[]) => degrees.map((angle, i) => [angle, values[i]]);
    const low = percent.map((value, i) => value - (spreadPercent[i] as number));
    const band = { type: 'line', stack: 'scatter', showSymbol: false, silent: true, lineStyle: { opacity: 0 } };
    return {
      ...baseOption(),
      xAxis: axis({
        type: 'value',
        min: 0,
        max: 360,
        interval: 90,
        axisLabel: { formatter: (v: number) => `${v}°` },
      }),
      yAxis: axis({
        type: 'value',
        scale: true,
        splitNumber: 4,
        axisLabel: { formatter: (v: number) => minus(v.toFixed(2)) },
      }),
      series: [
        // A band of one scatter either way: its foot unseen, its height filled.
        { ...band, name: 'foot', data: line(low), stackStrategy: 'all' },
        {
          ...band,
          name: 'scatter',
          data: line(spreadPercent.map((value) => 2 * value)),
          stackStrategy: 'all',
          areaStyle: { color: hair, opacity: 1 },
        },
        {
          type: 'line',
          name: 'mean',
          data: line(percent),
          showSymbol: false,
          lineStyle: { color: ink, width: 2 },
          itemStyle: { color: ink },
          markPoint: {
            silent: true,
            symbol: 'circle',
            symbolSize: 8,
            itemStyle: { color: ink },
            label: { color: ink, fontSize: 15, position: 'bottom', distance: 4 },
            data: [{ coord: [profile.slowest.degrees, profile.slowest.percent], value: say`slowest` }],
          },
          markLine: {
            symbol: 'none',
            silent: true,
            label: { show: false },
            lineStyle: { color: ink2, type: 'solid', width: 1 },
            data: [{ yAxis: 0 }],
          },
        },
      ],
    };
  }, [profile]);
  const ref = useChart(make);
  const { slowest, fastest, turns } = profile;
  return (
    <>
      <div ref={ref} className={speed.chart} role="img" aria-label={say`The turn of the ${part}`} />
      <p
        className={classes.place}
      >{say`Slowest ${signed(slowest.percent, 2)} % at ${Math.round(slowest.degrees)}°, fastest
        ${signed(fastest.percent, 2)} % at ${Math.round(fastest.degrees)}°, mean of ${turns} turns.`}</p>
      <p className="small quiet">{say`0° is where the ${part} stood when the recording began: mark it there
        beforehand, and count on in the sense of rotation.`}</p>
    </>
  );
}
