/** One step going back: close, set back, renew, count, look flush; then it is back. */
import { numberIn } from '@amber-gauge/core/quantity';
import {
  endWords,
  fastenerWords,
  isRestored,
  stepWords,
  type LedgerStep,
  type OpenEnd,
  type RefitItem,
  type StageId,
} from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { Field } from '../../../shared/ui/Field.js';
import ToggleButton from '@mui/material/ToggleButton';
import { useState } from 'react';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { PhotoStrip } from '../photos/PhotoStrip.js';
import type { JobView } from '../useJobView.js';
import { StepDetails } from './StepDetails.js';
import stages from '../stages/Stages.module.css';
import classes from './Ledger.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly item: RefitItem;
  readonly shuts: { readonly steps: readonly LedgerStep[]; readonly ends: readonly OpenEnd[] };
  readonly onDone: () => void;
}

export function RefitForm({ view, stage, item, shuts, onDone }: Props) {
  const { step, key, number } = item.step;
  const [counts, setCounts] = useState<readonly (number | null)[]>(() => step.fasteners.map(() => null));
  const [measured, setMeasured] = useState<readonly string[]>(() => step.distances.map(() => ''));
  const [renewed, setRenewed] = useState<readonly string[]>([]);
  const [flush, setFlush] = useState<boolean | null>(null);
  const counted = counts.every((count) => count !== null);
  const ready = counted && (!step.cover || flush !== null);
  const keep = () => {
    if (!ready) return;
    const body = {
      kind: 'refit',
      target: key,
      returned: counts.map((count) => count ?? 0),
      distances: measured.map(numberIn),
      flush: step.cover ? flush : null,
      renewed,
    } as const;
    void submitLines(view.job.id, makeLine(stage, body));
    onDone();
  };
  const close = (end: OpenEnd) =>
    void submitLines(view.job.id, makeLine(stage, { kind: 'close', target: end.key, how: say`put back` }));
  return (
    <section className="stack" aria-label={say`Step ${number} goes back`}>
      <h1 className="prompt">{say`Put back ${number}: ${stepWords({ ...step, fasteners: [] })}`}</h1>
      {shuts.steps.length > 0 && (
        <p className={stages.caution}>{say`Putting this back now shuts in:
          ${shuts.steps.map((one) => `${one.number} ${one.step.what}`).join(', ')}.`}</p>
      )}
      {shuts.ends.length > 0 && (
        <ul className={classes.ends}>
          {shuts.ends.map((end) => (
            <li key={end.key} className={classes.end}>
              <span>
                <strong>{say`Close first:`}</strong> {endWords(end.end)}
              </span>
              <Button
                variant="outlined"
                onClick={() => close(end)}
                aria-label={say`Close: ${end.end.what}`}
              >{say`It is back`}</Button>
            </li>
          ))}
        </ul>
      )}
      <StepDetails step={step} />
      <PhotoStrip view={view} stage={stage} about={key} />
      {step.distances.map((one, i) => {
        const value = numberIn(measured[i] ?? '');
        return (
          <div key={one.what} className="row">
            <span
              className={classes.big}
            >{say`Set back ${one.what} to ${one.value} ± ${one.tolerance} ${one.unit}`}</span>
            <Field
              label={say`Measured, ${one.unit}`}
              value={measured[i]}
              onChange={(event) => setMeasured(measured.map((old, j) => (j === i ? event.target.value : old)))}
            />
            {value !== null && <span>{isRestored(one, value) ? say`right` : say`not right`}</span>}
          </div>
        );
      })}
      <Renewals owes={step.owes} renewed={renewed} onRenewed={setRenewed} />
      {step.cover && <Flush flush={flush} onFlush={setFlush} />}
      {step.earth && <p className={classes.big}>{say`Earth wire on its screw, star washer under it.`}</p>}
      {step.fasteners.map((one, i) => (
        <Count
          key={`${one.what}${i}`}
          words={fastenerWords(one)}
          wanted={one.count}
          value={counts[i] ?? null}
          onValue={(value) => setCounts(counts.map((old, j) => (j === i ? value : old)))}
        />
      ))}
      <div>
        <Button variant="contained" className={stages.keep ?? ''} disabled={!ready} onClick={keep}>
          {ready ? say`It is back` : counted ? say`Look whether it is flush` : say`Count what goes back`}
        </Button>
      </div>
    </section>
  );
}

interface RenewalsProps {
  readonly owes: readonly string[];
  readonly renewed: readonly string[];
  readonly onRenewed: (renewed: readonly string[]) => void;
}

/** What is not put back but renewed: paste, gaskets, ties. */
function Renewals({ owes, renewed, onRenewed }: RenewalsProps) {
  const toggled = (one: string) =>
    renewed.includes(one) ? renewed.filter((other) => other !== one) : [...renewed, one];
  return owes.map((one) => (
    <div key={one} className="row">
      <span className={classes.big}>{say`Renew the ${one}`}</span>
      <ToggleButton
        value={one}
        selected={renewed.includes(one)}
        onChange={() => onRenewed(toggled(one))}
      >{say`renewed`}</ToggleButton>
    </div>
  ));
}

function Flush({ flush, onFlush }: { readonly flush: boolean | null; readonly onFlush: (flush: boolean) => void }) {
  return (
    <div className="row">
      <span className={classes.big}>{say`Flush all round, before any screw?`}</span>
      <ToggleButton value="yes" selected={flush === true} onChange={() => onFlush(true)}>{say`flush`}</ToggleButton>
      <ToggleButton
        value="no"
        selected={flush === false}
        onChange={() => onFlush(false)}
      >{say`not flush`}</ToggleButton>
    </div>
  );
}

interface CountProps {
  readonly words: string;
  readonly wanted: number;
  readonly value: number | null;
  readonly onValue: (value: number) => void;
}

function Count({ words, wanted, value, onValue }: CountProps) {
  const now = value ?? wanted;
  return (
    <div className="row">
      <span className={classes.big}>{words}</span>
      <Button
        variant={value === wanted ? 'contained' : 'outlined'}
        onClick={() => onValue(wanted)}
      >{say`all ${wanted}`}</Button>
      <Button variant="outlined" onClick={() => onValue(Math.max(0, now - 1))} aria-label={say`One fewer: ${words}`}>
        −
      </Button>
      <span className={`mono ${classes.count}`}>{value ?? '?'}</span>
      <Button variant="outlined" onClick={() => onValue(now + 1)} aria-label={say`One more: ${words}`}>
        +
      </Button>
    </div>
  );
}
