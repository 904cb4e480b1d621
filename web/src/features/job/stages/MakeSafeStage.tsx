/** Make safe: what to do before opening and why; while charge drains its countdown is the prompt. */
import { countdown, isLive, isRunning, TOUCH_LIMIT_V, type PowerState } from '@amber-gauge/core/bench';
import { familyOf } from '@amber-gauge/core/families';
import Button from '@mui/material/Button';
import { PowerShape } from '../../../shared/shapes/PowerShape.js';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { useNow } from '../../../shared/ui/useNow.js';
import { ReadingField } from '../parts/ReadingField.js';
import { DischargeSum } from '../safe/DischargeSum.js';
import { NeverPlanned } from '../safe/NeverPlanned.js';
import { SafeLines } from '../safe/SafeLines.js';
import { StartVolts } from '../safe/StartVolts.js';
import safe from '../safe/Safe.module.css';
import { askedBy } from './prompt.js';
import type { StageProps } from './stageProps.js';
import classes from './Stages.module.css';
import { say } from '@amber-gauge/core/words';

export function MakeSafeStage({ view, stage, prompt, speedId, onStage }: StageProps) {
  const now = useNow(1000);
  const { power, chargeProved, powerSince } = view.state;
  const pack = view.job.powerKind === 'pack';
  const off: PowerState = pack ? 'pack-out' : 'unplugged-unknown';
  const tell = () => void submitLines(view.job.id, makeLine(stage, { kind: 'power', state: off, conditions: [] }));
  const draining = view.state.charge
    ? undefined
    : view.state.timers.find((timer) => timer.timer === 'discharge' && timer.end === null && isRunning(timer, now));
  const stores = familyOf(view.job.familyId).stores.some((store) => store.powerKinds.includes(view.job.powerKind));
  return (
    <>
      <div className="row">
        <PowerShape state={power} size={56} />
        <h1 className="prompt" style={{ flex: 1 }}>
          {draining ? say`Charge drains, ${draining.label.replace(/^Discharge, /, '')}` : prompt.text}
        </h1>
      </div>
      {draining && (
        <div className="row">
          <span className={`mono ${safe.countdown}`}>{countdown(draining.dueAt, now)}</span>
          <Button
            variant="outlined"
            onClick={() => onStage('take-in')}
          >{say`Meanwhile: what is owed with the lid on`}</Button>
        </div>
      )}
      {(isLive(power) || powerSince === null) && view.state.doubt === null && (
        <div>
          <Button variant="contained" className={classes.big ?? ''} onClick={tell}>
            {pack ? say`The pack is out` : say`It is unplugged`}
          </Button>
        </div>
      )}
      {isLive(power) && <p className={classes.caution}>{say`Live parts. Nothing is opened or touched now.`}</p>}
      {!isLive(power) && stores && (
        <>
          <ReadingField
            view={view}
            stage={stage}
            speedId={speedId}
            prompt={askedBy(prompt)}
            placeholder={say`as in 2.1 V`}
            label={say`Volts left`}
          />
          <p className="quiet">{say`Under ${TOUCH_LIMIT_V} V d.c. it may be touched, dry or wet (IEC 61010-1, from memory); the reading itself changes the
              power state. Prove the meter on a known source before and after. Over it: an insulated resistor, never a
              screwdriver; leave it on, measure again after a minute.`}</p>
        </>
      )}
      <SafeLines view={view} stage={stage} />
      {stores ? (
        !isLive(power) && !chargeProved && view.state.charge === null && <DischargeSum view={view} stage={stage} />
      ) : (
        <p className="quiet">{familyOf(view.job.familyId).noStoreWhy}</p>
      )}
      <StartVolts view={view} stage={stage} />
      <NeverPlanned familyId={view.job.familyId} />
    </>
  );
}
