/** Measuring one speed of the unit: choose it, drop the recording, read the ribbon and the number. */
import { didNotTurn, jobSpeeds, jobTolerance, toleranceWords, type PitchPosition } from '@amber-gauge/core/bench';
import { figureInUse, FLUTTER_STANDARDS } from '@amber-gauge/core/speed';
import { familyOf } from '@amber-gauge/core/families';
import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useState } from 'react';
import { useSettings, useSources } from '../../../shared/api/queries.js';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { SpeedReadout } from '../../measuring/parts/SpeedReadout.js';
import { Warnings } from '../../measuring/parts/Warnings.js';
import { storeInJob } from '../../measuring/storeRun.js';
import { Ways } from '../../measuring/ways/Ways.js';
import { waysFor, type Way } from '../../measuring/ways/way.js';
import type { StageProps } from '../stages/stageProps.js';
import { useConditions } from './Conditions.js';
import { ReadingField } from './ReadingField.js';
import { useShown } from './useShown.js';
import { useJobSource } from '../../../shared/api/useJobSource.js';
import classes from '../stages/Stages.module.css';
import { say } from '@amber-gauge/core/words';

interface Props extends StageProps {
  /** Where the pitch control has to stand for what is asked. */
  readonly pitch?: PitchPosition | null;
  /** Only the reading of this line is shown, none when it is null: what is asked has none yet. */
  readonly shown?: string | null;
}

export function SpeedMeasure({ view, stage, prompt, speedId, onSpeed, pitch = null, shown }: Props) {
  const sources = useSources().data ?? [];
  const standard = useSettings().data?.flutterStandard ?? FLUTTER_STANDARDS[0];
  const { source, choose } = useJobSource(view.job, sources);
  const family = familyOf(view.job.familyId);
  const speeds = jobSpeeds(view.job);
  const speed = speeds.find((one) => one.id === speedId) ?? speeds[0];
  const ways = waysFor(family, speed);
  const [chosenWay, setWay] = useState<Way>(view.job.practice ? 'live tone' : 'recording');
  const way = ways.includes(chosenWay) ? chosenWay : (ways[0] as Way);
  const [live, setLive] = useState(false);
  const conditions = useConditions(view, family, pitch);
  const { reading, run, late } = useShown({ view, stage, speedId: speed?.id, shown });
  const owing = owingSpeed(view, stage, speed?.id);
  if (!speed) return null;
  const stood = () => void submitLines(view.job.id, makeLine(stage, didNotTurn(speed)));
  return (
    <>
      <div className="row">
        <h1 className="prompt" style={{ flex: '1 1 320px' }}>
          {prompt.text}
        </h1>
        {speeds.length > 1 && (
          <ToggleButtonGroup
            exclusive
            value={speed.id}
            onChange={(_event, value: string | null) => value && onSpeed(value)}
            aria-label={say`Speed`}
          >
            {speeds.map((one) => (
              <ToggleButton key={one.id} value={one.id}>
                {one.label}
              </ToggleButton>
            ))}
          </ToggleButtonGroup>
        )}
      </div>
      {!live && reading && (
        <SpeedReadout
          reading={reading.speed}
          verdict={reading.verdict}
          limits={jobTolerance(view.job)}
          nominalRpm={speed.nominalRpm}
          centre={speed.nominalRpm === null ? 'nominal' : null}
          origin={toleranceWords(view.job)}
          trail={run?.figures.series ?? null}
          wow={late && reading.speed.wowPeakPercent !== null ? 'late' : run && figureInUse(run.figures, standard)}
        />
      )}
      {!live && run && <Warnings figures={run.figures} />}
      <Ways
        ways={ways}
        way={way}
        onWay={(chosen) => {
          setLive(false);
          setWay(chosen);
        }}
        family={family}
        speed={speed}
        limits={jobTolerance(view.job)}
        source={source}
        sources={sources}
        onSource={choose}
        onLive={setLive}
        onMeasured={async (measured) => {
          const ran = speeds.find((one) => one.id === measured.speedId) ?? speed;
          await storeInJob(measured, view.job.id, ran, stage, conditions.taken());
          if (ran.id !== speed.id) onSpeed(ran.id);
        }}
      />
      {stage !== 'take-in' && conditions.fields}
      <div className="row">
        <Button variant="outlined" className={classes.big ?? ''} onClick={stood}>{say`Did not turn`}</Button>
        {reading && owing && shown === undefined && (
          <Button
            variant="contained"
            className={classes.big ?? ''}
            onClick={() => onSpeed(owing.speedId)}
          >{say`Next: ${owing.label}`}</Button>
        )}
      </div>
      {family.testTone === 'none' && (
        <ReadingField
          view={view}
          stage={stage}
          speedId={speed.id}
          prompt={null}
          placeholder={speed.nominalCmPerS === null ? say`as in 268 rpm` : say`as in -0.4 %`}
          label={say`Speed`}
        />
      )}
    </>
  );
}

/** Another speed that still has to be read at this stage. */
const owingSpeed = ({ state }: StageProps['view'], stage: string, speedId: string | undefined) =>
  state.speeds.find(
    (one) =>
      one.speedId !== speedId &&
      (stage === 'take-in' ? state.work.length === 0 && !one.asFound : state.work.length > 0 && !one.asLeft),
  );
