/** Set speed and Prove: the reading, then as found against as left for every speed. */
import { isLive } from '@amber-gauge/core/bench';
import { familyOf } from '@amber-gauge/core/families';
import { Coach } from '../coach/Coach.js';
import { BeforeAfter } from '../parts/BeforeAfter.js';
import { PitchRange } from '../parts/PitchRange.js';
import { TimerStart } from '../parts/TimerStart.js';
import { SpeedMeasure } from '../parts/SpeedMeasure.js';
import type { StageProps } from './stageProps.js';
import classes from './Stages.module.css';

export function SpeedStage(props: StageProps) {
  const course = props.view.state.coach;
  // While screws are being turned, what to turn next stands first.
  const trimming = props.stage === 'set-speed' && course !== null && course.advice.kind !== 'stop';
  return (
    <>
      {trimming && <Coach view={props.view} stage={props.stage} />}
      <SpeedMeasure {...props} />
      {props.stage === 'set-speed' && isLive(props.view.state.power) && (
        <p className={classes.caution}>
          Live while trimming: insulated blade, one hand, nothing loose near the{' '}
          {familyOf(props.view.job.familyId).turns}.
        </p>
      )}
      {props.stage === 'set-speed' && !trimming && <Coach view={props.view} stage={props.stage} />}
      <BeforeAfter view={props.view} />
      <PitchRange view={props.view} />
      <TimerStart view={props.view} stage={props.stage} kinds={['warm-up', 'soak']} />
    </>
  );
}
