/** The job: stages at the left, the stage in the middle, the bench log at the right, the entry line at the foot. */
import { standing, STAGES, whereHandsWere, type StageId, type WhereHandsWere } from '@amber-gauge/core/bench';
import { useMemo, useRef, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { useSettings, useSources } from '../../shared/api/queries.js';
import { submitLines } from '../../shared/outbox/outbox.js';
import { useAsked } from './asked.js';
import { FindContext } from './find/findContext.js';
import { useFind } from './find/useFind.js';
import { EntryLine } from './parts/EntryLine.js';
import { JobBar } from './parts/JobBar.js';
import { Log } from './parts/Log.js';
import { Spine } from './parts/Spine.js';
import { useGoLive } from './parts/goLive.js';
import { holdLine, useCapture } from './parts/useCapture.js';
import { useJobKeys } from './parts/useJobKeys.js';
import { Welcome } from './parts/Welcome.js';
import { deviceId } from '../../shared/outbox/device.js';
import { serverNow } from '../../shared/outbox/clock.js';
import { ChargePanel } from './safe/ChargePanel.js';
import { PowerQuestion } from './safe/PowerQuestion.js';
import { Stage } from './stages/Stage.js';
import { askedBy, promptOf } from './stages/prompt.js';
import { lazyPart } from '../../shared/ui/lazyPart.js';
import { useJobView, type JobView } from './useJobView.js';
import classes from './Job.module.css';
import { say } from '@amber-gauge/core/words';

// Fetched for practice units alone: the machines are large.
const PracticeStrip = lazyPart(() => import('./practice/PracticeStrip.js').then((module) => module.PracticeStrip));
const Debriefing = lazyPart(() => import('./practice/Debriefing.js').then((module) => module.Debriefing));

export function JobScreen() {
  const { id = '', stage } = useParams();
  const { view, error } = useJobView(id);
  // On the screen from the start: coming later they would move keys under the hand.
  const waited = [useSettings(), useSources()].some((one) => one.isPending && one.failureCount === 0);
  if (error && !view)
    return <p className={classes.message}>{say`${error.message} Go back to the bench, or wait: it is tried again.`}</p>;
  if (!view || waited) return <p className={classes.message}>{say`Fetching the job.`}</p>;
  const present = STAGES.find((one) => one === stage) ?? view.next.stage;
  return <JobLayout key={id} view={view} stage={present} />;
}

function JobLayout({ view, stage }: { readonly view: JobView; readonly stage: StageId }) {
  const navigate = useNavigate();
  const [logOpen, setLogOpen] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  const goLive = useGoLive((state) => state.ask);
  const find = useFind(view);
  // At once: what is touched next must not meet the stage that was left.
  const go = (to: StageId) => void navigate(`/job/${view.job.id}/${to}`, { replace: true, flushSync: true });
  const [presentSpeed, setSpeedId] = usePinnedSpeed(view, stage);
  const [were, setWere] = useState<WhereHandsWere | null>(() => handsOf(view));
  const asked = useAsked((state) => (stage === 'find' ? state.asked : null));
  const plain = promptOf(view, stage, presentSpeed);
  const prompt = useMemo(
    () => asked ?? askedBy({ text: plain.text, place: plain.place }),
    [asked, plain.text, plain.place],
  );
  useCapture(view.job.id, stage, prompt.name);
  const commands = useJobKeys({
    onStage: go,
    onPower: () => goLive('last'),
    onBench: () => void navigate(view.job.practice ? '/practice' : '/'),
    onHold: () => void submitLines(view.job.id, holdLine(stage, prompt.name)),
    onEntry: () => field.current?.focus(),
  });
  return (
    <FindContext value={find}>
      <div className={classes.job} data-practice={view.job.practice ? true : undefined}>
        <JobBar view={view} stage={stage} onLog={() => setLogOpen((open) => !open)} onStage={go} />
        <Spine view={view} stage={stage} onStage={go} />
        <main className={classes.stage} tabIndex={-1}>
          {were && <Welcome view={view} were={were} stage={stage} onStage={go} onSeen={() => setWere(null)} />}
          {view.job.practice && <Debriefing view={view} />}
          <PowerQuestion view={view} stage={stage} />
          <ChargePanel view={view} stage={stage} onMeasure={stage === 'make-safe' ? null : () => go('make-safe')} />
          <Stage view={view} stage={stage} prompt={plain} speedId={presentSpeed} onSpeed={setSpeedId} onStage={go} />
        </main>
        <Log view={view} stage={stage} open={logOpen} onClose={() => setLogOpen(false)} onStage={go} />
        <div className={classes.foot}>
          {view.job.practice && <PracticeStrip view={view} stage={stage} speedId={presentSpeed} />}
          <EntryLine
            view={view}
            stage={stage}
            speedId={presentSpeed}
            prompt={prompt}
            field={field}
            commands={commands}
          />
        </div>
      </div>
    </FindContext>
  );
}

/** Where the hands were when the job was opened. */
const handsOf = (view: JobView): WhereHandsWere | null =>
  whereHandsWere(standing(view.lines.map((line) => line.event)), view.state, serverNow(), deviceId());

/** The speed asked for when the stage was opened; it stays until another is chosen, so that a fresh number is not swept away. */
function usePinnedSpeed(view: JobView, stage: StageId): [string, (speedId: string) => void] {
  const [pinned, setPinned] = useState(() => ({ stage, speedId: wantedSpeed(view, stage) }));
  if (pinned.stage !== stage) setPinned({ stage, speedId: wantedSpeed(view, stage) });
  return [pinned.speedId, (speedId) => setPinned({ stage, speedId })];
}

/** The speed a stage is about: what still owes its reading, or, when trimming, what is not right yet. */
function wantedSpeed(view: JobView, stage: StageId): string {
  const { speeds, work } = view.state;
  const wrong = speeds.find((speed) => speed.asLeft?.verdict.kind === 'not-right');
  if (stage === 'set-speed' && wrong) return wrong.speedId;
  const before = stage === 'take-in' || work.length === 0;
  const owing = speeds.find((speed) => (before ? !speed.asFound : !speed.asLeft));
  return (owing ?? wrong ?? speeds[0])?.speedId ?? '';
}
