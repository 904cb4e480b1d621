/** Open up: the strip-down ledger and its way back. */
import { isLive, stepsOff } from '@amber-gauge/core/bench';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { OpenEnds } from '../ledger/OpenEnds.js';
import { PutBack } from '../ledger/PutBack.js';
import { StepEntry } from '../ledger/StepEntry.js';
import { StepList } from '../ledger/StepList.js';
import { useStored } from '../../../shared/ui/useStored.js';
import type { StageProps } from './stageProps.js';
import classes from './Stages.module.css';
import { say } from '@amber-gauge/core/words';

export function OpenUpStage({ view, stage, prompt }: StageProps) {
  const { power, chargeProved, ledger, work } = view.state;
  const off = stepsOff(ledger).length;
  const usual = work.length > 0 && ledger.steps.length > 0 ? 'together' : 'apart';
  const [way, setWay] = useStored<'apart' | 'together' | null>(`amber-gauge-way-${view.job.id}`, null);
  const shown = way ?? usual;
  return (
    <>
      {isLive(power) && <p className={classes.caution}>{say`Live. Unplug and make safe before anything is opened.`}</p>}
      {!isLive(power) && !chargeProved && (
        <p className={classes.caution}>{say`Charge unknown. Prove it gone in Make safe first.`}</p>
      )}
      <ToggleButtonGroup
        exclusive
        value={shown}
        onChange={(_event, value: 'apart' | 'together' | null) => value && setWay(value)}
        aria-label={say`Which way`}
      >
        <ToggleButton value="apart" className={classes.big ?? ''}>{say`Take apart`}</ToggleButton>
        <ToggleButton
          value="together"
          className={classes.big ?? ''}
        >{say`Put together${off > 0 ? say`, ${off} off` : ''}`}</ToggleButton>
      </ToggleButtonGroup>
      {shown === 'apart' ? (
        <>
          <h1 className="prompt">{prompt.text}</h1>
          <StepEntry view={view} stage={stage} />
          <StepList view={view} stage={stage} />
          <OpenEnds view={view} stage={stage} />
        </>
      ) : (
        <PutBack view={view} stage={stage} />
      )}
    </>
  );
}
