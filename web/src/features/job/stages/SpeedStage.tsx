/** Set speed: the reading, then as found against as left for every speed; while screws are turned, the coach first. */
import { isLive } from '@amber-gauge/core/bench';
import { familyOf } from '@amber-gauge/core/families';
import { Coach } from '../coach/Coach.js';
import { BeforeAfter } from '../parts/BeforeAfter.js';
import { PitchRange } from '../parts/PitchRange.js';
import { TimerStart } from '../parts/TimerStart.js';
import { SpeedDetail } from '../parts/SpeedDetail.js';
import { SpeedMeasure } from '../parts/SpeedMeasure.js';
import type { StageProps } from './stageProps.js';
import classes from './Stages.module.css';
import { say } from '@amber-gauge/core/words';

export function SpeedStage(props: StageProps) {
  const { view, stage, speedId } = props;
  const course = view.state.coach;
  const trimming = course !== null && course.advice.kind !== 'stop';
  const caution = isLive(view.state.power) && (
    <p className={classes.caution}>{say`Live while trimming: insulated blade, one hand, nothing loose near the
      ${familyOf(view.job.familyId).turns}.`}</p>
  );
  return (
    <>
      {trimming ? (
        <>
          {caution}
          <Coach view={view} stage={stage} />
          <details className={classes.otherWay}>
            <summary>{say`Measure in another way`}</summary>
            <SpeedMeasure {...props} />
          </details>
        </>
      ) : (
        <>
          <SpeedMeasure {...props} />
          {caution}
          <Coach view={view} stage={stage} />
        </>
      )}
      <BeforeAfter view={view} />
      <PitchRange view={view} />
      <TimerStart view={view} stage={stage} kinds={['warm-up']} />
      <SpeedDetail view={view} stage={stage} speedId={speedId} />
    </>
  );
}
