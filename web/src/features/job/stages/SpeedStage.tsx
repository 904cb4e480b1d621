/** Set speed and Prove: the reading, then as found against as left for every speed. */
import { isLive } from '@amber-gauge/core/bench';
import { familyOf } from '@amber-gauge/core/families';
import { BeforeAfter } from '../parts/BeforeAfter.js';
import { TimerStart } from '../parts/TimerStart.js';
import { SpeedMeasure } from '../parts/SpeedMeasure.js';
import type { StageProps } from './stageProps.js';
import classes from './Stages.module.css';

export function SpeedStage(props: StageProps) {
  return (
    <>
      <SpeedMeasure {...props} />
      {props.stage === 'set-speed' && isLive(props.view.state.power) && (
        <p className={classes.caution}>
          Live while trimming: insulated blade, one hand, nothing loose near the{' '}
          {familyOf(props.view.job.familyId).turns}.
        </p>
      )}
      <BeforeAfter view={props.view} />
      <TimerStart view={props.view} stage={props.stage} kinds={['warm-up', 'soak']} />
    </>
  );
}
