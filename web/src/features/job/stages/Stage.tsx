/** The stage in the middle of the job. */
import type { StageId } from '@amber-gauge/core/bench';
import type { JobView } from '../useJobView.js';
import { FindStage } from './FindStage.js';
import { HandBackStage } from './HandBackStage.js';
import { MakeSafeStage } from './MakeSafeStage.js';
import { MendStage } from './MendStage.js';
import { OpenUpStage } from './OpenUpStage.js';
import { SpeedStage } from './SpeedStage.js';
import { TakeInStage } from './TakeInStage.js';
import type { Prompt } from './prompt.js';

export interface StageProps {
  readonly view: JobView;
  readonly stage: StageId;
  readonly prompt: Prompt;
  readonly speedId: string;
  readonly onSpeed: (speedId: string) => void;
  readonly onStage: (stage: StageId) => void;
}

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
    case 'set-speed':
    case 'prove':
      return <SpeedStage {...props} />;
    case 'hand-back':
      return <HandBackStage {...props} />;
  }
}
