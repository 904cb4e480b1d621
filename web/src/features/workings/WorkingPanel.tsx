/** One working: its question, its fields, and what they come to as they are typed. */
import { ownEntry } from '@amber-gauge/core/quantity';
import { solveWorking, type Working, type WorkingAnswer, type WorkingTexts } from '@amber-gauge/core/workings';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { serverNow } from '../../shared/outbox/clock.js';
import { Field } from '../../shared/ui/Field.js';
import { ShelfMotors } from './ShelfMotors.js';
import { SenseDrawing } from './SenseDrawing.js';
import classes from './Workings.module.css';
import { said, say } from '@amber-gauge/core/words';

interface Props {
  readonly working: Working;
  /** What the fields start with: read from a job's log, or nothing. */
  readonly start?: WorkingTexts;
  /** Keeps what it came to; left out where there is no job. */
  readonly onKeep?: (texts: WorkingTexts, answer: WorkingAnswer) => void;
}

export function WorkingPanel({ working, start = {}, onKeep }: Props) {
  const [typed, setTyped] = useState<WorkingTexts>({});
  const texts = { ...byTheClock(working), ...start, ...typed };
  const result = solveWorking(working, texts);
  const wrong = result.kind === 'wrong' ? result : null;
  return (
    <section className={classes.panel} aria-label={working.name}>
      <h1 className="prompt">{working.asks}</h1>
      <div className={classes.fields}>
        {working.fields.map((field) => {
          const value = ownEntry(texts, field.id) ?? field.usual ?? '';
          const bad = wrong?.field === field.id;
          return (
            <div key={field.id} className={field.kind === 'text' ? classes.wide : undefined}>
              <Field
                label={field.optional ? say`${field.label}, if known` : field.label}
                {...(field.unit ? { unit: field.unit } : {})}
                {...(field.choices ? { select: true } : {})}
                value={value}
                error={bad}
                onChange={(event) => setTyped({ ...typed, [field.id]: event.target.value })}
                slotProps={field.kind === 'number' ? { htmlInput: { inputMode: 'decimal' } } : {}}
              >
                {field.choices?.map((one) => (
                  <MenuItem key={one} value={one}>
                    {said(one)}
                  </MenuItem>
                ))}
              </Field>
              {bad && (
                <p role="alert" className={`danger ${classes.wrong}`}>
                  {wrong.message}
                </p>
              )}
              {ownEntry(typed, field.id) === undefined && ownEntry(start, field.id) !== undefined && (
                <p className={classes.from}>{field.fromSheet ? say`from its sheet` : say`from the log`}</p>
              )}
            </div>
          );
        })}
      </div>
      {working.id === 'motor-match' && (
        <>
          <SenseDrawing texts={texts} working={working} />
          <ShelfMotors working={working} texts={texts} onChoose={(motor) => setTyped({ ...typed, ...motor })} />
        </>
      )}
      {result.kind === 'missing' && (
        <p className="quiet" role="status">{say`Still wanted:
          ${result.fields.map((id) => working.fields.find((field) => field.id === id)?.label).join(', ')}.`}</p>
      )}
      {result.kind === 'answer' && <Answer answer={result} />}
      {result.kind === 'answer' && onKeep && (
        <Button variant="contained" className={classes.keep ?? ''} onClick={() => onKeep(texts, result)}>
          {result.expects ? say`Keep it: judge ${result.expects.place} by it` : say`Keep it in the log`}
        </Button>
      )}
      <details className={classes.assumes}>
        <summary>{say`Taken for granted`}</summary>
        <ul>
          {working.assumes.map((one) => (
            <li key={one}>{one}</li>
          ))}
        </ul>
      </details>
    </section>
  );
}

/** Fields that only a clock can fill. */
const byTheClock = (working: Working): WorkingTexts =>
  Object.fromEntries(
    working.fields.flatMap((field) => (field.now ? [[field.id, String(serverNow().getFullYear())]] : [])),
  );

function Answer({ answer }: { readonly answer: WorkingAnswer }) {
  return (
    <div role="status" className={classes.answer}>
      {answer.verdict && <p className={classes.verdict}>{answer.verdict}</p>}
      <dl className={classes.rows}>
        {answer.rows.map((row) => (
          <div key={row.label}>
            <dt>{row.label}</dt>
            <dd className="mono">{row.value}</dd>
          </div>
        ))}
      </dl>
      {answer.says.map((one) => (
        <p key={one} className={classes.says}>
          {said(one)}
        </p>
      ))}
    </div>
  );
}
