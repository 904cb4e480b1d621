/** The plan by day: one line a job, hands solid, what runs by itself hatched; closed hours shaded. */
import { stretchOf, type DayPlan, type OpenDays } from '@amber-gauge/core/bench';
import { useCallback, useMemo } from 'react';
import { axis, baseOption, inks, useChart } from '../../shared/chart/chart.js';
import classes from './Day.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly plan: DayPlan;
  readonly open: OpenDays;
  readonly name: (jobId: string) => string;
  readonly start: Date;
}

const DAY_MIN = 1440;
/** Days drawn at most. */
const MOST_DAYS = 5;
const ROW = 28;

export function DayChart({ plan, open, name, start }: Props) {
  const rows = useMemo(() => [...new Set(plan.laid.map((one) => one.jobId))], [plan]);
  const make = useCallback(() => {
    const { ink, ink2, hair } = inks();
    const first = Math.min(...plan.laid.map((one) => one.startMin));
    const lastMin = Math.max(...plan.laid.map((one) => one.endMin));
    const step = lastMin - first > 2 * DAY_MIN ? DAY_MIN / 2 : DAY_MIN / 6;
    const from = Math.floor(first / step) * step;

    const to = Math.min(from + MOST_DAYS * DAY_MIN, Math.ceil(lastMin / 60) * 60);
    const closed = Array.from({ length: MOST_DAYS + 2 }, (_one, i) => Math.floor(from / DAY_MIN) + i).flatMap((day) => {
      const stretch = stretchOf(open, day);
      const [a, b] = stretch ?? [(day + 1) * DAY_MIN, (day + 1) * DAY_MIN];
      return [
        [{ xAxis: day * DAY_MIN }, { xAxis: a }],
        [{ xAxis: b }, { xAxis: (day + 1) * DAY_MIN }],
      ];
    });
    const label = (minute: number) => {
      const at = new Date(start.getTime() + minute * 60_000);
      const hours = at.getHours();
      return hours === 0
        ? at.toLocaleDateString('en-GB', { weekday: 'short', day: 'numeric' })
        : `${String(hours).padStart(2, '0')}:${String(at.getMinutes()).padStart(2, '0')}`;
    };
    const bars = plan.laid.flatMap((one) => {
      const row = rows.indexOf(one.jobId);
      const hands = [row, one.startMin, Math.min(to, one.handsEndMin), 1];
      return one.endMin > one.handsEndMin ? [hands, [row, one.handsEndMin, Math.min(to, one.endMin), 0]] : [hands];
    });
    return {
      ...baseOption(),
      tooltip: { show: false },
      grid: { left: 240, right: 16, top: 8, bottom: 32 },
      xAxis: axis({
        type: 'value',
        min: from,
        max: to,
        interval: step,
        axisLabel: { formatter: label },
      }),
      yAxis: axis({
        type: 'category',
        inverse: true,
        data: rows.map((id) => name(id)),
        axisLabel: { width: 220, overflow: 'truncate' },
        splitLine: { show: true, lineStyle: { color: hair } },
      }),
      series: [
        {
          type: 'custom',
          data: bars,
          encode: { x: [1, 2], y: 0 },
          renderItem: (_params: unknown, api: CustomApi) => {
            const [x, y] = api.coord([api.value(1), api.value(0)]);
            const [end] = api.coord([api.value(2), api.value(0)]);
            const hands = api.value(3) === 1;
            return {
              type: 'rect',
              shape: { x, y: y - (hands ? 10 : 4), width: Math.max(3, end - x), height: hands ? 20 : 8 },
              style: hands ? { fill: ink } : { fill: 'transparent', stroke: ink2, lineWidth: 2, lineDash: [6, 4] },
            };
          },
          markArea: { silent: true, itemStyle: { color: hair, opacity: 0.5 }, data: closed },
        },
      ],
    };
  }, [plan, open, name, start, rows]);
  const ref = useChart(make);
  return (
    <>
      <div
        ref={ref}
        className={classes.chart}
        style={{ height: ROW * rows.length + 48 }}
        role="img"
        aria-label={say`The plan by day: hands solid, what runs by itself in dashes`}
      />
      <p className={`small quiet ${classes.legend}`}>{say`Solid: hands. Dashed: runs by itself. Shaded: closed.`}</p>
    </>
  );
}

interface CustomApi {
  readonly coord: (point: readonly number[]) => [number, number];
  readonly value: (at: number) => number;
}
