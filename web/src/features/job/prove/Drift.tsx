/** Warm-up and drift since it was switched on: points, curve, what was done to it, and the figures. */
import { driftOf, jobTolerance, standing, type DriftLog } from '@amber-gauge/core/bench';
import { fixed, signed, THIN } from '@amber-gauge/core/quantity';
import { useCallback, useMemo } from 'react';
import { axis, baseOption, inks, useChart } from '../../../shared/chart/chart.js';
import speed from '../../measuring/parts/Speed.module.css';
import { when } from '../../../shared/ui/when.js';
import type { JobView } from '../useJobView.js';
import classes from './Prove.module.css';
import { say } from '@amber-gauge/core/words';

export function Drift({ view, speedId }: { readonly view: JobView; readonly speedId: string }) {
  const limits = jobTolerance(view.job);
  const least = Math.min(-limits.lowerPercent, limits.upperPercent);
  const drift = useMemo(
    () =>
      driftOf(standing(view.lines.filter((one) => one.status !== 'refused').map((one) => one.event)), speedId, least),
    [view.lines, speedId, least],
  );
  if (!drift) return null;
  return (
    <section className="stack" aria-label={say`Warm-up and drift`}>
      <h2>{say`Since it was switched on, ${when(drift.since)}`}</h2>
      <div className={classes.figures}>
        {driftWords(drift).map((words) => (
          <span key={words}>{words}</span>
        ))}
      </div>
      <Chart drift={drift} />
      {drift.marks.length > 0 && (
        <p className="quiet">
          {drift.marks.map((one, i) => `${i + 1}: ${one.words}, ${fixed(one.minutes, 0)}${THIN}min`).join(' · ')}
        </p>
      )}
    </section>
  );
}

/** "runs to −0.12 (−0.15 to −0.09) %", "time constant 8 min", "steady since 22 min", "drifts +0.02 % an hour". */
function driftWords({ result, points }: DriftLog): string[] {
  const { fit, steadySinceMin, perHour, band } = result;
  const shown = (value: number) => signed(value, 2);
  const out: string[] = [];
  if (fit) {
    out.push(say`Runs to ${shown(fit.end.value)} (${shown(fit.end.low)} to ${shown(fit.end.high)})${THIN}%`);
    out.push(
      say`time constant ${fixed(fit.tau.value, 1)} (${fixed(Math.max(0, fit.tau.low), 1)} to
        ${fixed(fit.tau.high, 1)})${THIN}min`,
    );
  } else
    out.push(
      points.length < 5
        ? say`${points.length} of 5 readings for a curve`
        : say`No bend to fit: it moves in a line, or not at all`,
    );
  out.push(
    steadySinceMin === null
      ? say`not steady within ${fixed(band, 2)}${THIN}% yet`
      : say`steady within ${fixed(band, 2)}${THIN}% since ${fixed(steadySinceMin, 0)}${THIN}min`,
  );
  if (perHour)
    out.push(
      say`drifts ${shown(perHour.by)} (${shown(perHour.low)} to ${shown(perHour.high)})${THIN}% an hour in its later
        half`,
    );
  return out;
}

const CURVE_STEPS = 120;

function Chart({ drift }: { readonly drift: DriftLog }) {
  const make = useCallback(() => {
    const { ink, ink2 } = inks();
    const { points, marks, result } = drift;
    const last = points.at(-1)?.minutes ?? 1;
    const curve = result.fit
      ? Array.from({ length: CURVE_STEPS + 1 }, (_one, i) => {
          const t = (last * i) / CURVE_STEPS;
          return [
            t,
            (result.fit?.end.value ?? 0) +
              (result.fit?.amplitude.value ?? 0) * Math.exp(-t / (result.fit?.tau.value ?? 1)),
          ];
        })
      : [];
    return {
      ...baseOption(),
      xAxis: axis({ type: 'value', min: 0, name: 'min', axisLabel: { formatter: (v: number) => String(v) } }),
      yAxis: axis({ type: 'value', scale: true, axisLabel: { formatter: (v: number) => signed(v, 2) } }),
      series: [
        {
          type: 'line',
          name: 'read',
          data: points.map((one) => [one.minutes, one.errorPercent]),
          lineStyle: { opacity: 0 },
          symbol: 'rect',
          symbolSize: 8,
          itemStyle: { color: ink },
          markLine: {
            symbol: 'none',
            silent: true,
            lineStyle: { color: ink2, type: [6, 4], width: 2 },
            label: { color: ink2, fontSize: 15, formatter: '{b}' },
            data: marks.map((one, i) => ({ xAxis: one.minutes, name: String(i + 1) })),
          },
        },
        { type: 'line', name: 'curve', data: curve, showSymbol: false, lineStyle: { color: ink, width: 2 } },
      ],
    };
  }, [drift]);
  const ref = useChart(make);
  return (
    <div
      ref={ref}
      className={speed.chart}
      role="img"
      aria-label={say`Error in percent against minutes since it was switched on`}
    />
  );
}
