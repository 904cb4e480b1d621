/** What every stage is handed. */
import type { StageId } from '@amber-gauge/core/bench';
import type { JobView } from '../useJobView.js';
import type { Prompt } from './prompt.js';

export interface StageProps {
  readonly view: JobView;
  readonly stage: StageId;
  readonly prompt: Prompt;
  readonly speedId: string;
  readonly onSpeed: (speedId: string) => void;
  readonly onStage: (stage: StageId) => void;
}
