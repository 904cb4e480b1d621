/** Below the number: who makes the wow, the turn, speed over time; spectrum and all figures on demand. */
import type { Run } from '@amber-gauge/contract';
import { slowestShown } from '@amber-gauge/core/speed';
import { useStored } from '../../../shared/ui/useStored.js';
import type { Parts } from '../useParts.js';
import { Change } from './Change.js';
import { Droop } from './Droop.js';
import { Export } from './Export.js';
import { FigureTable } from './FigureTable.js';
import { Lines, namedLines } from './Lines.js';
import { PartsForm } from './PartsForm.js';
import { SeriesChart } from './SeriesChart.js';
import { SoundFacts } from './SoundFacts.js';
import { SpectrumChart } from './SpectrumChart.js';
import { TurnChart } from './TurnChart.js';
import { WowByPart } from './WowByPart.js';
import classes from './Speed.module.css';
import wow from './Wow.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly run: Run;
  /** An earlier run laid over this one. */
  readonly before?: Run | null;
  readonly parts: Parts;
  readonly sourceName: string | null;
}

export function RunDetail({ run, before = null, parts, sourceName }: Props) {
  const { figures } = run;
  const [spectrumOpen, setSpectrumOpen] = useStored('desk-spectrum', false);
  const [figuresOpen, setFiguresOpen] = useStored('desk-figures', false);
  const earlier = before && before.id !== run.id ? before : null;
  const lines = namedLines(figures, parts.all);
  const { series, spectrum } = figures;
  const hasSeries = series !== null && series.errorPercent.length > 1;
  const seesWow = spectrum !== null;
  const turn = hasSeries && seesWow ? slowestShown(series, parts.all, figures.errorPercent ?? 0) : null;
  return (
    <section className={classes.detailFrame} aria-label={say`Run in detail`}>
      {earlier && (
        <Change
          before={earlier.figures}
          now={figures}
          sameSource={earlier.sourceId !== null && earlier.sourceId === run.sourceId}
        />
      )}
      {figures.detail.way === 'sound' && <SoundFacts detail={figures.detail} />}
      {seesWow && (
        <div className={turn ? classes.detail : ''}>
          <section>
            <h2 className={classes.chartTitle}>{say`Who makes the wow`}</h2>
            <WowByPart figures={figures} parts={parts.all} />
            <PartsForm own={parts.own} onOwn={parts.keep} />
          </section>
          {turn && (
            <section>
              <h2 className={classes.chartTitle}>{say`The turn of the ${turn.part}, % by angle`}</h2>
              <TurnChart part={turn.part} profile={turn.profile} />
            </section>
          )}
        </div>
      )}
      {hasSeries && (
        <figure>
          <figcaption className={classes.chartTitle}>
            {say`Speed over time, % of ${figures.nominal === null ? say`its mean` : say`nominal`}`}
            {earlier && <span className="quiet">{say`, before dashed`}</span>}
          </figcaption>
          <SeriesChart figures={figures} before={earlier?.figures ?? null} />
          {figures.detail.way === 'sound' && <Droop series={series} />}
        </figure>
      )}
      {spectrum && (
        <details
          className={wow.demand}
          open={spectrumOpen}
          onToggle={(event) => setSpectrumOpen(event.currentTarget.open)}
        >
          <summary>{say`Spectrum and its lines`}</summary>
          {spectrumOpen && (
            <div className={classes.below}>
              <figure>
                <figcaption className={classes.chartTitle}>{say`Wow and flutter, % peak by frequency`}</figcaption>
                <SpectrumChart spectrum={spectrum} lines={lines} before={earlier?.figures.spectrum ?? null} />
              </figure>
              <Lines lines={lines} />
            </div>
          )}
        </details>
      )}
      <details className={wow.demand} open={figuresOpen} onToggle={(event) => setFiguresOpen(event.currentTarget.open)}>
        <summary>{say`All figures, each with its working`}</summary>
        {figuresOpen && <FigureTable figures={figures} before={earlier?.figures ?? null} />}
      </details>
      <Export run={run} sourceName={sourceName} />
    </section>
  );
}
