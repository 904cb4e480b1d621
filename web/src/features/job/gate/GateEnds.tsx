/** Open ends at the gate: closed here, or left open with a reason; and what else may be off that nobody listed. */
import { capital, endWords, type GateAnswers, type GateAsks, type StageId } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { Field } from '../../../shared/ui/Field.js';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import type { JobView } from '../useJobView.js';
import { Check } from './Check.js';
import classes from './Gate.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly asks: GateAsks;
  readonly answers: GateAnswers;
  readonly onChange: (more: Partial<GateAnswers>) => void;
}

export function GateEnds({ view, stage, asks, answers, onChange }: Props) {
  const whyOf = (key: string) => answers.accepted.find((one) => one.key === key)?.why ?? '';
  const accept = (key: string, why: string) =>
    onChange({ accepted: [...answers.accepted.filter((one) => one.key !== key), ...(why ? [{ key, why }] : [])] });
  const close = (key: string, how: string) =>
    void submitLines(view.job.id, makeLine(stage, { kind: 'close', target: key, how }));
  const off = (id: string) => {
    const usual = asks.usual.find((one) => one.id === id);
    if (!usual) return;
    const end = {
      kind: 'open-end',
      what: usual.what,
      how: usual.how,
      usualId: id,
      stepKey: null,
      moveKey: null,
    } as const;
    void submitLines(view.job.id, makeLine(stage, end));
  };
  const hand = asks.to === 'hand-back';
  return (
    <>
      {asks.ends
        .map((one) => ({ ...one, safe: asks.safeOf(one) }))
        .map(({ key, end, safe }) => (
          <div key={key} className={classes.end}>
            <span className={classes.endWords}>
              <strong>{say`Open:`}</strong> {endWords(end)}
            </span>
            <Button variant="outlined" onClick={() => close(key, safe)} aria-label={say`Closed: ${end.what}`}>
              {capital(safe)}
            </Button>
            <Field
              label={say`Or stays open because`}
              value={whyOf(key)}
              onChange={(event) => accept(key, event.target.value)}
            />
          </div>
        ))}
      {hand &&
        asks.stepsOff.map((step) => (
          <p key={step.key} className="danger">{say`Still off: step ${step.number}, ${step.step.what}`}</p>
        ))}
      {hand &&
        asks.findings.map((finding) => (
          <p key={finding.id} className="danger">
            {finding.text}
          </p>
        ))}
      {asks.usual.length > 0 && (
        <section aria-label={say`What else may be off`}>
          <p className="quiet">{say`What else may be off that is not listed? Look at each:`}</p>
          {asks.usual.map((usual) => (
            <div key={usual.id} className={classes.usual}>
              <Check
                text={`${capital(usual.what)}: ${usual.safe}`}
                on={answers.inPlace.includes(usual.id)}
                onChange={(on) =>
                  onChange({
                    inPlace: on ? [...answers.inPlace, usual.id] : answers.inPlace.filter((id) => id !== usual.id),
                  })
                }
              />
              <Button onClick={() => off(usual.id)} aria-label={say`It is off: ${usual.what}`}>{say`It is off`}</Button>
            </div>
          ))}
        </section>
      )}
    </>
  );
}
