/** Figures of the shop: what matters in large type with its interval, then tables, and a chart of the months. */
import type { BookFigures, Share } from '@amber-gauge/contract';
import { STAGE_NAMES, type Score } from '@amber-gauge/core/bench';
import { familyOf } from '@amber-gauge/core/families';
import { fixed, THIN } from '@amber-gauge/core/quantity';
import { useCallback } from 'react';
import { useSettings } from '../../shared/api/queries.js';
import { axis, baseOption, inks, useChart } from '../../shared/chart/chart.js';
import tables from '../../shared/ui/Table.module.css';
import { useShelf } from '../shelf/useShelf.js';
import { anyMendWords, faultWords } from './words.js';
import { useFigures } from './useBook.js';
import classes from './Book.module.css';
import { say } from '@amber-gauge/core/words';

export function Figures({ from, to }: { readonly from: string | undefined; readonly to: string | undefined }) {
  const { data, error } = useFigures({ from, to });
  const settings = useSettings().data;
  if (error) return <p className="danger">{error.message}</p>;
  if (!data || !settings) return <p className="quiet">{say`Counting.`}</p>;
  if (data.taken === 0) return <p>{say`No job was taken in within that stretch.`}</p>;
  const { turnaround, price, worth, handsMin } = data;
  const money = (value: number | null) =>
    value === null ? say`none agreed` : `${fixed(value, 0)}${THIN}${settings.currency}`;
  return (
    <>
      <table className={`${tables.table} ${classes.figures}`} aria-label={say`Figures`}>
        <tbody>
          <Figure
            name="Days from taking in to handing back"
            value={turnaround.medianDays === null ? say`none yet` : fixed(turnaround.medianDays, 1)}
            more={turnaround.p90Days === null ? '' : say`median; nine of ten under ${fixed(turnaround.p90Days, 1)}`}
          />
          <ShareFigure name="Right the first time" share={data.firstTime} />
          <ShareFigure name="Proved before it went" share={data.proved} />
          <ShareFigure name="Mended part stood first in Find" share={data.advice.first} />
          <ShareFigure name="… among the first three" share={data.advice.firstThree} />
          <Figure
            name="Prices agreed"
            value={money(price)}
            more={say`worth ${money(worth)}; hands ${fixed(handsMin / 60, 0)}${THIN}h, at ${money(settings.hourMoney)}
              an hour ${money((handsMin / 60) * settings.hourMoney)}`}
          />
        </tbody>
      </table>
      {data.months.length > 1 && <Months months={data.months} />}
      <div className={classes.tables}>
        <Table
          title={say`Faults`}
          heads={['fault', 'kind', 'jobs']}
          rows={data.faults.map((one) => [faultWords(one.family, one.fault), familyOf(one.family).name, one.jobs])}
        />
        <Table
          title={say`Mends`}
          heads={['mend', 'jobs', say`came back`]}
          rows={data.mends.map((one) => [anyMendWords(one.mend), one.jobs, one.returned])}
        />
        <Table
          title={say`Models`}
          heads={['model', 'jobs', say`came back`]}
          rows={data.models.map((one) => [one.model, one.jobs, one.returned])}
        />
        <Table
          title={say`Minutes a stage, median`}
          heads={['stage', 'min']}
          rows={data.stages.map((one) => [STAGE_NAMES[one.stage], fixed(one.medianMin, 0)])}
        />
        <Suppliers />
      </div>
    </>
  );
}

/** Suppliers by what came dead or failed early, from the shelf. */
function Suppliers() {
  const { shelf } = useShelf();
  const rows = (scores: readonly Score[]) =>
    scores
      .filter((one) => one.known > 0)
      .map((one) => [
        one.name,
        `${one.deadOnArrival + one.failedEarly} of ${one.known}`,
        `${fixed(100 * one.interval[0], 0)} to ${fixed(100 * one.interval[1], 0)}${THIN}%`,
      ]);
  return (
    <>
      <Table title={say`Suppliers`} heads={['supplier', 'bad', '95 %']} rows={rows(shelf?.suppliers ?? [])} />
      <Table title={say`Parts that fail`} heads={['part', 'bad', '95 %']} rows={rows(shelf?.parts ?? [])} />
    </>
  );
}

function Figure({ name, value, more }: { readonly name: string; readonly value: string; readonly more: string }) {
  return (
    <tr>
      <td>{name}</td>
      <td className={`mono ${classes.value}`}>{value}</td>
      <td className="small quiet">{more}</td>
    </tr>
  );
}

function ShareFigure({ name, share }: { readonly name: string; readonly share: Share }) {
  const percent = (value: number) => fixed(100 * value, 0);
  if (share.of === 0) return <Figure name={name} value={say`none yet`} more="" />;
  return (
    <Figure
      name={name}
      value={`${percent(share.hits / share.of)}${THIN}%`}
      more={`${share.hits} of ${share.of}; 95 %: ${percent(share.low)} to ${percent(share.high)}${THIN}%`}
    />
  );
}

interface TableProps {
  readonly title: string;
  readonly heads: readonly string[];
  readonly rows: readonly (readonly (string | number)[])[];
}

function Table({ title, heads, rows }: TableProps) {
  if (rows.length === 0) return null;
  return (
    <section aria-label={title}>
      <h2>{title}</h2>
      <table className={tables.table}>
        <thead>
          <tr>
            {heads.map((head) => (
              <th key={head}>{head}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.slice(0, 2).join(' ')}>
              {row.map((cell, i) => (
                <td key={heads[i]} className={typeof cell === 'number' ? 'mono' : undefined}>
                  {cell}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function Months({ months }: { readonly months: BookFigures['months'] }) {
  const make = useCallback(() => {
    const { ink, ink2 } = inks();
    const series = (name: string, data: readonly number[], color: string, filled: boolean) => ({
      type: 'bar',
      barMaxWidth: 40,
      name,
      data,
      barGap: '10%',
      itemStyle: { color: filled ? color : 'transparent', borderColor: color, borderWidth: 2 },
    });
    return {
      ...baseOption(),
      legend: { top: 0, left: 0, textStyle: { color: ink, fontSize: 15 }, itemWidth: 16, itemHeight: 12 },
      grid: { left: 52, right: 16, top: 40, bottom: 40 },
      xAxis: axis({ type: 'category', data: months.map((one) => one.month) }),
      yAxis: axis({ type: 'value', minInterval: 1 }),
      series: [
        series(
          say`taken in`,
          months.map((one) => one.taken),
          ink2,
          false,
        ),
        series(
          say`handed back since`,
          months.map((one) => one.handed),
          ink,
          true,
        ),
      ],
    };
  }, [months]);
  const ref = useChart(make);
  return (
    <div
      ref={ref}
      className={classes.chart}
      role="img"
      aria-label={say`Jobs taken in by month, and those of them handed back`}
    />
  );
}
