/** The drive train: from motor to record or tape, part by part, with what comes out at every speed. */
import { trainProblems, trainTurns, USUAL_TRAINS, type Train } from '@amber-gauge/core/drive';
import { fixed, numberIn, signed, THIN } from '@amber-gauge/core/quantity';
import MenuItem from '@mui/material/MenuItem';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { useSettings } from '../../shared/api/queries.js';
import { Field } from '../../shared/ui/Field.js';
import { Dimensions } from './Dimensions.js';
import { draftOf, trainOf, type TrainDraft } from './draft.js';
import { Motor } from './Motor.js';
import { Parts } from './Parts.js';
import { Picture } from './Picture.js';
import { Rates } from './Rates.js';
import { SheetOf } from './SheetOf.js';
import { TakeUp } from './TakeUp.js';
import classes from './Train.module.css';
import { say } from '@amber-gauge/core/words';

const FIRST = USUAL_TRAINS[0] as (typeof USUAL_TRAINS)[number];

export function TrainScreen() {
  const [params] = useSearchParams();
  const mains = useSettings().data?.mainsHz ?? 50;
  const [draft, setDraft] = useState<TrainDraft>(() => draftOf(FIRST.train));
  const [chosen, setChosen] = useState(0);
  const [typedHz, setHz] = useState<string | null>(null);
  const hzText = typedHz ?? String(mains);
  const hz = numberIn(hzText) ?? Number.NaN;
  const train = trainOf(draft);
  const problems = trainProblems(train, hz);
  const speed = Math.min(chosen, train.speeds.length - 1);
  const good = problems.length === 0;
  return (
    <div className={classes.screen}>
      <h1 className="prompt" role="status">
        {good ? outputWords(train, speed, hz) : say`Not reckoned yet: look at the fields marked below`}
      </h1>
      <div className="row">
        {train.speeds.length > 1 && (
          <ToggleButtonGroup
            exclusive
            value={speed}
            onChange={(_event, value: number | null) => value !== null && setChosen(value)}
            aria-label={say`Speed`}
          >
            {train.speeds.map((one, i) => (
              <ToggleButton key={one.id} value={i}>
                {one.label}
              </ToggleButton>
            ))}
          </ToggleButtonGroup>
        )}
        <Field
          label={say`Mains`}
          unit="Hz"
          value={hzText}
          onChange={(event) => setHz(event.target.value)}
          error={problems.some((one) => one.part === 'mains')}
          helperText={problems.find((one) => one.part === 'mains')?.message}
          sx={{ width: 140 }}
        />
        <Field
          select
          label={say`Begin with`}
          value=""
          onChange={(event) => {
            const usual = USUAL_TRAINS.find((one) => one.id === event.target.value);
            if (usual) setDraft(draftOf(usual.train));
          }}
          sx={{ width: 340 }}
          slotProps={{ select: { displayEmpty: true } }}
        >
          <MenuItem value="">{say`this train`}</MenuItem>
          {USUAL_TRAINS.map((one) => (
            <MenuItem key={one.id} value={one.id}>
              {one.name}
            </MenuItem>
          ))}
        </Field>
      </div>
      {good && <Picture train={train} speed={speed} hz={hz} />}
      <Motor draft={draft} problems={problems} onDraft={setDraft} />
      <Parts draft={draft} problems={problems} turns={good ? trainTurns(train, speed, hz) : null} onDraft={setDraft} />
      {good && (
        <>
          <Dimensions train={train} speed={speed} hz={hz} />
          <Rates train={train} speed={speed} hz={hz} />
          {train.output.kind === 'tape' && <TakeUp tapeMmPerS={10 * trainTurns(train, speed, hz).output.value} />}
        </>
      )}
      <SheetOf
        familyId={params.get('family')}
        model={params.get('model')}
        train={good ? train : null}
        onTrain={(kept) => setDraft(draftOf(kept))}
      />
    </div>
  );
}

/** "33⅓ rpm comes out at 33.32 rpm, −0.05 %". */
function outputWords(train: Train, speed: number, hz: number): string {
  const { output } = trainTurns(train, speed, hz);
  const decimals = output.value < 100 ? 3 : 1;
  const value = `${fixed(output.value, decimals)}${THIN}${output.unit}`;
  const label = train.speeds[speed]?.label ?? '';
  return output.errorPercent === null
    ? `${label}: ${value}`
    : say`${label} comes out at ${value}, ${signed(output.errorPercent, 2)}${THIN}%`;
}
