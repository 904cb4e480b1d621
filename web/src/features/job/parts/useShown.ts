/** Which reading of a speed is shown at a stage, and the runs it and the one as found were made of. */
import type { Run } from '@amber-gauge/contract';
import type { SpeedPair, SpeedReading } from '@amber-gauge/core/bench';
import { useRun } from '../../../shared/api/queries.js';
import type { StageProps } from '../stages/stageProps.js';

/** What is asked to be shown: a speed of the stage, or the reading of one line. */
export interface Asked extends Pick<StageProps, 'view' | 'stage'> {
  readonly speedId: string | undefined;
  /** Only the reading of this line is shown, none when it is null: what is asked has none yet. */
  readonly shown?: string | null | undefined;
}

interface Shown {
  readonly reading: SpeedReading | null;
  readonly run: Run | null;
  /** The run is still being fetched. */
  readonly late: boolean;
  readonly asFound: Run | null;
}

/** The runs come later than the reading, which stands in the log. */
export function useShown({ view, stage, speedId, shown }: Asked): Shown {
  const pair = view.state.speeds.find((one) => one.speedId === speedId);
  const reading = shown === undefined ? shownReading(stage, pair) : readBy(shown, pair, view.state.pitched);
  const runId = reading?.speed.runId ?? null;
  const { data: run = null, isPending } = useRun(runId);
  return {
    reading,
    run,
    late: runId !== null && isPending,
    asFound: useRun(pair?.asFound?.speed.runId ?? null).data ?? null,
  };
}

function shownReading(stage: string, pair: SpeedPair | undefined): SpeedReading | null {
  if (!pair) return null;
  if (stage === 'take-in') return pair.asFound;
  return stage === 'prove' ? pair.asLeft : pair.latest;
}

/** The reading of that line: as left, or with the pitch off its rest. */
const readBy = (
  key: string | null,
  pair: SpeedPair | undefined,
  pitched: readonly SpeedReading[],
): SpeedReading | null => [pair?.asLeft, ...pitched].find((one) => one && one.key === key) ?? null;
