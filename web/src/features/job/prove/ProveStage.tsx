/** Prove: one check at a time, the plan under it, then drift, coast-down and the speeds as found and as left. */
import { isOwed, owedChecks, type ProvingCheck } from '@amber-gauge/core/bench';
import { PATHS, provingOf } from '@amber-gauge/core/families';
import Button from '@mui/material/Button';
import { useRef, useState } from 'react';
import { useNow } from '../../../shared/ui/useNow.js';
import { lazyPart } from '../../../shared/ui/lazyPart.js';
import { BeforeAfter } from '../parts/BeforeAfter.js';
import { PitchRange } from '../parts/PitchRange.js';
import { TimerStart } from '../parts/TimerStart.js';
import { SpeedDetail } from '../parts/SpeedDetail.js';
import { SpeedMeasure } from '../parts/SpeedMeasure.js';
import { StartVolts } from '../safe/StartVolts.js';
import type { StageProps } from '../stages/stageProps.js';
import { CheckGrid, PlanGlance } from './CheckGrid.js';
import { CoastDown } from './CoastDown.js';
import { LookCheck, TestCheck } from './LookCheck.js';
import { Noise } from './Noise.js';
import { ProvePower } from './ProvePower.js';
import { ClassCheck, SafetyCheck } from './SafetyCheck.js';
import { SoakCheck } from './SoakCheck.js';
import { TrialCheck, TrialTable } from './TrialCheck.js';
import { Unproved } from './Unproved.js';
import stages from '../stages/Stages.module.css';
import classes from './Prove.module.css';
import { say } from '@amber-gauge/core/words';

const Drift = lazyPart(() => import('./Drift.js').then((module) => module.Drift));

export function ProveStage(props: StageProps) {
  const { view, stage, speedId, onSpeed } = props;
  const plan = view.state.proving;
  const top = useRef<HTMLDivElement>(null);
  // What is shown stays until the next is asked for: a fresh number is not swept away.
  const [chosen, setChosen] = useState<string | null>(() => owedChecks(plan)[0]?.id ?? null);
  const check = plan.checks.find((one) => one.id === chosen) ?? owedChecks(plan)[0] ?? null;
  const spoken = check?.bound.kind === 'speed' ? check.bound.speedId : null;
  const next = owedChecks(plan).find((one) => one.id !== check?.id) ?? null;
  const choose = (id: string, speed?: string) => {
    const bound = plan.checks.find((one) => one.id === id)?.bound;
    if (bound) setChosen(id);
    const spoken = bound?.kind === 'speed' ? bound.speedId : speed;
    if (spoken) onSpeed(spoken);
    top.current?.scrollIntoView({ block: 'nearest' });
  };
  return (
    <>
      <div ref={top}>{plan.begun && <PlanGlance plan={plan} />}</div>
      {check ? (
        <Present
          {...props}
          check={check}
          speedId={spoken ?? speedId}
          onSpeed={(id) => choose(`speed.${id}`, id)}
          next={next}
          onNext={() => next && choose(next.id)}
        />
      ) : (
        <SpeedMeasure {...props} />
      )}
      {plan.begun && <CheckGrid plan={plan} present={check?.id ?? null} onCheck={choose} />}
      <Drift view={view} speedId={speedId} />
      <Noise view={view} stage={stage} speedId={speedId} />
      <CoastDown view={view} stage={stage} speedId={speedId} />
      <BeforeAfter view={view} />
      <PitchRange view={view} />
      <TimerStart view={view} stage={stage} kinds={['warm-up', 'soak']} />
      <SpeedDetail
        view={view}
        stage={stage}
        speedId={spoken ?? speedId}
        {...(check && { shown: spoken ? check.by : null })}
      />
    </>
  );
}

interface PresentProps extends StageProps {
  readonly check: ProvingCheck;
  readonly next: ProvingCheck | null;
  readonly onNext: () => void;
}

/** The present check in large type, with what meets it. */
function Present({ check, next, onNext, ...props }: PresentProps) {
  const { view, stage, speedId } = props;
  const { bound } = check;
  const prompt = { text: check.how, place: null };
  const speed = (
    <SpeedMeasure
      key={check.id}
      {...props}
      prompt={prompt}
      pitch={bound.kind === 'speed' ? bound.pitch : null}
      shown={check.by}
    />
  );
  const nextKey = next && !isOwed(check) && (
    <Button variant="contained" className={stages.big ?? ''} onClick={onNext}>{say`Next: ${next.name}`}</Button>
  );
  if (bound.kind === 'speed')
    return (
      <>
        <ProvePower view={view} bound={bound} />
        {bound.heat === 'warm' && <OnFor {...props} />}
        {speed}
        {isOwed(check) && <Unproved key={`why ${check.id}`} view={view} stage={stage} check={check} />}
        {nextKey}
      </>
    );
  const test = bound.kind === 'test' && PATHS.get(view.job.familyId)?.tests.find((one) => one.id === bound.testId);
  return (
    <>
      <section className="stack" aria-label={say`Present check`}>
        <h1 className="prompt">{check.name}</h1>
        <p className={classes.how}>{check.how}</p>
        <ProvePower view={view} bound={bound} />
        {test && <TestCheck view={view} stage={stage} test={test} onDone={onNext} />}
        {bound.kind === 'look' && <LookCheck key={check.id} view={view} stage={stage} check={check} onDone={onNext} />}
        {bound.kind === 'class' && <ClassCheck view={view} stage={stage} onDone={onNext} />}
        {bound.kind === 'safety' && <SafetyCheck key={check.id} view={view} stage={stage} reading={bound.reading} />}
        {bound.kind === 'soak' && <SoakCheck view={view} stage={stage} minutes={bound.minutes} />}
        {bound.kind === 'start-volts' && <StartVolts view={view} stage={stage} />}
        {bound.kind === 'trial' && <TrialCheck view={view} stage={stage} {...bound} />}
        <Unproved key={`why ${check.id}`} view={view} stage={stage} check={check} />
        {nextKey}
      </section>
      {bound.kind === 'soak' && (
        <SpeedMeasure {...props} prompt={{ text: say`Readings while it runs`, place: null }} shown={null} />
      )}
      {bound.kind === 'trial' && (
        <>
          <SpeedMeasure {...props} speedId={speedId} prompt={{ text: say`Read it now`, place: null }} shown={null} />
          <TrialTable view={view} block={bound.block} provocation={bound.provocation} />
        </>
      )}
    </>
  );
}

const EVERY_MS = 15_000;

/** How long it has been on, of what makes it warm. */
function OnFor({ view }: StageProps) {
  const now = useNow(EVERY_MS);
  const { warmMin } = provingOf(view.job.familyId);
  const since = view.state.onSince;
  if (warmMin === null || since === null) return null;
  const minutes = Math.max(0, Math.floor((now.getTime() - Date.parse(since)) / 60_000));
  return (
    <p className={classes.how} role="status">
      {minutes < warmMin ? say`On for ${minutes} of ${warmMin} min` : say`Warm: on for ${minutes} min`}
    </p>
  );
}
