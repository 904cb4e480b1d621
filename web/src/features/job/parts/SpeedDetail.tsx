/** The run behind the reading shown, in detail, as found laid under what came after it: at a stage's foot, since it comes late. */
import { jobSpeeds, modelOf, type StageId } from '@amber-gauge/core/bench';
import type { Run } from '@amber-gauge/contract';
import { familyOf } from '@amber-gauge/core/families';
import { useSources } from '../../../shared/api/queries.js';
import { lazyPart } from '../../../shared/ui/lazyPart.js';
import { useParts } from '../../measuring/useParts.js';
import type { JobView } from '../useJobView.js';
import { useShown } from './useShown.js';
import { say } from '@amber-gauge/core/words';

const RunDetail = lazyPart(() => import('../../measuring/parts/RunDetail.js').then((module) => module.RunDetail));

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly speedId: string;
  readonly shown?: string | null;
}

/** Nothing above it moves when it comes. */
export function SpeedDetail({ view, stage, speedId, shown }: Props) {
  const speeds = jobSpeeds(view.job);
  const speed = speeds.find((one) => one.id === speedId) ?? speeds[0];
  const { run, asFound } = useShown({ view, stage, speedId: speed?.id, shown });
  return speed && run && <Detail view={view} run={run} before={asFound} speed={speed} />;
}

interface DetailProps {
  readonly view: JobView;
  readonly run: Run;
  readonly before: Run | null;
  readonly speed: ReturnType<typeof jobSpeeds>[number];
}

function Detail({ view, run, before, speed }: DetailProps) {
  const sources = useSources().data ?? [];
  const parts = useParts(familyOf(view.job.familyId), speed, modelOf(view.job));
  const sourceName = sources.find((one) => one.id === run.sourceId)?.name ?? null;
  return (
    <>
      <h2>{say`${speed.label}, in detail`}</h2>
      <RunDetail run={run} before={before} parts={parts} sourceName={sourceName} />
    </>
  );
}
