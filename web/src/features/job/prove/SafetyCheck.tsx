/** The unit's class, and one reading of electrical safety against the limit of this shop. */
import {
  isLive,
  PROTECTION_CLASSES,
  SAFETY_WORDS,
  safetyLimit,
  type ProtectionClass,
  type SafetyReading,
  type StageId,
} from '@amber-gauge/core/bench';
import { fixed, numberIn, THIN } from '@amber-gauge/core/quantity';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useSettings } from '../../../shared/api/queries.js';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { Field } from '../../../shared/ui/Field.js';
import { useStored } from '../../../shared/ui/useStored.js';
import type { JobView } from '../useJobView.js';
import stages from '../stages/Stages.module.css';
import classes from './Prove.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
}

const CLASS_WORDS: Readonly<Record<ProtectionClass, string>> = {
  I: say`I: earth pin`,
  'I-heating': say`I, with a heating element`,
  II: say`II: two squares`,
  III: say`III: extra-low voltage`,
};

/** Longest cord that is taken, metres. */
const LONGEST_M = 100;

/** Asks for the class of protection and the length of the cord. */
export function ClassCheck({ view, stage, onDone }: Props & { readonly onDone: () => void }) {
  const [cord, setCord] = useState('2');
  const cordM = numberIn(cord);
  const good = cordM !== null && cordM > 0 && cordM <= LONGEST_M;
  return (
    <>
      <Field
        label={say`Length of the cord`}
        unit="m"
        value={cord}
        onChange={(event) => setCord(event.target.value)}
        error={!good}
        helperText={good ? '' : say`Between 0 and ${LONGEST_M} m`}
        sx={{ width: 220 }}
      />
      <div className={classes.answers}>
        {PROTECTION_CLASSES.map((protection) => (
          <Button
            key={protection}
            variant="outlined"
            className={stages.big ?? ''}
            disabled={!good}
            onClick={() => {
              if (!good) return;
              void submitLines(view.job.id, makeLine(stage, { kind: 'protection-class', protection, cordM }));
              onDone();
            }}
          >
            {CLASS_WORDS[protection]}
          </Button>
        ))}
      </div>
    </>
  );
}

/** Read on the dead unit; the currents are read by a tester that feeds it. */
const DEAD: readonly SafetyReading[] = ['earth', 'insulation'];

/** A reading of electrical safety against this shop’s limit. */
export function SafetyCheck({ view, stage, reading }: Props & { readonly reading: SafetyReading }) {
  const [typed, setTyped] = useState('');
  const [instrument, setInstrument] = useStored('amber-gauge-safety-tester', '');
  const limits = useSettings().data?.safety;
  const protection = view.state.proving.protection;
  if (!limits || !protection) return null;
  const limit = safetyLimit(limits, reading, protection.protection, protection.cordM);
  const { unit, name } = SAFETY_WORDS[reading];
  const above = typed.trim().startsWith('>');
  const value = numberIn(typed.replace(/^\s*>/, '').trim());
  const good = value !== null && value >= 0;
  const live = isLive(view.state.power) && DEAD.includes(reading);
  // Nothing is fed at mains while earth or insulation failed.
  const failed = DEAD.includes(reading) ? [] : view.state.unsafe;
  const keep = () => {
    if (!good || live || failed.length > 0) return;
    const body = { kind: 'safety-reading', reading, value, above, limit, instrument: instrument.trim() } as const;
    void submitLines(view.job.id, makeLine(stage, body));
    setTyped('');
  };
  return (
    <>
      {live && <p className={stages.caution}>{say`Live: unplug first.`}</p>}
      {failed.length > 0 && (
        <p
          className={stages.caution}
        >{say`Failed: ${failed.join(', ')}. Stop: no mains on it before that is mended and read again.`}</p>
      )}
      {!DEAD.includes(reading) && failed.length === 0 && (
        <p
          className={stages.caution}
        >{say`Only with a tester made for it, by those trained to; never with a meter in series by hand.`}</p>
      )}
      <p
        className={classes.how}
      >{say`${reading === 'insulation' ? say`At least` : say`At most`} ${fixed(limit, 2)}${THIN}${unit} in this
        shop.`}</p>
      <div className={classes.readings}>
        <Field
          label={say`${name}, as read; > for above the range`}
          unit={unit}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          onKeyDown={(event) => event.key === 'Enter' && keep()}
          error={typed.trim() !== '' && !good}
          helperText={typed.trim() !== '' && !good ? say`A number, as in 0.12 or >20` : ''}
          sx={{ width: 320 }}
        />
        <Field
          label={say`Read with`}
          value={instrument}
          onChange={(event) => setInstrument(event.target.value)}
          sx={{ width: 220 }}
        />
        <Button
          variant="contained"
          className={stages.big ?? ''}
          disabled={!good || live || failed.length > 0}
          onClick={keep}
        >{say`Keep reading`}</Button>
      </div>
      <p className="small quiet">{say`Usual limits, the shop’s own to change in Set-up. Local rules and a qualified
        tester decide.`}</p>
    </>
  );
}
