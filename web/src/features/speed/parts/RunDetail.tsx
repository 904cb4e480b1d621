/** Below the number: speed over time, the spectrum with its lines, the figures with their working. */
import type { Run } from '@amber-gauge/contract';
import type { Parts } from '../useParts.js';
import { Change } from './Change.js';
import { Droop } from './Droop.js';
import { Export } from './Export.js';
import { FigureTable } from './FigureTable.js';
import { Lines, namedLines } from './Lines.js';
import { SeriesChart } from './SeriesChart.js';
import { SoundFacts } from './SoundFacts.js';
import { SpectrumChart } from './SpectrumChart.js';
import classes from './Speed.module.css';

interface Props {
  readonly run: Run;
  /** An earlier run laid over this one. */
  readonly before?: Run | null;
  readonly parts: Parts;
  readonly sourceName: string | null;
}

export function RunDetail({ run, before = null, parts, sourceName }: Props) {
  const { figures } = run;
  const earlier = before && before.id !== run.id ? before : null;
  const lines = namedLines(figures, parts.all);
  const hasCharts = figures.series !== null && figures.series.errorPercent.length > 1;
  return (
    <section className={classes.detailFrame} aria-label="Run in detail">
      {earlier && (
        <Change
          before={earlier.figures}
          now={figures}
          sameSource={earlier.sourceId !== null && earlier.sourceId === run.sourceId}
        />
      )}
      {figures.detail.way === 'sound' && <SoundFacts detail={figures.detail} />}
      <div className={hasCharts ? classes.detail : ''}>
        {hasCharts && figures.series && (
          <div>
            <figure>
              <figcaption className={classes.chartTitle}>
                Speed over time, % of {figures.nominal === null ? 'its mean' : 'nominal'}
                {earlier && <span className="quiet">, before dashed</span>}
              </figcaption>
              <SeriesChart figures={figures} before={earlier?.figures ?? null} />
            </figure>
            {figures.detail.way === 'sound' && <Droop series={figures.series} />}
          </div>
        )}
        {hasCharts && figures.spectrum && (
          <div>
            <figure>
              <figcaption className={classes.chartTitle}>Wow and flutter, % peak by frequency</figcaption>
              <SpectrumChart spectrum={figures.spectrum} lines={lines} before={earlier?.figures.spectrum ?? null} />
            </figure>
          </div>
        )}
        {!figures.spectrum && <FigureTable figures={figures} before={earlier?.figures ?? null} />}
      </div>
      {figures.spectrum && (
        <div className={classes.below}>
          <FigureTable figures={figures} before={earlier?.figures ?? null} />
          <Lines lines={lines} own={parts.own} onOwn={parts.keep} />
        </div>
      )}
      <Export run={run} sourceName={sourceName} />
    </section>
  );
}
