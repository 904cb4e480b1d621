/** As found against as left, speed by speed, with what would decide an undecided one. */
import { jobTolerance, speedWords, type SpeedReading } from '@amber-gauge/core/bench';
import { verdictWords } from '@amber-gauge/core/speed';
import { Fragment } from 'react';
import { RibbonSmall } from '../../../shared/ribbon/RibbonSmall.js';
import { when } from '../../../shared/ui/when.js';
import type { JobView } from '../useJobView.js';
import classes from '../stages/Stages.module.css';
import { say } from '@amber-gauge/core/words';

export function BeforeAfter({ view }: { readonly view: JobView }) {
  const limits = jobTolerance(view.job);
  const side = (reading: SpeedReading | null, none: string) =>
    reading ? (
      <div>
        {(reading.speed.errorPercent !== null || !reading.speed.turned) && (
          <RibbonSmall reading={reading.speed} limits={limits} width={190} />
        )}
        <span className="mono">{speedWords(reading.speed)}</span> <p className="small quiet">{when(reading.at)}</p>
      </div>
    ) : (
      <span className="quiet">{none}</span>
    );
  return (
    <div className={classes.pairs}>
      <span className="small quiet">{say`speed`}</span>
      <span className="small quiet">{say`as found`}</span>
      <span className="small quiet">{say`as left`}</span>
      <span className="small quiet">{say`verdict`}</span>
      {view.state.speeds.map((pair) => (
        <Fragment key={pair.speedId}>
          <span className={classes.rule} />
          <span>{pair.label}</span>
          {side(pair.asFound, say`not measured`)}
          {side(pair.asLeft, view.state.work.length === 0 ? say`no work yet` : say`owed`)}
          <span>{pair.asLeft ? verdictText(pair.asLeft) : ''}</span>
        </Fragment>
      ))}
    </div>
  );
}

function verdictText({ verdict, speed }: SpeedReading) {
  if (speed.errorPercent === null) return speed.turned ? say`no nominal: compare` : say`did not turn`;
  return verdict.kind === 'undecided' ? say`undecided. ${verdict.decide}` : verdictWords(verdict);
}
