/** As found against as left, speed by speed, with what would decide an undecided one. */
import { jobTolerance, speedWords, type SpeedReading } from '@amber-gauge/core/bench';
import { verdictWords } from '@amber-gauge/core/speed';
import { Fragment } from 'react';
import { RibbonSmall } from '../../../shared/ribbon/RibbonSmall.js';
import { when } from '../../../shared/ui/when.js';
import type { JobView } from '../useJobView.js';
import classes from '../stages/Stages.module.css';

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
      <span className="small quiet">speed</span>
      <span className="small quiet">as found</span>
      <span className="small quiet">as left</span>
      <span className="small quiet">verdict</span>
      {view.state.speeds.map((pair) => (
        <Fragment key={pair.speedId}>
          <span className={classes.rule} />
          <span>{pair.label}</span>
          {side(pair.asFound, 'not measured')}
          {side(pair.asLeft, view.state.work.length === 0 ? 'no work yet' : 'owed')}
          <span>{pair.asLeft ? verdictText(pair.asLeft) : ''}</span>
        </Fragment>
      ))}
    </div>
  );
}

function verdictText({ verdict, speed }: SpeedReading) {
  if (speed.errorPercent === null) return speed.turned ? 'no nominal: compare' : 'did not turn';
  return verdict.kind === 'undecided' ? `undecided. ${verdict.decide}` : verdictWords(verdict);
}
