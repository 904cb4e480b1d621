/** The stage in the middle of the job. */
import { FindStage } from './FindStage.js';
import { HandBackStage } from './HandBackStage.js';
import { MakeSafeStage } from './MakeSafeStage.js';
import { MendStage } from './MendStage.js';
import { OpenUpStage } from './OpenUpStage.js';
import { ProveStage } from '../prove/ProveStage.js';
import { SpeedStage } from './SpeedStage.js';
import { TakeInStage } from './TakeInStage.js';
import type { StageProps } from './stageProps.js';

export function Stage(props: StageProps) {
  switch (props.stage) {
    case 'take-in':
      return <TakeInStage {...props} />;
    case 'make-safe':
      return <MakeSafeStage {...props} />;
    case 'open-up':
      return <OpenUpStage {...props} />;
    case 'find':
      return <FindStage {...props} />;
    case 'mend':
      return <MendStage {...props} />;
    case 'prove':
      return <ProveStage {...props} />;
    case 'set-speed':
      return <SpeedStage {...props} />;
    case 'hand-back':
      return <HandBackStage {...props} />;
  }
}
